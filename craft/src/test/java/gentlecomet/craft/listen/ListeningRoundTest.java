package gentlecomet.craft.listen;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.curate.KnownSound;
import gentlecomet.craft.measure.Fingerprint;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.TruePeak;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.performance.Audio;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ListeningRoundTest {

    /** The worked example that goes with Fleiss' kappa in handbooks: 14 raters, ten subjects, five categories, kappa 0.210; from memory. */
    @Test
    void fleissKappaOfTheWorkedExample() {
        int[][] counts = {{0, 0, 0, 0, 14}, {0, 2, 6, 4, 2}, {0, 0, 3, 5, 6}, {0, 3, 9, 2, 0}, {2, 2, 8, 1, 1}, {7, 7, 0, 0, 0}, {3, 2, 6, 3, 0}, {2, 5, 3, 2, 2},
            {6, 5, 2, 1, 0}, {0, 2, 2, 3, 7}};
        List<Map<Integer, String>> raters = new ArrayList<>();
        IntStream.range(0, 14).forEach(r -> raters.add(new HashMap<>()));
        for (int subject = 0; subject < counts.length; subject++) {
            int rater = 0;
            for (int category = 0; category < 5; category++) {
                for (int i = 0; i < counts[subject][category]; i++) {
                    raters.get(rater++).put(subject, "category " + category);
                }
            }
        }
        Agreement agreement = Agreement.of(raters);
        assertEquals(0.210, agreement.kappa(), 0.0005);
        assertEquals(0.378, agreement.observed(), 0.0005);
        assertEquals("fair", agreement.words());
    }

    /** Two readers of 50 proposals, 20 both yes, 15 both no, 5 and 10 apart: kappa 0.40, the textbook example of Cohen's; from memory. */
    @Test
    void cohensKappaOfTheTextbookExample() {
        Map<Integer, String> one = new TreeMap<>();
        Map<Integer, String> other = new TreeMap<>();
        for (int i = 0; i < 50; i++) {
            one.put(i, i < 25 ? "yes" : "no");
            other.put(i, i < 20 || i >= 25 && i < 35 ? "yes" : "no");
        }
        assertEquals(0.40, Agreement.of(List.of(one, other)).kappa(), 1e-9);
        other.remove(49);
        other.put(77, "yes");
        assertEquals(49, Agreement.of(List.of(one, other)).places(), "only what both have answered counts");
    }

    @Test
    void agreementOfNothingIsNoNumber() {
        assertTrue(Double.isNaN(Agreement.of(List.of()).kappa()));
        assertTrue(Double.isNaN(Agreement.of(List.of(Map.of(1, "keep"), Map.of(2, "keep"))).kappa()));
        assertTrue(Double.isNaN(Agreement.of(List.of(Map.of(1, "keep"), Map.of(1, "keep"))).kappa()), "one and the same answer to everything");
        assertEquals(1, Agreement.of(List.of(Map.of(1, "keep", 2, "cut"), Map.of(1, "keep", 2, "cut"))).kappa(), 1e-12);
    }

    @Test
    void mostDisputedPlacesComeFirst() {
        List<Map<Integer, String>> three = List.of(Map.of(1, "keep", 2, "keep", 3, "cut"), Map.of(1, "keep", 2, "fix", 3, "cut"), Map.of(1, "fix", 2, "cut", 3, "cut"));
        assertEquals(List.of(2, 1), Agreement.disputed(three));
    }

    /** Against whole numbers: the tail of Pascal's triangle over two to the n. */
    @ParameterizedTest
    @CsvSource({"9, 10", "5, 10", "12, 16", "0, 3", "20, 20", "58, 100"})
    void chanceOfRightGuessesIsTheTailOfPascalsTriangle(int right, int trials) {
        BigInteger ways = BigInteger.ZERO;
        for (int k = right; k <= trials; k++) {
            BigInteger choose = BigInteger.ONE;
            for (int i = 1; i <= k; i++) {
                choose = choose.multiply(BigInteger.valueOf(trials - k + i)).divide(BigInteger.valueOf(i));
            }
            ways = ways.add(choose);
        }
        assertEquals(ways.doubleValue() / Math.pow(2, trials), BlindTrials.byChance(right, trials), 1e-12);
    }

    @Test
    void trialsAreDrawnFromTheirSeedAndBothComeUp() {
        long second = IntStream.range(0, 1000).filter(t -> BlindTrials.second(42, t)).count();
        assertEquals(500, second, 60, "a fair coin of 1000 throws stays within four deviations of 15.8");
        assertTrue(IntStream.range(0, 40).anyMatch(t -> BlindTrials.second(1, t) != BlindTrials.second(2, t)));
        assertThrows(IllegalArgumentException.class, () -> BlindTrials.byChance(4, 3));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 7, 12, 33})
    void preferencesOfAConsistentListenerGiveHerOrder(int things) {
        List<Integer> liked = new ArrayList<>(IntStream.rangeClosed(1, things).boxed().toList());
        Collections.shuffle(liked, new Random(things));
        List<Integer> inBank = IntStream.rangeClosed(1, things).boxed().toList();
        Map<Preference.Pair, Integer> answers = new HashMap<>();
        Preference preference = Preference.of(inBank, answers);
        while (preference.next() != null) {
            Preference.Pair pair = preference.next();
            answers.put(pair, liked.indexOf(pair.first()) < liked.indexOf(pair.second()) ? pair.first() : pair.second());
            preference = Preference.of(inBank, answers);
        }
        assertEquals(liked, preference.ranking());
        assertTrue(answers.size() <= Preference.most(things), answers.size() + " questions");
        assertTrue(Preference.most(33) < 33 * 32 / 2 / 3, "far fewer than every pair");
    }

    /** EBU R 128: programmes at -23 LUFS. Measured again at the gain that is answered. */
    @Test
    void soundsAreHeardAtTheProgrammeLevelAndPeaksStayBelowTheCeiling() {
        Audio loud = sine(0.7f, 48000 * 3);
        ListeningLevel level = ListeningLevel.of(Loudness.of(loud).integrated(), TruePeak.db(loud), -1);
        assertEquals(-23, Loudness.of(scaled(loud, level.gainDb())).integrated(), 0.1);
        assertFalse(level.held());

        float[] click = new float[48000 * 2];
        Arrays.fill(click, 1000, 1012, 0.9f);
        Audio peaky = new Audio(click, click.clone(), 48000);
        ListeningLevel held = ListeningLevel.of(Loudness.of(peaky).integrated(), TruePeak.db(peaky), -1);
        assertTrue(held.held());
        assertEquals(-1, TruePeak.db(scaled(peaky, held.gainDb())), 0.1);
        assertEquals(0, ListeningLevel.of(Loudness.SILENT, -120, -1).gainDb(), 0, "silence stays silence");
    }

    @Test
    void alikeSoundsPairUpNearestFirst() {
        List<KnownSound> some = List.of(sound(1, 0), sound(2, 40), sound(3, 2), sound(4, 41), sound(5, -1));
        List<AlikePairs.Pair> pairs = AlikePairs.of(some);
        assertEquals(List.of(2L, 4L), List.of(pairs.get(0).first().id(), pairs.get(0).second().id()));
        assertEquals(List.of(1L, 3L), List.of(pairs.get(1).first().id(), pairs.get(1).second().id()));
        assertEquals(2, pairs.size(), "each pair once, and nothing of the one that was not measured");
        assertTrue(pairs.get(0).distance() <= pairs.get(1).distance());
    }

    @Test
    void ordersKeepEveryPatch() {
        List<KnownSound> some = IntStream.range(1, 40).mapToObj(i -> sound(i, i * 7 % 40)).toList();
        HouseRules rules = HouseRules.DEFAULT;
        for (RoundOrder order : RoundOrder.values()) {
            assertEquals(some.stream().map(KnownSound::id).sorted().toList(), order.of(some, rules, 5).stream().map(KnownSound::id).sorted().toList(), order.id());
            assertEquals(order, RoundOrder.find(order.id()));
        }
        assertEquals(RoundOrder.SHUFFLED.of(some, rules, 5), RoundOrder.SHUFFLED.of(some, rules, 5));
        assertFalse(RoundOrder.SHUFFLED.of(some, rules, 5).equals(RoundOrder.SHUFFLED.of(some, rules, 6)));
        assertNull(RoundOrder.find("by taste"));
        assertNull(Question.find("why"));
        assertEquals(Question.ORDER, Question.find("order"));
    }

    /** @param level in steps of the fingerprint; negative for one that has not been measured */
    private static KnownSound sound(long id, int level) {
        byte[] levels = new byte[Fingerprint.SIZE];
        for (int i = 0; i < levels.length; i++) {
            levels[i] = (byte) (i % 2 == 0 ? level : 60);
        }
        return new KnownSound(id, "Sound " + id, "", List.of(), "", "", "saved", "", null, false, null, Double.NaN, level < 0 ? null : Fingerprint.read(levels));
    }

    private static Audio sine(float level, int frames) {
        float[] samples = new float[frames];
        for (int i = 0; i < frames; i++) {
            samples[i] = level * (float) Math.sin(2 * Math.PI * 997 * i / 48000);
        }
        return new Audio(samples, samples.clone(), 48000);
    }

    private static Audio scaled(Audio audio, double db) {
        float[] scaled = audio.left().clone();
        for (int i = 0; i < scaled.length; i++) {
            scaled[i] *= (float) Math.pow(10, db / 20);
        }
        return new Audio(scaled, scaled.clone(), audio.sampleRate());
    }
}
