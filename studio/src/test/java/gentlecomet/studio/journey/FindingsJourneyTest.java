package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.soundcheck.SoundcheckFixture;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;

/** Findings of the soundcheck chosen together, by mouse and by keys. */
class FindingsJourneyTest extends OnTheScreen {

    @Test
    void severalFindingsAreChosenAndStandForOneReason() {
        long collection = collections.create("Chosen findings");
        long bank = collections.banks(collection).get(0).id();
        HouseRules rules = collections.get(collection).rules();
        for (int slot = 1; slot <= 3; slot++) {
            long id = banks.newPatch(bank, slot);
            patches.edit(id, 0, "", new PatchEdit.Rename("Chosen " + slot));
            patches.edit(id, 0, "", new PatchEdit.Categorise("bell"));
            // The sound of each is its own, so that what is found of one is not found of all.
            patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source1.level"), -7.31 - slot));
            PatchSummary patch = patches.summary(id);
            SoundcheckFixture.save(jdbc, patch.soundHash().strip(), patch.category(), rules, List.of(
                    new Finding("tail.long", Finding.Severity.WARNING, "It sounds for 20 s after the keys.", Map.of(), "layer1.source1.level", "", null),
                    new Finding("pitch.tuning", Finding.Severity.WARNING, "C4 is 20 cents high.", Map.of(), "layer1.source1.level", "C4:100:1", null)));
        }
        try (Browser page = browser()) {
            page.open("/banks/" + bank + "/soundcheck");
            page.click(".check-row[data-name='Chosen 1'][data-rule='pitch.tuning']");
            page.until(d -> page.text("#check-side").contains("C4 is 20 cents high"));
            assertEquals(1, selected(page));
            page.until(d -> page.find("[data-clip-picture]").getDomAttribute("aria-label").matches("The clip, \\d\\.\\d s; its greatest sample is −\\d+\\.\\d dBFS"));
            assertTrue(((Number) page.js("const c = document.querySelector('[data-clip-picture]'); return c.getContext('2d').getImageData(0, 0, c.width, c.height).data.filter((v, i) => i % 4 === 3 && v > 0).length")).intValue() > 500, "it is drawn");

            List<WebElement> rows = page.driver.findElements(By.cssSelector(".check-row[data-rule='pitch.tuning']"));
            new Actions(page.driver).keyDown(Keys.SHIFT).click(rows.get(2)).keyUp(Keys.SHIFT).perform();
            page.until(d -> page.text("#check-side").contains("3 findings of 3 patches"));
            assertEquals(3, selected(page));
            new Actions(page.driver).keyDown(Keys.CONTROL).click(rows.get(1)).keyUp(Keys.CONTROL).perform();
            page.until(d -> page.text("#check-side").contains("2 findings of 2 patches"));

            // With keys: back to one, on to a stretch of it, and all.
            WebElement list = page.find("#check-list");
            list.sendKeys(Keys.ESCAPE);
            page.until(d -> selected(page) == 1);
            list.sendKeys(Keys.HOME);
            list.sendKeys(Keys.chord(Keys.SHIFT, Keys.ARROW_DOWN), Keys.chord(Keys.SHIFT, Keys.ARROW_DOWN));
            page.until(d -> page.text("#check-side").contains("3 findings of 3 patches"));
            list.sendKeys(Keys.chord(Keys.CONTROL, "a"));
            page.until(d -> page.text("#check-side").contains("6 findings of 3 patches"));
            assertTrue(page.text("#check-side").contains("more of the same patches come after these"));

            list.sendKeys("w");
            page.until(d -> "reason".equals(page.js("return document.activeElement.name")));
            page.driver.switchTo().activeElement().sendKeys("meant so", Keys.ENTER);
            page.until(d -> page.text("[data-count=waived]").equals("6"));
            assertTrue(page.text("#check-side").contains("6 findings may stand."));
            assertEquals("check-list", page.js("return document.activeElement.id"));
            assertEquals(List.of(), page.errors());
        }
    }

    private static int selected(Browser page) {
        return page.driver.findElements(By.cssSelector(".check-row[aria-selected=true]")).size();
    }
}
