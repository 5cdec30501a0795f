package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Grain;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;

/** What keys do: poly, mono and legato playing, priorities, glides, zones and the force of a note. */
final class NotePlay {

    private static final int NO_KEY = -1;

    private final Panel panel;
    private final VoicePool pool;
    private final Controllers controllers;
    private final Tuning tuning;
    private final LayerMaterial[] materials;
    private final HeldKeys held = new HeldKeys();
    private final Voice.Start note = new Voice.Start();
    private double[] velocityPoints = new double[0];
    private int count;
    private double lastPitch = NO_KEY;
    private int soundingKey = NO_KEY;

    NotePlay(Panel panel, VoicePool pool, Controllers controllers, Tuning tuning, LayerMaterial[] materials) {
        this.panel = panel;
        this.pool = pool;
        this.controllers = controllers;
        this.tuning = tuning;
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
        controllers.setPedal(false);
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
        pool.letGo(key, controllers.pedal(), Math.max(0, Math.min(127, velocity)) / 127.0);
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
        note.pitch = tuning.pitch(key);
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
            Voice sounding = pool.going(layer);
            double zone = zoneGain(layer);
            if (sounding != null && zone > 0) {
                double from = note.glideFrom;
                note.glideFrom = glides ? sounding.pitch() : note.pitch;
                sounding.moveTo(note, zone, retrigger || !legato);
                note.glideFrom = from;
                pool.setNewest(sounding);
            } else if (zone > 0) {
                startVoice(layer, zone);
            } else if (sounding != null) {
                sounding.letGo(false, 0);
            }
        }
    }

    private void startNote() {
        int limit = (int) panel.wanted(PatchParameters.VOICES);
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            double zone = zoneGain(layer);
            if (zone > 0) {
                pool.makeRoom(layer, limit);
                startVoice(layer, zone);
            }
        }
    }

    private void startVoice(int layer, double zone) {
        Voice voice = pool.idle();
        int seed = Grain.hash((int) panel.wanted(PatchParameters.SEED), count, layer);
        voice.start(note, layer, zone, panel.layerBlock(layer), materials[layer], seed, tuning);
        pool.setNewest(voice);
    }

    /**
     * Velocity to level: 40 log10(v/127) dB at 100 % (the DLS and General MIDI 2 recommendation), none at 0 %; or along the drawn
     * curve down from 0 dB by the velocity depth.
     */
    private double velocityGain(int velocity) {
        if (panel.wanted(PatchParameters.VELOCITY_CURVE) == 1) {
            double level = drawnLevel(velocity / 1.27);
            return Polynomials.gainOfDb(-panel.wanted(PatchParameters.VELOCITY_DEPTH) * (1 - level / 100));
        }
        double amount = panel.wanted(PatchParameters.VELOCITY_TO_LEVEL) / 100;
        return amount == 0 ? 1 : Polynomials.exp2(2 * amount * Polynomials.log2(velocity / 127.0));
    }

    private double drawnLevel(double percent) {
        double[] p = velocityPoints;
        if (p.length < 4) {
            return percent;
        }
        if (percent <= p[0]) {
            return p[1];
        }
        for (int i = 2; i < p.length; i += 2) {
            if (percent <= p[i]) {
                double span = p[i] - p[i - 2];
                return span <= 0 ? p[i + 1] : p[i - 1] + (p[i + 1] - p[i - 1]) * (percent - p[i - 2]) / span;
            }
        }
        return p[p.length - 1];
    }

    /** Gain of the note in a layer's zone, 0 outside of it; in its crossfades an equal-power slope. */
    private double zoneGain(int layer) {
        int at = Parameters.ofLayer(layer, 0);
        double velocity = Math.floor(note.velocity * 127 + 0.5);
        if (panel.wanted(at + LayerParameters.ON) != 1 || note.key < panel.wanted(at + LayerParameters.LOW_KEY)
                || note.key > panel.wanted(at + LayerParameters.HIGH_KEY) || velocity < panel.wanted(at + LayerParameters.LOW_VELOCITY)
                || velocity > panel.wanted(at + LayerParameters.HIGH_VELOCITY)) {
            return 0;
        }
        return slope(note.key - panel.wanted(at + LayerParameters.LOW_KEY), panel.wanted(at + LayerParameters.LOW_KEY_FADE))
                * slope(panel.wanted(at + LayerParameters.HIGH_KEY) - note.key, panel.wanted(at + LayerParameters.HIGH_KEY_FADE))
                * slope(velocity - panel.wanted(at + LayerParameters.LOW_VELOCITY), panel.wanted(at + LayerParameters.LOW_VELOCITY_FADE))
                * slope(panel.wanted(at + LayerParameters.HIGH_VELOCITY) - velocity, panel.wanted(at + LayerParameters.HIGH_VELOCITY_FADE));
    }

    private static double slope(double inside, double fade) {
        return inside >= fade ? 1 : Polynomials.sinCycles(0.25 * (inside + 0.5) / fade);
    }
}
