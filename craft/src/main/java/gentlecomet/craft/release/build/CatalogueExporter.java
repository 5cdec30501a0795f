package gentlecomet.craft.release.build;

import gentlecomet.craft.format.SheetCell;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.pattern.Patterns;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.DoubleConsumer;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** A line for each patch with what it measures, as CSV (RFC 4180). */
final class CatalogueExporter implements Exporter {

    static final String PATH = "catalogue.csv";

    @Override
    public String id() {
        return "catalogue";
    }

    @Override
    public String text() {
        return "catalogue with measurements as CSV";
    }

    @Override
    public void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress) {
        files.put(PATH, catalogue(contents).getBytes(StandardCharsets.UTF_8));
    }

    private static String catalogue(ReleaseContents contents) {
        StringWriter out = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
            csv.printRecord("bank", "slot", "program", "name", "category", "tags", "author", "revision", "loudness LUFS", "measured by",
                    "true peak dBTP", "range LU", "tail s", "pitch ct", "brightness Hz", "macros", "pattern", "notes");
            for (ReleasePatch p : contents.patches()) {
                Patch patch = p.slot().patch();
                var measure = contents.collection().rules().measureOf(patch.naming().category());
                csv.printRecord(SheetCell.written(p.bankName()), p.slot().number(), p.slot().number() - 1, SheetCell.written(patch.name()), SheetCell.written(patch.naming().category()),
                        SheetCell.written(String.join(" ", patch.naming().tags())), SheetCell.written(patch.naming().author()), p.revision(),
                        decimals(measure.of(p.measurement()), 2), measure.name().toLowerCase(Locale.ROOT).replace('_', ' '),
                        decimals(p.measurement().truePeakDbtp(), 2), decimals(p.measurement().rangeLu(), 1),
                        decimals(p.measurement().tailSeconds(), 2),
                        p.measurement().pitchCents() == null ? "" : decimals(p.measurement().pitchCents(), 1),
                        decimals(p.measurement().brightnessHz(), 0), SheetCell.written(macros(patch)), SheetCell.written(Patterns.words(patch)), SheetCell.written(patch.naming().notes()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static String macros(Patch patch) {
        Map<Integer, String> names = new LinkedHashMap<>();
        for (int m = 0; m < patch.macros().size(); m++) {
            if (!patch.macros().get(m).unused()) {
                names.put(m + 1, patch.macros().get(m).name());
            }
        }
        return String.join("; ", names.entrySet().stream().map(e -> e.getKey() + " " + e.getValue()).toList());
    }

    private static String decimals(double value, int places) {
        String text = String.format(Locale.ROOT, "%." + places + "f", value);
        return text.matches("-0\\.?0*") ? text.substring(1) : text;
    }
}
