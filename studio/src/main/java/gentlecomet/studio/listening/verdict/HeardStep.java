package gentlecomet.studio.listening.verdict;

import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.ReadinessStep;
import gentlecomet.studio.patch.PatchSummary;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Heard as it sounds now, and kept. */
@Component
class HeardStep implements ReadinessStep {

    private final Verdicts verdicts;

    HeardStep(Verdicts verdicts) {
        this.verdicts = verdicts;
    }

    @Override
    public int order() {
        return 4;
    }

    @Override
    public String name() {
        return "Heard and kept";
    }

    @Override
    public String link(BankRow firstBank) {
        return "/banks/" + firstBank.id() + "/listening";
    }

    @Override
    public Set<Long> passed(CollectionRow collection, List<PatchSummary> all) {
        return verdicts.standingInCollection(collection.id()).entrySet().stream().filter(e -> e.getValue().equals("keep")).map(Map.Entry::getKey).collect(Collectors.toSet());
    }
}
