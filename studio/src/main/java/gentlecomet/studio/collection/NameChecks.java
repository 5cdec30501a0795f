package gentlecomet.studio.collection;

import gentlecomet.craft.rules.HouseRules;
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
        return new NameRules(collection.rules()).check(patch.name(), patch.category(), patches.namesLike(collection.id(), patch));
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
        Map<String, List<String>> alike = new HashMap<>();
        names.forEach(name -> alike.computeIfAbsent(NameRules.key(name), key -> new ArrayList<>(1)).add(name));
        NameRules check = new NameRules(rules);
        Map<Long, List<NameRules.RuleViolation>> breaches = new HashMap<>();
        for (PatchSummary patch : some) {
            List<String> others = alike.get(NameRules.key(patch.name()));
            if (others.size() > 1) {
                others = new ArrayList<>(others);
                others.remove(patch.name());
            } else {
                others = List.of();
            }
            breaches.put(patch.id(), check.check(patch.name(), patch.category(), others));
        }
        return breaches;
    }
}
