package gentlecomet.craft.curate;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.measure.Fingerprint;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

class SoundSuggestionsTest {

    private static KnownSound sound(long id, String category, int level, double brightness, double tail, String... tags) {
        byte[] levels = new byte[Fingerprint.SIZE];
        Arrays.fill(levels, (byte) level);
        Measurement m = new Measurement(-18, -16, -18, 3, -4, 60, 0.0, 0.003, tail, false, tail + 1, brightness, 0.01, 0.3);
        return new KnownSound(id, "Patch " + id, category, List.of(tags), "", "", "saved", "", List.of(), false, m, -18, Fingerprint.read(levels));
    }

    private static List<KnownSound> house() {
        List<KnownSound> all = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            all.add(sound(i, "pluck", 40 + i, 3000, 0.2, "bright", "struck", i < 4 ? "string" : "wire"));
            all.add(sound(100 + i, "pad", 120 + i, 700, 3, "wide", "long"));
        }
        return all;
    }

    @Test
    void whatSoundsLikePlucksIsSuggestedToBeOneWithTheReasons() {
        List<KnownSound> all = house();
        KnownSound stray = sound(50, "pad", 43, 2900, 0.25);
        all.add(stray);
        SoundSuggestions.CategoryHint hint = new SoundSuggestions(all, HouseRules.DEFAULT).category(stray).orElseThrow();
        assertEquals("pluck", hint.id());
        assertEquals("tail 250 ms, bright, struck, wide: 5 of 5 like it are Pluck", hint.because());
    }

    @Test
    void whatIsWhereItBelongsAndWhatNobodyIsLikeGetsNoSuggestion() {
        List<KnownSound> all = house();
        SoundSuggestions suggestions = new SoundSuggestions(all, HouseRules.DEFAULT);
        all.forEach(s -> assertTrue(suggestions.category(s).isEmpty(), s.name()));
        assertTrue(new SoundSuggestions(List.of(all.get(0), all.get(1)), HouseRules.DEFAULT).category(all.get(0)).isEmpty(), "two neighbours are too few");
    }

    @Test
    void tagsComeFromMeasuresAndNeighboursAndOnlyWordsThatAreUsedHere() {
        List<KnownSound> all = house();
        KnownSound bare = sound(50, "pluck", 42, 3100, 0.2, "Struck");
        all.add(bare);
        var hints = new SoundSuggestions(all, HouseRules.DEFAULT).tags(bare);
        assertEquals(List.of("bright", "wide", "string"), List.copyOf(hints.keySet()), hints.toString());
        assertEquals("brightness 3.10 kHz", hints.get("bright"));
        assertTrue(hints.get("string").endsWith("of 5 like it have it"), hints.toString());
    }
}
