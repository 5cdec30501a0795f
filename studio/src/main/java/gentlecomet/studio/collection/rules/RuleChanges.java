package gentlecomet.studio.collection.rules;

import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.NameChecks;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;

/** What a change of house rules would mean for the patches that are there. */
@Service
class RuleChanges {

    private final Patches patches;
    private final NameChecks names;
    private final List<RuleEffect> effects;

    RuleChanges(Patches patches, NameChecks names, List<RuleEffect> effects) {
        this.patches = patches;
        this.names = names;
        this.effects = effects;
    }

    /** A patch that breaks rules. @param fresh whether it broke none of these before */
    record Misnamed(PatchSummary patch, List<String> messages, boolean fresh) {
    }

    /** What the rules say beyond names. @param before how many broke it with the rules as they are */
    record EffectLine(String name, List<RuleEffect.Broken> broken, int before) {
    }

    /**
     * What rules break.
     *
     * @param mended patches that no longer break what they broke
     */
    record Effect(List<Misnamed> misnamed, long fresh, long mended, List<EffectLine> effects) {
    }

    /** What some rules break, compared with those that hold now. @param merged categories that go, by the one that takes their patches */
    Effect of(CollectionRow collection, HouseRules wanted, Map<String, String> merged) {
        List<PatchSummary> now = patches.inCollection(collection.id());
        List<PatchSummary> then = now.stream().map(p -> merged.containsKey(p.category()) ? in(p, merged.get(p.category())) : p).toList();
        Map<Long, List<NameRules.RuleViolation>> before = names.ofCollection(now, collection.rules());
        Map<Long, List<NameRules.RuleViolation>> after = names.ofCollection(then, wanted);
        List<Misnamed> misnamed = new ArrayList<>();
        long mended = 0;
        for (PatchSummary p : then) {
            List<String> old = before.get(p.id()).stream().map(NameRules.RuleViolation::rule).toList();
            List<NameRules.RuleViolation> breaks = after.get(p.id());
            if (!breaks.isEmpty()) {
                misnamed.add(new Misnamed(p, breaks.stream().map(NameRules.RuleViolation::message).toList(), breaks.stream().anyMatch(b -> !old.contains(b.rule()))));
            } else if (!old.isEmpty()) {
                mended++;
            }
        }
        CollectionRow changed = new CollectionRow(collection.id(), collection.details(), wanted);
        List<EffectLine> lines = effects.stream().map(e -> new EffectLine(e.name(), e.broken(changed, then), e.broken(collection, now).size()))
                .filter(e -> !e.broken().isEmpty() || e.before() > 0).toList();
        return new Effect(misnamed, misnamed.stream().filter(Misnamed::fresh).count(), mended, lines);
    }

    private static PatchSummary in(PatchSummary p, String category) {
        return new PatchSummary(p.id(), p.bankId(), p.slot(), p.version(), p.name(), category, p.tags(), p.author(), p.contentHash(), p.soundHash(), p.revision(), p.saved(), p.pattern());
    }

    /** How many patches of a collection each category has, by its id. */
    Map<String, Long> counts(long collectionId) {
        Map<String, Long> counts = new LinkedHashMap<>();
        patches.inCollection(collectionId).forEach(p -> counts.merge(p.category(), 1L, Long::sum));
        return counts;
    }

    /** What differs between two sets of rules, in a few words for the history. */
    static String label(HouseRules from, HouseRules to) {
        List<String> parts = new ArrayList<>();
        if (!from.namePattern().equals(to.namePattern()) || from.nameMaxLength() != to.nameMaxLength()) {
            parts.add("names: " + to.namePatternHint() + ", up to " + to.nameMaxLength());
        }
        if (!from.conventions().words().equals(to.conventions().words())) {
            parts.add("words");
        }
        List<String> before = from.categories().stream().map(Category::name).toList();
        List<String> after = to.categories().stream().map(Category::name).toList();
        if (!from.categories().equals(to.categories())) {
            List<String> gone = before.stream().filter(n -> !after.contains(n)).toList();
            List<String> fresh = after.stream().filter(n -> !before.contains(n)).toList();
            parts.add("categories" + (gone.isEmpty() ? "" : " without " + String.join(", ", gone)) + (fresh.isEmpty() ? "" : " with " + String.join(", ", fresh)));
        }
        if (!from.conventions().phrases().equals(to.conventions().phrases())) {
            parts.add("phrases");
        }
        if (from.targetLufs() != to.targetLufs() || from.toleranceLu() != to.toleranceLu() || from.ceilingDbtp() != to.ceilingDbtp()) {
            parts.add("loudness " + to.targetLufs() + " LUFS ±" + to.toleranceLu() + ", ceiling " + to.ceilingDbtp());
        }
        if (!from.conventions().tagGroups().equals(to.conventions().tagGroups()) || from.conventions().listedOnly() != to.conventions().listedOnly()) {
            parts.add("tags");
        }
        if (!from.macroNames().equals(to.macroNames()) || !from.macroDefaults().equals(to.macroDefaults()) || from.fewestMacros() != to.fewestMacros()
                || !from.conventions().purposes().equals(to.conventions().purposes())) {
            parts.add("macros");
        }
        if (!from.conventions().checks().equals(to.conventions().checks())) {
            parts.add("limits of the soundcheck");
        }
        String words = parts.isEmpty() ? "Playing and tuning" : String.join("; ", parts);
        String label = words.substring(0, 1).toUpperCase() + words.substring(1);
        return label.length() <= 300 ? label : label.substring(0, 299) + "…";
    }
}
