package gentlecomet.studio.page;

import java.util.List;

/** A room's part of the command finder. */
public interface Findable {

    /**
     * One thing that can be found.
     *
     * @param kind what it is; of an effect's parameter the effect's name
     * @param url  an address, or the id of a parameter on the bench
     */
    record Place(String text, String kind, String url) {
    }

    /** Pages and patches of a collection. */
    default List<Place> places(long collectionId) {
        return List.of();
    }

    /** Patches of other collections. @param words with each of which a word of what is found begins */
    default List<Place> elsewhere(long collectionId, List<String> words) {
        return List.of();
    }

    /** Parameters of the patch on the bench. */
    default List<Place> parameters(long patchId) {
        return List.of();
    }
}
