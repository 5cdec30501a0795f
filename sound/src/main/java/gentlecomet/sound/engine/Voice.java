package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Grain;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.Modulator;

/** One note of one layer. It keeps its own copy of the layer's parameters, moved by the routes at every control step. */
final class Voice {

    private static final double A4_HZ = 440;
    private static final int A4_KEY = 69;
    private static final double FAULT_LEVEL = 1e4;
    private static final double KEY_SCALE = 60;

    private final double[] block = new double[LayerParameters.SIZE];
    private final double[] modulation = new double[Routing.modulators()];
    private final ToneSource[] sources = new ToneSource[LayerParameters.SOURCES];
    private final Envelope amplitude = new Envelope();
    private final Envelope shape = new Envelope();
    private final Lfo lfo = new Lfo();
    private final LowPass24 filter = new LowPass24();
    private final double[] left = new double[Engine.STEP];
    private final double[] right = new double[Engine.STEP];

    private int layer;
    private int key;
    private int order;
    private boolean active;
    private boolean held;
    private boolean sustained;
    private boolean fading;
    private double pitch;
    private double glideFrom;
    private double glideSeconds;
    private double velocityGain;
    private double gainLeft;
    private double gainRight;

    Voice(StepTables steps) {
        for (int s = 0; s < sources.length; s++) {
            sources[s] = new ToneSource(steps);
        }
    }

    /** Begins a note; {@code glideStart} is the key to glide from, or the key itself. */
    void start(int newLayer, int newKey, double velocity, double gain, int newOrder, double[] base, int noteSeed,
            double seconds, double glideStart) {
        layer = newLayer;
        System.arraycopy(base, 0, block, 0, block.length);
        key = newKey;
        order = newOrder;
        active = true;
        held = true;
        sustained = false;
        fading = false;
        velocityGain = gain;
        pitch = glideStart;
        glideFrom = glideStart;
        glideSeconds = 0;
        gainLeft = 0;
        gainRight = 0;
        filter.reset();
        for (int m = 0; m < modulation.length; m++) {
            modulation[m] = 0;
        }
        modulation[Modulator.VELOCITY.ordinal()] = velocity;
        modulation[Modulator.KEY.ordinal()] = (newKey - 60) / KEY_SCALE;
        modulation[Modulator.RANDOM.ordinal()] = 2 * Grain.fraction(noteSeed, 3, 5) - 1;
        amplitude.start(false);
        shape.start(false);
        lfo.start(block, noteSeed);
        for (int s = 0; s < sources.length; s++) {
            sources[s].start(block, LayerParameters.source(s), noteSeed, s, seconds, frequency(newKey));
        }
    }

    /** Takes over this sounding voice for another key, as mono playing does. */
    void moveTo(int newKey, double velocity, double gain, int newOrder, boolean retrigger, double glideStart) {
        key = newKey;
        order = newOrder;
        held = true;
        sustained = false;
        velocityGain = gain;
        glideFrom = glideStart;
        glideSeconds = 0;
        modulation[Modulator.VELOCITY.ordinal()] = velocity;
        modulation[Modulator.KEY.ordinal()] = (newKey - 60) / KEY_SCALE;
        if (retrigger || amplitude.released()) {
            amplitude.start(true);
            shape.start(true);
        }
    }

    void letGo(boolean pedalDown) {
        held = false;
        sustained = pedalDown;
        if (!pedalDown) {
            release();
        }
    }

    void pedalUp() {
        if (sustained) {
            sustained = false;
            release();
        }
    }

    /** Fades out within one control step, to make room. */
    void fade() {
        fading = true;
        held = false;
    }

    void stop() {
        active = false;
        held = false;
        sustained = false;
        amplitude.stop();
    }

    private void release() {
        amplitude.release();
        shape.release();
    }

    boolean active() {
        return active;
    }

    boolean held() {
        return held;
    }

    boolean fading() {
        return fading;
    }

    boolean released() {
        return amplitude.released();
    }

    int key() {
        return key;
    }

    int layer() {
        return layer;
    }

    int order() {
        return order;
    }

    /** The pitch at which it sounds now, as a key number with fraction, for a glide to start from. */
    double pitch() {
        return pitch;
    }

    double level() {
        return amplitude.level() * velocityGain;
    }

    /** Whether this voice is to make room before another: the quietest released one goes first, then the oldest. */
    boolean yieldsBefore(Voice other) {
        if (released() != other.released()) {
            return released();
        }
        return released() ? level() < other.level() : order < other.order;
    }

    /** A parameter of the layer as it stood in the last control step, routes included. */
    double parameter(int place) {
        return block[place];
    }

    /**
     * Adds one control step to the output.
     *
     * @return false when the voice has produced something that is not a sound and was silenced
     */
    boolean render(Engine engine, double[] base, Routing routing, double[] outLeft, double[] outRight) {
        // A loop, not System.arraycopy: in the browser that makes two small objects for each call.
        double[] to = block;
        for (int i = 0; i < LayerParameters.SIZE; i++) {
            to[i] = base[i];
        }
        modulate(engine, routing);
        movePitch(engine);
        double bent = pitch + block[LayerParameters.TRANSPOSE] + engine.bendSemitones() + block[LayerParameters.PITCH_SHIFT];
        for (int i = 0; i < Engine.STEP; i++) {
            left[i] = 0;
            right[i] = 0;
        }
        for (int s = 0; s < sources.length; s++) {
            int at = LayerParameters.source(s);
            sources[s].add(block, at, sourceFrequency(at, bent), engine.sampleRate(), left, right);
        }
        if (block[LayerParameters.FILTER_TYPE] == 1) {
            filter.process(left, right, Engine.STEP, cutoff(bent), block[LayerParameters.RESONANCE], engine.sampleRate());
        }
        double pan = block[LayerParameters.ZONE_PAN] / 100;
        double zone = block[LayerParameters.ZONE_LEVEL] <= -72 ? 0 : Polynomials.gainOfDb(block[LayerParameters.ZONE_LEVEL]);
        double level = fading ? 0 : amplitude.level() * velocityGain * zone;
        double endLeft = level * CopySpread.leftGain(pan);
        double endRight = level * CopySpread.leftGain(-pan);
        double slopeLeft = (endLeft - gainLeft) / Engine.STEP;
        double slopeRight = (endRight - gainRight) / Engine.STEP;
        double sum = amplify(left, gainLeft, slopeLeft, Engine.RAMP) + amplify(right, gainRight, slopeRight, Engine.RAMP);
        gainLeft = endLeft;
        gainRight = endRight;
        if (!(sum < FAULT_LEVEL)) {
            stop();
            return false;
        }
        add(left, outLeft);
        add(right, outRight);
        if (fading || amplitude.idle()) {
            active = false;
        }
        return true;
    }

    /** Applies a gain that moves in a straight line; answers the sum of what is left. */
    private static double amplify(double[] samples, double gain, double slope, double[] ramp) {
        double sum = 0;
        for (int i = 0; i < Engine.STEP; i++) {
            double v = samples[i] * (gain + slope * (ramp[i] + 1));
            sum += Math.abs(v);
            samples[i] = v;
        }
        return sum;
    }

    private static void add(double[] samples, double[] to) {
        for (int i = 0; i < Engine.STEP; i++) {
            to[i] += samples[i];
        }
    }

    private void modulate(Engine engine, Routing routing) {
        engine.sharedModulation(modulation);
        double pressure = engine.keyPressure(key);
        if (pressure > modulation[Modulator.AFTERTOUCH.ordinal()]) {
            modulation[Modulator.AFTERTOUCH.ordinal()] = pressure;
        }
        modulation[Modulator.LFO.ordinal()] = lfo.advance(block, engine.tempo(), engine.stepSeconds());
        modulation[Modulator.FILTER_ENVELOPE.ordinal()] =
                shape.advance(block, LayerParameters.FILTER_ENVELOPE, engine.stepSeconds());
        modulation[Modulator.AMPLITUDE_ENVELOPE.ordinal()] =
                amplitude.advance(block, LayerParameters.AMPLITUDE_ENVELOPE, engine.stepSeconds());
        if (!routing.empty()) {
            routing.apply(block, modulation);
        }
    }

    private void movePitch(Engine engine) {
        double time = engine.glideSeconds();
        glideSeconds += engine.stepSeconds();
        pitch = glideSeconds >= time ? key : glideFrom + (key - glideFrom) * glideSeconds / time;
    }

    private double cutoff(double bentPitch) {
        double octaves = block[LayerParameters.KEY_TRACKING] / 100 * (bentPitch - 60) / 12
                + block[LayerParameters.ENVELOPE_AMOUNT] * modulation[Modulator.FILTER_ENVELOPE.ordinal()];
        double hz = octaves == 0 ? block[LayerParameters.CUTOFF] : block[LayerParameters.CUTOFF] * Polynomials.exp2(octaves);
        return Math.max(10, hz);
    }

    private double sourceFrequency(int at, double bentPitch) {
        double follow = block[at + SourceParameters.KEY_FOLLOW] / 100;
        double played = follow == 1 ? bentPitch : 60 + (bentPitch - 60) * follow;
        return frequency(played + 12 * block[at + SourceParameters.OCTAVE]
                + block[at + SourceParameters.SEMITONES]
                + block[at + SourceParameters.CENTS] / 100);
    }

    /** Equal temperament from A4 = 440 Hz: 440 x 2^((key - 69) / 12), as in MIDI 1.0. */
    static double frequency(double key) {
        return A4_HZ * Polynomials.exp2((key - A4_KEY) / 12);
    }
}
