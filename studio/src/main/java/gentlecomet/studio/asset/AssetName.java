package gentlecomet.studio.asset;

/** A sound file of a collection, as it is offered for a source. */
public record AssetName(String hash, String name, double seconds) {
}
