package gentlecomet.craft.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class NamePartsTest {

    @ParameterizedTest
    @CsvSource({"2,4,EVERY_WORD,true,'',Heron Glass,true", "2,4,EVERY_WORD,true,'',Heron,false", "2,4,EVERY_WORD,true,'',Tide Organ Loft 2,true", "2,4,EVERY_WORD,false,'',Tide Organ Loft 2,false",
        "2,4,EVERY_WORD,true,'',Heron glass,false", "2,4,EVERY_WORD,true,'',A Five Word Name Here,false", "1,1,ALL,false,'',MUDFLAT,true", "1,1,ALL,false,'',Mudflat,false",
        "1,3,FIRST_WORD,true,'',Low water 2,true", "1,3,FIRST_WORD,true,'',Low Water,false", "1,3,NONE,false,-,low-water pad,true", "1,3,NONE,false,'',low-water pad,false", "1,3,ANY,true,&',eBB & flOW,false",
        "1,3,ANY,true,&',eBB f&low 7,true", "1,2,EVERY_WORD,false,']',Heron Gl]ss,true", "1,2,EVERY_WORD,false,'',Élan Été,true", "2,3,EVERY_WORD,true,'','Heron  Glass',false"})
    void aPatternFitsWhatItsPartsSay(int fewest, int most, NameParts.Capitals capitals, boolean digits, String others, String name, boolean fits) {
        NameParts parts = new NameParts(fewest, most, capitals, digits, others);
        assertEquals("", parts.fault());
        assertEquals(fits, NamePattern.of(parts.pattern()).matches(name), parts.pattern());
    }

    @ParameterizedTest
    @EnumSource(NameParts.Capitals.class)
    void everyPatternCanBeTakenAndIsToldInWords(NameParts.Capitals capitals) {
        for (int fewest = 1; fewest <= 8; fewest++) {
            for (int most = fewest; most <= 8; most++) {
                NameParts parts = new NameParts(fewest, most, capitals, true, "-'^\\]&");
                NamePattern.of(parts.pattern());
                assertTrue(parts.hint().contains(capitals.words()) && parts.hint().length() <= 100, parts.hint());
            }
        }
    }

    @Test
    void partsThatCannotBeAreRefused() {
        for (NameParts parts : List.of(new NameParts(0, 2, NameParts.Capitals.ANY, true, ""), new NameParts(3, 2, NameParts.Capitals.ANY, true, ""), new NameParts(1, 9, NameParts.Capitals.ANY, true, ""),
                new NameParts(1, 2, NameParts.Capitals.ANY, true, "a b"))) {
            assertFalse(parts.fault().isEmpty());
        }
    }

    private static HouseRules with(Conventions c) {
        HouseRules d = HouseRules.DEFAULT;
        return new HouseRules(d.namePattern(), d.namePatternHint(), d.nameMaxLength(), d.categories(), d.targetLufs(), d.toleranceLu(), d.ceilingDbtp(), d.tuningCents(), d.macroNames(), d.fewestMacros(),
                d.macroDefaults(), c);
    }

    private static List<String> broken(Conventions c, String name, List<String> tags, List<String> all) {
        return new NameRules(with(c)).check(name, "bell", tags, new NameIndex(all, true)).stream().map(NameRules.RuleViolation::rule).toList();
    }

    @Test
    void wordsAreHeldAgainstTheHousesLists() {
        Conventions c = new Conventions(null, new WordRules(List.of("Awesome"), Map.of("Lo", "Low"), true, List.of("Samphire"), true, true), List.of(), false, List.of(), 0, true, true);
        assertEquals(List.of(), broken(c, "Samphire Pluck", List.of(), List.of("Samphire Pluck")));
        assertEquals(List.of("name.forbidden"), broken(c, "Awesome Pad", List.of(), List.of("Awesome Pad")));
        assertEquals(List.of("name.preferred"), broken(c, "Lo Pad", List.of(), List.of("Lo Pad")));
        assertEquals(List.of("name.spelling"), broken(c, "Herron Glass", List.of(), List.of("Herron Glass")));
        assertEquals(List.of("name.display"), broken(c, "Evening Water Pad", List.of(), List.of("Evening Water Pad")));
        assertEquals(List.of("name.alike"), broken(c, "Tide Bell", List.of(), List.of("Tide Bell", "Tide Ball", "Low Water")));
    }

    @Test
    void tagsAreHeldAgainstTheirGroups() {
        Conventions c = new Conventions(null, WordRules.NONE, List.of(new TagGroup("character", List.of("bright", "dark", "warm"), 1, 2), new TagGroup("use", List.of("live"), 0, 1)), true, List.of(), 0, true, true);
        assertEquals(List.of(), broken(c, "Tide Bell", List.of("Bright", "live"), List.of("Tide Bell")));
        assertEquals(List.of("tag.few"), broken(c, "Tide Bell", List.of(), List.of("Tide Bell")));
        assertEquals(List.of("tag.many"), broken(c, "Tide Bell", List.of("bright", "dark", "warm"), List.of("Tide Bell")));
        assertEquals(List.of("tag.unknown"), broken(c, "Tide Bell", List.of("bright", "shiny"), List.of("Tide Bell")));
    }

    /** Pairs of words that are spoken alike, as dictionaries of homophones list them, and pairs that are not. */
    @ParameterizedTest
    @CsvSource({"Knight Pad,Night Pad,true", "Wright Bell,Right Bell,true", "Phase Lead,Faze Lead,true", "Tide Bell,Tied Bell,true", "Tide Bell,Tide Bells,true", "Heron Glass,Heron Grass,true", "Heron Glass,Reed Choir,false",
        "Tide Bell 2,Tide Bell 3,false", "Tide Bell,Tide Bell 2,false", "Low Pad,Slow Pad,true"})
    void namesThatCanBeMistakenAreFound(String one, String other, boolean near) {
        assertEquals(near ? other : null, new NameIndex(List.of(one, other), true).near(one));
    }

    @Test
    void spellingKnowsTheDictionaryAndOnesOwnWords() {
        assertEquals(List.of("Reedbedd", "Marrsh"), Spelling.unknown("Reedbedd Marrsh Water 2 Foghorn", List.of()));
        assertEquals(List.of(), Spelling.unknown("Saltmarsh Kelp", List.of("saltmarsh", "KELP")));
    }

    @Test
    void whatNobodyHearsLeavesTheFindingsOfTheSoundAlone() {
        HouseRules d = HouseRules.DEFAULT;
        HouseRules renamed = with(new Conventions(null, new WordRules(List.of("x"), Map.of(), true, List.of(), true, true), List.of(new TagGroup("g", List.of("a"), 0, 1)), true, List.of(), 0, true, true));
        assertEquals(d.ofSound(), renamed.ofSound());
        HouseRules bent = with(new Conventions(null, WordRules.NONE, List.of(), false, List.of(), 12, true, true));
        assertFalse(d.ofSound().equals(bent.ofSound()));
        assertEquals(-16, d.withCategories(List.of(new Category("bell", "Bell", "line", LevelMeasure.INTEGRATED, 3, 1, "B", 2))).targetOf("bell"));
    }
}
