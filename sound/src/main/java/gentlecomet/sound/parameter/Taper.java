package gentlecomet.sound.parameter;

/** How the length of a value bar (position 0 to 1) is shared out over a parameter's range. */
public enum Taper {
    /** Even steps. */
    LINEAR,
    /** Even ratios, for frequencies; the minimum is above zero. Routes to such a parameter count in octaves. */
    LOGARITHMIC,
    /** Fine near the minimum, for times that may be zero: value = min + (max - min) position cubed. */
    CUBIC,
    /** Decibels, where the minimum stands for silence ("off"). */
    DECIBEL,
    /** Whole numbers. */
    STEPPED,
    /** One of a list of text ids; the value is the place in the list, never written to a file. */
    CHOICE;

    /** Whether values between the steps mean something, so that the parameter can be moved smoothly and by routes. */
    public boolean continuous() {
        return this != STEPPED && this != CHOICE;
    }
}
