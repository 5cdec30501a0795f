package gentlecomet.sound.effect;

import gentlecomet.sound.parameter.EffectParameters;

/** One side a few milliseconds late, which widens without a change of colour on either side. */
final class Widener implements Effect {

    private final double sampleRate;
    private final DelayLine left;
    private final DelayLine right;
    private double lateLeft = -1;
    private double lateRight;

    Widener(double sampleRate) {
        this.sampleRate = sampleRate;
        left = new DelayLine(0.045 * sampleRate);
        right = new DelayLine(0.045 * sampleRate);
    }

    @Override
    public void reset() {
        left.reset();
        right.reset();
        lateLeft = -1;
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] toLeft, double[] toRight) {
        double late = block[at + EffectParameters.WIDENER_DELAY] * sampleRate;
        boolean leftIsLate = block[at + EffectParameters.WIDENER_DELAYED_SIDE] == 1;
        double wantedLeft = leftIsLate ? late : 0;
        double wantedRight = leftIsLate ? 0 : late;
        if (lateLeft < 0) {
            lateLeft = wantedLeft;
            lateRight = wantedRight;
        }
        lateLeft = channel(left, toLeft, lateLeft, wantedLeft);
        lateRight = channel(right, toRight, lateRight, wantedRight);
    }

    /** Both sides pass the line, so that a side that is not late lags only by the two samples that reading between samples needs. */
    private static double channel(DelayLine line, double[] samples, double from, double wanted) {
        double most = EffectStep.SAMPLES * 0.5;
        double to = from + Math.max(-most, Math.min(most, wanted - from));
        double slope = (to - from) / EffectStep.SAMPLES;
        double late = from;
        for (int i = 0; i < EffectStep.SAMPLES; i++) {
            late += slope;
            line.put(samples[i]);
            samples[i] = line.at(late + 3);
        }
        return to;
    }
}
