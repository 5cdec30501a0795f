package gentlecomet.sound.pattern;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.parameter.PatternParameters;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Patterns against what their words say: orders, octaves, swing and gates are those of any arpeggio (common practice), steps are told in {@link Pattern}. */
class PatternTest {

    private static final double TICK = 1.0 / 960;
    private static final double[] NONE = {};

    /** What began or ended, and at which beat. */
    private record Heard(double beat, int key, int velocity) {
        boolean begins() {
            return velocity > 0;
        }
    }

    private final List<Heard> heard = new ArrayList<>();
    private final double[] group = {PatternParameters.UP, 0, 1, 80, 50, 100};
    private double beat;
    private final Pattern pattern = new Pattern(new PatternNotes() {
        @Override
        public void begin(int key, int velocity) {
            heard.add(new Heard(beat, key, velocity));
        }

        @Override
        public void end(int key, int velocity) {
            heard.add(new Heard(beat, key, 0));
        }
    });

    private void take(double[] steps, double... chord) {
        pattern.take(group, steps, chord, 1);
    }

    private void run(double beats) {
        for (int i = 0; i < Math.round(beats / TICK); i++) {
            pattern.advance(TICK, group, 0);
            beat += TICK;
        }
    }

    private void press(int... keys) {
        for (int key : keys) {
            pattern.press(key, 100);
        }
    }

    private List<Integer> keys() {
        return heard.stream().filter(Heard::begins).map(Heard::key).toList();
    }

    private List<Double> times(boolean begins) {
        return heard.stream().filter(h -> h.begins() == begins).map(h -> Math.round(1000 * h.beat()) / 1000.0).toList();
    }

    private List<Integer> played(int order, int octaves, int notes) {
        group[PatternParameters.ORDER] = order;
        group[PatternParameters.OCTAVES] = octaves;
        take(NONE);
        press(64, 60, 67);
        run(notes * 0.25 - 2 * TICK);
        return keys();
    }

    @Test
    void upwards() {
        assertEquals(List.of(60, 64, 67, 72, 76, 79, 60), played(PatternParameters.UP, 2, 7));
    }

    @Test
    void downwardsFromTheHighestOctave() {
        assertEquals(List.of(79, 76, 72, 67, 64, 60, 79), played(PatternParameters.DOWN, 2, 7));
    }

    @Test
    void upAndDownPlaysItsEndsOnce() {
        assertEquals(List.of(60, 64, 67, 64, 60, 64, 67), played(PatternParameters.UP_AND_DOWN, 1, 7));
    }

    @Test
    void inTheOrderOfTheHand() {
        assertEquals(List.of(64, 60, 67, 64), played(PatternParameters.AS_PLAYED, 1, 4));
    }

    @Test
    void together() {
        assertEquals(List.of(60, 64, 67, 72, 76, 79), played(PatternParameters.CHORD, 2, 2));
    }

    /** The same keys give the same notes, and all of them come. */
    @Test
    void chanceFollowsFromTheSeed() {
        List<Integer> first = played(PatternParameters.RANDOM, 1, 40);
        assertEquals(List.of(60, 64, 67), first.stream().distinct().sorted().toList());
        heard.clear();
        pattern.clear();
        press(64, 60, 67);
        run(10 - 2 * TICK);
        assertEquals(first, keys());
        heard.clear();
        pattern.clear();
        pattern.take(group, NONE, NONE, 2);
        press(64, 60, 67);
        run(10 - 2 * TICK);
        assertNotEquals(first, keys());
    }

    /** A swing of 66 % is a triplet: the second of two sixteenths begins two thirds into the eighth. */
    @Test
    void swingAndGate() {
        group[PatternParameters.SWING] = 200 / 3.0;
        group[PatternParameters.GATE] = 50;
        take(NONE);
        press(60);
        run(1);
        assertEquals(List.of(0.0, 0.333, 0.5, 0.833), times(true), "within a tick");
        assertEquals(List.of(0.125, 0.458, 0.625, 0.958), times(false));
    }

    @Test
    void stepsRestShiftTieAndWeigh() {
        take(new double[] {100, 0, 100, 1, 0, 0, 100, 1, 50, 7, 100, 2, 0, 0, 100, 1});
        press(60);
        run(1.25 - 2 * TICK);
        assertEquals(List.of(60, 67, 60), keys());
        assertEquals(List.of(0.0, 0.5, 1.0), times(true));
        assertEquals(List.of(100, 50, 100), heard.stream().filter(Heard::begins).map(Heard::velocity).toList());
        assertEquals(List.of(0.2, 0.9), times(false).subList(0, 2), "a gate of 80 % of a sixteenth, and of two");
    }

    /** Sixteenths: after half a beat and a little the third step was due; a rest is one too. */
    @Test
    void theStepThatPlaysIsKnown() {
        take(new double[] {100, 0, 100, 1, 0, 0, 100, 1});
        assertEquals(-1, pattern.step());
        press(60);
        run(TICK);
        assertEquals(0, pattern.step());
        run(0.51);
        assertEquals(2, pattern.step());
        pattern.release(60, 30);
        assertEquals(-1, pattern.step());
    }

    @Test
    void halfOfTheStepsByChance() {
        take(new double[] {100, 0, 50, 1});
        press(60);
        run(100);
        // Binomial: 400 steps, one half, four standard deviations of 10.
        assertEquals(200, keys().size(), 40);
    }

    @Test
    void theLastKeyEndsIt() {
        take(NONE);
        press(60, 64);
        run(0.1);
        pattern.release(64, 30);
        run(0.5);
        assertFalse(keys().subList(1, keys().size()).contains(64));
        assertTrue(pattern.release(60, 30));
        int before = heard.size();
        run(1);
        assertEquals(before, heard.size(), "nothing comes after it");
        assertEquals(heard.stream().filter(Heard::begins).count(), heard.stream().filter(h -> !h.begins()).count(), "every note has ended");
        assertFalse(pattern.release(60, 30), "a key that is not held is not the pattern's");
    }

    /** A chord for each key, as long as the key is held; a note that two keys want ends with the second. */
    @Test
    void aChordInPlaceOfAKey() {
        group[PatternParameters.ORDER] = PatternParameters.OFF;
        take(NONE, 0, 7);
        assertTrue(pattern.on());
        press(60);
        press(67);
        assertEquals(List.of(60, 67, 67, 74), keys());
        pattern.release(60, 64);
        assertEquals(List.of(60), heard.stream().filter(h -> !h.begins()).map(Heard::key).toList());
        press(67);
        pattern.release(67, 64);
        assertEquals(List.of(60, 67, 74), heard.stream().filter(h -> !h.begins()).map(Heard::key).toList());
        heard.clear();
        group[PatternParameters.ORDER] = PatternParameters.UP;
        take(NONE, 0, 7);
        press(60);
        run(1 - 2 * TICK);
        assertEquals(List.of(60, 67, 60, 67), keys(), "a pattern plays the notes of the chord in turn");
    }

    @Test
    void keysBeyondTheKeyboardAreLeftOut() {
        group[PatternParameters.OCTAVES] = 4;
        take(NONE, 0, 12);
        press(110);
        run(2);
        assertTrue(keys().stream().allMatch(k -> k <= 127), keys().toString());
        assertEquals(List.of(110, 122), keys().stream().distinct().toList());
    }

    /** 128 keys, chords of twelve and four octaves: nothing runs over, and what began has ended. */
    @Test
    void everyKeyAtOnce() {
        group[PatternParameters.ORDER] = PatternParameters.CHORD;
        group[PatternParameters.OCTAVES] = 4;
        take(NONE, IntStream.range(0, 12).mapToDouble(i -> 3 * i - 18).toArray());
        press(IntStream.range(0, 128).toArray());
        run(2);
        pattern.clear();
        int[] open = new int[128];
        heard.forEach(h -> open[h.key()] += h.begins() ? 1 : -1);
        assertTrue(Arrays.stream(open).allMatch(n -> n == 0));
    }
}
