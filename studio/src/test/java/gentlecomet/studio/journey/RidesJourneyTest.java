package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.patch.Ride;
import gentlecomet.studio.patch.PatchSummary;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.Select;

/** Hands that ride a patch under its phrase: drawn, typed, recorded, heard, taken back; and another patch as company. */
class RidesJourneyTest extends OnTheScreen {

    /** A phrase is played on the computer's keys, chosen for a category, and is what Play plays of its patches. */
    @Test
    void aPhraseIsPlayedAndBecomesThatOfACategory() {
        long collection = collections.create("Played phrases");
        long id = banks.newPatch(collections.banks(collection).get(0).id(), 1);
        patches.edit(id, 0, "", new gentlecomet.craft.edit.PatchEdit.Categorise("bell"));
        try (Browser page = new Browser(port, folder.resolve("recorder"), folder)) {
            page.open("/collections/" + collection + "/rules");
            page.fill("[data-phrase-name]", "By hand");
            page.click("[data-phrase-record]");
            page.keys("`");
            hold(page, "a");
            hold(page, "d");
            page.click("[data-phrase-record]");
            page.until(d -> page.text("[data-phrase-rows]").contains("104"));
            new Select(page.find("tr[data-category=bell] [name=categoryPhrase]")).selectByVisibleText("By hand");
            page.until(d -> page.find("#rules-apply").isEnabled());
            page.click("#rules-apply");
            page.until(d -> collections.get(collection).rules().phraseFor("bell").name().equals("By hand"));
            assertEquals(List.of(48, 52), collections.get(collection).rules().phraseFor("bell").notes().stream().map(n -> n.key()).toList(), "C3 and E3");
            page.until(d -> page.text("[data-phrase-rows]").contains("Bell"));

            page.click("[data-phrase-play]");
            page.until(d -> peak(page) > -50);
            page.click("[data-phrase-remove]");
            page.until(d -> page.text("#messages").contains("Bell is heard by it"));
            page.open("/patches/" + id);
            page.click("#player-repeat");
            page.click("#player-phrase");
            page.until(d -> peak(page) > -50);
            page.find("#player-choice").click();
            page.until(d -> d.findElements(By.cssSelector("#player-choice option")).stream().anyMatch(o -> o.getText().equals("By hand")));
        }
    }

    /** Holds a key of the computer as long as a hand does, so that the phrase is not over before a busy page has drawn its meter once. */
    private static void hold(Browser page, String key) {
        new Actions(page.driver).keyDown(key).perform();
        page.until(d -> peak(page) > -50);
        new Actions(page.driver).pause(Duration.ofMillis(600)).keyUp(key).perform();
        page.until(d -> peak(page) < -60);
    }

    @Test
    void aRideIsDrawnTypedRecordedAndTakenBack() {
        long collection = demo();
        PatchSummary pad = patches.inBank(collections.banks(collection).get(0).id()).stream().filter(p -> p.name().equals("Curlew Lead")).findFirst().orElseThrow();
        long id = pad.id();
        String phrase = collections.get(collection).rules().phraseOf(pad.category());
        try (Browser page = new Browser(port, folder.resolve("profile"), folder)) {
            page.open("/patches/" + id);
            page.click("[data-stage=performance]");
            page.click("#tab-rides");
            int before = patches.get(id).patch().rides().size();

            // Drawn: a lane is added, and a point pulled into it.
            new Select(page.find("[data-ride-add] select")).selectByVisibleText("Wheel");
            page.click("[data-ride-add] button");
            page.until(d -> patches.get(id).patch().rides().size() == before + 1);
            page.until(d -> {
                new Actions(d).moveToElement(d.findElement(By.cssSelector("[aria-label^='Ride of Wheel']")), 0, 0).clickAndHold().moveByOffset(0, -25).release().perform();
                return true;
            });
            page.until(d -> wheel(id, phrase).points().size() == 3);
            assertTrue(wheel(id, phrase).points().get(1).value() > 60, wheel(id, phrase).toString());

            // Typed: what is no ride is refused beside the field and changes nothing.
            String field = "input[aria-label^='Wheel: beat']";
            page.until(d -> d.findElement(By.cssSelector(field)).getDomProperty("value").split(";").length == 3);
            page.fill(field, "0 10; 2 90");
            page.until(d -> wheel(id, phrase).points().equals(List.of(new Ride.Point(0, 10), new Ride.Point(2, 90))));
            page.until(d -> d.findElement(By.cssSelector("[aria-label^='Ride of Wheel']")).getDomAttribute("aria-label").endsWith("0 10; 2 90"));
            page.fill(field, "0 10; 2 900");
            page.until(d -> d.findElement(By.tagName("body")).getText().contains("expected 0 to 100 %"));
            assertEquals(2, wheel(id, phrase).points().size());
            page.js("document.activeElement.blur()");

            // Recorded: the wheel of the page moves while the phrase runs, and the ride it makes takes the old one's place.
            page.click("[data-ride-record]");
            page.until(d -> peak(page) > -50);
            page.js("""
                    const wheel = [...document.querySelectorAll('.ride-hands label')].find(l => l.textContent === 'Wheel').querySelector('input');
                    let n = 0;
                    const timer = setInterval(() => { wheel.value = 5 * ++n; wheel.dispatchEvent(new Event('input')); if (n === 20) clearInterval(timer); }, 50);""");
            page.until(Duration.ofSeconds(30), d -> last(wheel(id, phrase)).value() == 100);
            assertTrue(wheel(id, phrase).points().size() < 18, "thinned: " + wheel(id, phrase));
            assertEquals(0, wheel(id, phrase).points().get(0).value(), 6, "it rested before");

            page.keys(Keys.chord(Keys.CONTROL, "z"));
            page.until(d -> wheel(id, phrase).points().equals(List.of(new Ride.Point(0, 10), new Ride.Point(2, 90))));
            page.click("[aria-label='Remove the ride of Wheel']");
            page.until(d -> patches.get(id).patch().rides().size() == before);

            // Another patch plays along, until it is sent away.
            page.find("#player-backing").click();
            page.until(d -> d.findElements(By.cssSelector("#player-backing option")).size() > 40);
            page.js("const list = document.getElementById('player-backing'); list.value = [...list.options].find(o => o.textContent === 'with Slack Water Pad').value; list.dispatchEvent(new Event('change'))");
            page.until(d -> peak(page) > -40);
            assertTrue(page.text("#player-name").equals("Curlew Lead"), "the patch in focus stays");
            page.js("const list = document.getElementById('player-backing'); list.value = ''; list.dispatchEvent(new Event('change'))");
            page.until(d -> peak(page) < -70);
            assertEquals(List.of(), page.errors());
        }
    }

    private Ride wheel(long id, String phrase) {
        return patches.get(id).patch().rides(phrase).stream().filter(r -> r.hand() == Ride.Hand.WHEEL).findFirst().orElseThrow();
    }

    /** One reading: a ride read twice may have been drawn anew in between. */
    private static Ride.Point last(Ride ride) {
        return ride.points().get(ride.points().size() - 1);
    }

    private static double peak(Browser page) {
        String value = page.find("#player").getDomAttribute("data-peak");
        return value == null ? -100 : Double.parseDouble(value);
    }
}
