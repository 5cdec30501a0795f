package gentlecomet.craft.release;

import gentlecomet.craft.format.CollectionFile;
import java.util.List;

/**
 * What goes into a release.
 *
 * @param collection name, author, licence, rules and sound files; its banks hold the patches of {@code patches}
 * @param version    of the release, for example "1.0"
 */
public record ReleaseContents(CollectionFile collection, List<ReleasePatch> patches, String version) {
}
