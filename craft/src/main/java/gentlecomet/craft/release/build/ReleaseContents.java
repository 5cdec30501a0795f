package gentlecomet.craft.release.build;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.release.Changes;
import gentlecomet.craft.release.ReelPlan;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.craft.sample.SamplingPlan;
import java.util.List;
import java.util.Set;

/**
 * What goes into a release.
 *
 * @param collection name, author, licence, rules and sound files; its banks hold the patches of {@code patches}
 * @param version    of the release, for example "1.0.0"
 * @param changes    against the release before
 * @param formats    ids of the formats that are wanted beside what every release has
 * @param plan       by which patches are sampled, where a format wants that
 * @param reel       by which demos follow each other in the reel, where there is one
 * @param remark     why it is built although something stands against it; empty where nothing does
 */
public record ReleaseContents(CollectionFile collection, List<ReleasePatch> patches, String version, Changes changes, Set<String> formats, SamplingPlan plan, ReelPlan reel, String remark) {

    /** A first release, against which nothing stands. */
    public ReleaseContents(CollectionFile collection, List<ReleasePatch> patches, String version) {
        this(collection, patches, version, Changes.FIRST, Set.of(), SamplingPlan.USUAL, ReelPlan.USUAL, "");
    }
}
