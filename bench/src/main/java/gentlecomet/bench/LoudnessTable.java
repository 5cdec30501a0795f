package gentlecomet.bench;

import gentlecomet.craft.format.AssetFiles;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.level.Levelling;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Phrase;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/** Prints the loudness of every patch of the demo before and after one pass of levelling, as rows for docs/quality.md. Run from the checkout's root. */
public final class LoudnessTable {

    private static final Path DEMO = Path.of("craft/src/main/resources/demo/saltmarsh-field-kit");

    private LoudnessTable() {
    }

    public static void main(String[] args) throws IOException {
        CollectionFile demo = demo();
        Measuring measuring = new Measuring(new AssetFiles(demo.assets()));
        HouseRules rules = demo.rules();
        for (CollectionFile.Bank bank : demo.banks()) {
            for (CollectionFile.Slot slot : bank.slots()) {
                Patch patch = slot.patch();
                String category = patch.naming().category();
                Phrase phrase = rules.phraseFor(category);
                Measurement before = measuring.measure(patch, phrase);
                Measurement after = measuring.measure(Levelling.apply(patch, Levelling.propose(patch, before, rules)), phrase);
                System.out.printf(Locale.ROOT, "| %s | %s | %+.2f | %+.2f | %+.2f |%n", patch.name(), rules.measureOf(category).name().toLowerCase(Locale.ROOT),
                        rules.measureOf(category).of(before), rules.measureOf(category).of(after), after.truePeakDbtp());
            }
        }
    }

    static CollectionFile demo() throws IOException {
        Map<String, byte[]> files = new TreeMap<>();
        try (Stream<Path> walk = Files.walk(DEMO)) {
            for (Path file : walk.filter(Files::isRegularFile).toList()) {
                files.put(DEMO.relativize(file).toString(), Files.readAllBytes(file));
            }
        }
        return CollectionFormat.read(files);
    }
}
