package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.listen.Question;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.listening.ListeningFixture;
import gentlecomet.studio.listening.round.Rounds;
import gentlecomet.studio.listening.say.Answer;
import gentlecomet.studio.listening.say.Answers;
import gentlecomet.studio.listening.say.Remark;
import gentlecomet.studio.listening.say.Reviewers;
import gentlecomet.studio.listening.verdict.Verdicts;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.patch.PatchRow;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.support.ui.Select;
import org.springframework.beans.factory.annotation.Autowired;

/** Listening on the screen: a blind round by keys alone, two sounds switched while they play, notes that are never lost, and what is to be mended. */
class ListeningJourneyTest extends OnTheScreen {

    @Autowired
    private Rounds rounds;
    @Autowired
    private Reviewers reviewers;
    @Autowired
    private Answers answers;
    @Autowired
    private Verdicts verdicts;
    @Autowired
    private Measures measures;
    private Browser page;
    private long collection;
    private long bank;
    private long who;

    @BeforeEach
    void open() {
        bank = newBank("Heard on the screen " + UUID.randomUUID().toString().substring(0, 8));
        collection = collections.bank(bank).collectionId();
        who = reviewers.named(collection, "designer").id();
        page = browser();
    }

    @AfterEach
    void close() {
        page.close();
    }

    private long patch(int slot, double trim) {
        return patches.insert(bank, slot, Patch.neutral("Sound of slot " + slot).withValue(Parameters.find("levelTrim"), trim), "As it began");
    }

    /** Browsers let sound begin with a click. */
    private void wake() {
        page.click(".heard-name");
    }

    private double figure(String name) {
        String told = page.find("#round").getDomAttribute("data-" + name);
        return told == null ? Double.NaN : Double.parseDouble(told);
    }

    @Test
    void aBankOf128IsJudgedBlindWith128KeysAndNoMouse() {
        for (int slot = 1; slot <= 128; slot++) {
            patch(slot, -slot / 10.0);
        }
        long round = rounds.start(collection, ListeningFixture.plan("Blind", Question.VERDICT, true));
        page.open("/rounds/" + round);
        page.until(d -> page.text(".heard-name").equals("Sound 1"));
        wake();
        for (int pressed = 0; pressed < 128; pressed++) {
            String place = String.valueOf(pressed + 1);
            page.until(d -> place.equals(d.findElement(By.id("place")).getDomAttribute("data-place")));
            page.keys(pressed % 3 == 0 ? "f" : "k");
        }
        page.until(Duration.ofSeconds(30), d -> answers.of(round).size() == 128);
        page.until(d -> d.findElement(By.id("round-done")).isDisplayed());
        Map<Integer, String> given = Answers.byPlace(answers.of(round), who);
        assertEquals(43, given.values().stream().filter("fix"::equals).count());
        assertFalse(page.find("main").getText().contains("Sound of slot"), "a blind round says no name");
        assertEquals(List.of(), page.errors());

        // The last ones are taken back by one key each.
        for (int back = 128; back > 118; back--) {
            int left = back - 1;
            page.keys("u");
            page.until(d -> answers.of(round).size() == left);
        }
        page.until(d -> "119".equals(d.findElement(By.id("place")).getDomAttribute("data-place")));
    }

    @Test
    void twoSoundsAreSwitchedWhileTheyPlay() {
        long quiet = patch(1, -12);
        long loud = patch(2, 0);
        long round = rounds.start(collection, ListeningFixture.plan("Verdicts", Question.VERDICT, false));
        page.open("/rounds/" + round);
        wake();
        page.until(d -> peak() > -60);
        page.keys("k");
        page.until(d -> "2".equals(d.findElement(By.id("place")).getDomAttribute("data-place")));
        page.until(d -> figure("start-ms") > 0);
        page.keys("r");
        page.until(d -> page.text("#against-name").equals("Sound of slot 1"));
        page.keys("v");
        page.until(d -> figure("switch-ms") > 0);
        assertEquals("true", page.find("[data-hear=other]").getDomAttribute("aria-pressed"));

        // Blind trials end with a number.
        page.keys("t");
        page.until(d -> d.findElement(By.id("trials")).isDisplayed());
        for (int trial = 1; trial <= 12; trial++) {
            String now = "Trial " + trial + " of 12";
            page.until(d -> page.text("#trials-state").startsWith(now));
            page.keys("a");
            page.keys("b");
            page.keys("x");
            page.keys("1");
        }
        page.until(d -> page.text("#trials-state").contains("by guessing"));
        page.keys(Keys.ESCAPE);
        page.until(d -> !d.findElement(By.id("trials")).isDisplayed());

        // Tests of the trade stay on until they are pressed again.
        for (String key : List.of("o", "d", "h", "j", "m", "s", "b")) {
            page.keys(key);
        }
        for (String on : List.of("chord", "mono", "small", "drums")) {
            page.until(d -> "true".equals(d.findElement(By.cssSelector("[data-trial=" + on + "]")).getDomAttribute("aria-pressed")));
        }
        page.keys(Keys.ARROW_LEFT);
        page.until(d -> "1".equals(d.findElement(By.id("place")).getDomAttribute("data-place")));
        assertEquals("true", page.find("[data-trial=chord]").getDomAttribute("aria-pressed"), "the same for all patches of the round");
        assertEquals("keep", verdicts.standing(patches.summary(quiet)));
        assertEquals("", verdicts.standing(patches.summary(loud)));
        assertEquals(List.of(), page.errors());
    }

    @Test
    void twoThatSoundAlikeAreHeldAgainstEachOther() {
        for (int slot = 1; slot <= 2; slot++) {
            PatchRow row = patches.get(patch(slot, -slot));
            measures.measure(row.patch(), row.soundHash(), collections.get(collection).rules());
        }
        page.open("/banks/" + bank + "/listening");
        page.until(d -> page.text("#round-choice").equals("2 patches"));
        new Select(page.find("#new-round [name=question]")).selectByValue("pair");
        page.until(d -> page.text("#round-choice").equals("1 pair"));
        page.click("#new-round button.primary");
        page.until(d -> d.findElements(By.cssSelector(".round-sound")).size() == 2);
        long round = rounds.all(collection).get(0).id();
        wake();
        page.until(d -> peak() > -60);
        page.keys("v");
        page.until(d -> figure("switch-ms") > 0);
        page.keys("2");
        page.until(d -> Answers.byPlace(answers.of(round), who).equals(Map.of(1, "second")));
        page.open("/rounds/" + round + "/results");
        page.until(d -> page.text("main").contains("Sound of slot " + (rounds.place(round, 1).rival().name().endsWith("1") ? 1 : 2)));
    }

    @Test
    void theOrderOfFourIsFound() {
        IntStream.rangeClosed(1, 4).forEach(slot -> patch(slot, -slot));
        long round = rounds.start(collection, ListeningFixture.plan("Order", Question.ORDER, false));
        page.open("/rounds/" + round);
        wake();
        for (int asked = 1; !page.find("#place").getText().contains("All stand in order"); asked++) {
            assertTrue(asked <= 5, "four stand in order after five questions at most");
            int said = asked;
            String before = page.find("#place").getText();
            page.keys("2");
            page.until(d -> answers.of(round).size() == said && !page.find("#place").getText().equals(before));
        }
        assertEquals(List.of(1, 2, 3, 4), Answers.preference(answers.of(round), who, 4).ranking());
        page.keys("u");
        page.until(d -> !page.find("#place").getText().contains("All stand in order"));
        assertEquals(List.of(), page.errors());
    }

    @Test
    void nothingThatIsTypedOrSaidIsLost() {
        patch(1, -1);
        patch(2, -2);
        long round = ListeningFixture.start(rounds, collection, "Notes");
        page.open("/rounds/" + round);
        wake();
        page.until(d -> peak() > -60);
        page.keys("n");
        page.find("#note").sendKeys("the tail is too lo");
        page.until(d -> "the tail is too lo".equals(answers.drafts(round, who).get(1)));
        page.click("[data-step='1']");
        page.until(d -> page.text(".heard-name").equals("Sound of slot 2"));
        page.find("#note").sendKeys("fine as it is", Keys.ENTER);
        page.until(d -> page.text("#note-state").equals("Note saved"));
        assertEquals("Sound of slot 2", page.text(".heard-name"), "Enter stays with the patch");
        assertEquals(List.of(), answers.of(round), "and gives no verdict");
        Remark remark = answers.remarks(round).get(0);
        assertEquals("fine as it is", remark.words());
        page.open("/rounds/" + round + "?at=1");
        page.until(d -> "the tail is too lo".equals(page.find("#note").getDomProperty("value")));

        // While the server is away, what is said waits in the browser.
        page.js("window.realFetch = window.fetch; window.fetch = () => Promise.reject(new TypeError('away'))");
        page.find("#note").sendKeys("ng", Keys.ENTER);
        page.js("document.activeElement.blur()");
        page.keys("f");
        page.until(d -> page.text("#messages").contains("kept in this browser"));
        assertEquals(List.of(), answers.of(round));
        page.js("window.fetch = window.realFetch");
        page.until(d -> answers.of(round).stream().map(Answer::answer).toList().equals(List.of("fix")));
        page.until(d -> answers.remarks(round).stream().map(Remark::words).toList().equals(List.of("fine as it is", "the tail is too long")));
        page.until(d -> answers.drafts(round, who).isEmpty());
    }

    /** The last word of a reviewer counts, from whichever window it comes, and both go on. */
    @Test
    void oneReviewerHasTheRoundOpenTwice() {
        patch(1, -1);
        patch(2, -2);
        patch(3, -3);
        long round = ListeningFixture.start(rounds, collection, "Twice");
        try (Browser other = new Browser(port, folder.resolve("other"), folder)) {
            for (Browser one : List.of(page, other)) {
                one.open("/rounds/" + round);
                one.until(d -> one.text(".heard-name").equals("Sound of slot 1"));
            }
            page.keys("f");
            page.until(d -> Answers.byPlace(answers.of(round), who).equals(Map.of(1, "fix")));
            other.keys("k");
            other.until(d -> Answers.byPlace(answers.of(round), who).equals(Map.of(1, "keep")));
            for (Browser one : List.of(page, other)) {
                one.until(d -> one.text(".heard-name").equals("Sound of slot 2"));
            }
            other.keys("c");
            page.keys("k");
            page.until(d -> Answers.byPlace(answers.of(round), who).keySet().equals(Set.of(1, 2)));
            page.until(d -> page.text(".heard-name").equals("Sound of slot 3"));
            other.until(d -> other.text(".heard-name").equals("Sound of slot 3"));
            assertEquals(List.of(), page.errors());
            assertEquals(List.of(), other.errors());
        }
    }

    @Test
    void anAudioDeviceThatGoesIsToldAndTheRoundGoesOn() {
        patch(1, -1);
        patch(2, -2);
        long round = ListeningFixture.start(rounds, collection, "Without a device");
        page.driver.executeCdpCommand("Page.addScriptToEvaluateOnNewDocument",
                Map.of("source", "window.devices = []; window.AudioContext = class extends AudioContext { constructor(...all) { super(...all); devices.push(this); } };"));
        page.open("/rounds/" + round);
        wake();
        page.until(d -> peak() > -60);
        page.js("devices.forEach(d => d.dispatchEvent(new Event('error')))");
        page.until(d -> page.text("#messages").contains("The audio device has gone"));
        page.keys("f");
        page.until(d -> Answers.byPlace(answers.of(round), who).equals(Map.of(1, "fix")));
        page.until(d -> page.text(".heard-name").equals("Sound of slot 2"));
        page.keys(" ");
        page.until(d -> ((Number) page.js("return devices.length")).intValue() == 2, "a new output begins with the next key");
        page.until(d -> peak() > -60);
    }

    @Test
    void aPadIsLearntAndAnswers() {
        patch(1, -1);
        patch(2, -2);
        long round = ListeningFixture.start(rounds, collection, "Pads");
        page.open("/rounds/" + round);
        page.find(".heard-name");
        page.click(".round > details:last-of-type summary");
        page.click("[data-learn=k]");
        page.js("document.dispatchEvent(new CustomEvent('comet:midi', {detail: [0x99, 36, 100]}))");
        page.until(d -> page.text("[data-learn=k]").equals("note 36"));
        page.js("document.dispatchEvent(new CustomEvent('comet:midi', {detail: [0x99, 36, 100]}))");
        page.until(d -> Answers.byPlace(answers.of(round), who).equals(Map.of(1, "keep")));
    }

    @Test
    void whatIsToBeMendedStandsBesideTheBenchUntilItIsKept() {
        long id = patch(1, -1);
        long round = ListeningFixture.start(rounds, collection, "First");
        answers.give(round, new Answer(1, 0, who, "fix"), UUID.randomUUID().toString());
        answers.note(round, 1, who, "less low end", null, null, UUID.randomUUID().toString());
        page.open("/banks/" + bank + "/listening");
        page.click(".head-tools a");
        page.until(d -> page.text("main").contains("less low end"));
        page.click(".actions a");
        page.until(d -> page.text(".said-beside").contains("less low end"));
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), -3));
        page.open("/collections/" + collection + "/mend");
        page.click(".head-tools button.primary");
        page.until(d -> page.text("#place").contains("as criticised"));
        page.keys("k");
        page.until(d -> verdicts.toMend(collection).isEmpty());
        page.open("/patches/" + id);
        page.find("#bench");
        assertEquals(List.of(), page.driver.findElements(By.cssSelector(".said-beside")));
    }

    private double peak() {
        String value = page.find("#player").getDomAttribute("data-peak");
        return value == null ? -100 : Double.parseDouble(value);
    }
}
