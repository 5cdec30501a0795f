package gentlecomet.craft.release;

import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.ZipFormat;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.engine.Engine;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.DoubleConsumer;

/** Builds the ZIP of a release. The same collection, revisions and engine give the same bytes. */
public final class ReleaseBuilder {

    static final String MANIFEST = "manifest.json";
    static final String SUMS = "SHA256SUMS";

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

    /** Everything that a release has beside its manifest and its sums. A new format is added here. */
    static final List<Exporter> EXPORTERS = List.of(new PatchExporter(), new DemoExporter(), new CatalogueExporter(), new LicenceExporter());

    /** Builds the archive. @param progress told how far it is, 0 to 1 */
    public byte[] build(ReleaseContents contents, DoubleConsumer progress) {
        ReleaseFiles files = new ReleaseFiles();
        EXPORTERS.forEach(exporter -> exporter.export(contents, files, progress));
        List<ManifestPatch> listed = contents.patches().stream().map(p -> new ManifestPatch(p.bankName(), p.slot().number(), p.slot().patch().name(), p.revision(),
                PatchExporter.path(p), DemoExporter.path(p), DemoExporter.phrase(contents.collection().rules(), p), Hashes.content(p.slot().patch()),
                files.samples(DemoExporter.path(p)))).toList();
        files.put(MANIFEST, Json.write(new Manifest("gentle-comet-release", 1, contents.collection().name(), contents.version(), Engine.VERSION,
                Measuring.RATE, listed)).getBytes(StandardCharsets.UTF_8));
        files.put(SUMS, sums(files.all()).getBytes(StandardCharsets.UTF_8));
        return ZipFormat.write(files.all());
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
}
