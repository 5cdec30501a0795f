package gentlecomet.sound.effect;

import gentlecomet.sound.engine.Played;
import gentlecomet.sound.engine.Spectrum;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.PatchImage;
import java.util.function.IntToDoubleFunction;

/** An effect alone in its slot. */
final class InSlot {

    static final double RATE = 48000;

    private InSlot() {
    }

    /** Left and right of a signal after the effect in slot 1 of a patch. */
    static double[][] through(int frames, IntToDoubleFunction signal, String... changes) {
        double[] image = PatchImage.of(Played.patch(changes));
        EffectSlot slot = new EffectSlot(RATE);
        int at = PatchParameters.effect(0);
        slot.equip((int) image[at + EffectParameters.TYPE]);
        slot.reset();
        double[][] out = new double[2][frames];
        double[] left = new double[EffectStep.SAMPLES];
        double[] right = new double[EffectStep.SAMPLES];
        for (int start = 0; start + left.length <= frames; start += left.length) {
            for (int i = 0; i < left.length; i++) {
                left[i] = signal.applyAsDouble(start + i);
                right[i] = left[i];
            }
            slot.process(image, at, image[PatchParameters.TEMPO], left, right);
            System.arraycopy(left, 0, out[0], start, left.length);
            System.arraycopy(right, 0, out[1], start, right.length);
        }
        return out;
    }

    static IntToDoubleFunction sine(double hz, double level) {
        return i -> level * Math.sin(2 * Math.PI * hz * i / RATE);
    }

    static double gainDb(double hz, String... changes) {
        double[] out = through(48000, sine(hz, 0.1), changes)[0];
        return Spectrum.db(Played.rms(out, 24000, 48000) / 0.1 * Math.sqrt(2));
    }
}
