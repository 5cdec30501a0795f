package gentlecomet.craft.curate;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.craft.measure.Fingerprint;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PatchFilterTest {

    /** Levels of one step apart in every number, so that distances are those of the steps. */
    private static Fingerprint print(int step) {
        byte[] levels = new byte[Fingerprint.SIZE];
        Arrays.fill(levels, (byte) step);
        return Fingerprint.read(levels);
    }

    private static KnownSound sound(long id, String name, String category, double brightness, double tail, double loudness, int step, String... tags) {
        Measurement m = new Measurement(loudness, loudness + 2, loudness, 3, -4, 60, 0.0, 0.005 * id, tail, false, tail + 1, brightness, 0.01 * id, 0.1 * id);
        return new KnownSound(id, name, category, List.of(tags), id == 1 ? "Ann" : "", id == 2 ? "Plays with the wheel" : "", id == 3 ? "new" : "saved", id == 1 ? "keep" : "",
                id == 2 ? null : id == 1 ? List.of() : List.of("level.ceiling"), id == 3, m, loudness, print(step));
    }

    private static final List<KnownSound> ALL = List.of(sound(1, "Heron Glass", "bell", 3000, 2, -18, 10, "struck", "wide"), sound(2, "Mudflat Sub", "bass", 200, 0.3, -15, 40, "sub"),
            sound(3, "Reedbed Choir", "pad", 900, 4, -18.2, 14, "slow"), sound(4, "Glass Weir", "bell", 2900, 1.5, -20, 11));

    private static String found(String line, long... than) {
        List<KnownSound> others = Arrays.stream(than).mapToObj(id -> ALL.get((int) id - 1)).toList();
        return String.join("", PatchFilter.of(line, HouseRules.DEFAULT, others).of(ALL).stream().map(s -> String.valueOf(s.id())).toList());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"'' | 1234", "glass | 14", "GLASS heron | 1", "\"heron glass\" | 1", "-glass | 23", "wheel | 2", "category:bell | 14", "category:Bell -name:weir | 1", "tag:wide | 1",
            "tag:none | 4", "author:ann | 1", "verdict:keep | 1", "verdict:none | 234", "state:new | 3", "check:passed | 1", "check:fault | 3", "check:look | 4", "check:none | 2", "finding:ceiling | 34",
            "tail<0.5 | 2", "tail>1500ms | 13", "brightness>2.95k | 1", "loudness>-17 | 2", "width>25 | 34", "attack<12 | 12", "category:unknown | ''"})
    void termsMustAllHold(String line, String wanted) {
        assertEquals(wanted, found(line));
    }

    @ParameterizedTest
    @CsvSource({"darker,1,23", "brighter,3,14", "shorter,1,24", "longer,1,3", "louder,1,2", "quieter,2,134", "wider,2,34", "narrower,2,1"})
    void othersAreHeldAgainstOnePatch(String word, long than, String wanted) {
        assertEquals(wanted, found(word, than));
    }

    @Test
    void whatIsAlmostTheSameIsNeitherMoreNorLess() {
        assertEquals("", found("brighter", 4), "3 % brighter is not heard as brighter");
        assertEquals("", found("louder category:pad", 1));
        assertEquals("2", found("louder", 3));
    }

    @Test
    void likenessBringsTheNearestFirstAndLeavesThePatchItselfOut() {
        assertEquals("432", found("like", 1));
        assertEquals("4", found("like category:bell", 1));
    }

    @Test
    void betweenTwoIsBetweenThemInBrightnessAndLength() {
        assertEquals("4", found("between", 1, 2));
        assertThrows(EditException.class, () -> found("between", 1));
    }

    @ParameterizedTest
    @ValueSource(strings = {"colour:red", "verdict:maybe", "state:old", "check:good", "tail<short", "darkness>3", "like", "darker"})
    void whatIsNotKnownIsSaid(String line) {
        assertTrue(assertThrows(EditException.class, () -> found(line)).getMessage().endsWith("."));
    }

    @Test
    void aLineOfAnyLettersIsReadOrRefusedAndNeverBreaks() {
        Random random = new Random(7);
        String letters = "ab:\"<>-= \t.9k\\(){}[]*+?^$|";
        for (int i = 0; i < 3000; i++) {
            StringBuilder line = new StringBuilder();
            random.ints(random.nextInt(20), 0, letters.length()).forEach(c -> line.append(letters.charAt(c)));
            try {
                found(line.toString(), 1);
            } catch (EditException e) {
                assertTrue(e.getMessage().length() > 10);
            }
        }
        assertThrows(EditException.class, () -> found("x".repeat(301)));
    }

    /** The house's plan has bass before pad before bell. */
    @ParameterizedTest
    @CsvSource({"CATEGORY,2341", "NAME,4123", "BRIGHTNESS,2341", "LENGTH,2413", "LOUDNESS,4312"})
    void ordersPutThemAsTheySay(SoundOrder by, String wanted) {
        assertEquals(wanted, order(by));
    }

    @Test
    void aWayThroughLikeSoundsIsNoLongerThanAnyOtherOfFour() {
        double length = length(SoundOrder.LIKENESS.of(ALL, HouseRules.DEFAULT));
        assertEquals(30.0 / 4, length, 1e-9, "steps of a quarter of a dB: from 10 by 11 and 14 to 40");
    }

    private static double length(List<KnownSound> way) {
        double sum = 0;
        for (int i = 1; i < way.size(); i++) {
            sum += way.get(i).fingerprint().distance(way.get(i - 1).fingerprint());
        }
        return sum;
    }

    private static String order(SoundOrder order) {
        return ids(order.of(ALL, HouseRules.DEFAULT));
    }

    private static String ids(List<KnownSound> some) {
        return String.join("", some.stream().map(s -> String.valueOf(s.id())).toList());
    }
}
