package gentlecomet.craft;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.Soundcheck;
import gentlecomet.craft.format.AssetFiles;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The demo collection keeps what it promises: sound patches, and two that are faulty on purpose. */
class DemoTest {

    /** One patch of so many is checked in full, unless -Dcomet.all=true asks for all. */
    private static final int EVERY = 8;

    private static List<Patch> patches;
    private static AssetFiles recordings;

    @BeforeAll
    static void read() throws Exception {
        Path folder = Path.of(DemoTest.class.getResource("/demo/saltmarsh-field-kit/collection.json").toURI()).getParent();
        Map<String, byte[]> files = new TreeMap<>();
        try (var walk = Files.walk(folder)) {
            for (Path file : walk.filter(Files::isRegularFile).toList()) {
                files.put(folder.relativize(file).toString(), Files.readAllBytes(file));
            }
        }
        CollectionFile demo = CollectionFormat.read(files);
        recordings = new AssetFiles(demo.assets());
        patches = demo.banks().get(0).slots().stream().map(CollectionFile.Slot::patch).toList();
    }

    private static boolean faulty(Patch patch) {
        return patch.naming().tags().contains("faulty");
    }

    @Test
    void isWideEnough() {
        assertTrue(patches.size() >= 32);
        assertTrue(patches.stream().map(p -> p.naming().category()).distinct().count() >= 5);
        assertTrue(patches.stream().filter(p -> p.layerOn(1) && !faulty(p)).count() >= 2, "splits");
        for (Patch patch : patches) {
            assertTrue(patch.macros().stream().filter(m -> !m.targets().isEmpty()).count() >= 3, patch.name());
            assertTrue(patch.routes().stream().anyMatch(r -> r.source().id().equals("aftertouch") || r.source().id().equals("modWheel")), patch.name());
        }
    }

    /** Every kind of source, filter and effect is heard in at least one good patch. */
    @Test
    void everyKindIsHeardSomewhere() {
        for (String group : List.of("source1.wave", "filter1.type")) {
            Parameter kinds = Parameters.find("layer1." + group);
            for (int kind = 1; kind < kinds.choices().size(); kind++) {
                int wanted = kind;
                assertTrue(patches.stream().filter(p -> !faulty(p)).anyMatch(p -> Parameters.ALL.stream()
                        .filter(q -> q.id().matches("layer\\d\\.(source|filter)\\d\\.(wave|type)") && q.choices().equals(kinds.choices()))
                        .anyMatch(q -> p.value(q.index()) == wanted && heard(p, q))), group + " " + kinds.choices().get(kind));
            }
        }
        Parameter effects = Parameters.find("effect1.type");
        for (int kind = 1; kind < effects.choices().size(); kind++) {
            int wanted = kind;
            assertTrue(patches.stream().filter(p -> !faulty(p)).anyMatch(p -> Parameters.ALL.stream()
                    .filter(q -> q.id().matches("(layer\\d\\.)?effect\\d+\\.type"))
                    .anyMatch(q -> p.value(q.index()) == wanted && p.value(Parameters.find(q.id().replace(".type", ".mix")).index()) > 0)),
                    effects.choices().get(kind));
        }
    }

    private static boolean heard(Patch patch, Parameter choice) {
        return patch.layerOn(Parameters.layerOf(choice.index())) && (choice.id().endsWith("type")
                || patch.soundingValue(Parameters.find(choice.id().replace(".wave", ".level"))) > -72);
    }

    @Test
    void goodPatchesHaveNoFaultButLevelAndFaultyOnesHaveThem() {
        Soundcheck soundcheck = new Soundcheck(HouseRules.DEFAULT, recordings);
        int every = Boolean.getBoolean("comet.all") ? 1 : EVERY;
        for (int n = 0; n < patches.size(); n++) {
            Patch patch = patches.get(n);
            if (n % every != 0 && !faulty(patch)) {
                continue;
            }
            var phrase = Phrases.get(HouseRules.DEFAULT.phraseOf(patch.naming().category()));
            var rules = soundcheck.check(patch, phrase, List.of()).stream()
                    .filter(f -> f.severity() == Finding.Severity.FAULT).map(Finding::rule).collect(Collectors.toSet());
            if (!faulty(patch)) {
                if (patch.name().equals("Samphire Pluck")) {
                    // Left in the demo, to be waived: five notes of it clip. The limiter that mends it hides from the variations how long it rings.
                    assertTrue(rules.remove("level.chord"));
                }
                assertEquals(java.util.Set.of(), rules, patch.name());
            } else {
                assertFalse(rules.isEmpty(), patch.name());
            }
        }
    }
}
