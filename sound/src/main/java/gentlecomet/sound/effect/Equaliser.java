package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.EffectParameters;

/** Low and high cut of 12, 24 or 48 dB per octave (Butterworth), two shelves and four bells. Parts that do nothing cost nothing. */
public final class Equaliser implements Effect {

    /** Sections of a cut at each slope. */
    private static final int[] SECTIONS = {0, 1, 2, 4};
    private static final double SHELF_Q = 0.7071067811865476;

    private final double sampleRate;
    private final Biquad[] lowCut = sections();
    private final Biquad[] highCut = sections();
    private final Biquad lowShelf = new Biquad();
    private final Biquad highShelf = new Biquad();
    private final Biquad[] bells = sections();

    Equaliser(double sampleRate) {
        this.sampleRate = sampleRate;
    }

    @Override
    public void reset() {
        for (int i = 0; i < 4; i++) {
            lowCut[i].reset();
            highCut[i].reset();
            bells[i].reset();
        }
        lowShelf.reset();
        highShelf.reset();
    }

    @Override
    public void process(double[] block, int at, double tempo, double[] left, double[] right) {
        Biquad.cut(lowCut, Biquad.HIGH_PASS, SECTIONS[(int) block[at + EffectParameters.EQ_LOW_SLOPE]], block[at + EffectParameters.EQ_LOW_CUT], sampleRate, left, right);
        Biquad.cut(highCut, Biquad.LOW_PASS, SECTIONS[(int) block[at + EffectParameters.EQ_HIGH_SLOPE]], block[at + EffectParameters.EQ_HIGH_CUT], sampleRate, left, right);
        lowShelf.aim(Biquad.LOW_SHELF, block[at + EffectParameters.EQ_LOW_SHELF], block[at + EffectParameters.EQ_LOW_GAIN], SHELF_Q, sampleRate);
        lowShelf.process(left, right);
        highShelf.aim(Biquad.HIGH_SHELF, block[at + EffectParameters.EQ_HIGH_SHELF], block[at + EffectParameters.EQ_HIGH_GAIN], SHELF_Q, sampleRate);
        highShelf.process(left, right);
        for (int b = 0; b < EffectParameters.BELLS; b++) {
            int bell = at + EffectParameters.EQ_BELL + 3 * b;
            bells[b].aim(Biquad.BELL, block[bell], block[bell + 1], block[bell + 2], sampleRate);
            bells[b].process(left, right);
        }
    }

    private static Biquad[] sections() {
        return new Biquad[] {new Biquad(), new Biquad(), new Biquad(), new Biquad()};
    }

    /** Response in dB at a frequency as the parameters of a block stand, for pictures. */
    static double responseDb(double[] block, int at, double hz, double sampleRate) {
        double gain = 1;
        double[] c = new double[5];
        int low = SECTIONS[(int) block[at + EffectParameters.EQ_LOW_SLOPE]];
        for (int k = 0; k < low; k++) {
            Biquad.coefficients(c, Biquad.HIGH_PASS, block[at + EffectParameters.EQ_LOW_CUT], 0, Biquad.butterworthQ(k, low), sampleRate);
            gain *= Biquad.gainAt(c, hz, sampleRate);
        }
        int high = SECTIONS[(int) block[at + EffectParameters.EQ_HIGH_SLOPE]];
        for (int k = 0; k < high; k++) {
            Biquad.coefficients(c, Biquad.LOW_PASS, block[at + EffectParameters.EQ_HIGH_CUT], 0, Biquad.butterworthQ(k, high), sampleRate);
            gain *= Biquad.gainAt(c, hz, sampleRate);
        }
        Biquad.coefficients(c, Biquad.LOW_SHELF, block[at + EffectParameters.EQ_LOW_SHELF], block[at + EffectParameters.EQ_LOW_GAIN], SHELF_Q, sampleRate);
        gain *= Biquad.gainAt(c, hz, sampleRate);
        Biquad.coefficients(c, Biquad.HIGH_SHELF, block[at + EffectParameters.EQ_HIGH_SHELF], block[at + EffectParameters.EQ_HIGH_GAIN], SHELF_Q, sampleRate);
        gain *= Biquad.gainAt(c, hz, sampleRate);
        for (int b = 0; b < EffectParameters.BELLS; b++) {
            int bell = at + EffectParameters.EQ_BELL + 3 * b;
            Biquad.coefficients(c, Biquad.BELL, block[bell], block[bell + 1], block[bell + 2], sampleRate);
            gain *= Biquad.gainAt(c, hz, sampleRate);
        }
        return Math.max(-120, Polynomials.dbOfGain(gain));
    }
}
