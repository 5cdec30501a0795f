package gentlecomet.studio.collection.rules;

import gentlecomet.craft.rules.HouseRules;
import java.util.Map;

/** Changes house rules together with the patches whose categories go. The room of banks does it, as one step of its desk. */
public interface CategoryMoves {

    /** @param merged categories that go, by the id of the one that takes their patches, empty for none */
    void change(long collectionId, HouseRules rules, Map<String, String> merged, String label);
}
