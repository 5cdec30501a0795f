package gentlecomet.sound.engine;

import gentlecomet.sound.maths.NoiseGenerator;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;

/** What keys do: poly, mono and legato playing, priorities, glides, zones and the force of a note. */
final class NoteHandler {

    private static final int NO_KEY = -1;

    private final ParameterState panel;
    private final VoicePool pool;
    private final Controllers controllers;
    private final VoiceContext setting;
    private final LayerMaterial[] materials;
    private final HeldKeys held = new HeldKeys();
    private final NoteStart note = new NoteStart();
    private final Voice[] going = new Voice[PatchParameters.MOST_STACKED];
    private double[] velocityPoints = new double[0];
    private int count;
    private double lastPitch = NO_KEY;
    private int soundingKey = NO_KEY;

    NoteHandler(ParameterState panel, VoicePool pool, Controllers controllers, VoiceContext setting, LayerMaterial[] materials) {
        this.panel = panel;
        this.pool = pool;
        this.controllers = controllers;
        this.setting = setting;
        this.materials = materials;
    }

    /** Takes the drawn velocity curve: rows of velocity and level in %. */
    void takeCurve(double[] points) {
        velocityPoints = points;
    }

    void reset() {
        held.clear();
        count = 0;
        lastPitch = NO_KEY;
        soundingKey = NO_KEY;
    }

    void panic() {
        held.clear();
        controllers.set(Controllers.PEDAL, 0);
        pool.letGoAll();
    }

    void on(int key, int velocity, double seconds, double rate) {
        if (key < 0 || key > 127) {
            return;
        }
        if (velocity <= 0) {
            off(key, 64, seconds, rate);
            return;
        }
        int limited = Math.min(127, velocity);
        boolean legato = held.any();
        held.press(key, limited);
        controllers.clearKeyPressure(key);
        controllers.settleKey(key);
        if (panel.wanted(PatchParameters.VOICE_MODE) == PatchParameters.MODE_POLY) {
            begin(key, limited, legato, seconds, rate);
            startNote();
        } else if (chosen() == key) {
            begin(key, limited, legato, seconds, rate);
            playMono(legato);
        }
    }

    void off(int key, int velocity, double seconds, double rate) {
        if (key < 0 || key > 127 || !held.release(key)) {
            return;
        }
        if (panel.wanted(PatchParameters.VOICE_MODE) != PatchParameters.MODE_POLY && held.any()) {
            if (soundingKey == key) {
                int back = chosen();
                begin(back, held.velocityOf(back), true, seconds, rate);
                playMono(true);
            }
            return;
        }
        pool.letGo(key, controllers.pedalDown(), Math.max(0, Math.min(127, velocity)) / 127.0);
    }

    private int chosen() {
        double priority = panel.wanted(PatchParameters.PRIORITY);
        return held.chosen(priority == PatchParameters.PRIORITY_LOWEST, priority == PatchParameters.PRIORITY_HIGHEST);
    }

    private void begin(int key, int velocity, boolean legato, double seconds, double rate) {
        count++;
        note.key = key;
        note.order = count;
        note.velocity = velocity / 127.0;
        note.gain = velocityGain(velocity);
        note.seconds = seconds;
        note.tempo = panel.patchBlock()[PatchParameters.TEMPO];
        note.pitch = setting.tuning.pitch(key);
        note.rate = rate;
        note.alternate = (count & 1) == 0;
        double time = panel.wanted(PatchParameters.GLIDE_TIME);
        boolean always = panel.wanted(PatchParameters.GLIDE_MODE) == 1;
        boolean glides = time > 0 && lastPitch != NO_KEY && (always || legato);
        note.glideFrom = glides ? lastPitch : note.pitch;
        note.glideTime = panel.wanted(PatchParameters.GLIDE_BY) == 1 ? time * Math.abs(note.pitch - note.glideFrom) / 12 : time;
        lastPitch = note.pitch;
        soundingKey = key;
    }

    private void playMono(boolean legato) {
        boolean retrigger = panel.wanted(PatchParameters.VOICE_MODE) == PatchParameters.MODE_MONO;
        boolean glides = note.glideFrom != note.pitch;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            int sounding = pool.going(layer, going);
            double zone = zoneGain(layer);
            if (sounding > 0 && zone > 0) {
                double from = note.glideFrom;
                note.glideFrom = glides ? going[0].pitch() : note.pitch;
                for (int v = 0; v < sounding; v++) {
                    going[v].moveTo(note, zone / Math.sqrt(sounding), retrigger || !legato);
                }
                note.glideFrom = from;
                pool.setNewest(going[0]);
            } else if (zone > 0) {
                startVoices(layer, zone);
            } else {
                for (int v = 0; v < sounding; v++) {
                    going[v].letGo(false, 0);
                }
            }
        }
    }

    private void startNote() {
        int stack = (int) panel.wanted(PatchParameters.STACK);
        int limit = (int) panel.wanted(PatchParameters.VOICES) * stack;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            double zone = zoneGain(layer);
            if (zone > 0) {
                pool.makeRoom(layer, limit, stack);
                startVoices(layer, zone);
            }
        }
    }

    /** One voice, or a stack of them spread in pitch and place, together as loud as one. */
    private void startVoices(int layer, double zone) {
        int stack = (int) panel.wanted(PatchParameters.STACK);
        int seed = NoiseGenerator.hash((int) panel.wanted(PatchParameters.SEED), count, layer);
        for (int v = 0; v < stack; v++) {
            Voice voice = pool.idle();
            voice.start(note, layer, zone / Math.sqrt(stack), panel.layerBlock(layer), panel.voiceRouting(layer), materials[layer],
                    v == 0 ? seed : NoiseGenerator.hash(seed, v, 7), setting);
            if (stack > 1) {
                double part = 2.0 * v / (stack - 1) - 1;
                voice.place(part * panel.wanted(PatchParameters.STACK_DETUNE) / 100, part * panel.wanted(PatchParameters.STACK_WIDTH) / 100);
            }
            pool.setNewest(voice);
        }
    }

    private double velocityGain(int velocity) {
        return VelocityLaw.gain((int) panel.wanted(PatchParameters.VELOCITY_CURVE), panel.wanted(PatchParameters.VELOCITY_TO_LEVEL) / 100,
                panel.wanted(PatchParameters.VELOCITY_DEPTH), velocityPoints, velocity);
    }

    /** Gain of the note in a layer's zone, 0 outside of it: its level along the keys, and in its crossfades a slope of equal power or equal level. */
    private double zoneGain(int layer) {
        int at = Parameters.ofLayer(layer, 0);
        double velocity = Math.floor(note.velocity * 127 + 0.5);
        if (panel.wanted(at + LayerParameters.ON) != 1 || note.key < panel.wanted(at + LayerParameters.LOW_KEY)
                || note.key > panel.wanted(at + LayerParameters.HIGH_KEY) || velocity < panel.wanted(at + LayerParameters.LOW_VELOCITY)
                || velocity > panel.wanted(at + LayerParameters.HIGH_VELOCITY)) {
            return 0;
        }
        boolean straight = panel.wanted(at + LayerParameters.FADE_LAW) == 1;
        return Polynomials.gainOfDb(BreakPoints.at(materials[layer].keyLevels, note.key, 0)) * slope(note.key - panel.wanted(at + LayerParameters.LOW_KEY), panel.wanted(at + LayerParameters.LOW_KEY_FADE), straight)
                * slope(panel.wanted(at + LayerParameters.HIGH_KEY) - note.key, panel.wanted(at + LayerParameters.HIGH_KEY_FADE), straight)
                * slope(velocity - panel.wanted(at + LayerParameters.LOW_VELOCITY), panel.wanted(at + LayerParameters.LOW_VELOCITY_FADE), straight)
                * slope(panel.wanted(at + LayerParameters.HIGH_VELOCITY) - velocity, panel.wanted(at + LayerParameters.HIGH_VELOCITY_FADE), straight);
    }

    /** Part of a fade: as the sine, so that two that cross keep their power, or straight, so that they keep their level. */
    private static double slope(double inside, double fade, boolean straight) {
        if (inside >= fade) {
            return 1;
        }
        double part = (inside + 0.5) / fade;
        return straight ? part : Polynomials.sinCycles(0.25 * part);
    }
}
