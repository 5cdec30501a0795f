package gentlecomet.sound.pattern;

import gentlecomet.sound.maths.NoiseGenerator;
import gentlecomet.sound.parameter.PatternParameters;

/**
 * What becomes of the keys that are held: nothing, a chord in place of each key, or a pattern of steps in the patch's tempo that plays them in turn or together. It begins with the first key
 * that goes down and ends with the last that goes up. Chance follows from the patch's seed and the number of the step, so that the same keys give the same notes. A step is a row of level in %
 * of the key's velocity (0 is a rest), shift in semitones, chance in % and length in steps; without rows every step is a plain note. Nothing is allocated while it plays.
 */
public final class Pattern {

    /** Numbers of a row of steps: level, shift, chance, length. */
    private static final int ROW = 4;
    private static final int KEYS = 128;
    private static final int MOST_OCTAVES = 4;
    private static final int RELEASE = 64;
    /** Part of a beat by which what is due may be early, as sums of steps are not exact. */
    private static final double NEARLY = 1e-9;

    private final PatternNotes notes;
    private final int[] heldKeys = new int[KEYS];
    private final int[] heldVelocities = new int[KEYS];
    private int held;
    /** The keys of all chords that are held, in the order in which they are played. */
    private final int[] pool = new int[KEYS * 2 * MOST_OCTAVES];
    private final int[] poolVelocities = new int[KEYS * 2 * MOST_OCTAVES];
    private int pooled;
    /** Beat at which each note that sounds ends; below 0 where it does not sound. */
    private final double[] ends = new double[KEYS];
    /** How many held keys want a note that plays for as long as they are held. */
    private final int[] wanted = new int[KEYS];
    private double[] steps = new double[0];
    private double[] chord = new double[0];
    private int order;
    private int octaves = 1;
    private double stepBeats = 0.25;
    private double gate = 0.8;
    private double swing = 0.5;
    private double chance = 1;
    private int seed;
    private double beat;
    private double next;
    private int step;
    private int turn;

    public Pattern(PatternNotes notes) {
        this.notes = notes;
        silence();
    }

    /**
     * Takes what the patch wants. Notes of another order or chord end; the keys stay held.
     *
     * @param group the parameters of the pattern, see {@link PatternParameters}
     * @param rows  of steps, one after the other
     * @param chord semitones from the key for each note of a chord; empty for the key alone
     */
    public void take(double[] group, double[] rows, double[] chord, int seed) {
        int order = (int) group[PatternParameters.ORDER];
        if (order != this.order || !same(chord, this.chord)) {
            endAll();
        }
        boolean begins = this.order == PatternParameters.OFF && order != PatternParameters.OFF;
        this.order = order;
        this.chord = chord;
        steps = rows;
        octaves = (int) group[PatternParameters.OCTAVES];
        stepBeats = PatternParameters.beats((int) group[PatternParameters.STEP]);
        this.seed = seed;
        if (begins) {
            restart();
        }
        fill();
    }

    /** Whether keys go through here. */
    public boolean on() {
        return order != PatternParameters.OFF || chord.length > 0;
    }

    /** A key goes down. @param velocity 1 to 127 */
    public void press(int key, int velocity) {
        if (held == 0) {
            restart();
        }
        if (forget(key)) {
            letGo(key, -1);
        }
        heldKeys[held] = key;
        heldVelocities[held] = velocity;
        held++;
        if (order != PatternParameters.OFF) {
            fill();
            return;
        }
        for (double interval : chord) {
            int note = key + (int) interval;
            if (note >= 0 && note < KEYS) {
                wanted[note]++;
                ends[note] = Double.MAX_VALUE;
                notes.begin(note, velocity);
            }
        }
    }

    /** A key goes up. @return whether it was held here */
    public boolean release(int key, int velocity) {
        if (!forget(key)) {
            return false;
        }
        if (order != PatternParameters.OFF) {
            fill();
            if (held == 0) {
                endAll(velocity);
            }
            return true;
        }
        letGo(key, velocity);
        return true;
    }

    /** A key wants its chord no more; what no other key wants ends. @param velocity of the release, below 0 where the key goes down again and nothing ends */
    private void letGo(int key, int velocity) {
        for (double interval : chord) {
            int note = key + (int) interval;
            if (note >= 0 && note < KEYS && wanted[note] > 0) {
                wanted[note]--;
                if (wanted[note] == 0 && velocity >= 0) {
                    end(note, velocity);
                }
            }
        }
    }

    /**
     * Plays what is due, before a stretch of sound is drawn.
     *
     * @param beats length of the stretch in quarter notes
     * @param block parameters as they stand now, routes included
     * @param at    place in it of the pattern's
     */
    public void advance(double beats, double[] block, int at) {
        if (order == PatternParameters.OFF || held == 0) {
            return;
        }
        gate = block[at + PatternParameters.GATE] / 100;
        swing = block[at + PatternParameters.SWING] / 100;
        chance = block[at + PatternParameters.CHANCE] / 100;
        for (int note = 0; note < KEYS; note++) {
            if (ends[note] >= 0 && ends[note] <= beat + NEARLY) {
                end(note, RELEASE);
            }
        }
        while (next <= beat + NEARLY) {
            play();
            next += 2 * stepBeats * ((step & 1) == 0 ? swing : 1 - swing);
            step++;
        }
        beat += beats;
    }

    /** The step that was due last, counted from 0 since the first key went down; -1 while no pattern runs. A row of steps is that modulo their number. */
    public int step() {
        return order == PatternParameters.OFF || held == 0 ? -1 : step - 1;
    }

    /** Ends every note; no key is held any more. */
    public void clear() {
        endAll();
        held = 0;
        pooled = 0;
    }

    /** Forgets every note and key, as the engine does that has fallen silent. */
    public void reset() {
        silence();
        held = 0;
        pooled = 0;
        restart();
    }

    private void restart() {
        beat = 0;
        next = 0;
        step = 0;
        turn = 0;
    }

    private void play() {
        int rows = steps.length / ROW;
        int row = rows == 0 ? 0 : step % rows * ROW;
        double level = rows == 0 ? 1 : steps[row] / 100;
        double likely = rows == 0 ? chance : chance * steps[row + 2] / 100;
        if (level <= 0 || pooled == 0 || likely < 1 && NoiseGenerator.fraction(seed, step, 61) >= likely) {
            return;
        }
        int shift = rows == 0 ? 0 : (int) steps[row + 1];
        double length = stepBeats * gate * (rows == 0 ? 1 : steps[row + 3]);
        if (order == PatternParameters.CHORD) {
            int round = pooled / octaves;
            int first = turn % octaves * round;
            for (int i = first; i < first + round; i++) {
                begin(pool[i] + shift, poolVelocities[i], level, length);
            }
        } else {
            int i = order == PatternParameters.RANDOM ? (int) (NoiseGenerator.fraction(seed, turn, 67) * pooled) : place(turn);
            begin(pool[i] + shift, poolVelocities[i], level, length);
        }
        turn++;
    }

    /** Place in the pool of a turn; up and down does not play its ends twice. */
    private int place(int turn) {
        if (order != PatternParameters.UP_AND_DOWN || pooled < 3) {
            return turn % pooled;
        }
        int round = turn % (2 * pooled - 2);
        return round < pooled ? round : 2 * pooled - 2 - round;
    }

    private void begin(int note, int velocity, double level, double length) {
        if (note < 0 || note >= KEYS) {
            return;
        }
        if (ends[note] >= 0) {
            end(note, RELEASE);
        }
        ends[note] = beat + length;
        notes.begin(note, Math.max(1, Math.min(127, (int) Math.floor(velocity * level + 0.5))));
    }

    private void end(int note, int velocity) {
        ends[note] = -1;
        notes.end(note, velocity);
    }

    private void endAll() {
        endAll(RELEASE);
    }

    private void endAll(int velocity) {
        for (int note = 0; note < KEYS; note++) {
            wanted[note] = 0;
            if (ends[note] >= 0) {
                end(note, velocity);
            }
        }
    }

    private void silence() {
        for (int note = 0; note < KEYS; note++) {
            ends[note] = -1;
            wanted[note] = 0;
        }
    }

    private boolean forget(int key) {
        for (int i = 0; i < held; i++) {
            if (heldKeys[i] == key) {
                for (int k = i + 1; k < held; k++) {
                    heldKeys[k - 1] = heldKeys[k];
                    heldVelocities[k - 1] = heldVelocities[k];
                }
                held--;
                return true;
            }
        }
        return false;
    }

    /** Lays out what is played in turn: the held keys with their chords in order, then the same an octave up, and so on. */
    private void fill() {
        pooled = 0;
        for (int h = 0; h < held; h++) {
            for (int i = 0; i < Math.max(1, chord.length); i++) {
                int note = heldKeys[h] + (chord.length == 0 ? 0 : (int) chord[i]);
                if (note >= 0 && note < KEYS && pooled < 2 * KEYS && !pools(note)) {
                    pool[pooled] = note;
                    poolVelocities[pooled] = heldVelocities[h];
                    pooled++;
                }
            }
        }
        if (order != PatternParameters.AS_PLAYED) {
            sort(order == PatternParameters.DOWN);
        }
        int round = pooled;
        for (int octave = 1; octave < octaves; octave++) {
            for (int i = 0; i < round; i++) {
                // Downward the highest octave comes first.
                pool[pooled] = pool[i] + 12 * octave;
                poolVelocities[pooled] = poolVelocities[i];
                pooled++;
            }
        }
        if (order == PatternParameters.DOWN) {
            for (int octave = 0; octave < octaves; octave++) {
                for (int i = 0; i < round; i++) {
                    pool[octave * round + i] = pool[(octaves - 1) * round + i] - 12 * octave;
                }
            }
        }
    }

    private boolean pools(int note) {
        for (int i = 0; i < pooled; i++) {
            if (pool[i] == note) {
                return true;
            }
        }
        return false;
    }

    private void sort(boolean down) {
        for (int i = 1; i < pooled; i++) {
            int note = pool[i];
            int velocity = poolVelocities[i];
            int at = i;
            while (at > 0 && (down ? pool[at - 1] < note : pool[at - 1] > note)) {
                pool[at] = pool[at - 1];
                poolVelocities[at] = poolVelocities[at - 1];
                at--;
            }
            pool[at] = note;
            poolVelocities[at] = velocity;
        }
    }

    private static boolean same(double[] one, double[] other) {
        if (one.length != other.length) {
            return false;
        }
        for (int i = 0; i < one.length; i++) {
            if (one[i] != other[i]) {
                return false;
            }
        }
        return true;
    }
}
