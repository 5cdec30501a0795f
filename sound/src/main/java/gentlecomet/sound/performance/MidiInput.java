package gentlecomet.sound.performance;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.parameter.PatchParameters;

/**
 * Plays an engine from MIDI 1.0 messages as they come in. Without a zone every channel plays alike. A zone of the MIDI Polyphonic
 * Expression specification (from memory: configured by RPN 6 on channel 1 or 16, or here by hand) gives each note a channel of its own,
 * whose bend (48 semitones unless RPN 0 says otherwise), pressure and controller 74 belong to that note; the zone's master channel moves all.
 */
public final class MidiInput {

    /** Controller that moves the first macro; the others follow. MIDI 1.0 leaves 102 to 119 undefined. */
    public static final int MACRO = 102;

    private static final int CHANNELS = 16;
    private static final int KEYS = 128;
    private static final double NOTE_BEND = 48;
    private static final int NO_RPN = 0x3FFF;
    private static final int RPN_BEND_RANGE = 0;
    private static final int RPN_ZONE = 6;

    private final Engine engine;
    /** Keys that each channel holds down. */
    private final boolean[][] down = new boolean[CHANNELS][KEYS];
    private final double[] bend = new double[CHANNELS];
    private final double[] slide = new double[CHANNELS];
    private final double[] pressure = new double[CHANNELS];
    private final double[] range = new double[CHANNELS];
    private final int[] rpn = new int[CHANNELS];
    private int only = -1;
    /** Channels of notes in the zone; none without one. */
    private int firstNote;
    private int lastNote = -1;
    private int master;

    public MidiInput(Engine engine) {
        this.engine = engine;
        for (int c = 0; c < CHANNELS; c++) {
            range[c] = NOTE_BEND;
            rpn[c] = NO_RPN;
        }
    }

    /** Listens to one channel alone, from 0, or to all with -1. What that silences is let go. */
    public void listenTo(int channel) {
        allOff();
        only = channel >= 0 && channel < CHANNELS ? channel : -1;
    }

    /** Lower zone with channel 1 as its master and channels for notes from 2 on; 0 ends it. */
    public void zone(int noteChannels) {
        setZone(0, noteChannels);
    }

    /** Whether notes have channels of their own. */
    public boolean zoned() {
        return lastNote >= firstNote && lastNote >= 0;
    }

    private void setZone(int newMaster, int noteChannels) {
        allOff();
        master = newMaster;
        int count = Math.max(0, Math.min(CHANNELS - 1, noteChannels));
        firstNote = master == 0 ? 1 : CHANNELS - 1 - count;
        lastNote = count == 0 ? -1 : firstNote + count - 1;
        for (int c = 0; c < CHANNELS; c++) {
            range[c] = NOTE_BEND;
            bend[c] = 0;
            slide[c] = 0;
            pressure[c] = 0;
        }
    }

    /** Lets go of every key and puts the pedal up, as when a controller has been unplugged. */
    public void allOff() {
        for (int c = 0; c < CHANNELS; c++) {
            for (int key = 0; key < KEYS; key++) {
                if (down[c][key]) {
                    off(c, key, 64);
                }
            }
        }
        engine.pedal(0);
    }

    /** Takes one message. What is no channel message, or has data out of range, is left alone. */
    public void take(int status, int first, int second) {
        int channel = status & 15;
        int kind = status & 0xF0;
        boolean data = first >= 0 && first < KEYS && (kind == 0xC0 || kind == 0xD0 || second >= 0 && second < KEYS);
        if (status < 0x80 || status >= 0xF0 || !data || only >= 0 && !zoned() && channel != only) {
            return;
        }
        switch (kind) {
            case 0x80 -> off(channel, first, second);
            case 0x90 -> {
                if (second == 0) {
                    off(channel, first, 64);
                } else {
                    on(channel, first, second);
                }
            }
            case 0xA0 -> engine.keyAftertouch(first, second / 127.0);
            case 0xB0 -> controller(channel, first, second);
            case 0xD0 -> pressed(channel, first / 127.0);
            case 0xE0 -> bent(channel, (first | second << 7) - 8192);
            default -> { }
        }
    }

    private boolean noteChannel(int channel) {
        return channel >= firstNote && channel <= lastNote;
    }

    private void on(int channel, int key, int velocity) {
        down[channel][key] = true;
        if (noteChannel(channel)) {
            engine.keyBend(key, bend[channel]);
            engine.keySlide(key, slide[channel]);
        } else {
            engine.keyBend(key, 0);
            engine.keySlide(key, 0);
        }
        engine.noteOn(key, velocity);
        if (noteChannel(channel) && pressure[channel] > 0) {
            engine.keyAftertouch(key, pressure[channel]);
        }
    }

    private void off(int channel, int key, int velocity) {
        down[channel][key] = false;
        engine.noteOff(key, velocity);
    }

    private void pressed(int channel, double value) {
        if (noteChannel(channel)) {
            pressure[channel] = value;
            for (int key = 0; key < KEYS; key++) {
                if (down[channel][key]) {
                    engine.keyAftertouch(key, value);
                }
            }
        } else {
            engine.aftertouch(value);
        }
    }

    /** @param value -8192 to 8191; the centre is 0 */
    private void bent(int channel, int value) {
        double part = value < 0 ? value / 8192.0 : value / 8191.0;
        if (!noteChannel(channel)) {
            engine.bend(part);
            return;
        }
        bend[channel] = part * range[channel];
        for (int key = 0; key < KEYS; key++) {
            if (down[channel][key]) {
                engine.keyBend(key, bend[channel]);
            }
        }
    }

    private void controller(int channel, int number, int value) {
        double part = value / 127.0;
        switch (number) {
            case 1 -> engine.modWheel(part);
            case 2 -> engine.breath(part);
            case 6 -> dataEntry(channel, value);
            case 11 -> engine.expression(part);
            case 64 -> engine.pedal(part);
            case 74 -> slid(channel, part);
            case 98, 99 -> rpn[channel] = NO_RPN;
            case 100 -> rpn[channel] = rpn[channel] & 0x3F80 | value;
            case 101 -> rpn[channel] = rpn[channel] & 0x7F | value << 7;
            case 120, 123 -> allOff();
            case 121 -> rest();
            default -> macro(number - MACRO, part);
        }
    }

    private void macro(int macro, double part) {
        if (macro >= 0 && macro < PatchParameters.MACROS) {
            engine.setParameter(PatchParameters.MACRO + macro, 100 * part);
        }
    }

    private void slid(int channel, double value) {
        slide[channel] = value;
        for (int key = 0; key < KEYS; key++) {
            if (down[channel][key]) {
                engine.keySlide(key, value);
            }
        }
    }

    /** Controllers to rest; notes go on (MIDI 1.0, Reset All Controllers). */
    private void rest() {
        engine.modWheel(0);
        engine.breath(0);
        engine.expression(1);
        engine.aftertouch(0);
        engine.bend(0);
        engine.pedal(0);
    }

    private void dataEntry(int channel, int value) {
        if (rpn[channel] == RPN_ZONE && (channel == 0 || channel == CHANNELS - 1)) {
            setZone(channel, value);
        } else if (rpn[channel] == RPN_BEND_RANGE && zoned()) {
            // One note's channel speaks for all of the zone, as the specification has it.
            for (int c = firstNote; c <= lastNote && noteChannel(channel); c++) {
                range[c] = Math.min(96, value);
            }
        } else if (rpn[channel] == RPN_BEND_RANGE) {
            engine.bendRange(value);
        }
    }
}
