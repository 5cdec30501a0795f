package gentlecomet.craft.release.build;

import gentlecomet.craft.release.ReleasePatch;
import java.util.function.DoubleConsumer;

/** An exporter whose long work is done patch by patch, so that several workers can share it and none of it is done twice. */
interface PartExporter extends Exporter {

    /** Whether a release wants it. */
    default boolean wanted(ReleaseContents contents) {
        return !optional() || contents.formats().contains(id());
    }

    /** Writes what it has of one patch. It depends on that patch alone. */
    void part(ReleaseContents contents, ReleasePatch patch, ReleaseFiles files);

    /** What is left when all parts are there. */
    @Override
    default void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress) {
    }
}
