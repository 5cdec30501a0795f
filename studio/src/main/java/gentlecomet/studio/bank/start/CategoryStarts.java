package gentlecomet.studio.bank.start;

import gentlecomet.craft.rules.Category;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What new patches of a category begin as where the house has chosen one of its own; the rest begins as the program has it. */
@Service
public class CategoryStarts {

    private final CategoryStartStore store;
    private final Patches patches;
    private final Collections collections;

    CategoryStarts(CategoryStartStore store, Patches patches, Collections collections) {
        this.store = store;
        this.patches = patches;
        this.collections = collections;
    }

    /** @param said what has become so @param names of the patches that are starts, by category */
    public record Starts(String said, Map<String, String> names) {
    }

    /** Names of the chosen patches by category. */
    public Map<String, String> names(long collectionId) {
        Map<String, String> names = new LinkedHashMap<>();
        store.all(collectionId).forEach((category, start) -> names.put(category, start.name()));
        return names;
    }

    /** Ids of the chosen patches. */
    public Set<Long> ids(long collectionId) {
        return store.all(collectionId).values().stream().map(CategoryStartStore.Start::patchId).collect(Collectors.toSet());
    }

    /** Id of the patch that new ones of a category begin as. */
    public Optional<Long> of(long collectionId, String category) {
        return Optional.ofNullable(store.all(collectionId).get(category)).map(CategoryStartStore.Start::patchId);
    }

    /** Makes a patch the start of its category, or lets the category begin as the program has it where it was that already. */
    @Transactional
    public Starts toggle(long patchId) {
        PatchSummary patch = patches.summary(patchId);
        CollectionRow collection = collections.ofBank(patch.bankId());
        Category category = collection.rules().category(patch.category())
                .orElseThrow(() -> new RefusedException(patch.name() + " has no category of the house, so nothing can begin with it."));
        if (of(collection.id(), category.id()).filter(id -> id == patchId).isPresent()) {
            store.forget(collection.id(), category.id());
            return new Starts("New patches of " + category.name() + " begin as the program has them.", names(collection.id()));
        }
        store.set(collection.id(), category.id(), patchId);
        return new Starts("New patches of " + category.name() + " begin as " + patch.name() + " is.", names(collection.id()));
    }
}
