package gentlecomet.craft.rules;

/**
 * A kind of patch in the house rules.
 *
 * @param id               text id used in patches, for example "bell"
 * @param name             name on the screen
 * @param phrase           id of the phrase by which its patches are heard and measured
 * @param measure          what its patches are levelled by
 * @param tailLimitSeconds longest tail after the key is let go
 * @param planned          how many patches the plan wants
 * @param mark             one or two characters that stand for it where there is little room; empty for none
 * @param offsetLu         how far its patches lie above the house's target, below it when negative
 * @param expectations     what its patches sound like
 */
public record Category(String id, String name, String phrase, LevelMeasure measure, double tailLimitSeconds, int planned, String mark, double offsetLu, Expectations expectations) {

    public Category {
        expectations = expectations == null ? Expectations.of(id) : expectations;
        // Rules that were kept before there were marks have none.
        mark = mark == null ? "" : mark;
    }

    /** That sounds as its id lets one expect. */
    public Category(String id, String name, String phrase, LevelMeasure measure, double tailLimitSeconds, int planned, String mark, double offsetLu) {
        this(id, name, phrase, measure, tailLimitSeconds, planned, mark, offsetLu, null);
    }

    /** Without a mark, at the house's target. */
    public Category(String id, String name, String phrase, LevelMeasure measure, double tailLimitSeconds, int planned) {
        this(id, name, phrase, measure, tailLimitSeconds, planned, "", 0);
    }
}
