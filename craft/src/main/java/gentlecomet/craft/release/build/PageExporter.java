package gentlecomet.craft.release.build;

import gentlecomet.craft.sample.SamplingPlan;
import java.nio.charset.StandardCharsets;
import java.util.function.DoubleConsumer;

/** The catalogue as one HTML page. */
final class PageExporter implements Exporter {

    static final String PATH = "catalogue.html";

    @Override
    public String id() {
        return "page";
    }

    @Override
    public String text() {
        return "catalogue with portraits, macros and playing notes as one HTML page";
    }

    @Override
    public boolean optional() {
        return true;
    }

    @Override
    public long bytes(int patches, SamplingPlan plan) {
        return 3_000L * patches;
    }

    @Override
    public void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress) {
        files.put(PATH, CataloguePage.of(contents).getBytes(StandardCharsets.UTF_8));
    }
}
