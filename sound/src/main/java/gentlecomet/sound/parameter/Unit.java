package gentlecomet.sound.parameter;

/** The unit in which a parameter is stored, shown and typed. */
public enum Unit {
    /** A plain number without unit. */
    NONE(""),
    /** Frequency in hertz. */
    HERTZ("Hz"),
    /** Time in seconds; shown in ms below one second. */
    SECONDS("s"),
    /** Level in decibels. */
    DECIBELS("dB"),
    /** Hundredths of a semitone. */
    CENTS("ct"),
    /** Equal-tempered semitones. */
    SEMITONES("st"),
    /** Doublings. */
    OCTAVES("oct"),
    /** Angle, for phase modulation. */
    RADIANS("rad"),
    /** Parts of a hundred, stored as 0 to 100. */
    PERCENT("%"),
    /** A level as a part of full, stored as 0 to 100; typed in decibels as well. */
    PERCENT_LEVEL("%"),
    /** A frequency as a multiple of another; typed in semitones or cents as well. */
    RATIO(""),
    /** A MIDI key number, shown as a note name with C4 = 60. */
    KEY(""),
    /** Quarter notes per minute. */
    BEATS_PER_MINUTE("BPM");

    private final String symbol;

    Unit(String symbol) {
        this.symbol = symbol;
    }

    /** The text after a value, empty where there is none. */
    public String symbol() {
        return symbol;
    }
}
