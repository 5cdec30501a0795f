package gentlecomet.craft.release.check;

import gentlecomet.craft.format.AssetFiles;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.format.FormatException;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.format.ZipFormat;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.craft.release.build.DemoExporter;
import gentlecomet.craft.release.build.ReleaseBuilder;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.sample.SamplingPlan;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Rendering;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.DoubleConsumer;
import java.util.stream.IntStream;
import java.util.zip.ZipFile;

/** Opens a release afresh, as a stranger would, and holds everything in it against what it claims. */
public final class ReleaseCheck {

    private ReleaseCheck() {
    }

    /**
     * What the check found.
     *
     * @param passed whether everything agrees
     * @param lines  one line for each thing that was checked, faults marked by "FAULT"
     */
    public record Report(boolean passed, List<String> lines) {
    }

    /** A release that has been opened. @param version empty where it has no manifest */
    public record Opened(CollectionFile collection, String version) {
    }

    /** Reads a release or an export from a file. @throws FormatException when it is neither */
    public static Opened open(Path archive) throws IOException {
        try (InputStream in = new BufferedInputStream(Files.newInputStream(archive))) {
            return open(in, archive.getFileName().toString());
        }
    }

    /** Reads the collection in a release or an export; checksums are compared when the archive has them. */
    public static CollectionFile read(InputStream archive, String place) {
        return open(archive, place).collection();
    }

    private static Opened open(InputStream archive, String place) {
        ZipFormat.Contents contents = ZipFormat.read(archive, place, ReleaseCheck::opened);
        byte[] sums = contents.kept().get(ReleaseBuilder.SUMS);
        if (sums != null) {
            List<String> wrong = wrongSums(sums, contents.hashes());
            if (!wrong.isEmpty()) {
                throw new FormatException(place, "the checksum of " + wrong.get(0) + " is not the one in " + ReleaseBuilder.SUMS);
            }
        }
        byte[] manifest = contents.kept().get(ReleaseBuilder.MANIFEST);
        return new Opened(CollectionFormat.read(contents.kept()), manifest == null ? "" : Json.read(new String(manifest, StandardCharsets.UTF_8), ReleaseBuilder.Manifest.class).release());
    }

    /**
     * Compares checksums, loads every patch again and compares it with the approved revision, renders it and compares its samples with those that were rendered from
     * that revision for the release, and with the demo.
     *
     * @param approved the revisions that the release was built from
     * @param plan     by which patches were sampled, where they were
     * @param progress told how far it is, 0 to 1
     */
    public static Report verify(Path archive, List<ReleasePatch> approved, SamplingPlan plan, DoubleConsumer progress) {
        List<String> lines = new ArrayList<>();
        boolean passed = true;
        try (ZipFile zip = new ZipFile(archive.toFile()); InputStream in = new BufferedInputStream(Files.newInputStream(archive))) {
            ZipFormat.Contents contents = ZipFormat.read(in, "the release", ReleaseCheck::opened);
            Map<String, byte[]> files = contents.kept();
            List<String> wrong = wrongSums(files.get(ReleaseBuilder.SUMS), contents.hashes());
            passed &= note(lines, wrong.isEmpty(), "checksums of " + (contents.hashes().size() - 1) + " files agree with " + ReleaseBuilder.SUMS + " " + wrong);
            ReleaseBuilder.Manifest manifest =
                    Json.read(new String(files.get(ReleaseBuilder.MANIFEST), StandardCharsets.UTF_8), ReleaseBuilder.Manifest.class);
            passed &= note(lines, manifest.patches().size() == approved.size(), "the manifest lists " + manifest.patches().size()
                    + " patches, approved are " + approved.size());
            CollectionFile collection = CollectionFormat.read(files);
            AssetFiles assets = new AssetFiles(collection.assets());
            AtomicInteger done = new AtomicInteger();
            // By all processors: nothing else of the release is left to be done meanwhile.
            List<FormatCheck.Line> patches = IntStream.range(0, Math.min(approved.size(), manifest.patches().size())).parallel().mapToObj(i -> {
                FormatCheck.Line line = verify(files, zip, manifest.patches().get(i), approved.get(i), collection.rules(), new Rendering(Measuring.RATE, assets));
                progress.accept((double) done.incrementAndGet() / approved.size());
                return line;
            }).toList();
            for (FormatCheck.Line line : patches) {
                passed &= note(lines, line.good(), line.words());
            }
            for (FormatCheck.Line line : FormatCheck.of(zip, approved, manifest.formats(), new SoundFontCheck(plan, assets))) {
                passed &= note(lines, line.good(), line.words());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return new Report(passed, lines);
    }

    /** What is kept in memory of an archive. */
    private static boolean opened(String path) {
        return path.endsWith(".json") || path.startsWith("assets/") || path.equals(ReleaseBuilder.SUMS);
    }

    private static FormatCheck.Line verify(Map<String, byte[]> files, ZipFile zip, ReleaseBuilder.ManifestPatch listed, ReleasePatch approved, HouseRules rules, Rendering released) {
        Patch loaded = PatchFormat.read(new String(files.get(listed.patch()), StandardCharsets.UTF_8), listed.patch());
        Audio again = DemoExporter.demo(released, loaded, rules.phrase(listed.phrase()));
        Audio demo = WavFormat.read(content(zip, listed.demo()), listed.demo());
        boolean same = loaded.equals(approved.slot().patch());
        boolean samples = Hashes.samples(again).equals(listed.samples());
        boolean bits = sameAt24Bits(demo, again);
        return new FormatCheck.Line(same && samples && bits, String.format("%s %03d %s: patch %s, %d samples %s, demo %s", listed.bank(), listed.slot(),
                listed.name(), same ? "equals revision " + approved.revision() : "differs from revision " + approved.revision(), again.frames(),
                samples ? "equal" : "differ", bits ? "equal at 24 bits" : "differs"));
    }

    private static byte[] content(ZipFile zip, String path) {
        try (InputStream in = zip.getInputStream(zip.getEntry(path))) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static boolean sameAt24Bits(Audio demo, Audio rendered) {
        if (demo.frames() != rendered.frames()) {
            return false;
        }
        for (int i = 0; i < demo.frames(); i++) {
            if (WavFormat.quantised(demo.left()[i]) != WavFormat.quantised(rendered.left()[i])
                    || WavFormat.quantised(demo.right()[i]) != WavFormat.quantised(rendered.right()[i])) {
                return false;
            }
        }
        return true;
    }

    /** @param hashes of every file, by path */
    private static List<String> wrongSums(byte[] sums, Map<String, String> hashes) {
        List<String> wrong = new ArrayList<>();
        Map<String, String> listed = new java.util.HashMap<>();
        for (String line : sums == null ? new String[0] : new String(sums, StandardCharsets.UTF_8).split("\n")) {
            if (line.length() > 66) {
                listed.put(line.substring(66), line.substring(0, 64));
            }
        }
        hashes.forEach((path, hash) -> {
            if (!path.equals(ReleaseBuilder.SUMS) && !hash.equals(listed.remove(path))) {
                wrong.add(path);
            }
        });
        wrong.addAll(listed.keySet());
        return wrong;
    }

    private static boolean note(List<String> lines, boolean good, String line) {
        lines.add((good ? "ok: " : "FAULT: ") + line.replace(" []", ""));
        return good;
    }
}
