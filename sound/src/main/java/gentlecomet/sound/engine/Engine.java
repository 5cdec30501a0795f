package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Grain;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Modulator;

/**
 * The synthesizer: plays one patch. Sound is made in control steps of {@link #STEP} samples; what is played or changed takes
 * effect at the next control step, so the samples do not depend on the block size of {@link #render}. The same patch, notes,
 * seed and version give the same samples on every machine. One thread at a time.
 */
public final class Engine {

    /** Samples of a control step. */
    public static final int STEP = 32;
    /** Measurements and releases name this; it goes up whenever any sample may change. */
    public static final String VERSION = "1";
    /** Voices that can sound at once, those that fade out to make room included. */
    public static final int MAX_VOICES = 40;

    static final double[] RAMP = ramp();
    private static final int NO_KEY = -1;

    private final double sampleRate;
    private final Voice[] voices = new Voice[MAX_VOICES];
    private final Panel panel = new Panel();
    private final Controllers controllers = new Controllers();
    private final StereoDelay delay;
    private final Reverb reverb;
    private final HeldKeys held = new HeldKeys();
    private final double[] modulation = new double[Routing.modulators()];
    private final double[] stepLeft = new double[STEP];
    private final double[] stepRight = new double[STEP];
    private int ready;
    private double steps;
    private int notes;
    private int faults;
    private double trim;
    private double lastPitch = NO_KEY;
    private Voice newest;

    /** @param sampleRate in Hz, 8000 to 192000 */
    public Engine(double sampleRate) {
        this.sampleRate = sampleRate;
        StepTables tables = new StepTables();
        for (int v = 0; v < MAX_VOICES; v++) {
            voices[v] = new Voice(tables);
        }
        delay = new StereoDelay(sampleRate);
        reverb = new Reverb(sampleRate);
    }

    /** Takes over a patch at once and ends everything that sounds; wheels go back to rest. The image is copied. */
    public void load(double[] patchImage) {
        reset();
        panel.take(patchImage, true);
        trim = Polynomials.gainOfDb(panel.wanted(PatchParameters.LEVEL_TRIM));
    }

    /** Takes over changed values, routes and macros of the patch while it goes on sounding. The image is copied. */
    public void change(double[] patchImage) {
        panel.take(patchImage, false);
    }

    /**
     * Moves one parameter as a hand does on the screen; where a macro holds it both ends of the macro's range move along. As
     * {@link gentlecomet.sound.patch.Patch#withValue}.
     */
    public void setParameter(int index, double value) {
        panel.put(index, value);
    }

    /** Ends every note and tail, and puts wheels and counters back. */
    public void reset() {
        for (Voice v : voices) {
            v.stop();
        }
        controllers.reset();
        held.clear();
        delay.reset();
        reverb.reset();
        ready = 0;
        steps = 0;
        notes = 0;
        lastPitch = NO_KEY;
        newest = null;
        for (int i = 0; i < STEP; i++) {
            stepLeft[i] = 0;
            stepRight[i] = 0;
        }
    }

    /** Ends every note with its release, whatever is held; the pedal goes up. */
    public void panic() {
        held.clear();
        controllers.setPedal(false);
        for (Voice v : voices) {
            if (v.active()) {
                v.letGo(false);
            }
        }
    }

    /** A key goes down. @param velocity 1 to 127; 0 counts as a key that goes up, as in MIDI 1.0 */
    public void noteOn(int key, int velocity) {
        if (key < 0 || key > 127) {
            return;
        }
        if (velocity <= 0) {
            noteOff(key);
            return;
        }
        int limited = Math.min(127, velocity);
        boolean legato = held.any();
        held.press(key, limited);
        controllers.setKeyPressure(key, 0);
        if (panel.wanted(PatchParameters.VOICE_MODE) == PatchParameters.MODE_POLY) {
            startNote(key, limited, glideStart(key, legato));
        } else {
            playMono(key, limited, legato);
        }
        lastPitch = key;
    }

    /** A key goes up. Keys that are not down are ignored. */
    public void noteOff(int key) {
        if (key < 0 || key > 127 || !held.release(key)) {
            return;
        }
        if (panel.wanted(PatchParameters.VOICE_MODE) != PatchParameters.MODE_POLY && held.any()) {
            boolean sounded = newest != null && newest.active() && newest.key() == key;
            if (sounded) {
                playMono(held.last(), held.lastVelocity(), true);
                lastPitch = held.last();
            }
            return;
        }
        for (Voice v : voices) {
            if (v.active() && v.held() && v.key() == key) {
                v.letGo(controllers.pedal());
            }
        }
    }

    /** Sustain pedal. */
    public void pedal(boolean down) {
        controllers.setPedal(down);
        if (!down) {
            for (Voice v : voices) {
                v.pedalUp();
            }
        }
    }

    /** Modulation wheel, 0 to 1. */
    public void modWheel(double value) {
        controllers.set(Controllers.MOD_WHEEL, value);
    }

    /** Channel aftertouch, 0 to 1. */
    public void aftertouch(double value) {
        controllers.set(Controllers.AFTERTOUCH, value);
    }

    /** Polyphonic aftertouch of one key, 0 to 1. */
    public void keyAftertouch(int key, double value) {
        if (key >= 0 && key <= 127) {
            controllers.setKeyPressure(key, value);
        }
    }

    /** Pitch bend, -1 to 1. */
    public void bend(double value) {
        controllers.set(Controllers.BEND, value);
    }

    /** Writes the next frames into two channels, from {@code offset} on. Values may exceed 1; nothing is clipped here. */
    public void render(double[] left, double[] right, int offset, int frames) {
        int done = 0;
        while (done < frames) {
            if (ready == 0) {
                renderStep();
                ready = STEP;
            }
            int take = Math.min(ready, frames - done);
            System.arraycopy(stepLeft, STEP - ready, left, offset + done, take);
            System.arraycopy(stepRight, STEP - ready, right, offset + done, take);
            ready -= take;
            done += take;
        }
    }

    public double sampleRate() {
        return sampleRate;
    }

    /** Voices that sound now, releases included. */
    public int voicesSounding() {
        int count = 0;
        for (Voice v : voices) {
            count += v.active() ? 1 : 0;
        }
        return count;
    }

    /** How long the output can be silent, in seconds, before another echo comes. */
    public double longestGapSeconds() {
        return StereoDelay.longestGap(panel.patchBlock());
    }

    /** Voices silenced since the start because they produced no valid sound. */
    public int faults() {
        return faults;
    }

    /** Bit n is set while layer n sounds a held note. */
    public int layersSounding() {
        int bits = 0;
        for (Voice v : voices) {
            if (v.active() && v.held()) {
                bits |= 1 << v.layer();
            }
        }
        return bits;
    }

    /** Where a parameter stands now in the newest voice, macros and routes included. */
    public double soundingValue(int index) {
        int layer = Parameters.layerOf(index);
        if (layer < 0) {
            return panel.patchBlock()[index];
        }
        int place = index - Parameters.ofLayer(layer, 0);
        return newest != null && newest.active() && newest.layer() == layer ? newest.parameter(place) : panel.eased(index);
    }

    double stepSeconds() {
        return STEP / sampleRate;
    }

    double tempo() {
        return panel.patchBlock()[PatchParameters.TEMPO];
    }

    double glideSeconds() {
        return panel.patchBlock()[PatchParameters.GLIDE_TIME];
    }

    double bendSemitones() {
        double bend = controllers.get(Controllers.BEND);
        return bend * panel.patchBlock()[bend < 0 ? PatchParameters.BEND_DOWN : PatchParameters.BEND_UP];
    }

    double keyPressure(int key) {
        return controllers.keyPressure(key);
    }

    void sharedModulation(double[] into) {
        into[Modulator.AFTERTOUCH.ordinal()] = controllers.get(Controllers.AFTERTOUCH);
        into[Modulator.MOD_WHEEL.ordinal()] = controllers.get(Controllers.MOD_WHEEL);
        into[Modulator.BEND.ordinal()] = controllers.get(Controllers.BEND);
        int first = Modulator.MACRO_1.ordinal();
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            into[first + m] = panel.eased(PatchParameters.MACRO + m) / 100;
        }
    }

    private void renderStep() {
        controllers.advance(stepSeconds());
        panel.advance(stepSeconds());
        sharedModulation(modulation);
        panel.route(modulation);
        for (int i = 0; i < STEP; i++) {
            stepLeft[i] = 0;
            stepRight[i] = 0;
        }
        for (Voice v : voices) {
            if (v.active() && !v.render(this, panel.layerBlock(v.layer()), panel.layerRouting(v.layer()), stepLeft, stepRight)) {
                faults++;
            }
        }
        delay.process(panel.patchBlock(), stepLeft, stepRight);
        reverb.process(panel.patchBlock(), stepLeft, stepRight);
        double end = Polynomials.gainOfDb(panel.patchBlock()[PatchParameters.LEVEL_TRIM]);
        double slope = (end - trim) / STEP;
        for (int i = 0; i < STEP; i++) {
            double gain = trim + slope * RAMP[i];
            stepLeft[i] *= gain;
            stepRight[i] *= gain;
        }
        trim = end;
        steps++;
    }

    private double glideStart(int key, boolean legato) {
        boolean always = panel.wanted(PatchParameters.GLIDE_MODE) == 1;
        boolean glide = panel.wanted(PatchParameters.GLIDE_TIME) > 0 && lastPitch != NO_KEY && (always || legato);
        return glide ? lastPitch : key;
    }

    private void playMono(int key, int velocity, boolean legato) {
        boolean retrigger = panel.wanted(PatchParameters.VOICE_MODE) == PatchParameters.MODE_MONO;
        double start = glideStart(key, legato);
        notes++;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            Voice sounding = null;
            for (Voice v : voices) {
                if (v.active() && v.layer() == layer && !v.fading()) {
                    sounding = v;
                }
            }
            boolean plays = plays(layer, key, velocity);
            if (sounding != null && plays) {
                double from = start == key ? key : sounding.pitch();
                sounding.moveTo(key, velocity / 127.0, velocityGain(velocity), notes, retrigger || !legato, from);
                newest = sounding;
            } else if (plays) {
                startVoice(layer, key, velocity, start);
            } else if (sounding != null) {
                sounding.letGo(false);
            }
        }
    }

    private void startNote(int key, int velocity, double glideStart) {
        notes++;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            if (plays(layer, key, velocity)) {
                makeRoom(layer);
                startVoice(layer, key, velocity, glideStart);
            }
        }
    }

    private void startVoice(int layer, int key, int velocity, double glideStart) {
        Voice voice = idleVoice();
        int seed = Grain.hash((int) panel.wanted(PatchParameters.SEED), notes, layer);
        voice.start(layer, key, velocity / 127.0, velocityGain(velocity), notes, panel.layerBlock(layer), seed,
                steps * stepSeconds(), glideStart);
        newest = voice;
    }

    /** Velocity to level: 40 log10(v/127) dB at 100 % (the DLS and General MIDI 2 recommendation), none at 0 %. */
    private double velocityGain(int velocity) {
        double amount = panel.wanted(PatchParameters.VELOCITY_TO_LEVEL) / 100;
        return amount == 0 ? 1 : Polynomials.exp2(2 * amount * Polynomials.log2(velocity / 127.0));
    }

    private boolean plays(int layer, int key, int velocity) {
        int at = Parameters.ofLayer(layer, 0);
        return panel.wanted(at + LayerParameters.ON) == 1
                && key >= panel.wanted(at + LayerParameters.LOW_KEY) && key <= panel.wanted(at + LayerParameters.HIGH_KEY)
                && velocity >= panel.wanted(at + LayerParameters.LOW_VELOCITY) && velocity <= panel.wanted(at + LayerParameters.HIGH_VELOCITY);
    }

    private void makeRoom(int layer) {
        int limit = (int) panel.wanted(PatchParameters.VOICES);
        int count = 0;
        Voice victim = null;
        for (Voice v : voices) {
            if (v.active() && !v.fading() && v.layer() == layer) {
                count++;
                if (victim == null || v.yieldsBefore(victim)) {
                    victim = v;
                }
            }
        }
        if (count >= limit && victim != null) {
            victim.fade();
        }
    }

    private Voice idleVoice() {
        Voice oldest = voices[0];
        for (Voice v : voices) {
            if (!v.active()) {
                return v;
            }
            if (v.order() < oldest.order()) {
                oldest = v;
            }
        }
        return oldest;
    }

    private static double[] ramp() {
        double[] ramp = new double[STEP];
        for (int i = 0; i < STEP; i++) {
            ramp[i] = i;
        }
        return ramp;
    }
}
