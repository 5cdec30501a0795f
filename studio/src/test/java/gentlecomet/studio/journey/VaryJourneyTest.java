package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.studio.patch.PatchSummary;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.Select;

/** The neighbourhood of a sound on its map, heard by pointing at it and by keys, kept and gone on from; what stands between two versions. */
class VaryJourneyTest extends OnTheScreen {

    @Test
    void neighboursAreHeardByPointingKeptAndGoneOnFrom() {
        long collection = demo();
        long bank = collections.banks(collection).get(0).id();
        long id = banks.newPatch(bank, 100);
        set(id, "layer1.source1.wave", 2);
        set(id, "layer1.filter1.type", Parameters.find("layer1.filter1.type").choices().indexOf("lowPass24"));
        set(id, "layer1.filter1.cutoff", 1000);
        try (Browser page = new Browser(port, folder.resolve("profile"), folder)) {
            page.open("/patches/" + id);
            page.click("[data-stage=versions]");
            page.click("#tab-vary");
            page.click("[data-vary=map] button");
            page.until(Duration.ofSeconds(90), d -> d.findElement(By.id("variations")).getDomAttribute("data-running").equals("false") && d.findElements(By.cssSelector(".map-sound")).size() >= 5);
            page.until(Duration.ofSeconds(60), d -> d.findElements(By.cssSelector(".map-sound svg")).size() == d.findElements(By.cssSelector(".map-sound")).size());
            List<WebElement> sounds = page.driver.findElements(By.cssSelector(".map-sound"));

            // A pointer that rests on one lets it sound; away from it there is silence, and the bench is heard again.
            new Actions(page.driver).moveToElement(sounds.get(0)).perform();
            page.until(d -> number(page, "data-voices") >= 1 && number(page, "data-peak") > -50);
            assertTrue(page.text("[data-hearing-here]").contains("Variation: "), page.text("[data-hearing-here]"));
            new Actions(page.driver).moveToElement(page.find("#tab-vary")).perform();
            page.until(d -> number(page, "data-voices") == 0 && !d.findElement(By.cssSelector("[data-hearing-here]")).isDisplayed());

            // The darker one stands left of the brighter one.
            assertTrue(left(page, "darker") < left(page, "brighter"), "across by brightness");

            // By keys: Tab brings it to sound, Enter chooses it, and what can be done with it follows.
            page.find("#vary-seed").sendKeys("");
            page.js("document.querySelector('.map-sound').focus({focusVisible: true})");
            page.driver.switchTo().activeElement().sendKeys(Keys.ENTER);
            page.until(d -> d.findElement(By.cssSelector("[data-map-choice]")).getText().contains(" to "));
            int before = patches.inBank(bank).size();
            page.find("[data-map-choice] [data-act=keep]").sendKeys(Keys.ENTER);
            page.until(d -> patches.inBank(bank).size() == before + 1);
            PatchSummary kept = patches.inBank(bank).stream().filter(p -> p.slot() == 101).findFirst().orElseThrow();
            assertTrue(kept.name().startsWith("New Patch "), kept.name());

            // From another one the map is drawn anew, and undo brings the sound back.
            double cutoff = patches.get(id).patch().value("layer1.filter1.cutoff");
            page.find(".map-sound").click();
            page.click("[data-map-choice] [data-go-on]");
            page.until(d -> patches.get(id).patch().value("layer1.filter1.cutoff") != cutoff);
            page.until(Duration.ofSeconds(60), d -> d.findElement(By.id("variations")).getDomAttribute("data-running").equals("true"));
            page.click("[data-stop-varying]");
            page.until(d -> d.findElement(By.id("variations")).getDomAttribute("data-running").equals("false"));
            page.js("document.activeElement.blur()");
            page.keys(Keys.chord(Keys.CONTROL, "z"));
            page.until(d -> patches.get(id).patch().value("layer1.filter1.cutoff") == cutoff);
            assertEquals(List.of(), page.errors());
        }
    }

    @Test
    void theWayBetweenTwoVersionsIsHeardWhileItsSliderMoves() {
        long collection = demo();
        long id = banks.newPatch(collections.banks(collection).get(0).id(), 110);
        set(id, "layer1.filter1.type", Parameters.find("layer1.filter1.type").choices().indexOf("lowPass24"));
        set(id, "layer1.filter1.cutoff", 500);
        try (Browser page = new Browser(port, folder.resolve("profile"), folder)) {
            page.open("/patches/" + id);
            page.click("[data-stage=versions]");
            page.click("[data-put-pad=A]");
            page.until(d -> d.findElement(By.cssSelector("[data-hear=padA]")).isEnabled());
            set(id, "layer1.filter1.cutoff", 2000);
            set(id, "layer1.source1.wave", 2);
            page.open("/patches/" + id);
            page.click("[data-stage=versions]");
            new Select(page.find(".morph [name=from]")).selectByValue("padA");
            page.find(".morph [name=place]").sendKeys(Keys.ARROW_LEFT, Keys.ARROW_RIGHT);
            page.until(d -> d.findElement(By.cssSelector("[data-jumps]")).getText().contains("Wave: sine to saw"));
            page.until(d -> page.text("[data-hearing-here]").contains("50 % of the way"));
            page.click("[data-morph-act=use]");
            page.until(d -> Math.abs(patches.get(id).patch().value("layer1.filter1.cutoff") - 1000) < 0.1);
            page.click("[data-morph-act=keep]");
            page.until(d -> patches.inBank(collections.banks(collection).get(0).id()).stream().anyMatch(p -> p.slot() == 111));
            assertEquals(List.of(), page.errors());
        }
    }

    private void set(long id, String parameter, double value) {
        Parameter p = Parameters.find(parameter);
        patches.edit(id, 0, "", new PatchEdit.SetValue(p, value));
    }

    private static double number(Browser page, String attribute) {
        String value = page.find("#player").getDomAttribute(attribute);
        return value == null ? -100 : Double.parseDouble(value);
    }

    private static int left(Browser page, String name) {
        return page.driver.findElements(By.cssSelector(".map-sound")).stream().filter(s -> s.getDomAttribute("aria-label").startsWith(name + ",") && s.getText().equals(name))
                .findFirst().orElseThrow().getLocation().getX();
    }
}
