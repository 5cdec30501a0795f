package gentlecomet.sound.picture;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.engine.Envelope;
import gentlecomet.sound.engine.Lfo;
import gentlecomet.sound.engine.LowPass24;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.PatchImage;

/**
 * The curves behind the bench's pictures, drawn from the engine's own parts. Each takes a patch image and answers numbers;
 * how they look is the page's business. Keeps an engine of its own; one thread at a time.
 */
public final class Pictures {

    private static final double RATE = 48000;

    private final Engine engine = new Engine(RATE);

    /**
     * One source as it sounds alone at key C3, at the level it has.
     *
     * @return {@code points} samples over two cycles of the middle copy
     */
    public double[] wave(double[] image, int layer, int source, int points) {
        double[] alone = image.clone();
        int block = Parameters.ofLayer(layer, 0);
        for (int other = 0; other < Parameters.LAYERS; other++) {
            alone[Parameters.ofLayer(other, LayerParameters.ON)] = other == layer ? 1 : 0;
        }
        for (int other = 0; other < LayerParameters.SOURCES; other++) {
            if (other != source) {
                alone[Parameters.ofSource(layer, other, SourceParameters.LEVEL)] = SourceParameters.OFF_DB;
            }
        }
        alone[block + LayerParameters.FILTER_TYPE] = 0;
        alone[block + LayerParameters.LOW_KEY] = 0;
        alone[block + LayerParameters.HIGH_KEY] = 127;
        alone[block + LayerParameters.LOW_VELOCITY] = 1;
        alone[block + LayerParameters.HIGH_VELOCITY] = 127;
        int amplitude = block + LayerParameters.AMPLITUDE_ENVELOPE;
        alone[amplitude] = 0;
        alone[amplitude + 1] = 0;
        alone[amplitude + 4] = 100;
        alone[PatchParameters.DELAY_MIX] = 0;
        alone[PatchParameters.REVERB_MIX] = 0;
        alone[PatchParameters.LEVEL_TRIM] = 0;
        alone[PatchImage.routesAt()] = 0;
        double[] plain = new double[Parameters.COUNT + 2];
        System.arraycopy(alone, 0, plain, 0, Parameters.COUNT);
        engine.load(plain);
        engine.noteOn(48, 127);
        int frames = 2048;
        double[] left = new double[frames];
        double[] right = new double[frames];
        engine.render(left, right, 0, frames);
        double semitones = 12 * alone[Parameters.ofSource(layer, source, SourceParameters.OCTAVE)]
                + alone[Parameters.ofSource(layer, source, SourceParameters.SEMITONES)];
        double period = RATE / (440 * Polynomials.exp2((48 + semitones - 69) / 12));
        double span = Math.min(2 * period, frames - 600);
        double[] picture = new double[points];
        for (int i = 0; i < points; i++) {
            double at = 512 + span * i / (points - 1);
            int whole = (int) at;
            picture[i] = left[whole] + (left[whole + 1] - left[whole]) * (at - whole);
        }
        return picture;
    }

    /** Response of a layer's filter in dB, at frequencies evenly spread in octaves from 20 Hz to 20 kHz; flat when it is off. */
    public static double[] filter(double[] image, int layer, int points) {
        double[] picture = new double[points];
        int block = Parameters.ofLayer(layer, 0);
        if (image[block + LayerParameters.FILTER_TYPE] == 0) {
            return picture;
        }
        Parameter cutoff = Parameters.at(block + LayerParameters.CUTOFF);
        for (int i = 0; i < points; i++) {
            picture[i] = LowPass24.responseDb(cutoff.value((double) i / (points - 1)), image[cutoff.index()],
                    image[block + LayerParameters.RESONANCE], RATE);
        }
        return picture;
    }

    /**
     * Level of an envelope over time, as the engine plays it: the key goes up at {@code held} seconds.
     *
     * @param group start of the envelope's group in the layer's block
     */
    public static double[] envelope(double[] image, int layer, int group, double held, double seconds, int points) {
        double[] block = new double[LayerParameters.SIZE];
        System.arraycopy(image, Parameters.ofLayer(layer, 0), block, 0, block.length);
        Envelope envelope = new Envelope();
        envelope.start(false);
        double step = seconds / (points - 1);
        double[] picture = new double[points];
        for (int i = 1; i < points; i++) {
            if (i * step > held) {
                envelope.release();
            }
            picture[i] = envelope.advance(block, group, step);
        }
        return picture;
    }

    /** The layer's LFO over some seconds from the key's start, -1 to 1, delay and fade included. */
    public static double[] lfo(double[] image, int layer, double seconds, int points) {
        double[] block = new double[LayerParameters.SIZE];
        System.arraycopy(image, Parameters.ofLayer(layer, 0), block, 0, block.length);
        Lfo lfo = new Lfo();
        lfo.start(block, 1);
        double[] picture = new double[points];
        for (int i = 0; i < points; i++) {
            picture[i] = lfo.advance(block, image[PatchParameters.TEMPO], seconds / (points - 1));
        }
        return picture;
    }
}
