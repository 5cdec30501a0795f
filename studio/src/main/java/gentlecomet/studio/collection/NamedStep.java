package gentlecomet.studio.collection;

import gentlecomet.studio.patch.PatchSummary;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Named as the house wants it. */
@Component
class NamedStep implements ReadinessStep {

    private final NameChecks names;

    NamedStep(NameChecks names) {
        this.names = names;
    }

    @Override
    public int order() {
        return 1;
    }

    @Override
    public String name() {
        return "Named";
    }

    @Override
    public String link(BankRow firstBank) {
        return "/banks/" + firstBank.id();
    }

    @Override
    public Set<Long> passed(CollectionRow collection, List<PatchSummary> all) {
        return names.ofCollection(all, collection.rules()).entrySet().stream().filter(e -> e.getValue().isEmpty()).map(java.util.Map.Entry::getKey)
                .collect(Collectors.toSet());
    }
}
