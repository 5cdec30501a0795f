package gentlecomet.sound.engine;

import gentlecomet.sound.source.WaveCache;

/** All voices of an engine: which are free, which make room, which is the newest. */
final class VoicePool {

    /** Voices that can sound at once, without those that fade out to make room. */
    static final int MOST = 64;
    private static final int SPARE = 8;

    private final Voice[] voices = new Voice[MOST + SPARE];
    private final Voice[] awake = new Voice[MOST + SPARE];
    private int awakeCount;
    private int layersAwake;
    /** Whether a voice may have begun or ended since the last muster. */
    private boolean changed = true;
    private Voice newest;

    VoicePool(WaveCache shelf) {
        for (int v = 0; v < voices.length; v++) {
            voices[v] = new Voice(shelf);
        }
    }

    void equip(double[] layerBlock, boolean[] ringed, double highestRate, double rate) {
        for (Voice v : voices) {
            v.equip(layerBlock, ringed, highestRate, rate);
        }
    }

    void stop() {
        for (Voice v : voices) {
            v.stop();
        }
        changed = true;
        newest = null;
    }

    /** Renders the voices of a layer; answers how many had to be silenced. */
    int render(int layer, VoiceContext setting, ParameterState panel, double[] left, double[] right) {
        int faults = 0;
        double[] block = panel.layerBlock(layer);
        Voice waiting = null;
        for (int i = 0; i < awakeCount; i++) {
            Voice v = awake[i];
            if (!v.active() || v.layer() != layer) {
                changed |= !v.active();
            } else if (!v.draw(setting, block, panel.edition(layer), panel.voiceRouting(layer), panel.listened(layer))) {
                faults += putOut(v, setting, left, right);
            } else if (waiting == null) {
                waiting = v;
            } else {
                Voice.filterBoth(waiting, v);
                faults += putOut(waiting, setting, left, right);
                faults += putOut(v, setting, left, right);
                waiting = null;
            }
        }
        if (waiting != null) {
            waiting.filter();
            faults += putOut(waiting, setting, left, right);
        }
        return faults;
    }

    private int putOut(Voice v, VoiceContext setting, double[] left, double[] right) {
        boolean sound = v.putOut(setting, left, right);
        changed |= !v.active();
        return sound ? 0 : 1;
    }

    /** Looks once, at the start of a control step, which voices are to be rendered. */
    void muster() {
        if (!changed) {
            return;
        }
        changed = false;
        awakeCount = 0;
        layersAwake = 0;
        for (Voice v : voices) {
            if (v.active()) {
                awake[awakeCount] = v;
                awakeCount++;
                layersAwake |= 1 << v.layer();
            }
        }
    }

    boolean sounds(int layer) {
        return (layersAwake >> layer & 1) == 1;
    }

    int sounding() {
        int count = 0;
        for (Voice v : voices) {
            count += v.active() ? 1 : 0;
        }
        return count;
    }

    int layersHeld() {
        int bits = 0;
        for (Voice v : voices) {
            if (v.active() && v.held()) {
                bits |= 1 << v.layer();
            }
        }
        return bits;
    }

    /** The newest voice that still sounds, or null. */
    Voice newest() {
        return newest != null && newest.active() ? newest : null;
    }

    /** The newest voice of a layer that still sounds, or null. */
    Voice newest(int layer) {
        Voice found = null;
        for (Voice v : voices) {
            if (v.active() && v.layer() == layer && (found == null || v.order() > found.order())) {
                found = v;
            }
        }
        return found;
    }

    void setNewest(Voice voice) {
        newest = voice;
    }

    /** The voices of a layer that mono playing goes on with: those of its newest note. Answers how many. */
    int going(int layer, Voice[] into) {
        int count = 0;
        for (Voice v : voices) {
            if (v.active() && v.layer() == layer && !v.fading()) {
                if (count > 0 && v.order() > into[0].order()) {
                    count = 0;
                }
                if (count < into.length && (count == 0 || v.order() == into[0].order())) {
                    into[count] = v;
                    count++;
                }
            }
        }
        return count;
    }

    void letGo(int key, boolean pedal, double releaseVelocity) {
        for (Voice v : voices) {
            if (v.active() && v.held() && v.key() == key) {
                v.letGo(pedal, releaseVelocity);
            }
        }
    }

    void letGoAll() {
        for (Voice v : voices) {
            if (v.active()) {
                v.letGo(false, 0);
            }
        }
    }

    void pedalUp() {
        for (Voice v : voices) {
            v.pedalUp();
        }
    }

    /**
     * Fades notes so that a layer has no more than {@code limit} voices and all together no more than {@link #MOST}.
     *
     * @param coming voices that are about to begin
     */
    void makeRoom(int layer, int limit, int coming) {
        while (count(layer) > 0 && count(layer) + coming > limit) {
            takeOne(layer);
        }
        while (count(-1) > 0 && count(-1) + coming > MOST) {
            takeOne(-1);
        }
    }

    private int count(int layer) {
        int count = 0;
        for (Voice v : voices) {
            count += v.active() && !v.fading() && (layer < 0 || v.layer() == layer) ? 1 : 0;
        }
        return count;
    }

    private void takeOne(int layer) {
        Voice victim = null;
        for (Voice v : voices) {
            if (v.active() && !v.fading() && (layer < 0 || v.layer() == layer) && (victim == null || v.yieldsBefore(victim))) {
                victim = v;
            }
        }
        for (Voice v : voices) {
            // A stack of voices goes together.
            if (victim != null && v.active() && v.layer() == victim.layer() && v.order() == victim.order()) {
                v.fade();
            }
        }
    }

    /** A voice that is free, or else the oldest; it is about to begin. */
    Voice idle() {
        changed = true;
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
}
