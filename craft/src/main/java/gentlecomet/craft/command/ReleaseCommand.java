package gentlecomet.craft.command;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.Soundcheck;
import gentlecomet.craft.format.AssetFiles;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.release.Changes;
import gentlecomet.craft.release.build.Exporter;
import gentlecomet.craft.release.Gate;
import gentlecomet.craft.release.ReelPlan;
import gentlecomet.craft.release.ReleaseBank;
import gentlecomet.craft.release.build.ReleaseBuilder;
import gentlecomet.craft.release.check.ReleaseCheck;
import gentlecomet.craft.release.build.ReleaseContents;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.craft.release.Version;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.NameIndex;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.craft.sample.SamplingPlan;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.source.Recordings;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Builds a release of a collection in a folder. */
@Command(name = "release", description = "Builds and verifies the ZIP of a collection in a folder; exit 1 when something stands against it or the verification fails.")
final class ReleaseCommand implements Callable<Integer> {

    @Parameters(paramLabel = "FOLDER")
    private Path folder;
    @Option(names = "--out", required = true, paramLabel = "F.zip")
    private Path out;
    @Option(names = "--release", paramLabel = "VERSION", description = "default 1.0.0, or what follows from the changes since another release")
    private String version;
    @Option(names = "--since", paramLabel = "F.zip", description = "the release before, for the list of changes; patches are told apart by their names, renamed ones by their sound")
    private Path since;
    @Option(names = "--formats", split = ",", defaultValue = "", description = "formats beside what every release has, with commas between")
    private Set<String> formats = new TreeSet<>();
    @Option(names = "--gate", description = "also run the soundcheck, and build nothing when author, licence, names, loudness or faults stand against it")
    private boolean gate;
    @Option(names = "--anyway", paramLabel = "REASON", defaultValue = "", description = "build although something stands against it; the reason stands in the release")
    private String anyway;
    @Option(names = "--keys", defaultValue = "4", description = "semitones from one sampled key to the next")
    private int keys;
    @Option(names = "--velocities", defaultValue = "3", description = "velocities at which patches are sampled, 1 to 3")
    private int velocities;
    @Option(names = "--held", defaultValue = "2", paramLabel = "SECONDS", description = "for which a sampled key is held")
    private double held;
    @Option(names = "--robins", defaultValue = "1", description = "takes of a key of patches in which chance plays a part, 1 to 4")
    private int robins;
    @Option(names = "--bits", defaultValue = "24", description = "of samples, 16 or 24")
    private int bits;
    @Option(names = "--sample-rate", defaultValue = "48000", description = "of samples, 44100 or 48000")
    private int rate;
    @Option(names = "--mono", description = "samples of one channel")
    private boolean mono;
    @Option(names = "--reel-order", defaultValue = "BANK", description = "${COMPLETION-CANDIDATES}")
    private ReelPlan.Order reelOrder;
    @Option(names = "--reel-seconds", defaultValue = "6", description = "of each demo, 2 to 30")
    private double reelSeconds;

    @Override
    public Integer call() throws IOException {
        formats.remove("");
        Set<String> known = Set.copyOf(ReleaseBuilder.chosen().stream().map(Exporter::id).toList());
        for (String format : formats) {
            if (!known.contains(format)) {
                throw new IllegalArgumentException("--formats: \"" + format + "\" is none of " + String.join(", ", ReleaseBuilder.chosen().stream().map(Exporter::id).toList()));
            }
        }
        SamplingPlan plan = SamplingPlan.of(keys, velocities, held, robins, bits, rate, mono);
        ReelPlan reel = new ReelPlan(reelOrder, reelSeconds);
        CollectionFile collection = CollectionFolder.read(folder);
        Recordings recordings = new AssetFiles(collection.assets());
        List<ReleasePatch> patches = patches(collection, recordings);
        if (gate && !passes(collection, patches, recordings)) {
            return CometCommand.RULE_BROKEN;
        }
        Changes changes = since == null ? Changes.FIRST : changes(patches);
        String name = version != null ? version : since == null ? "1.0.0" : Version.parse(changes.since()).orElseThrow(
                () -> new IllegalArgumentException("--since: its version \"" + changes.since() + "\" has no three numbers, so give --release")).next(changes.step()).toString();
        Path built = Files.createTempFile(out.toAbsolutePath().getParent(), "release", ".zip");
        try {
            new ReleaseBuilder().build(new ReleaseContents(collection, patches, name, changes, formats, plan, reel, anyway.strip()), built, part -> { });
            ReleaseCheck.Report report = ReleaseCheck.verify(built, patches, plan, part -> { });
            report.lines().forEach(System.out::println);
            if (!report.passed()) {
                return CometCommand.RULE_BROKEN;
            }
            Files.move(built, out, StandardCopyOption.REPLACE_EXISTING);
            return 0;
        } finally {
            Files.deleteIfExists(built);
        }
    }

    private static List<ReleasePatch> patches(CollectionFile collection, Recordings recordings) {
        ThreadLocal<Measuring> measuring = ThreadLocal.withInitial(() -> new Measuring(recordings));
        return slots(collection).parallelStream()
                .map(p -> new ReleasePatch(p.in(), p.slot(), 1, measuring.get().measure(p.slot().patch(), phrase(collection.rules(), p.slot().patch())))).toList();
    }

    private boolean passes(CollectionFile collection, List<ReleasePatch> patches, Recordings recordings) {
        HouseRules rules = collection.rules();
        NameIndex names = new NameIndex(patches.stream().map(p -> p.slot().patch().name()).toList(), rules.conventions().words().alike());
        NameRules nameRules = new NameRules(rules);
        ThreadLocal<Soundcheck> soundcheck = ThreadLocal.withInitial(() -> new Soundcheck(rules, recordings));
        List<Gate.Standing> standing = patches.parallelStream().map(p -> {
            Patch patch = p.slot().patch();
            List<Finding> findings = soundcheck.get().check(patch, phrase(rules, patch), CollectionFolder.otherNames(collection, p.slot()));
            return new Gate.Standing(patch.name(), true, true, nameRules.check(patch.name(), patch.naming().category(), patch.naming().tags(), names).isEmpty(),
                    levelled(p.measurement(), patch.naming().category(), rules), (int) findings.stream().filter(f -> f.severity() == Finding.Severity.FAULT).count(), "keep");
        }).toList();
        List<Gate.Obstacle> found = Gate.obstacles(collection.author(), collection.licence(), standing, rules.conventions().gate());
        found.forEach(o -> System.err.println("comet: " + (o.blocks() ? "blocks: " : "warns: ") + o.words()));
        return !anyway.isBlank() || found.stream().noneMatch(Gate.Obstacle::blocks);
    }

    private static Phrase phrase(HouseRules rules, Patch patch) {
        return rules.phraseFor(patch.naming().category());
    }

    private static boolean levelled(Measurement measurement, String category, HouseRules rules) {
        return Math.abs(rules.measureOf(category).of(measurement) - rules.targetOf(category)) <= rules.toleranceLu();
    }

    private Changes changes(List<ReleasePatch> now) throws IOException {
        ReleaseCheck.Opened before = ReleaseCheck.open(since);
        return Changes.between(before.version(), slots(before.collection()), now);
    }

    /** All patches of a collection, not measured. */
    private static List<ReleasePatch> slots(CollectionFile collection) {
        List<ReleasePatch> patches = new ArrayList<>();
        for (int b = 0; b < collection.banks().size(); b++) {
            CollectionFile.Bank bank = collection.banks().get(b);
            ReleaseBank in = ReleaseBank.of(b, bank);
            bank.slots().forEach(slot -> patches.add(new ReleasePatch(in, slot, 1, null)));
        }
        return patches;
    }
}
