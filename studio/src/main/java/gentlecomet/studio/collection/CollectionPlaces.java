package gentlecomet.studio.collection;

import gentlecomet.studio.page.Findable;
import java.util.List;
import org.springframework.stereotype.Component;

/** The pages of a collection, for the command finder. */
@Component
class CollectionPlaces implements Findable {

    private static final String KIND = "page";

    private final Collections collections;

    CollectionPlaces(Collections collections) {
        this.collections = collections;
    }

    @Override
    public List<Place> places(long collectionId) {
        String home = "/collections/" + collections.get(collectionId).id();
        return List.of(new Place("Home", KIND, home), new Place("Rules", KIND, home + "/rules"), new Place("Recordings", KIND, home + "/assets"),
                new Place("Releases", KIND, home + "/releases"));
    }
}
