package gentlecomet.sound.engine;

import gentlecomet.sound.filter.Ladder;
import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.NoiseGenerator;
import gentlecomet.sound.motion.DrawnCurve;
import gentlecomet.sound.motion.Envelope;
import gentlecomet.sound.motion.Lfo;
import gentlecomet.sound.parameter.EnvelopeParameters;
import gentlecomet.sound.parameter.FilterParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.LfoParameters;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.source.WaveCache;

/** One note of one layer. It keeps its own copy of the layer's parameters, moved by the routes at every control step. */
final class Voice {

    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final double KEY_SCALE = 60;
    private static final double MIDDLE_KEY = 60;

    private final double[] block = new double[LayerParameters.VOICE_SIZE];
    private final double[] modulation = new double[Modulator.COUNT];
    private final VoiceSources sources;
    private final VoiceFilters filters = new VoiceFilters();
    private final Envelope[] envelopes = new Envelope[LayerParameters.ENVELOPES];
    private final DrawnCurve[] curves = new DrawnCurve[LayerParameters.CURVES];
    private final Lfo[] lfos = new Lfo[LayerParameters.LFOS];
    private final VoiceOut out = new VoiceOut();
    private LayerMaterial material;
    private int edition;
    private int handsSeen;
    /** Something has moved that stands by itself: a hand, the note, the layer. */
    private boolean stirred;
    private boolean active;
    private boolean held;
    private boolean sustained;
    private boolean fading;
    private int layer;
    private int key;
    private int order;
    private double velocityGain;
    private double zoneGain;
    private double pitch;
    private double bent;
    private double target;
    private double glideFrom;
    private double glideSeconds;
    private double glideTime;
    private double seconds;
    private double stackPitch;
    private double stackPan;

    Voice(WaveCache shelf) {
        sources = new VoiceSources(shelf);
        for (int e = 0; e < envelopes.length; e++) {
            envelopes[e] = new Envelope();
        }
        for (int c = 0; c < curves.length; c++) {
            curves[c] = new DrawnCurve();
        }
        for (int l = 0; l < lfos.length; l++) {
            lfos[l] = new Lfo();
        }
    }

    /** Makes ready what a layer's choices need, so that nothing has to be made while rendering. @param ringed sources that are or may be ring-modulated @param rate of the voices in Hz, as the patch asks for it */
    void equip(double[] layerBlock, boolean[] ringed, double highestRate, double rate) {
        sources.equip(layerBlock, ringed);
        filters.equip(layerBlock, highestRate, rate);
    }

    /**
     * Begins a note of a layer, whose parameters stand where its routes put them for this note.
     *
     * @param seed fixes everything that is random about the note
     */
    void start(NoteStart note, int newLayer, double newZoneGain, double[] layerBlock, ModulationMatrix routing, LayerMaterial newMaterial, int seed,
            VoiceContext setting) {
        active = true;
        held = true;
        sustained = false;
        fading = false;
        layer = newLayer;
        material = newMaterial;
        key = note.key;
        order = note.order;
        velocityGain = note.gain;
        zoneGain = newZoneGain;
        stackPitch = 0;
        stackPan = 0;
        target = note.pitch;
        pitch = note.glideFrom;
        glideFrom = note.glideFrom;
        glideTime = note.glideTime;
        glideSeconds = 0;
        seconds = 0;
        out.reset();
        for (int i = 0; i < block.length; i++) {
            block[i] = layerBlock[i];
        }
        edition = -1;
        for (int m = 0; m < modulation.length; m++) {
            modulation[m] = 0;
        }
        modulation[Modulator.VELOCITY.ordinal()] = note.velocity;
        modulation[Modulator.KEY.ordinal()] = (note.key - MIDDLE_KEY) / KEY_SCALE;
        modulation[Modulator.RANDOM.ordinal()] = 2 * NoiseGenerator.fraction(seed, 3, 5) - 1;
        modulation[Modulator.ALTERNATE.ordinal()] = note.alternate ? 1 : -1;
        modulation[Modulator.CONSTANT.ordinal()] = 1;
        handsSeen = -1;
        followHands(setting);
        routing.apply(layerBlock, 0, block, modulation);
        for (Envelope e : envelopes) {
            e.start(false);
        }
        for (DrawnCurve c : curves) {
            c.start();
        }
        for (int l = 0; l < lfos.length; l++) {
            lfos[l].start(block, LayerParameters.lfo(l), note.tempo, NoiseGenerator.hash(seed, l, 23), note.seconds);
        }
        filters.reset();
        sources.start(block, material, note, seed, setting.tuning.hz(pitch));
    }

    /** Where it stands in the stack of voices of its key. @param semitones off the pitch @param newPan -1 to 1, added to the zone's */
    void place(double semitones, double newPan) {
        stackPitch = semitones;
        stackPan = newPan;
    }

    /** Takes over this sounding voice for another key, as mono playing does. */
    void moveTo(NoteStart note, double newZoneGain, boolean retrigger) {
        key = note.key;
        order = note.order;
        held = true;
        sustained = false;
        velocityGain = note.gain;
        zoneGain = newZoneGain;
        target = note.pitch;
        glideFrom = note.glideFrom;
        glideTime = note.glideTime;
        glideSeconds = 0;
        modulation[Modulator.VELOCITY.ordinal()] = note.velocity;
        modulation[Modulator.KEY.ordinal()] = (note.key - MIDDLE_KEY) / KEY_SCALE;
        modulation[Modulator.ALTERNATE.ordinal()] = note.alternate ? 1 : -1;
        modulation[Modulator.RELEASE_VELOCITY.ordinal()] = 0;
        stirred = true;
        boolean anew = retrigger || envelopes[0].released();
        for (int e = 0; e < envelopes.length; e++) {
            if (anew || block[LayerParameters.envelope(e) + EnvelopeParameters.ON_LEGATO] == EnvelopeParameters.RESTART) {
                envelopes[e].start(true);
            }
        }
        if (anew) {
            for (DrawnCurve c : curves) {
                c.start();
            }
        }
    }

    void letGo(boolean pedalDown, double releaseVelocity) {
        held = false;
        sustained = pedalDown;
        modulation[Modulator.RELEASE_VELOCITY.ordinal()] = releaseVelocity;
        stirred = true;
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
        envelopes[0].stop();
    }

    private void release() {
        for (Envelope e : envelopes) {
            e.release();
        }
        for (DrawnCurve c : curves) {
            c.release();
        }
    }

    boolean active() {
        return active;
    }

    /** Key number with fraction at which it sounds. */
    double bentPitch() {
        return bent;
    }

    boolean held() {
        return held;
    }

    boolean fading() {
        return fading;
    }

    boolean released() {
        return envelopes[0].released();
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
        return envelopes[0].level() * velocityGain;
    }

    /** What its modulators say, for the effects that follow it. */
    double[] modulation() {
        return modulation;
    }

    /** Whether this voice is to make room before another: the quietest released one goes first, then the oldest. */
    boolean yieldsBefore(Voice other) {
        if (released() != other.released()) {
            return released();
        }
        return released() ? level() < other.level() : order < other.order;
    }

    /** Stage and seconds of an envelope, as {@link gentlecomet.sound.motion.Envelope#place}. */
    double envelopePlace(int envelope) {
        return envelopes[envelope].place();
    }

    /** Seconds since it began. */
    double seconds() {
        return seconds;
    }

    /** A parameter of the layer as it stood in the last control step, routes included. */
    double parameter(int place) {
        return block[place];
    }

    /** The layer's parameters as they stood in the last control step, routes included. Not to be written to. */
    double[] block() {
        return block;
    }

    /**
     * Draws one control step of its sources and begins to filter it.
     *
     * @return whether it has come to a ladder, which {@link #filter} or {@link #filterBoth} has to run before {@link #putOut}
     */
    boolean draw(VoiceContext setting, double[] base, int newEdition, ModulationMatrix routing, boolean[] listened) {
        if (newEdition != edition) {
            edition = newEdition;
            stirred = true;
            double[] to = block;
            for (int i = 0; i < LayerParameters.VOICE_SIZE; i++) {
                to[i] = base[i];
            }
            // Modulators are parameters as well, and what moves is moved by routes: they read where these put it last.
            routing.apply(base, 0, block, modulation);
        }
        followHands(setting);
        modulate(setting, listened);
        if (stirred) {
            routing.apply(base, 0, block, modulation);
        } else {
            routing.applyMoving(base, block, modulation);
        }
        movePitch(setting);
        bent = pitch + stackPitch + block[LayerParameters.TRANSPOSE] + setting.bendSemitones + setting.keyBend[key] + block[LayerParameters.PITCH_SHIFT];
        sources.draw(block, setting, bent, stirred, routing);
        stirred = false;
        if (setting.levels.on()) {
            setting.levels.look(layer, StageLevels.SOURCES, sources.left, sources.right, out.loudest());
        }
        return filters.begin(sources, block, bent, modulation[Modulator.ENVELOPE_2.ordinal()], setting.sampleRate);
    }

    /** Runs the ladder to which it has come. */
    void filter() {
        filters.ladder().process(sources.left, sources.right, SAMPLES);
    }

    /** The same for two voices at once. */
    static void filterBoth(Voice one, Voice two) {
        Ladder.processBoth(one.filters.ladder(), one.sources.left, one.sources.right, two.filters.ladder(), two.sources.left, two.sources.right, SAMPLES);
    }

    /**
     * Filters the rest and adds the step to the output.
     *
     * @return false when the voice has produced something that is not a sound and was silenced
     */
    boolean putOut(VoiceContext setting, double[] outLeft, double[] outRight) {
        filters.finish(sources, block, bent, modulation[Modulator.ENVELOPE_2.ordinal()], setting.sampleRate);
        if (setting.levels.on()) {
            setting.levels.look(layer, StageLevels.FILTERS, sources.left, sources.right, out.loudest());
        }
        double level = fading ? 0 : envelopes[0].level() * velocityGain * zoneGain;
        if (!out.add(sources.left, sources.right, block, level, stackPan, outLeft, outRight)) {
            stop();
            return false;
        }
        if (fading || envelopes[0].idle()) {
            active = false;
        }
        return true;
    }

    private void modulate(VoiceContext setting, boolean[] listened) {
        double step = setting.stepSeconds;
        double tempo = setting.tempo;
        for (int l = 0; l < lfos.length; l++) {
            int m = Modulator.LFO_1.ordinal() + l;
            if (listened[m]) {
                int at = LayerParameters.lfo(l);
                modulation[m] = block[at + LfoParameters.SCOPE] == 1 ? setting.sharedLfos[layer][l]
                        : lfos[l].advance(block, at, material.lfoPoints[l], material.lfoSteps[l], tempo, step);
            }
        }
        for (int c = 0; c < curves.length; c++) {
            int m = Modulator.CURVE_1.ordinal() + c;
            if (listened[m]) {
                modulation[m] = curves[c].advance(block, LayerParameters.curve(c), material.curves[c], tempo, step);
            }
        }
        for (int e = 0; e < envelopes.length; e++) {
            int m = Modulator.AMPLITUDE_ENVELOPE.ordinal() + e;
            boolean filters = e == 1 && (block[LayerParameters.filter(0) + FilterParameters.ENVELOPE_AMOUNT] != 0
                    || block[LayerParameters.filter(1) + FilterParameters.ENVELOPE_AMOUNT] != 0);
            if (e == 0 || filters || listened[m]) {
                modulation[m] = envelopes[e].advance(block, LayerParameters.envelope(e), tempo, step);
            }
        }
    }

    private void followHands(VoiceContext setting) {
        double pressure = setting.keyPressure[key];
        double slide = setting.keySlide[key];
        if (handsSeen == setting.handsMoved && pressure == modulation[Modulator.KEY_AFTERTOUCH.ordinal()]
                && slide == modulation[Modulator.SLIDE.ordinal()]) {
            return;
        }
        handsSeen = setting.handsMoved;
        stirred = true;
        double[] shared = setting.modulation;
        modulation[Modulator.KEY_AFTERTOUCH.ordinal()] = pressure;
        modulation[Modulator.SLIDE.ordinal()] = slide;
        modulation[Modulator.AFTERTOUCH.ordinal()] = Math.max(pressure, shared[Modulator.AFTERTOUCH.ordinal()]);
        modulation[Modulator.MOD_WHEEL.ordinal()] = shared[Modulator.MOD_WHEEL.ordinal()];
        modulation[Modulator.BEND.ordinal()] = shared[Modulator.BEND.ordinal()];
        modulation[Modulator.BREATH.ordinal()] = shared[Modulator.BREATH.ordinal()];
        modulation[Modulator.EXPRESSION.ordinal()] = shared[Modulator.EXPRESSION.ordinal()];
        modulation[Modulator.PEDAL.ordinal()] = shared[Modulator.PEDAL.ordinal()];
        for (int m = Modulator.MACRO_1.ordinal(); m < Modulator.COUNT; m++) {
            modulation[m] = shared[m];
        }
    }

    private void movePitch(VoiceContext setting) {
        seconds += setting.stepSeconds;
        glideSeconds += setting.stepSeconds;
        pitch = glideSeconds >= glideTime ? target : glideFrom + (target - glideFrom) * glideSeconds / glideTime;
    }
}
