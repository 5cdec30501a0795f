package gentlecomet.bench.faults;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.Soundcheck;
import gentlecomet.craft.check.SoundcheckRules;
import gentlecomet.craft.format.AssetFiles;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.probe.Probes;
import gentlecomet.craft.probe.Probing;
import gentlecomet.craft.rules.Conventions;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.source.Recordings;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Puts every fault of the catalogue into good patches of the demos and prints, for each rule, how many were found and missed, how many changes within the threshold were accused, and how many of
 * the good patches themselves are. Run from the checkout's root; takes about ten minutes.
 */
public final class FaultFinding {

    private static final List<Path> DEMOS = List.of(Path.of("craft/src/main/resources/demo/saltmarsh-field-kit"), Path.of("craft/src/main/resources/demo/glasshouse-hours"));
    private static final int BASES = 4;

    private FaultFinding() {
    }

    /** A good patch with what it is held against. */
    private record Base(Patch patch, Probes probes, HouseRules house, Recordings recordings, Set<String> found) {
    }

    /** @param args ids of rules, none for all */
    public static void main(String[] args) throws IOException, InterruptedException, ExecutionException {
        ExecutorService threads = Executors.newFixedThreadPool(2);
        List<Base> bases = bases(threads);
        Set<String> wanted = Set.of(args);
        System.out.printf("%d good patches%n", bases.size());
        Map<String, Integer> accused = new TreeMap<>();
        bases.forEach(b -> b.found().forEach(r -> accused.merge(r, 1, Integer::sum)));
        System.out.println("found about them: " + accused);
        int[] all = new int[4];
        int turn = 0;
        for (Fault fault : FaultCatalogue.ALL) {
            if (!wanted.isEmpty() && !wanted.contains(fault.rule())) {
                continue;
            }
            List<Future<String>> beyond = new ArrayList<>();
            List<Future<String>> inside = new ArrayList<>();
            for (int n = 0; n < bases.size() && beyond.size() < BASES; n++) {
                Base base = bases.get((turn + 7 * n) % bases.size());
                HouseRules house = fault.asked().of(base.patch(), base.house());
                if (rules(base.patch(), base.probes(), house).contains(fault.rule())) {
                    continue;
                }
                Optional<Patch> broken = fault.beyond().into(base.patch(), base.probes(), house);
                if (broken.isPresent()) {
                    beyond.add(threads.submit(() -> found(broken.get(), base, house, fault.rule()) ? "" : base.patch().name()));
                    Optional<Patch> kept = fault.inside() == null ? Optional.empty() : fault.inside().into(base.patch(), base.probes(), house);
                    kept.ifPresent(p -> inside.add(threads.submit(() -> found(p, base, house, fault.rule()) ? base.patch().name() : "")));
                }
            }
            turn += 3;
            List<String> missed = named(beyond);
            List<String> wrong = named(inside);
            all[0] += beyond.size();
            all[1] += missed.size();
            all[2] += inside.size();
            all[3] += wrong.size();
            System.out.printf("%-22s %-42s found %d of %d%s%s%n", fault.rule(), fault.name(), beyond.size() - missed.size(), beyond.size(), missed.isEmpty() ? "" : ", missed in " + missed,
                    inside.isEmpty() ? "" : "; within the threshold accused " + wrong.size() + " of " + inside.size() + (wrong.isEmpty() ? "" : " " + wrong));
        }
        threads.shutdown();
        Set<String> covered = FaultCatalogue.ALL.stream().map(Fault::rule).collect(Collectors.toSet());
        System.out.printf("all: found %d of %d; within the threshold accused %d of %d%nrules without a fault here: %s%n", all[0] - all[1], all[0], all[3], all[2],
                SoundcheckRules.ALL.stream().map(r -> r.id()).filter(id -> !covered.contains(id)).toList());
    }

    private static List<String> named(List<Future<String>> futures) throws InterruptedException, ExecutionException {
        List<String> names = new ArrayList<>();
        for (Future<String> future : futures) {
            if (!future.get().isEmpty()) {
                names.add(future.get());
            }
        }
        return names;
    }

    private static boolean found(Patch patch, Base base, HouseRules house, String rule) {
        return rules(patch, new Probing(base.recordings()).probe(patch, house.phraseFor(patch.naming().category())), house).contains(rule);
    }

    private static Set<String> rules(Patch patch, Probes probes, HouseRules house) {
        return Soundcheck.judge(patch, probes, house).stream().map(Finding::rule).collect(Collectors.toSet());
    }

    private static List<Base> bases(ExecutorService threads) throws IOException, InterruptedException, ExecutionException {
        List<Future<Base>> futures = new ArrayList<>();
        for (Path demo : DEMOS) {
            Map<String, byte[]> files = new TreeMap<>();
            try (Stream<Path> walk = Files.walk(demo)) {
                for (Path file : walk.filter(Files::isRegularFile).toList()) {
                    files.put(demo.relativize(file).toString(), Files.readAllBytes(file));
                }
            }
            CollectionFile collection = CollectionFormat.read(files);
            Recordings recordings = new AssetFiles(collection.assets());
            Conventions c = collection.rules().conventions();
            // A house that asks for everything there is to ask.
            HouseRules house = collection.rules().withConventions(new Conventions(c.parts(), c.words(), c.tagGroups(), c.listedOnly(), List.of(), 2, true, true));
            for (CollectionFile.Bank bank : collection.banks()) {
                for (CollectionFile.Slot slot : bank.slots()) {
                    Patch patch = slot.patch();
                    if (!patch.naming().tags().contains("faulty")) {
                        futures.add(threads.submit(() -> {
                            Probes probes = new Probing(recordings).probe(patch, house.phraseFor(patch.naming().category()));
                            return new Base(patch, probes, house, recordings, rules(patch, probes, house));
                        }));
                    }
                }
            }
        }
        List<Base> bases = new ArrayList<>();
        for (Future<Base> future : futures) {
            bases.add(future.get());
        }
        return bases;
    }
}
