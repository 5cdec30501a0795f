package gentlecomet.sound.source;

/** Equal-power pan: 0 dB in the middle and +3 dB at the sides. Remembers the last position. */
public final class Pan {

    private double position = Double.NaN;
    private double left;
    private double right;

    /** Moves to a position from -1 (left) to 1. */
    public void set(double newPosition) {
        if (newPosition != position) {
            position = newPosition;
            left = UnisonSpread.leftGain(newPosition);
            right = UnisonSpread.leftGain(-newPosition);
        }
    }

    /** Gain of the left channel. */
    public double left() {
        return left;
    }

    /** Gain of the right channel. */
    public double right() {
        return right;
    }
}
