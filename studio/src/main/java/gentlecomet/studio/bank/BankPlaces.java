package gentlecomet.studio.bank;

import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.Findable;
import gentlecomet.studio.patch.Patches;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/** The pages of banks, and patches, for the command finder. */
@Component
class BankPlaces implements Findable {

    private static final String KIND = "page";
    private static final int MOST_ELSEWHERE = 20;

    private final Collections collections;
    private final Patches patches;

    BankPlaces(Collections collections, Patches patches) {
        this.collections = collections;
        this.patches = patches;
    }

    @Override
    public List<Place> elsewhere(long collectionId, List<String> words) {
        return patches.elsewhere(collectionId, words, MOST_ELSEWHERE).stream()
                .map(p -> new Place(p.name(), "patch " + p.slot() + ", " + p.collection() + (p.tags().isEmpty() ? "" : ": " + String.join(", ", p.tags())), "/patches/" + p.id())).toList();
    }

    @Override
    public List<Place> places(long collectionId) {
        List<Place> places = new ArrayList<>();
        for (BankRow bank : collections.banks(collectionId)) {
            String at = "/banks/" + bank.id();
            places.add(new Place("Bank " + bank.name(), KIND, at));
            places.add(new Place("Levels of " + bank.name(), KIND, at + "/levels"));
            places.add(new Place("Soundcheck of " + bank.name(), KIND, at + "/soundcheck"));
            places.add(new Place("Listening to " + bank.name(), KIND, at + "/listening"));
        }
        patches.inCollection(collectionId).forEach(p -> places.add(new Place(p.name(), "patch " + p.slot(), "/patches/" + p.id())));
        return places;
    }
}
