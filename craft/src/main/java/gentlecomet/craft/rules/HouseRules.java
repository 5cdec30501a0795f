package gentlecomet.craft.rules;

import gentlecomet.craft.phrase.OwnPhrase;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.performance.Phrase;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The conventions of a collection that every patch is held against.
 *
 * @param namePattern     regular expression that a whole name must match
 * @param namePatternHint the pattern in words
 * @param nameMaxLength   greatest number of characters of a name
 * @param categories      the kinds of patch, in the order of the plan
 * @param targetLufs      loudness every patch is brought to
 * @param toleranceLu     how far it may be off, up or down
 * @param ceilingDbtp     greatest true peak
 * @param tuningCents     how far a probe note may be off its key
 * @param macroNames      what each macro slot is for, in order; an empty name leaves a slot free
 * @param fewestMacros    macros that every patch must have
 * @param macroDefaults   where each macro stands when a patch is loaded, in %; {@link #ANYWHERE} leaves it to the patch, and so does a list without it
 * @param conventions     what the house has agreed on beside these
 */
public record HouseRules(String namePattern, String namePatternHint, int nameMaxLength, List<Category> categories,
        double targetLufs, double toleranceLu, double ceilingDbtp, double tuningCents, List<String> macroNames, int fewestMacros, List<Double> macroDefaults,
        Conventions conventions) {

    /** In place of a macro's default: it may stand anywhere. */
    public static final double ANYWHERE = -1;

    /** Target, tolerance and ceiling are common practice; all can be edited. */
    public static final HouseRules DEFAULT = new HouseRules(Conventions.USUAL.parts().pattern(), Conventions.USUAL.parts().hint(), 24,
            List.of(new Category("bass", "Bass", "low-steps", LevelMeasure.INTEGRATED, 3, 3),
                    new Category("lead", "Lead", "line", LevelMeasure.INTEGRATED, 6, 4),
                    new Category("pad", "Pad", "slow-chords", LevelMeasure.INTEGRATED, 12, 3),
                    new Category("keys", "Keys", "comping", LevelMeasure.INTEGRATED, 5, 2),
                    new Category("pluck", "Pluck", "broken-chords", LevelMeasure.INTEGRATED, 6, 2),
                    new Category("bell", "Bell", "wide-steps", LevelMeasure.MOMENTARY_MAX, 12, 2),
                    new Category("brass", "Brass", "calls", LevelMeasure.INTEGRATED, 6, 2),
                    new Category("voice", "Voice", "slow-chords", LevelMeasure.INTEGRATED, 10, 2),
                    new Category("strings", "Strings", "slow-chords", LevelMeasure.INTEGRATED, 10, 1),
                    new Category("organ", "Organ", "comping", LevelMeasure.INTEGRATED, 6, 1),
                    new Category("drum", "Drum", "hits", LevelMeasure.MOMENTARY_MAX, 4, 2),
                    new Category("sequence", "Sequence", "long-notes", LevelMeasure.INTEGRATED, 8, 2),
                    new Category("texture", "Texture", "long-notes", LevelMeasure.INTEGRATED, 15, 2)),
            -18, 0.5, -1, 12, List.of("Brightness", "Movement", "Attack", "Release", "Width", "Grit", "Echo", "Space"), 3, List.of(), Conventions.USUAL);

    public HouseRules {
        categories = List.copyOf(categories);
        macroNames = List.copyOf(macroNames);
        // Rules that were kept before there were defaults have none.
        macroDefaults = macroDefaults == null ? List.of() : placed(macroDefaults);
        conventions = conventions == null ? Conventions.OLDER : conventions;
    }

    /** Without those at the end that may stand anywhere. */
    private static List<Double> placed(List<Double> defaults) {
        int end = defaults.size();
        while (end > 0 && defaults.get(end - 1) == ANYWHERE) {
            end--;
        }
        return List.copyOf(defaults.subList(0, end));
    }

    /** With a name pattern of one's own and no conventions beside. */
    public HouseRules(String namePattern, String namePatternHint, int nameMaxLength, List<Category> categories, double targetLufs, double toleranceLu,
            double ceilingDbtp, double tuningCents, List<String> macroNames, int fewestMacros, List<Double> macroDefaults) {
        this(namePattern, namePatternHint, nameMaxLength, categories, targetLufs, toleranceLu, ceilingDbtp, tuningCents, macroNames, fewestMacros, macroDefaults, Conventions.OLDER);
    }

    public HouseRules withConventions(Conventions others) {
        return new HouseRules(namePattern, namePatternHint, nameMaxLength, categories, targetLufs, toleranceLu, ceilingDbtp, tuningCents, macroNames, fewestMacros, macroDefaults, others);
    }

    /** What patches of a category sound like. */
    public Expectations expectationsOf(String category) {
        return category(category).map(Category::expectations).orElse(Expectations.ANY);
    }

    public HouseRules withCategories(List<Category> others) {
        return new HouseRules(namePattern, namePatternHint, nameMaxLength, others, targetLufs, toleranceLu, ceilingDbtp, tuningCents, macroNames, fewestMacros, macroDefaults, conventions);
    }

    /** What of the rules findings about the sound depend on; everything else is set to something that is always the same. */
    public HouseRules ofSound() {
        return new HouseRules("", "", 0, categories.stream().map(c -> new Category(c.id(), "", c.phrase(), c.measure(), c.tailLimitSeconds(), 0, "", c.offsetLu(), c.expectations())).toList(),
                targetLufs, toleranceLu, ceilingDbtp, tuningCents, macroNames, fewestMacros, macroDefaults, conventions.ofSound());
    }

    /** The loudness that patches of a category are brought to, in LUFS. */
    public double targetOf(String category) {
        return targetLufs + category(category).map(Category::offsetLu).orElse(0.0);
    }

    /** The category of an id. */
    public Optional<Category> category(String id) {
        return categories.stream().filter(c -> c.id().equals(id)).findFirst();
    }

    /** Where the house wants a macro to stand, in %, or {@link #ANYWHERE}. @param macro from 0 */
    public double macroDefault(int macro) {
        return macro < macroDefaults.size() ? macroDefaults.get(macro) : ANYWHERE;
    }

    /** The phrase by which patches of a category are heard and measured; a plain one where there is no such category. */
    public String phraseOf(String category) {
        return category(category).map(Category::phrase).orElse("line");
    }

    /** {@link #phraseOf} as it is played. */
    public Phrase phraseFor(String category) {
        return phrase(phraseOf(category));
    }

    /** A phrase of the house or of the program. @throws NoSuchElementException when neither has it */
    public Phrase phrase(String id) {
        return ownPhrase(id).orElseGet(() -> Phrases.get(id));
    }

    public boolean knowsPhrase(String id) {
        return Phrases.known(id) || ownPhrase(id).isPresent();
    }

    /** Those of the house, then those of the program. */
    public List<Phrase> phrases() {
        return Stream.concat(conventions.phrases().stream().map(OwnPhrase::phrase), Phrases.all().stream()).toList();
    }

    /** A phrase of the house, if it is one. */
    public Optional<Phrase> ownPhrase(String id) {
        return conventions.phrases().stream().filter(p -> p.id().equals(id)).findFirst().map(OwnPhrase::phrase);
    }

    public LevelMeasure measureOf(String category) {
        return category(category).map(Category::measure).orElse(LevelMeasure.INTEGRATED);
    }
}
