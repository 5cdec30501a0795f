package gentlecomet.studio.release;

import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.ReadinessStep;
import gentlecomet.studio.patch.PatchSummary;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Saved as a revision in its present state, so that it ships as it is heard. */
@Component
class SavedStep implements ReadinessStep {

    @Override
    public int order() {
        return 5;
    }

    @Override
    public String name() {
        return "Saved";
    }

    @Override
    public String link(BankRow firstBank) {
        return "/banks/" + firstBank.id();
    }

    @Override
    public Set<Long> passed(CollectionRow collection, List<PatchSummary> all) {
        return all.stream().filter(PatchSummary::saved).map(PatchSummary::id).collect(Collectors.toSet());
    }
}
