package gentlecomet.craft.release.build;

import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.format.PatchSchema;
import gentlecomet.craft.release.ReleasePatch;
import java.nio.charset.StandardCharsets;
import java.util.function.DoubleConsumer;

/** The collection, its patches and their sound files, as this program opens them. */
public final class PatchExporter implements Exporter {

    public static final String SCHEMA = "patch.schema.json";

    @Override
    public String id() {
        return "patches";
    }

    @Override
    public String text() {
        return "collection and patches as JSON, sound files as WAV, the JSON Schema of a patch";
    }

    @Override
    public void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress) {
        CollectionFormat.write(contents.collection()).forEach(files::put);
        files.put(SCHEMA, PatchSchema.write().getBytes(StandardCharsets.UTF_8));
    }

    /** Where a patch stands in a release. */
    public static String path(ReleasePatch patch) {
        return "patches/" + CollectionFormat.fileName(patch.bank(), patch.slot()) + ".json";
    }
}
