package gentlecomet.studio.levels;

import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.ReadinessStep;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.patch.PatchSummary;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** At the house loudness. */
@Component
class LevelledStep implements ReadinessStep {

    private final Measures measures;

    LevelledStep(Measures measures) {
        this.measures = measures;
    }

    @Override
    public int order() {
        return 2;
    }

    @Override
    public String name() {
        return "Levelled";
    }

    @Override
    public String link(BankRow firstBank) {
        return "/banks/" + firstBank.id() + "/levels";
    }

    @Override
    public Set<Long> passed(CollectionRow collection, List<PatchSummary> all) {
        return measures.loudness(collection.id(), all, collection.rules()).entrySet().stream()
                .filter(e -> e.getValue().onTarget(collection.rules())).map(Map.Entry::getKey).collect(Collectors.toSet());
    }
}
