package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Patch;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.Select;

/** A pattern of a patch on the bench: switched on, drawn by mouse and by keys, typed, heard while a key is held, and marked in the bank. */
class PatternJourneyTest extends OnTheScreen {

    @Test
    void aPatternIsDrawnHeardAndMarked() {
        long bank = newBank("Patterns");
        long id = banks.newPatch(bank, 1);
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("performance.tempo"), 60));
        try (Browser page = browser()) {
            page.open("/patches/" + id);
            page.click("[data-stage=performance]");
            page.click("#tab-pattern");
            new Select(page.find("[id='pattern.order']")).selectByVisibleText("up");
            page.until(d -> patch(id).value("pattern.order") == 1);
            settled(page, id);
            assertEquals("pattern", page.text(".bench-head .tag"));

            // By mouse: the third of eight steps becomes a rest.
            page.until(d -> {
                WebElement lanes = lane(page);
                page.js("arguments[0].scrollIntoView({block: 'center'})", lanes);
                int width = lanes.getSize().width;
                int height = lanes.getSize().height;
                int third = (int) (52 + (width - 52) * 2.5 / 8) - width / 2;
                new Actions(page.driver).moveToElement(lanes, third, (int) (0.42 * height) - 6 - height / 2).click().perform();
                return true;
            });
            page.until(d -> patch(id).shape(Shapes.PATTERN_STEPS).length == 32);
            settled(page, id);
            assertTrue(patch(id).shape(Shapes.PATTERN_STEPS)[8] < 15, "drawn near the ground: " + patch(id).shape(Shapes.PATTERN_STEPS)[8]);

            // By keys: the fourth step two semitones up.
            page.js("document.getElementById('pattern.steps.lanes').focus()");
            lane(page).sendKeys(Keys.ARROW_RIGHT, Keys.PAGE_DOWN);
            for (int n = 1; n <= 2; n++) {
                int shift = n;
                lane(page).sendKeys(Keys.ARROW_UP);
                page.until(d -> patch(id).shape(Shapes.PATTERN_STEPS)[13] == shift);
                settled(page, id);
            }

            // Typed: two steps, of which the second is a rest; what is no row is refused beside the field.
            String field = "[data-shape='pattern.steps'] .drawn-text input";
            page.fill(field, "100 0 100 1; 300 0 100 1");
            page.until(d -> page.text("body").contains("expected"));
            page.fill(field, "100 0; 0 0");
            page.until(d -> patch(id).shape(Shapes.PATTERN_STEPS).length == 8);
            settled(page, id);

            // Heard: one key is held, and its note comes and goes.
            new Select(page.find("[id='pattern.step']")).selectByVisibleText("1/4");
            page.until(d -> patch(id).value("pattern.step") == 2);
            settled(page, id);
            page.js("document.activeElement.blur()");
            page.keys("`");
            new Actions(page.driver).keyDown("a").perform();
            for (int round = 0; round < 2; round++) {
                page.until(d -> voices(page) > 0);
                page.until(d -> voices(page) == 0);
            }
            page.until(d -> voices(page) > 0);
            // Both steps are shown while they play, and none afterwards.
            for (String step : List.of("1", "2", "1")) {
                page.until(d -> step.equals(lane(page).getDomAttribute("data-playing")));
            }
            new Actions(page.driver).keyUp("a").perform();
            page.until(d -> lane(page).getDomAttribute("data-playing") == null);
            page.keys("`");

            // A chord of the keys that were played last.
            page.js("document.body.focus()");
            page.keys("`");
            new Actions(page.driver).keyDown("a").keyDown("d").perform();
            new Actions(page.driver).keyUp("a").keyUp("d").perform();
            page.keys("`");
            page.click("[data-hold-chord] button");
            page.until(d -> Arrays.equals(new double[] {0, 4}, patch(id).shape(Shapes.PATTERN_CHORD)));
            page.open("/banks/" + bank);
            page.until(d -> page.text("#slot-" + id + " .c-name .tag").equals("pattern"));
            assertEquals("Held keys: up, 1/4, 2 steps, chord 0 4", page.find("#slot-" + id + " .c-name .tag").getDomAttribute("title"));
            assertEquals(List.of(), page.errors());
        }
    }

    /** Waits until the page shows the state that is kept. */
    private void settled(Browser page, long id) {
        page.until(d -> String.valueOf(patches.get(id).version()).equals(d.findElement(By.id("bench")).getDomAttribute("data-version")));
    }

    private Patch patch(long id) {
        return patches.get(id).patch();
    }

    private static WebElement lane(Browser page) {
        return page.find("[id='pattern.steps.lanes']");
    }

    private static int voices(Browser page) {
        String told = page.find("#player").getDomAttribute("data-voices");
        return told == null ? 0 : Integer.parseInt(told);
    }
}
