package gentlecomet.craft.release;

import gentlecomet.craft.format.AssetFiles;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.format.ZipFormat;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Rendering;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.DoubleConsumer;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Builds the ZIP of a release. The same collection, revisions and engine give the same bytes. */
public final class ReleaseBuilder {

    static final String MANIFEST = "manifest.json";
    static final String SUMS = "SHA256SUMS";
    static final String LICENCE = "LICENCE.txt";
    static final String CATALOGUE = "catalogue.csv";

    /**
     * What the manifest says of one patch.
     *
     * @param samples hash of the demo's samples before they are cut to 24 bits
     */
    public record ManifestPatch(String bank, int slot, String name, int revision, String patch, String demo, String phrase,
            String content, String samples) {
    }

    /** The manifest. */
    public record Manifest(String format, int version, String collection, String release, String engine, int sampleRate,
            List<ManifestPatch> patches) {
    }

    /**
     * Builds the archive.
     *
     * @param collection name, author, licence, rules and sound files; its banks hold the patches of {@code patches}
     * @param version    version of the release, for example "1.0"
     * @param progress   told how far it is, 0 to 1
     */
    public byte[] build(CollectionFile collection, List<ReleasePatch> patches, String version, DoubleConsumer progress) {
        Map<String, byte[]> files = new TreeMap<>(CollectionFormat.write(collection));
        Rendering rendering = new Rendering(Measuring.RATE, new AssetFiles(collection.assets()));
        List<ManifestPatch> manifest = new ArrayList<>();
        for (ReleasePatch p : patches) {
            String name = CollectionFormat.fileName(p.bank(), p.slot());
            String phrase = collection.rules().phraseOf(p.slot().patch().naming().category());
            Audio demo = demo(rendering, p.slot().patch(), phrase);
            files.put("demos/" + name + ".wav", WavFormat.write24(demo));
            manifest.add(new ManifestPatch(p.bankName(), p.slot().number(), p.slot().patch().name(), p.revision(),
                    "patches/" + name + ".json", "demos/" + name + ".wav", phrase, Hashes.content(p.slot().patch()), Hashes.samples(demo)));
            progress.accept((double) manifest.size() / patches.size());
        }
        files.put(CATALOGUE, catalogue(collection, patches).getBytes(StandardCharsets.UTF_8));
        files.put(LICENCE, collection.licence().getBytes(StandardCharsets.UTF_8));
        files.put(MANIFEST, Json.write(new Manifest("gentle-comet-release", 1, collection.name(), version, Engine.VERSION,
                Measuring.RATE, manifest)).getBytes(StandardCharsets.UTF_8));
        files.put(SUMS, sums(files).getBytes(StandardCharsets.UTF_8));
        return ZipFormat.write(files);
    }

    /** The demo of a patch: its category's phrase. */
    static Audio demo(Rendering rendering, Patch patch, String phrase) {
        return rendering.render(patch, Phrases.get(phrase));
    }

    /** One line for each file, as sha256sum writes and checks it. */
    static String sums(Map<String, byte[]> files) {
        StringBuilder out = new StringBuilder();
        new TreeMap<>(files).forEach((path, bytes) -> {
            if (!path.equals(SUMS)) {
                out.append(Hashes.of(bytes)).append("  ").append(path).append('\n');
            }
        });
        return out.toString();
    }

    private static String catalogue(CollectionFile collection, List<ReleasePatch> patches) {
        StringWriter out = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
            csv.printRecord("bank", "slot", "program", "name", "category", "tags", "author", "revision", "loudness LUFS", "measured by",
                    "true peak dBTP", "range LU", "tail s", "pitch ct", "brightness Hz", "macros", "notes");
            for (ReleasePatch p : patches) {
                Patch patch = p.slot().patch();
                var measure = collection.rules().measureOf(patch.naming().category());
                csv.printRecord(harmless(p.bankName()), p.slot().number(), p.slot().number() - 1, harmless(patch.name()), harmless(patch.naming().category()),
                        harmless(String.join(" ", patch.naming().tags())), harmless(patch.naming().author()), p.revision(),
                        decimals(measure.of(p.measurement()), 2), measure.name().toLowerCase(Locale.ROOT).replace('_', ' '),
                        decimals(p.measurement().truePeakDbtp(), 2), decimals(p.measurement().rangeLu(), 1),
                        decimals(p.measurement().tailSeconds(), 2),
                        p.measurement().pitchCents() == null ? "" : decimals(p.measurement().pitchCents(), 1),
                        decimals(p.measurement().brightnessHz(), 0), harmless(macros(patch)), harmless(patch.naming().notes()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    /** A text that no spreadsheet takes for a formula: one that begins like a formula gets an apostrophe (OWASP, "CSV Injection"). */
    static String harmless(String text) {
        return text.isEmpty() || "=+-@\t\r\n".indexOf(text.charAt(0)) < 0 ? text : "'" + text;
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
