package gentlecomet.craft.release.build;

import java.nio.charset.StandardCharsets;
import java.util.function.DoubleConsumer;

/** The licence of the collection as a text. */
final class LicenceExporter implements Exporter {

    static final String PATH = "LICENCE.txt";

    @Override
    public String id() {
        return "licence";
    }

    @Override
    public String text() {
        return "licence";
    }

    @Override
    public void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress) {
        files.put(PATH, contents.collection().licence().getBytes(StandardCharsets.UTF_8));
    }
}
