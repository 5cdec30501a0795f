package gentlecomet.sound.engine;

import gentlecomet.sound.effect.EffectSlot;
import gentlecomet.sound.parameter.EffectParameters;

/** Effect slots in their order. */
final class EffectChain {

    private static final double MIDDLE_KEY = 60;

    private final EffectSlot[] slots;
    private final int start;
    private final int size = EffectParameters.size();
    /** Slots up to the last one that holds an effect or has held one. */
    private int used;
    private double key = MIDDLE_KEY;

    /** @param start place of the first slot's group in the block that the chain reads */
    EffectChain(int count, int start, double sampleRate) {
        this.start = start;
        slots = new EffectSlot[count];
        for (int s = 0; s < count; s++) {
            slots[s] = new EffectSlot(sampleRate);
        }
    }

    private int at(int slot) {
        return start + slot * size;
    }

    /** Makes the effects ready that a block asks for. */
    void equip(double[] block) {
        for (int s = 0; s < slots.length; s++) {
            slots[s].equip((int) block[at(s) + EffectParameters.TYPE]);
            used = block[at(s) + EffectParameters.TYPE] != EffectParameters.NONE && used <= s ? s + 1 : used;
        }
    }

    /** Whether any slot holds an effect or has held one. */
    boolean inUse() {
        return used > 0;
    }

    void reset() {
        key = MIDDLE_KEY;
        for (EffectSlot slot : slots) {
            slot.reset();
        }
    }

    /** Whether any effect wants to know of keys as the parameters of a block stand. */
    boolean listens(double[] block) {
        for (int s = 0; s < used; s++) {
            if (slots[s].listens(block, at(s))) {
                return true;
            }
        }
        return false;
    }

    /** Tells the effects which key was played last, which stays so without a note, and whether any is held. */
    void follow(Voice newest, boolean held) {
        if (newest != null) {
            key = newest.bentPitch();
        }
        for (int s = 0; s < used; s++) {
            slots[s].follow(key, held);
        }
    }

    void process(double[] block, double tempo, double[] left, double[] right) {
        for (int s = 0; s < used; s++) {
            slots[s].process(block, at(s), tempo, left, right);
        }
    }

    EffectSlot slot(int slot) {
        return slots[slot];
    }

    double gapSeconds(double[] block, double tempo) {
        double gap = 0;
        for (int s = 0; s < slots.length; s++) {
            gap += slots[s].gapSeconds(block, at(s), tempo);
        }
        return gap;
    }
}
