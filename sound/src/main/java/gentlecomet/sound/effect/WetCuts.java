package gentlecomet.sound.effect;

/**
 * The low and the high cut of what an effect with echoes takes in, of 12 or 24 dB per octave (Butterworth), before any of them. A slope of 6 dB
 * belongs to {@link OnePoleCuts}, which such an effect has where its echoes go round; these do nothing and cost nothing then.
 */
final class WetCuts {

    /** Choices of a slope: 6, 12 and 24 dB per octave, and how many sections each has here. */
    private static final int[] SECTIONS = {0, 1, 2};

    private final Biquad[] low = {new Biquad(), new Biquad()};
    private final Biquad[] high = {new Biquad(), new Biquad()};
    private final double[] left = new double[EffectStep.SAMPLES];
    private final double[] right = new double[EffectStep.SAMPLES];
    private double lowHz;
    private double highHz;
    private int lowSections;
    private int highSections;

    void reset() {
        for (int i = 0; i < low.length; i++) {
            low[i].reset();
            high[i].reset();
        }
    }

    /** @param at place of the low cut in a block @param slope place of its slope @param highAt place of the high cut @param highSlope place of its slope */
    void aim(double[] block, int at, int slope, int highAt, int highSlope) {
        lowHz = block[at];
        highHz = block[highAt];
        lowSections = lowHz > OnePoleCuts.NO_LOW_CUT ? SECTIONS[(int) block[slope]] : 0;
        highSections = highHz < OnePoleCuts.NO_HIGH_CUT ? SECTIONS[(int) block[highSlope]] : 0;
    }

    /** The low cut that is left for the 6 dB of the loop. */
    double lowOfLoop() {
        return lowSections > 0 ? 0 : lowHz;
    }

    double highOfLoop() {
        return highSections > 0 ? OnePoleCuts.NO_HIGH_CUT : highHz;
    }

    boolean steep() {
        return lowSections + highSections > 0;
    }

    /** What comes in with its cuts, kept in {@link #left()} and {@link #right()}; only where the slopes are {@link #steep()}. */
    void process(double[] inLeft, double[] inRight, double sampleRate) {
        for (int i = 0; i < EffectStep.SAMPLES; i++) {
            left[i] = inLeft[i];
            right[i] = inRight[i];
        }
        Biquad.cut(low, Biquad.HIGH_PASS, lowSections, lowHz, sampleRate, left, right);
        Biquad.cut(high, Biquad.LOW_PASS, highSections, highHz, sampleRate, left, right);
    }

    double[] left() {
        return left;
    }

    double[] right() {
        return right;
    }
}
