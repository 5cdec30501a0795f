package gentlecomet.studio.soundcheck;

import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.collection.rules.RuleEffect;
import gentlecomet.studio.patch.PatchSummary;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Patches with faults of the soundcheck, judged by the rules that are looked at; nothing is rendered. */
@Component
class CheckEffect implements RuleEffect {

    private final Soundchecks soundchecks;
    private final Collections collections;

    CheckEffect(Soundchecks soundchecks, Collections collections) {
        this.soundchecks = soundchecks;
        this.collections = collections;
    }

    @Override
    public String name() {
        return "with faults of the soundcheck";
    }

    @Override
    public List<Broken> broken(CollectionRow collection, List<PatchSummary> all) {
        // What the kept rules say is kept as well; others are judged by what was measured.
        boolean kept = collections.get(collection.id()).rules().equals(collection.rules());
        Map<Long, Integer> faults = kept ? soundchecks.faults(collection) : soundchecks.faultsByRules(collection);
        return all.stream().filter(p -> faults.getOrDefault(p.id(), 0) > 0).map(p -> new Broken(p, String.valueOf(faults.get(p.id())))).toList();
    }
}
