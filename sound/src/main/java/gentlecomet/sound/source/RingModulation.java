package gentlecomet.sound.source;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.HalfBand;

/**
 * Multiplies a source by another one at twice the sample rate: a product reaches as high as both of its factors together, which is beyond half of the sample rate of either.
 * It is late by what two half-band filters take; so is the part that is not multiplied.
 */
final class RingModulation {

    private static final int SAMPLES = ControlStep.SAMPLES;

    private final HalfBand leftUp = new HalfBand();
    private final HalfBand rightUp = new HalfBand();
    private final HalfBand otherUp = new HalfBand();
    private final HalfBand leftDown = new HalfBand();
    private final HalfBand rightDown = new HalfBand();
    private final double[] left = new double[SAMPLES];
    private final double[] right = new double[SAMPLES];
    private final double[] fast = new double[2 * SAMPLES];
    private final double[] by = new double[2 * SAMPLES];
    private boolean begun;

    /** Forgets everything. */
    void reset() {
        if (begun) {
            leftUp.reset();
            rightUp.reset();
            otherUp.reset();
            leftDown.reset();
            rightDown.reset();
            begun = false;
        }
    }

    /** Whether it has been at work in this note: it stays so, or what is late would catch up with a jump. */
    boolean begun() {
        return begun;
    }

    /** Works in place on a control step of the two channels. @param part of the product, 0 to 1 @param softly fades in, in the middle of a note */
    void process(double[] toLeft, double[] toRight, int at, double[] other, double part, boolean softly) {
        otherUp.doubled(other, by, SAMPLES);
        for (int i = 0; i < 2 * SAMPLES; i++) {
            by[i] = 1 - part + part * by[i];
        }
        channel(leftUp, leftDown, left, toLeft, at, softly && !begun);
        channel(rightUp, rightDown, right, toRight, at, softly && !begun);
        begun = true;
    }

    private void channel(HalfBand up, HalfBand down, double[] work, double[] to, int at, boolean fadeIn) {
        System.arraycopy(to, at, work, 0, SAMPLES);
        up.doubled(work, fast, SAMPLES);
        for (int i = 0; i < 2 * SAMPLES; i++) {
            fast[i] *= by[i];
        }
        down.halved(fast, work, SAMPLES);
        for (int i = 0; i < SAMPLES; i++) {
            double share = fadeIn ? (i + 1.0) / SAMPLES : 1;
            to[at + i] += (work[i] - to[at + i]) * share;
        }
    }
}
