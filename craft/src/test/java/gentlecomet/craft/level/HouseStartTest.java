package gentlecomet.craft.level;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.SketchedProbes;
import gentlecomet.craft.check.Soundcheck;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Phrase;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class HouseStartTest {

    private static final HouseRules HOUSE = new HouseRules(HouseRules.DEFAULT.namePattern(), HouseRules.DEFAULT.namePatternHint(), 24, HouseRules.DEFAULT.categories(),
            -20, 0.5, -0.3, 12, List.of("Tone", "Motion", "Onset", "Fade", "Spread", "Dirt", "Repeats", "Room"), 3, List.of(40.0, 0.0, -1.0, -1.0, -1.0, 10.0, -1.0, 25.0));

    static List<String> categories() {
        return HOUSE.categories().stream().map(Category::id).toList();
    }

    /** Held against another house than the one the starts were made in, by the soundcheck: loudness, macros' names and where they stand. */
    @ParameterizedTest
    @MethodSource("categories")
    void aStartObeysTheHouse(String category) {
        Patch start = HouseStart.of(category, HOUSE);
        assertEquals(category, start.naming().category());
        Phrase phrase = Phrases.get(HOUSE.phraseOf(category));
        List<Finding> all = new ArrayList<>(Soundcheck.judge(start, SketchedProbes.of(new Measuring().measure(start, phrase)), HOUSE));
        all.addAll(new Soundcheck(HOUSE).names(start, List.of()));
        List<String> found = all.stream()
                .filter(f -> List.of("level.loudness", "level.ceiling", "macro.order", "macro.default", "macro.unnamed").contains(f.rule()) || f.rule().startsWith("name.")
                        || f.rule().startsWith("category.")).map(Finding::message).toList();
        assertEquals(List.of(), found);
    }
}
