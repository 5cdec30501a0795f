package gentlecomet.sound.picture;

import gentlecomet.sound.effect.Compressor;
import gentlecomet.sound.effect.EffectType;
import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.engine.PressureCurve;
import gentlecomet.sound.engine.VelocityLaw;
import gentlecomet.sound.filter.VoiceFilter;
import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Fourier;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.motion.DrawnCurve;
import gentlecomet.sound.motion.Envelope;
import gentlecomet.sound.motion.Lfo;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.EnvelopeParameters;
import gentlecomet.sound.parameter.FilterParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.NoiseParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.source.Recording;

/**
 * The curves behind the bench's pictures, drawn from the engine's own parts. Each takes a patch image and answers numbers;
 * how they look is the page's business. Keeps an engine of its own; one thread at a time.
 */
public final class Pictures {

    private static final double RATE = 48000;
    private static final double LOW_HZ = 20;
    /** Small enough that no filter's own limits bend what it is measured by. */
    private static final double IMPULSE = 1e-3;
    private static final double OCTAVES = 9.965784284662087;

    private final Engine engine = new Engine(RATE);

    /** Puts a recording where pictures of sources can find it. */
    public void provide(Recording recording) {
        engine.provide(recording);
    }

    /**
     * One source as it sounds alone at key C3, at the level it has; bent by the other sources where it listens to them.
     *
     * @return {@code points} samples over two cycles of the middle copy
     */
    public double[] wave(double[] image, int layer, int source, int points) {
        engine.load(alone(image, layer, source));
        engine.noteOn(48, 127);
        int frames = 2048;
        double[] left = new double[frames];
        double[] right = new double[frames];
        engine.render(left, right, 0, frames);
        double period = RATE / frequency(image, layer, source);
        double span = Math.max(40, Math.min(2 * period, frames - 600));
        double[] picture = new double[points];
        for (int i = 0; i < points; i++) {
            double at = 512 + span * i / (points - 1);
            int whole = (int) at;
            picture[i] = left[whole] + (left[whole + 1] - left[whole]) * (at - whole);
        }
        return picture;
    }

    private static double[] alone(double[] image, int layer, int source) {
        double[] alone = image.clone();
        int block = Parameters.ofLayer(layer, 0);
        for (int other = 0; other < Parameters.LAYERS; other++) {
            PatchImage.pin(alone, Parameters.ofLayer(other, LayerParameters.ON), other == layer ? 1 : 0);
        }
        for (int other = 0; other < LayerParameters.SOURCES; other++) {
            if (other != source) {
                PatchImage.pin(alone, Parameters.ofSource(layer, other, SourceParameters.LEVEL), SourceParameters.OFF_DB);
            }
        }
        PatchImage.pin(alone, block + LayerParameters.NOISE + NoiseParameters.LEVEL, SourceParameters.OFF_DB);
        PatchImage.pin(alone, block + LayerParameters.filter(0) + FilterParameters.TYPE, FilterParameters.OFF);
        PatchImage.pin(alone, block + LayerParameters.filter(1) + FilterParameters.TYPE, FilterParameters.OFF);
        PatchImage.pin(alone, block + LayerParameters.DRIVE_TYPE, 0);
        PatchImage.pin(alone, block + LayerParameters.LOW_KEY, 0);
        PatchImage.pin(alone, block + LayerParameters.HIGH_KEY, 127);
        PatchImage.pin(alone, block + LayerParameters.LOW_VELOCITY, 1);
        PatchImage.pin(alone, block + LayerParameters.HIGH_VELOCITY, 127);
        PatchImage.pin(alone, block + LayerParameters.HIGH_VELOCITY_FADE, 0);
        int amplitude = block + LayerParameters.AMPLITUDE_ENVELOPE;
        PatchImage.pin(alone, amplitude + EnvelopeParameters.DELAY, 0);
        PatchImage.pin(alone, amplitude + EnvelopeParameters.ATTACK, 0);
        PatchImage.pin(alone, amplitude + EnvelopeParameters.SUSTAIN, 100);
        for (int slot = 0; slot < LayerParameters.EFFECTS; slot++) {
            PatchImage.pin(alone, block + LayerParameters.effect(slot) + EffectParameters.TYPE, EffectParameters.NONE);
        }
        for (int slot = 0; slot < PatchParameters.EFFECTS; slot++) {
            PatchImage.pin(alone, PatchParameters.effect(slot) + EffectParameters.TYPE, EffectParameters.NONE);
        }
        PatchImage.pin(alone, PatchParameters.LEVEL_TRIM, 0);
        // Without its routes: their depths become nothing.
        int routes = (int) alone[PatchImage.routesAt()];
        for (int r = 0; r < routes; r++) {
            alone[PatchImage.routesAt() + 1 + PatchImage.ROUTE * r + 2] = 0;
        }
        return alone;
    }

    /**
     * Harmonics of a source as it sounds alone at key C3.
     *
     * @return level in dB of each of the first {@code count} harmonics, -120 for none
     */
    public double[] harmonics(double[] image, int layer, int source, int count) {
        double[] alone = alone(image, layer, source);
        PatchImage.pin(alone, Parameters.ofSource(layer, source, SourceParameters.UNISON_VOICES), 1);
        engine.load(alone);
        engine.noteOn(48, 127);
        int frames = 8192;
        double[] left = new double[frames];
        double[] right = new double[frames];
        engine.render(left, right, 0, 1024);
        engine.render(left, right, 0, frames);
        for (int i = 0; i < frames; i++) {
            left[i] = 0.5 * (left[i] + right[i]) * (0.5 - 0.5 * Polynomials.cosCycles((double) i / frames));
        }
        double hz = frequency(image, layer, source);
        double[] levels = new double[count];
        for (int n = 1; n <= count; n++) {
            levels[n - 1] = n * hz < 0.5 * RATE ? Math.max(-120, Polynomials.dbOfGain(4 * amplitude(left, n * hz / RATE) / frames)) : -120;
        }
        return levels;
    }

    /** Size of the transform of samples at one frequency in cycles per sample, by a vector that turns along. */
    private static double amplitude(double[] samples, double turn) {
        double cos = Polynomials.cosCycles(turn);
        double sin = Polynomials.sinCycles(turn);
        double x = 1;
        double y = 0;
        double re = 0;
        double im = 0;
        for (double v : samples) {
            re += v * x;
            im += v * y;
            double turned = x * cos - y * sin;
            y = x * sin + y * cos;
            x = turned;
        }
        return Math.sqrt(re * re + im * im);
    }

    private static double frequency(double[] image, int layer, int source) {
        double key = 48 + 12 * image[Parameters.ofSource(layer, source, SourceParameters.OCTAVE)]
                + image[Parameters.ofSource(layer, source, SourceParameters.SEMITONES)]
                + image[Parameters.ofSource(layer, source, SourceParameters.CENTS)] / 100;
        return 440 * Polynomials.exp2((key - 69) / 12) * image[Parameters.ofSource(layer, source, SourceParameters.RATIO)];
    }

    /**
     * Both filters of a layer as they are joined, measured: what comes out of them for a single small sample, transformed.
     *
     * @return level in dB at frequencies evenly spread in octaves from 20 Hz to 20 kHz
     */
    public static double[] filters(double[] image, int layer, int points) {
        double[] block = layerBlock(image, layer);
        int size = 8192;
        double[] re = new double[size];
        double[] im = new double[size];
        VoiceFilter one = new VoiceFilter();
        VoiceFilter two = new VoiceFilter();
        int first = LayerParameters.filter(0);
        int second = LayerParameters.filter(1);
        one.equip((int) block[first + FilterParameters.TYPE], RATE);
        two.equip((int) block[second + FilterParameters.TYPE], RATE);
        boolean parallel = block[LayerParameters.FILTER_ROUTING] != 0;
        double[] left = new double[ControlStep.SAMPLES];
        double[] right = new double[ControlStep.SAMPLES];
        double[] otherLeft = new double[ControlStep.SAMPLES];
        double[] otherRight = new double[ControlStep.SAMPLES];
        for (int at = 0; at < size; at += ControlStep.SAMPLES) {
            for (int i = 0; i < ControlStep.SAMPLES; i++) {
                double in = at + i == 0 ? IMPULSE : 0;
                left[i] = in;
                right[i] = in;
                otherLeft[i] = in;
                otherRight[i] = in;
            }
            one.process(left, right, block, first, 60, 0, RATE);
            two.process(parallel ? otherLeft : left, parallel ? otherRight : right, block, second, 60, 0, RATE);
            for (int i = 0; i < ControlStep.SAMPLES; i++) {
                re[at + i] = parallel ? left[i] + otherLeft[i] : left[i];
            }
        }
        Fourier.transform(re, im, 1);
        double[] picture = new double[points];
        for (int i = 0; i < points; i++) {
            double place = hz(i, points) / RATE * size;
            int k = (int) place;
            double part = place - k;
            double low = Math.sqrt(re[k] * re[k] + im[k] * im[k]);
            double high = Math.sqrt(re[k + 1] * re[k + 1] + im[k + 1] * im[k + 1]);
            picture[i] = Math.max(-120, Polynomials.dbOfGain((low + (high - low) * part) / IMPULSE));
        }
        return picture;
    }

    /** Response of a layer's filter in dB, at frequencies evenly spread in octaves from 20 Hz to 20 kHz; flat when it is off. */
    public static double[] filter(double[] image, int layer, int filter, int points) {
        double[] block = layerBlock(image, layer);
        double[] picture = new double[points];
        for (int i = 0; i < points; i++) {
            picture[i] = VoiceFilter.responseDb(block, LayerParameters.filter(filter), hz(i, points), RATE);
        }
        return picture;
    }

    /**
     * Level of an envelope over time, as the engine plays it: the key goes up at {@code held} seconds.
     *
     * @param which 0 for the amplitude envelope
     */
    public static double[] envelope(double[] image, int layer, int which, double held, double seconds, int points) {
        double[] block = layerBlock(image, layer);
        Envelope envelope = new Envelope();
        envelope.start(false);
        double step = seconds / (points - 1);
        double[] picture = new double[points];
        for (int i = 1; i < points; i++) {
            if (i * step > held) {
                envelope.release();
            }
            picture[i] = envelope.advance(block, LayerParameters.envelope(which), image[PatchParameters.TEMPO], step);
        }
        return picture;
    }

    /** An LFO over some seconds from the key's start, delay and fade included. */
    public static double[] lfo(double[] image, int layer, int which, double seconds, int points) {
        double[] block = layerBlock(image, layer);
        int at = LayerParameters.lfo(which);
        double[] drawn = PatchImage.shape(image, Shapes.lfoPoints(layer, which));
        double[] steps = PatchImage.shape(image, Shapes.lfoSteps(layer, which));
        Lfo lfo = new Lfo();
        lfo.start(block, at, image[PatchParameters.TEMPO], 1, 0);
        double[] picture = new double[points];
        for (int i = 0; i < points; i++) {
            picture[i] = lfo.advance(block, at, drawn, steps, image[PatchParameters.TEMPO], seconds / (points - 1));
        }
        return picture;
    }

    /** Level in dB of velocities from 1 to 127, evenly spread. */
    public static double[] velocity(double[] image, int points) {
        double[] drawn = PatchImage.shape(image, Shapes.VELOCITY);
        double[] picture = new double[points];
        for (int i = 0; i < points; i++) {
            int velocity = 1 + (int) Math.floor(126.0 * i / (points - 1) + 0.5);
            picture[i] = Polynomials.dbOfGain(VelocityLaw.gain(image, drawn, velocity));
        }
        return picture;
    }

    /** What becomes of pressure from 0 to 1. */
    public static double[] touch(double[] image, int points) {
        double[] picture = new double[points];
        for (int i = 0; i < points; i++) {
            picture[i] = PressureCurve.at(i / (points - 1.0), image[PatchParameters.TOUCH_THRESHOLD] / 100, image[PatchParameters.TOUCH_CURVE] / 100);
        }
        return picture;
    }

    /** A drawn curve over some seconds from the key's start; the key goes up at {@code held} seconds. */
    public static double[] curve(double[] image, int layer, int which, double held, double seconds, int points) {
        double[] block = layerBlock(image, layer);
        double[] drawn = PatchImage.shape(image, Shapes.curve(layer, which));
        DrawnCurve curve = new DrawnCurve();
        curve.start();
        double step = seconds / (points - 1);
        double[] picture = new double[points];
        for (int i = 0; i < points; i++) {
            if (i * step > held) {
                curve.release();
            }
            picture[i] = curve.advance(block, LayerParameters.curve(which), drawn, image[PatchParameters.TEMPO], step);
        }
        return picture;
    }

    /**
     * What an equaliser, a filter or a body does at frequencies evenly spread in octaves from 20 Hz to 20 kHz, in dB, or a compressor to levels evenly
     * spread from -60 to 0 dB, in dB out.
     *
     * @param slot index of the slot's first parameter in the registry
     */
    public static double[] effect(double[] image, int slot, int points) {
        double[] picture = new double[points];
        EffectType type = EffectType.of(image[slot + EffectParameters.TYPE]);
        for (int i = 0; i < points; i++) {
            picture[i] = type == EffectType.COMPRESSOR ? compressed(image, slot, -60 + 60.0 * i / (points - 1)) : type.responseDb(image, slot, hz(i, points), RATE);
        }
        return picture;
    }

    private static double compressed(double[] image, int slot, double db) {
        return Compressor.curve(db, image[slot + EffectParameters.COMPRESSOR_THRESHOLD], image[slot + EffectParameters.COMPRESSOR_RATIO], image[slot + EffectParameters.COMPRESSOR_KNEE])
                + image[slot + EffectParameters.COMPRESSOR_MAKE_UP];
    }

    private static double hz(int i, int points) {
        return LOW_HZ * Polynomials.exp2(OCTAVES * i / (points - 1));
    }

    private static double[] layerBlock(double[] image, int layer) {
        double[] block = new double[LayerParameters.SIZE];
        int start = Parameters.ofLayer(layer, 0);
        for (int i = 0; i < block.length; i++) {
            block[i] = image[start + i];
        }
        return block;
    }
}
