package gentlecomet.studio.collection.demo;

/** What a room adds to the demo collection beside its patches. */
public interface DemoAddition {

    /** @param collectionId of the demo as it has just been loaded */
    void addTo(long collectionId);
}
