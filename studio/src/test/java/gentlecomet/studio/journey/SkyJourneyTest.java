package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.patch.PatchRow;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;
import org.springframework.beans.factory.annotation.Autowired;

/** Sounds in a plane: walked by keys and by the pointer, heard, chosen with a lasso, and a variation asked for from a hole. */
class SkyJourneyTest extends OnTheScreen {

    @Autowired
    private Measures measures;

    /** Five sines, each an octave above the one before, so that each is twice as bright; and the higher, the longer they ring. */
    private List<PatchRow> octaves(long bank, HouseRules rules) {
        List<PatchRow> made = new ArrayList<>();
        for (int octave = -2; octave <= 2; octave++) {
            long id = banks.newPatch(bank, octave + 3);
            patches.edit(id, 0, "", new PatchEdit.Rename("Octave " + (octave + 3)));
            patches.edit(id, 0, "", new PatchEdit.Categorise("lead"));
            patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source1.octave"), octave));
            patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.amplitude.release"), Math.pow(2, octave)));
            PatchRow row = patches.get(id);
            measures.measure(row.patch(), row.soundHash(), rules);
            made.add(row);
        }
        return made;
    }

    private static String said(Browser page) {
        return page.text("#sky-words");
    }

    @Test
    void soundsAreWalkedHeardChosenAndVariedFromAHole() {
        long bank = newBank("Sky work");
        long collection = collections.ofBank(bank).id();
        List<PatchRow> made = octaves(bank, collections.get(collection).rules());
        try (Browser page = browser()) {
            page.open("/collections/" + collection + "/sky");
            page.until(d -> said(page).startsWith("5 sounds by brightness"));

            // By keys: to the right is brighter, and each is told with its figures.
            WebElement plane = page.find("#sky");
            plane.sendKeys(Keys.ARROW_LEFT);
            page.until(d -> said(page).startsWith("Octave"));
            for (int i = 0; i < 4; i++) {
                plane.sendKeys(Keys.ARROW_LEFT);
            }
            page.until(d -> said(page).startsWith("Octave 1:"));
            for (int n = 2; n <= 5; n++) {
                String next = "Octave " + n + ":";
                plane.sendKeys(Keys.ARROW_RIGHT);
                page.until(d -> said(page).startsWith(next));
            }
            plane.sendKeys(" ");
            page.until(d -> Double.parseDouble(page.find("#player").getDomAttribute("data-peak")) > -50);
            plane.sendKeys("s");
            page.until(d -> page.text("#sky-count").equals("1"));

            // By the pointer: a line around all of them chooses five.
            int across = plane.getSize().width;
            int up = plane.getSize().height;
            new Actions(page.driver).moveToElement(plane, -across / 2 + 62, -up / 2 + 16).clickAndHold().moveByOffset(across - 80, 0).moveByOffset(0, up - 52).moveByOffset(-(across - 80), 0)
                    .release().perform();
            page.until(d -> page.text("#sky-count").equals("5"));

            // Far from them all there is room: the words name the measures of the place, and the variation is asked for.
            new Actions(page.driver).moveToElement(plane, -across / 2 + 90, -up / 2 + 40).click().perform();
            page.until(d -> page.text("#sky-hole").contains("The nearest is"));
            assertTrue(page.find("#sky-hole button").isEnabled());
            page.click("#sky-hole button");
            page.until(d -> d.getCurrentUrl().contains("/patches/"));
            long nearest = Long.parseLong(page.driver.getCurrentUrl().replaceAll(".*/", ""));
            assertTrue(made.stream().anyMatch(p -> p.id() == nearest));
            page.until(Duration.ofSeconds(60), d -> jdbc.sql("select count(*) from variation where patch_id = :patch").param("patch", nearest).query(Long.class).single() > 0);

            // Enter opens what one stands on.
            page.open("/collections/" + collection + "/sky");
            page.until(d -> said(page).startsWith("5 sounds"));
            page.find("#sky").sendKeys(Keys.ARROW_RIGHT);
            page.until(d -> said(page).startsWith("Octave"));
            page.find("#sky").sendKeys(Keys.ENTER);
            page.until(d -> d.getCurrentUrl().contains("/patches/"));
            assertEquals(List.of(), page.errors());
        }
    }
}
