package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.format.ZipFormat;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The page that is shown while there is no collection: a release is looked at and taken, and a deleted collection comes back. */
class FirstPageJourneyTest extends OnTheScreen {

    private List<Long> put;

    @BeforeEach
    void nothingIsLeft() {
        put = jdbc.sql("update collection set trashed_at = now() where trashed_at is null returning id").query(Long.class).list();
    }

    @AfterEach
    void allIsBack() {
        jdbc.sql("update collection set trashed_at = null where id in (:ids)").param("ids", put).update();
    }

    @Test
    void aReleaseIsLookedAtAndTaken() throws IOException {
        Path kit = Files.write(folder.resolve("kit.zip"), ZipFormat.write(CollectionFormat.write(new CollectionFile("First Kit", "Ann", "CC0", HouseRules.DEFAULT,
                List.of(new CollectionFile.Bank("A", List.of(new CollectionFile.Slot(1, Patch.neutral("Reed")), new CollectionFile.Slot(2, Patch.neutral("Weir")))))))));
        Path broken = Files.writeString(folder.resolve("broken.zip"), "this is none");
        try (Browser page = browser()) {
            page.open("/");
            assertEquals("No collection yet", page.text("h1"));
            page.find("input[type=file]").sendKeys(broken.toString());
            page.until(d -> page.text(".refusal").contains("broken.zip: is an empty or broken ZIP"));
            page.find("input[type=file]").sendKeys(kit.toString());
            page.until(d -> page.text("#arrival").contains("It brings First Kit by Ann: 2 patches"));
            assertEquals(0, jdbc.sql("select count(*) from collection where trashed_at is null").query(Integer.class).single(), "nothing is taken before it is asked for");
            page.click("#arrival button.primary");
            page.until(d -> page.text("#arrival").contains("Taken as a collection of its own, 2 patches."));
            page.click("#arrival a");
            page.until(d -> page.text("h1").contains("First Kit"));
            page.find("#player-macros label");
            assertEquals(List.of(), page.errors());
        }
    }

    @Test
    void aDeletedCollectionComesBack() {
        String name = collections.get(put.get(0)).name();
        try (Browser page = browser()) {
            page.open("/");
            page.click("[aria-label='Bring back " + name + "']");
            page.until(d -> page.text("h1").contains(name));
            assertTrue(collections.cards().stream().anyMatch(c -> c.name().equals(name) && c.trashedAt() == null));
        }
    }
}
