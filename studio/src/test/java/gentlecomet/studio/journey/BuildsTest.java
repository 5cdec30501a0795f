package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.check.LooseEnds;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.source.Recordings;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

/**
 * Eight sounds of the demo, each built from neutral on the screen alone, and further ones; the lists of gestures are the walk-through. After a change of
 * a list of the demo, {@code -Dcomet.builds.write=true} lets the patches be written to {@code target/builds}, from where they go to the demo.
 */
class BuildsTest extends OnTheScreen {

    /** Part of the names of the lists that are performed: one by default, which is quick; {@code bench/builds.sh} performs all. */
    private static final String ONLY = System.getProperty("comet.builds", "-drum");
    private static final Path LISTS = Path.of("src/test/resources/builds");
    /** More than this, and a practised hand at a good instrument is faster elsewhere. */
    private static final int MOST_GESTURES = 45;

    @Test
    void everySoundIsBuiltFromNeutralOnTheScreen() throws Exception {
        long demo = demoBank();
        long bank = newBank("Builds");
        Path built = Files.createDirectories(Path.of("target/builds"));
        StringBuilder count = new StringBuilder();
        try (Browser page = browser(); var lists = Files.walk(LISTS)) {
            for (Path list : lists.filter(p -> p.toString().endsWith(".txt") && p.toString().contains(ONLY)).sorted().toList()) {
                page.open("/banks/" + bank);
                page.click(".page-head button.primary");
                long id = Long.parseLong(page.until(d -> d.getCurrentUrl().matches(".*/patches/\\d+") ? d.getCurrentUrl().replaceAll(".*/", "") : null));
                page.find("#bench");
                int gestures = new Hands(page, patches, LISTS.toAbsolutePath(), id).perform(Files.readAllLines(list));
                Patch patch = patches.get(id).patch();
                Files.writeString(built.resolve(list.getFileName().toString().replace(".txt", ".json")), PatchFormat.write(patch));
                count.append(patch.name()).append(": ").append(gestures).append(" gestures\n");
                assertEquals(List.of(), LooseEnds.of(patch), patch.name());
                assertTrue(gestures <= MOST_GESTURES, patch.name() + " takes " + gestures + " gestures");
                boolean further = !list.getParent().equals(LISTS);
                if (further) {
                    assertSounds(patch);
                }
                assertTrue(further || Boolean.getBoolean("comet.builds.write") || patches.inBank(demo).stream().anyMatch(row -> row.name().equals(patch.name()) && sameSound(patches.get(row.id()).patch(), patch)),
                        patch.name() + " is the demo's patch; what was built stands in " + built);
            }
        }
        Files.writeString(built.resolve("gestures.txt"), count.toString());
    }

    private static void assertSounds(Patch patch) {
        Measurement m = new Measuring(Recordings.NONE).measure(patch, Phrases.get("line"));
        assertTrue(m.momentaryMaxLufs() > -40 && m.truePeakDbtp() < 6, patch.name() + ": " + m);
    }

    /** The demo has words and rides of its own beside the sound. */
    private static boolean sameSound(Patch demo, Patch built) {
        return PatchFormat.write(demo.withNaming(built.naming()).withRides(built.rides())).equals(PatchFormat.write(built));
    }
}
