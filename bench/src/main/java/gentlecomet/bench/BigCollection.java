package gentlecomet.bench;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.sound.patch.Patch;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * Writes a collection of many banks of 128 patches for timing pages: the demo's patches again and again under other names, so that they sound alike and measuring is
 * soon done. Arguments: number of banks, archive to write. Run from the checkout's root.
 */
public final class BigCollection {

    private static final String[] FIRST = {"Amber", "Brine", "Cinder", "Drift", "Ember", "Fathom", "Gale", "Hollow", "Indigo", "Jetty", "Knoll", "Ledge", "Marram", "Nettle", "Osier",
        "Pebble"};
    private static final String[] SECOND = {"Arch", "Beam", "Coil", "Dune", "Edge", "Fold", "Gate", "Haze", "Isle", "Keel", "Lamp", "Mast", "Net", "Oar", "Pool", "Quay"};
    private static final String[] THIRD = {"Bright", "Clear", "Dark", "Even", "Faint", "Grand", "High", "Inner"};

    private BigCollection() {
    }

    public static void main(String[] args) throws IOException {
        int banks = Integer.parseInt(args[0]);
        CollectionFile demo = LoudnessTable.demo();
        List<Patch> patches = demo.banks().stream().flatMap(b -> b.slots().stream()).map(CollectionFile.Slot::patch).toList();
        List<CollectionFile.Bank> made = new ArrayList<>();
        int number = 0;
        for (int b = 0; b < banks; b++) {
            List<CollectionFile.Slot> slots = new ArrayList<>();
            for (int slot = 1; slot <= CollectionFormat.SLOTS; slot++, number++) {
                Patch patch = patches.get(number % patches.size());
                slots.add(new CollectionFile.Slot(slot, patch.withNaming(patch.naming().withName(name(number)))));
            }
            made.add(new CollectionFile.Bank("Bank " + (char) ('A' + b), 0, b, slots));
        }
        CollectionFile big = new CollectionFile(banks + " banks", demo.author(), demo.licence(), demo.rules(), made, demo.assets());
        try (OutputStream out = Files.newOutputStream(Path.of(args[1])); ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> file : CollectionFormat.write(big).entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue());
                zip.closeEntry();
            }
        }
    }

    private static String name(int number) {
        return FIRST[number % FIRST.length] + " " + SECOND[number / FIRST.length % SECOND.length] + " " + THIRD[number / FIRST.length / SECOND.length % THIRD.length];
    }
}
