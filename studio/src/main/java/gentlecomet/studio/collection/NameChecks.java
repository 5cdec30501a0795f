package gentlecomet.studio.collection;

import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.NameIndex;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;

/** Holds names and categories of patches against their collection's house rules. */
@Service
public class NameChecks {

    private final Patches patches;

    NameChecks(Patches patches) {
        this.patches = patches;
    }

    /** What one patch breaks. */
    public List<NameRules.RuleViolation> of(PatchSummary patch, CollectionRow collection) {
        if (collection.rules().conventions().words().alike()) {
            return of(List.of(patch), patches.names(collection.id()), collection.rules()).get(patch.id());
        }
        List<String> same = new ArrayList<>(patches.namesLike(collection.id(), patch));
        same.add(patch.name());
        return of(List.of(patch), same, collection.rules()).get(patch.id());
    }

    /** What each patch of a bank breaks, by patch; patches of the whole collection count as duplicates. */
    public Map<Long, List<NameRules.RuleViolation>> ofBank(List<PatchSummary> bank, CollectionRow collection) {
        return of(bank, patches.names(collection.id()), collection.rules());
    }

    /** What each patch of a collection breaks, by patch. @param all every patch of the collection */
    public Map<Long, List<NameRules.RuleViolation>> ofCollection(List<PatchSummary> all, HouseRules rules) {
        return of(all, all.stream().map(PatchSummary::name).toList(), rules);
    }

    private static Map<Long, List<NameRules.RuleViolation>> of(List<PatchSummary> some, List<String> names, HouseRules rules) {
        NameIndex index = new NameIndex(names, rules.conventions().words().alike());
        NameRules check = new NameRules(rules);
        Map<Long, List<NameRules.RuleViolation>> breaches = new HashMap<>();
        some.forEach(p -> breaches.put(p.id(), check.check(p.name(), p.category(), p.tags(), index)));
        return breaches;
    }
}
