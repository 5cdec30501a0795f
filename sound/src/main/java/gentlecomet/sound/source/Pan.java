package gentlecomet.sound.source;

/** Equal-power pan: 0 dB in the middle and +3 dB at the sides. */
public final class Pan {

    private Pan() {
    }

    /** Gain of the left channel at a position from -1 (left) to 1; that of the right one is the gain at the mirrored position. */
    public static double left(double position) {
        return CopySpread.leftGain(position);
    }
}
