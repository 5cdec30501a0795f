package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.patch.PatchSummary;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Curating on the screen: by keys alone, by the pointer, by a table, and by ear. */
class DeskJourneyTest extends OnTheScreen {

    @Autowired
    private Measures measures;
    @Autowired
    private PlatformTransactionManager transactions;
    private Browser page;

    @BeforeEach
    void open() {
        page = browser();
    }

    @AfterEach
    void close() {
        page.close();
    }

    private void press(CharSequence... keys) {
        new Actions(page.driver).sendKeys(keys).perform();
    }

    private void command(String key) {
        new Actions(page.driver).keyDown(Keys.CONTROL).sendKeys(key).keyUp(Keys.CONTROL).perform();
    }

    private List<String> rows() {
        return page.driver.findElements(By.cssSelector(".grid-body > .slot:not([hidden]) .c-name .cell-text")).stream().map(WebElement::getText).toList();
    }

    private void untilRows(int count) {
        page.until(d -> d.findElements(By.cssSelector(".grid-body > .slot")).size() == count, count + " rows");
    }

    /** Goes with Tab to what has these words or this name. */
    private void tabTo(String css) {
        for (int i = 0; i < 600 && !Boolean.TRUE.equals(page.js("return document.activeElement.matches(arguments[0])", css)); i++) {
            press(Keys.TAB);
        }
        assertEquals(true, page.js("return document.activeElement.matches(arguments[0])", css), css);
    }

    /** From the page of all collections to 24 patches that are named, tagged and ordered, without a pointer. */
    @Test
    void aCollectionIsBegunAndCuratedByKeysAlone() {
        page.open("/collections/" + demo() + "/all");
        page.find("#player-macros label");
        tabTo("form[action$=\"/collections\"] input[name=name]");
        press("Withy Beds", Keys.ENTER);
        page.until(d -> page.text("h1").equals("Withy Beds"));
        long collection = Long.parseLong(page.driver.getCurrentUrl().replaceAll(".*/", ""));
        long bank = collections.banks(collection).get(0).id();

        page.open("/collections/" + collection + "/rules");
        tabTo("[name=nameMaxLength]");
        press(Keys.chord(Keys.CONTROL, "a"), "20");
        page.until(d -> d.findElement(By.id("rules-apply")).isEnabled());
        press(Keys.ENTER);
        page.until(d -> collections.get(collection).rules().nameMaxLength() == 20);

        long first = banks.newPatch(bank, 1);
        page.open("/banks/" + bank);
        untilRows(1);
        page.find("#player-macros label");
        tabTo(".slot .c-name");
        for (int rows = 2; rows <= 16; rows *= 2) {
            command("a");
            command("d");
            untilRows(rows);
        }
        press(Keys.ESCAPE, Keys.HOME);
        new Actions(page.driver).keyDown(Keys.CONTROL).sendKeys(Keys.HOME).keyUp(Keys.CONTROL).perform();
        new Actions(page.driver).keyDown(Keys.SHIFT).sendKeys(Keys.ARROW_DOWN.toString().repeat(7)).keyUp(Keys.SHIFT).perform();
        page.until(d -> page.text("#chosen-count").startsWith("8 of 16"));
        command("d");
        untilRows(24);

        command("a");
        press(Keys.F2);
        page.until(d -> d.findElement(By.id("many")).isDisplayed());
        page.js("document.querySelector('#many [value=list]').click()");
        tabTo("#many [data-way=list] textarea");
        List<String> names = IntStream.range(0, 24).mapToObj(i -> "Reed " + (char) ('A' + 23 - i) + "low").toList();
        press(String.join("\n", names));
        page.until(d -> page.text("#many-preview").startsWith("24 patches change"));
        tabTo("#many-apply");
        press(Keys.ENTER);
        page.until(d -> rows().equals(names));

        work("tag", "input[name=text]", "withy, low");
        page.until(d -> patches.inBank(bank).stream().allMatch(p -> p.tags().equals(List.of("withy", "low"))));
        page.js("document.querySelector('[data-many=order]').click()");
        page.until(d -> d.findElement(By.id("many")).isDisplayed());
        press("name");
        page.until(d -> page.text("#many-preview").contains("24 patches change"));
        tabTo("#many-apply");
        press(Keys.ENTER);
        page.until(d -> rows().equals(names.stream().sorted().toList()));
        assertEquals(IntStream.rangeClosed(1, 24).boxed().toList(), patches.inBank(bank).stream().map(PatchSummary::slot).toList());

        page.js("document.querySelector('.slot .c-name').focus()");
        command("z");
        page.until(d -> rows().equals(names), "the order is taken back");
        assertEquals(1, patches.inBank(bank).stream().filter(p -> p.id() == first).count());
        assertEquals(List.of(), page.errors());
    }

    /** Opens the sheet for some work on everything that is chosen, fills a field and applies it. */
    private void work(String what, String field, String text) {
        page.js("document.querySelector('[data-many=" + what + "]').click()");
        page.until(d -> d.findElement(By.id("many")).isDisplayed());
        tabTo("#many [data-work=" + what + "] " + field);
        press(text);
        page.until(d -> page.text("#many-preview").contains("change") && d.findElement(By.id("many-apply")).isEnabled());
        tabTo("#many-apply");
        press(Keys.ENTER);
        page.until(d -> !d.findElement(By.id("many")).isDisplayed());
    }

    private long bankOf(String... names) {
        long bank = newBank("Desk by hand");
        for (int i = 0; i < names.length; i++) {
            long id = banks.newPatch(bank, i + 1);
            patches.edit(id, 0, "", new PatchEdit.Rename(names[i]));
        }
        return bank;
    }

    @Test
    void aRowIsPulledToAnotherPlaceAndBackAgain() {
        long bank = bankOf("Ebb Bell", "Flood Pad", "Slack Water", "Tide Clock");
        page.open("/banks/" + bank);
        untilRows(4);
        WebElement handle = page.find(".slot[data-slot='1'] .c-slot");
        WebElement target = page.find(".slot[data-slot='3'] .c-slot");
        new Actions(page.driver).moveToElement(handle).clickAndHold().moveByOffset(0, 12).moveToElement(target, 0, 8).release().perform();
        page.until(d -> rows().equals(List.of("Flood Pad", "Slack Water", "Ebb Bell", "Tide Clock")), "pulled");
        page.click("#desk-undo");
        page.until(d -> rows().equals(List.of("Ebb Bell", "Flood Pad", "Slack Water", "Tide Clock")), "taken back");
        new Actions(page.driver).moveToElement(page.find(".slot[data-slot='2'] .c-name")).click().sendKeys(Keys.DELETE).perform();
        untilRows(3);
        page.click("#messages button");
        untilRows(4);
        page.click("#desk-history");
        page.until(d -> d.findElement(By.id("history")).isDisplayed() && page.text("#history").contains("Delete \"Flood Pad\""));
        assertEquals(List.of(), page.errors());
    }

    @Test
    void aTableGoesOutAndComesBackThroughASpreadsheet() throws IOException {
        long bank = bankOf("Ebb Bell", "Flood Pad");
        long id = patches.inBank(bank).get(0).id();
        page.open("/banks/" + bank);
        untilRows(2);
        String table = (String) page.jsLater("const done = arguments[arguments.length - 1]; fetch(document.querySelector('#more-work a').href).then(r => r.text()).then(done)");
        Path edited = Files.writeString(folder.resolve("edited.csv"), table.replace("Ebb Bell", "=Neap Bell").replace(",Flood Pad,", ",Spring Pad,Pad"));
        page.click("[popovertarget=more-work]");
        page.click("[data-many=table]");
        page.find("#many [type=file]").sendKeys(edited.toString());
        page.until(d -> page.text("#many-preview").startsWith("2 patches change"));
        page.click("#many-apply");
        page.until(d -> rows().equals(List.of("=Neap Bell", "Spring Pad")));
        assertEquals("pad", patches.inBank(bank).get(1).category());
        assertEquals("=Neap Bell", patches.get(id).name());
        assertEquals(List.of(), page.errors());
    }

    /** What the filter calls brighter is brighter by the kept measurements, and what it calls alike comes in the order of distance. */
    @Test
    void aSearchBySoundAgreesWithWhatIsMeasured() {
        long bank = bankOf("One Saw", "Two Saw", "Three Saw", "Four Saw");
        List<Long> ids = patches.inBank(bank).stream().map(PatchSummary::id).toList();
        double[] cutoffs = {400, 900, 2500, 9000};
        for (int i = 0; i < 4; i++) {
            patches.edit(ids.get(i), 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source1.wave"), 1));
            patches.edit(ids.get(i), 0, "", new PatchEdit.SetValue(Parameters.find("layer1.filter1.type"), 1));
            patches.edit(ids.get(i), 0, "", new PatchEdit.SetValue(Parameters.find("layer1.filter1.cutoff"), cutoffs[i]));
        }
        page.open("/banks/" + bank);
        page.until(Duration.ofSeconds(90), d -> d.findElements(By.cssSelector(".slot[data-sort*=',']")).size() == 4);
        page.click(".slot[data-slot='2'] .c-name");
        filter("brighter");
        Map<Long, Measurement> measured = measures.ofBank(bank, patches.inBank(bank), collections.ofBank(bank).rules());
        double own = measured.get(ids.get(1)).brightnessHz();
        List<String> brighter = patches.inBank(bank).stream().filter(p -> measured.get(p.id()).brightnessHz() > own * 1.06).map(PatchSummary::name).toList();
        assertTrue(brighter.size() == 2, brighter.toString());
        page.until(d -> rows().equals(brighter));
        filter("like");
        List<String> byDistance = new ArrayList<>(page.driver.findElements(By.cssSelector(".grid-body > .slot:not([hidden])")).stream()
                .sorted(Comparator.comparingInt(r -> Integer.parseInt(r.getCssValue("order")))).map(r -> r.findElement(By.cssSelector(".c-name .cell-text")).getText()).toList());
        assertEquals(3, byDistance.size());
        assertEquals("Four Saw", byDistance.get(2), "the farthest cutoff sounds least alike");
        filter("darker");
        page.until(d -> rows().equals(List.of("One Saw")));
        assertEquals(measured.entrySet().stream().filter(e -> e.getValue().brightnessHz() < own / 1.06).map(Map.Entry::getKey).collect(Collectors.toSet()), Set.of(ids.get(0)));
        filter("nonsense:x");
        page.until(d -> page.text("#filter-count").contains("not \"nonsense\""));
        filter("");
        page.until(d -> rows().size() == 4);
        assertEquals(List.of(), page.errors());
    }

    /** Somebody else holds the patches in the middle of their own work, so that the step stands: the sheet tells how far it is, and stops it by the mouse. */
    @Test
    void aStepThatTakesLongTellsHowFarItIsAndIsStopped() {
        long bank = bankOf("Ebb Bell", "Flood Pad");
        List<Long> ids = patches.inBank(bank).stream().map(PatchSummary::id).toList();
        page.open("/banks/" + bank);
        untilRows(2);
        page.click(".slot[data-slot='1'] .c-name");
        command("a");
        page.click("[data-many=rename]");
        page.click("#many [value=list]");
        page.find("#many [data-way=list] textarea").sendKeys("One\nTwo");
        page.until(d -> page.text("#many-preview").startsWith("2 patches change"));
        new TransactionTemplate(transactions).executeWithoutResult(held -> {
            patches.hold(ids);
            page.click("#many-apply");
            page.until(d -> page.text("#many .running-step").contains("0 of 2 patches"), "how far it is");
            page.click("#many .running-step button");
            page.until(d -> !d.findElement(By.cssSelector("#many .running-step button")).isEnabled());
        });
        page.until(d -> page.text("#many-refusal").equals("Stopped. Nothing was changed."));
        assertEquals(List.of("Ebb Bell", "Flood Pad"), patches.inBank(bank).stream().map(PatchSummary::name).toList());
        page.click("#many-apply");
        page.until(d -> rows().equals(List.of("One", "Two")));
        new TransactionTemplate(transactions).executeWithoutResult(held -> {
            patches.hold(ids);
            page.click("#desk-undo");
            page.until(d -> page.text("#messages .running-step").contains("0 of 2 patches"), "how far it is");
        });
        page.until(d -> rows().equals(List.of("Ebb Bell", "Flood Pad")) && d.findElements(By.cssSelector(".running-step")).isEmpty());
        assertEquals(List.of(), page.errors());
    }

    /** A filter is kept under a name, offered while the line is empty, and forgotten by Delete or by the mouse. */
    @Test
    void filtersAreKeptAndForgotten() {
        long bank = bankOf("One Saw", "Two Sine");
        page.open("/banks/" + bank);
        for (boolean byKeys : List.of(true, false)) {
            filter("name:Saw");
            page.until(d -> rows().equals(List.of("One Saw")));
            page.click("#keep-filter");
            page.driver.switchTo().activeElement().sendKeys("All saws", Keys.ENTER);
            page.until(d -> page.text("#filter-count").equals("kept"));
            filter("");
            page.until(d -> page.text("#filter-terms").contains("All saws"));
            if (byKeys) {
                page.find("#filter").sendKeys(Keys.ARROW_DOWN, Keys.DELETE);
            } else {
                page.click("#filter-terms .forget-filter");
            }
            page.until(d -> !page.text("#filter-terms").contains("All saws") && page.text("#filter-count").contains("is forgotten"));
            page.find("#filter").sendKeys(Keys.ESCAPE);
        }
        assertEquals(2, rows().size());
        assertEquals(List.of(), page.errors());
    }

    private void filter(String line) {
        WebElement field = page.find("#filter");
        String before = page.text("#filter-count");
        field.click();
        field.sendKeys(Keys.chord(Keys.CONTROL, "a"), line.isEmpty() ? Keys.BACK_SPACE : line);
        page.until(d -> !page.text("#filter-count").equals(before) || line.equals(before));
    }
}
