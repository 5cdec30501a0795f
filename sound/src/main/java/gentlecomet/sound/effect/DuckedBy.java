package gentlecomet.sound.effect;

import gentlecomet.sound.maths.Polynomials;

/** How far an effect makes room for the dry sound: all of it from -12 dB of the dry sound on, nothing below -42 dB, evenly between. */
final class DuckedBy {

    private static final int SAMPLES = EffectStep.SAMPLES;
    private static final double FROM_DB = -42;
    private static final double TO_DB = -12;
    private static final double ATTACK_SECONDS = 0.008;
    private static final double RELEASE_SECONDS = 0.18;
    private static final double LOG2_E = 1.4426950408889634;

    private final double attack;
    private final double release;
    /** 0 for no room, 1 for all of it. */
    private double made;

    DuckedBy(double sampleRate) {
        attack = 1 - Polynomials.exp2(-SAMPLES / (ATTACK_SECONDS * sampleRate) * LOG2_E);
        release = 1 - Polynomials.exp2(-SAMPLES / (RELEASE_SECONDS * sampleRate) * LOG2_E);
    }

    void reset() {
        made = 0;
    }

    /** The gain of the wet sound in a step. @param mostDb by which it is turned down at most */
    double gain(double[] left, double[] right, double mostDb) {
        double peak = 0;
        for (int i = 0; i < SAMPLES; i++) {
            peak = Math.max(peak, Math.max(Math.abs(left[i]), Math.abs(right[i])));
        }
        double db = peak < 1e-5 ? FROM_DB : Polynomials.dbOfGain(peak);
        double wanted = Math.max(0, Math.min(1, (db - FROM_DB) / (TO_DB - FROM_DB)));
        made += (wanted - made) * (wanted > made ? attack : release);
        return Polynomials.gainOfDb(-mostDb * made);
    }
}
