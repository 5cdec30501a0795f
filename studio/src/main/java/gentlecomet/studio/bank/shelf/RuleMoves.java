package gentlecomet.studio.bank.shelf;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.studio.bank.desk.Deed;
import gentlecomet.studio.bank.desk.Desk;
import gentlecomet.studio.collection.rules.CategoryMoves;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.patch.Patches;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Brings the patches of categories that go into those that take them. */
@Service
class RuleMoves implements CategoryMoves {

    private final Collections collections;
    private final Patches patches;
    private final Desk desk;

    RuleMoves(Collections collections, Patches patches, Desk desk) {
        this.collections = collections;
        this.patches = patches;
        this.desk = desk;
    }

    @Override
    @Transactional
    public void change(long collectionId, HouseRules rules, Map<String, String> merged, String label) {
        collections.changeRules(collectionId, rules, label);
        List<Deed> deeds = new ArrayList<>();
        patches.inCollection(collectionId).stream().filter(p -> merged.containsKey(p.category()) && !merged.get(p.category()).equals(p.category()))
                .forEach(p -> deeds.add(new Deed.Edit(p.id(), 0, new PatchEdit.Categorise(merged.get(p.category())))));
        if (!deeds.isEmpty()) {
            desk.perform(collectionId, "Merge categories of " + deeds.size() + (deeds.size() == 1 ? " patch" : " patches"), deeds);
        }
    }
}
