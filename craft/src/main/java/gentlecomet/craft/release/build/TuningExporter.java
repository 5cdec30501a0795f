package gentlecomet.craft.release.build;

import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.format.ScalaFormat;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.sound.parameter.Shapes;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.function.DoubleConsumer;

/** The tuning of every patch that has one, as a scale and a keyboard map. */
final class TuningExporter implements Exporter {

    @Override
    public String id() {
        return "tunings";
    }

    @Override
    public String text() {
        return "tunings of patches that are not tuned evenly, as Scala scales with keyboard maps";
    }

    @Override
    public void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress) {
        for (ReleasePatch p : contents.patches()) {
            double[] offsets = p.slot().patch().shape(Shapes.SCALE);
            if (Arrays.stream(offsets).anyMatch(cents -> cents != 0)) {
                String path = "tunings/" + CollectionFormat.fileName(p.bank(), p.slot());
                files.put(path + ".scl", ScalaFormat.scale(offsets, p.slot().patch().name()).getBytes(StandardCharsets.UTF_8));
                files.put(path + ".kbm", ScalaFormat.map(offsets).getBytes(StandardCharsets.UTF_8));
            }
        }
    }
}
