package gentlecomet.studio.soundcheck;

import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.NameChecks;
import gentlecomet.studio.collection.ReadinessStep;
import gentlecomet.studio.patch.PatchSummary;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Checked in its present state, without a fault of its sound or its name. */
@Component
class CheckedStep implements ReadinessStep {

    private final Soundchecks soundchecks;
    private final NameChecks names;

    CheckedStep(Soundchecks soundchecks, NameChecks names) {
        this.soundchecks = soundchecks;
        this.names = names;
    }

    @Override
    public int order() {
        return 3;
    }

    @Override
    public String name() {
        return "Checked";
    }

    @Override
    public String link(BankRow firstBank) {
        return "/banks/" + firstBank.id() + "/soundcheck";
    }

    @Override
    public Set<Long> passed(CollectionRow collection, List<PatchSummary> all) {
        Map<Long, Integer> faults = soundchecks.faults(collection);
        return names.ofCollection(all, collection.rules()).entrySet().stream()
                .filter(e -> e.getValue().isEmpty() && faults.getOrDefault(e.getKey(), 1) == 0).map(Map.Entry::getKey).collect(Collectors.toSet());
    }
}
