package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;

/**
 * The low and the high cut of what an effect with echoes takes in, of 12 or 24 dB per octave (Butterworth), before any of them. A slope of 6 dB
 * belongs to {@link OnePoleCuts}, which such an effect has where its echoes go round; these do nothing and cost nothing then.
 */
final class WetCuts {

    /** Choices of a slope: 6, 12 and 24 dB per octave, and how many sections each has here. */
    private static final int[] SECTIONS = {0, 1, 2};
    private static final double NO_LOW_CUT = 20.001;
    private static final double NO_HIGH_CUT = 19999;

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
        lowSections = lowHz > NO_LOW_CUT ? SECTIONS[(int) block[slope]] : 0;
        highSections = highHz < NO_HIGH_CUT ? SECTIONS[(int) block[highSlope]] : 0;
    }

    /** The low cut that is left for the 6 dB of the loop. */
    double lowOfLoop() {
        return lowSections > 0 ? 0 : lowHz;
    }

    double highOfLoop() {
        return highSections > 0 ? NO_HIGH_CUT : highHz;
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
        run(low, lowSections, Biquad.HIGH_PASS, lowHz, sampleRate);
        run(high, highSections, Biquad.LOW_PASS, highHz, sampleRate);
    }

    double[] left() {
        return left;
    }

    double[] right() {
        return right;
    }

    private void run(Biquad[] sections, int count, int kind, double hz, double sampleRate) {
        for (int k = 0; k < count; k++) {
            // Q of section k of a Butterworth filter of order 2n: 1 / (2 cos((2k + 1) pi / 4n)).
            sections[k].aim(kind, hz, 0, 1 / (2 * Polynomials.cosCycles((2 * k + 1) / (8.0 * count))), sampleRate);
            sections[k].process(left, right);
        }
    }
}
