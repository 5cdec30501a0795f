package gentlecomet.craft.release.build;

import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.sound.engine.Engine;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.DoubleConsumer;
import java.util.stream.Stream;

/** Builds the ZIP of a release. The same collection, revisions and engine give the same bytes. */
public final class ReleaseBuilder {

    public static final String MANIFEST = "manifest.json";
    public static final String SUMS = "SHA256SUMS";
    /** Of the progress, for what is done patch by patch. */
    private static final double PARTS_SHARE = 0.8;

    /**
     * What the manifest says of one patch.
     *
     * @param samples hash of the demo's samples before they are cut to 24 bits
     */
    public record ManifestPatch(String bank, int slot, String name, int revision, String patch, String demo, String phrase,
            String content, String samples) {
    }

    /** The manifest. @param formats ids of what is in it */
    public record Manifest(String format, int version, String collection, String release, String engine, int sampleRate,
            List<String> formats, List<ManifestPatch> patches) {
    }

    /** Everything that a release can have beside its manifest and its sums. A new format is added here. */
    static final List<Exporter> EXPORTERS = List.of(new PatchExporter(), new TuningExporter(), new DemoExporter(), new SampledNotes(), new CatalogueExporter(), new LicenceExporter(), new ChangesExporter(),
            new PlayerExporter(), new PageExporter(), new PdfExporter(), new ReelExporter(), new MidiExporter(), new NameDocumentExporter(), new MultisampleExporter(), new SoundFontExporter());

    /** Formats that a release can do without, as far as they can be made here. */
    public static List<Exporter> chosen() {
        return EXPORTERS.stream().filter(e -> e.optional() && e.available()).toList();
    }

    /** Parts of patches that were made before, by the place of the patch in the release. */
    public interface Parts {

        /** None; each is made when it is wanted. */
        Parts NONE = place -> null;

        /** @return null where it has not been made; the builder closes it */
        InputStream open(int place);
    }

    /**
     * Makes the part of one patch: all that takes long and depends on it alone.
     *
     * @param contents its rules, sound files, formats and plan; other patches need not be in it
     * @param out      takes the part, for {@link Parts}
     * @throws UncheckedIOException where the disk takes no more
     */
    public void part(ReleaseContents contents, ReleasePatch patch, OutputStream out) {
        inFolder(files -> {
            part(contents, patch, files);
            files.pack(out);
        });
    }

    private static void part(ReleaseContents contents, ReleasePatch patch, ReleaseFiles files) {
        EXPORTERS.stream().filter(e -> e instanceof PartExporter p && p.wanted(contents)).forEach(e -> ((PartExporter) e).part(contents, patch, files));
    }

    /** Builds the archive from nothing. */
    public void build(ReleaseContents contents, Path archive, DoubleConsumer progress) {
        build(contents, Parts.NONE, archive, progress);
    }

    /**
     * Builds the archive.
     *
     * @param parts    what was made of patches before, with the same contents
     * @param archive  file to write
     * @param progress told how far it is, 0 to 1
     * @throws UncheckedIOException where the disk takes no more
     */
    public void build(ReleaseContents contents, Parts parts, Path archive, DoubleConsumer progress) {
        inFolder(files -> {
            int patches = contents.patches().size();
            List<ReleasePatch> lacking = new ArrayList<>();
            for (int place = 0; place < patches; place++) {
                try (InputStream part = parts.open(place)) {
                    if (part == null) {
                        lacking.add(contents.patches().get(place));
                    } else {
                        files.unpack(part);
                    }
                }
                progress.accept(PARTS_SHARE * (place + 1 - lacking.size()) / patches);
            }
            AtomicInteger made = new AtomicInteger(patches - lacking.size());
            lacking.parallelStream().forEach(p -> {
                part(contents, p, files);
                progress.accept(PARTS_SHARE * made.incrementAndGet() / patches);
            });
            List<Exporter> exporters = EXPORTERS.stream().filter(e -> !e.optional() || contents.formats().contains(e.id())).toList();
            double whole = exporters.stream().filter(e -> !(e instanceof PartExporter)).mapToDouble(e -> e.seconds(patches, contents.plan())).sum();
            double before = 0;
            for (Exporter exporter : exporters) {
                double from = before;
                double seconds = exporter instanceof PartExporter ? 0 : exporter.seconds(patches, contents.plan());
                exporter.export(contents, files, done -> progress.accept(PARTS_SHARE + (1 - PARTS_SHARE) * (from + done * seconds) / whole));
                before += seconds;
            }
            files.put(MANIFEST, Json.write(manifest(contents, files, exporters)).getBytes(StandardCharsets.UTF_8));
            files.put(SUMS, sums(files.hashes()).getBytes(StandardCharsets.UTF_8));
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(archive))) {
                files.zip(out);
            }
        });
    }

    /** What is done with files in a folder that is gone afterwards. */
    private interface Work {
        void with(ReleaseFiles files) throws IOException;
    }

    private static void inFolder(Work work) {
        Path folder = null;
        try {
            folder = Files.createTempDirectory("release");
            work.with(new ReleaseFiles(folder));
        } catch (IOException e) {
            throw new UncheckedIOException("the disk took no more", e);
        } finally {
            if (folder != null) {
                remove(folder);
            }
        }
    }

    private static Manifest manifest(ReleaseContents contents, ReleaseFiles files, List<Exporter> exporters) {
        List<ManifestPatch> listed = contents.patches().stream().map(p -> new ManifestPatch(p.bankName(), p.slot().number(), p.slot().patch().name(), p.revision(),
                PatchExporter.path(p), DemoExporter.path(p), DemoExporter.phrase(contents.collection().rules(), p), Hashes.content(p.slot().patch()),
                files.samples(DemoExporter.path(p)))).toList();
        return new Manifest("gentle-comet-release", 1, contents.collection().name(), contents.version(), Engine.VERSION, Measuring.RATE,
                exporters.stream().filter(e -> !(e instanceof SampledNotes)).map(Exporter::id).toList(), listed);
    }

    private static void remove(Path folder) {
        try (Stream<Path> files = Files.walk(folder)) {
            files.sorted(Comparator.reverseOrder()).forEach(f -> f.toFile().delete());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** One line for each file, as sha256sum writes and checks it. @param hashes by path */
    static String sums(Map<String, String> hashes) {
        StringBuilder out = new StringBuilder();
        new TreeMap<>(hashes).forEach((path, hash) -> {
            if (!path.equals(SUMS)) {
                out.append(hash).append("  ").append(path).append('\n');
            }
        });
        return out.toString();
    }
}
