package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;

/** A sound made, heard, put right and saved by keys alone, and by the mouse alone; and a bench that does not grow under it. */
class HandsAloneTest extends OnTheScreen {

    private Browser page;
    private long id;

    @BeforeEach
    void open() {
        long bank = newBank("Hands");
        page = browser();
        page.open("/banks/" + bank);
        id = banks.newPatch(bank, 1);
    }

    @AfterEach
    void close() {
        page.close();
    }

    private Patch patch() {
        return patches.get(id).patch();
    }

    private double value(String parameter) {
        return patch().value(parameter);
    }

    private void keys(CharSequence... keys) {
        new Actions(page.driver).sendKeys(keys).perform();
    }

    private void control(String key) {
        new Actions(page.driver).keyDown(Keys.CONTROL).sendKeys(key).keyUp(Keys.CONTROL).perform();
    }

    /** Goes where the finder finds, by typing and Enter. */
    private void find(String words) {
        control("k");
        page.until(d -> d.findElement(By.cssSelector("#finder input")).equals(d.switchTo().activeElement()));
        keys(words);
        page.until(d -> d.findElement(By.cssSelector("#finder [aria-selected=true]")).getText().contains(words));
        keys(Keys.ENTER);
    }

    @Test
    void byKeysAlone() {
        page.open("/patches/" + id);
        page.find("#player-macros label");
        keys("q");
        page.until(d -> d.findElement(By.id("quick-line-text")).isDisplayed());
        keys("source 1 saw 5 voices detune 14 ct; filter 1 lp24 cutoff 900; amplitude 5 300 50 400; lfo 1 > cutoff 1 oct; macro 1 holds cutoff 300 4k; macro 1 named Wind, calm to wild", Keys.ENTER);
        page.until(d -> patch().routes().size() == 1 && patch().macros().get(0).name().equals("Wind"));
        keys(Keys.ESCAPE);

        // A bar is found by its name, walked by arrows, typed into, put back to neutral, and that taken back.
        find("Layer 1 filter 1: Resonance");
        page.until(d -> "layer1.filter1.resonance".equals(d.switchTo().activeElement().getDomAttribute("id")));
        keys(Keys.ARROW_RIGHT);
        page.until(d -> value("layer1.filter1.resonance") > 0);
        keys(Keys.ENTER);
        page.until(d -> d.switchTo().activeElement().getTagName().equals("input"));
        control("a");
        keys("6 dB", Keys.ENTER);
        page.until(d -> value("layer1.filter1.resonance") == 6);
        keys(Keys.DELETE);
        page.until(d -> value("layer1.filter1.resonance") == 0);
        control("z");
        page.until(d -> value("layer1.filter1.resonance") == 6);

        // The phrase sounds and stops; the state is saved; the versions are compared.
        page.js("document.activeElement.blur()");
        keys(" ");
        page.until(d -> peak() > -45);
        keys(" ");
        control("s");
        page.until(d -> patches.get(id).saved());
        keys("9");
        page.until(d -> d.findElement(By.id("tab-compare")).isDisplayed());
        assertEquals(List.of(), page.errors());
    }

    @Test
    void byTheMouseAlone() {
        page.open("/banks/" + patches.summary(id).bankId());
        click("a[href='/patches/" + id + "']");
        click("[data-stage=envelopes]");
        click("[data-part='layer1.amplitude.'] [data-ready-parts]");
        Patch plain = patch();
        click(".parts-menu .row button");
        page.until(d -> !patch().equals(plain) && d.findElements(By.cssSelector(".parts-menu")).isEmpty());
        Patch shaped = patch();

        // A bar is dragged; a modulator is pulled onto another.
        WebElement release = shown("[id='layer1.amplitude.release'] .bar-track");
        new Actions(page.driver).moveToElement(release).clickAndHold().moveByOffset(40, 0).release().perform();
        page.until(d -> value("layer1.amplitude.release") != shaped.value("layer1.amplitude.release"));
        click("[data-stage=sources]");
        WebElement track = shown("[id='layer1.source1.level'] .bar-track");
        new Actions(page.driver).moveToElement(page.find("[data-pull=lfo1]")).clickAndHold().moveToElement(track).moveByOffset(20, 0).release().perform();
        page.until(d -> patch().routes().size() == 1);

        // What was pulled is taken back and brought again, heard and saved.
        click("#undo");
        page.until(d -> patch().routes().isEmpty());
        click("#redo");
        page.until(d -> patch().routes().size() == 1);
        click("#player-phrase");
        page.until(d -> peak() > -45);
        click("#player-phrase");
        click("#save");
        page.until(d -> patches.get(id).saved());
        assertEquals(List.of(), page.errors());
    }

    /** Every exchange brings a source anew: one that stood before is let go, with all that listens on it. */
    @Test
    void aBenchThatIsEditedDoesNotGrow() {
        page.open("/patches/" + id);
        page.find("#player-macros label");
        exchange(4);
        double before = nodes();
        exchange(16);
        double four = 4 * ((Number) page.js("return document.querySelectorAll('[data-piece=\"layer1.source1.\"] *').length")).doubleValue();
        // What is under way for a piece holds on to it for some moments.
        page.until(Duration.ofSeconds(30), d -> nodes() - before < four);
    }

    /** Without a reference to an element: the driver would hold on to it. */
    private void exchange(int times) {
        int drawn = Parameters.find("layer1.source1.wave").choices().indexOf("harmonics");
        for (int i = 0; i < times; i++) {
            double before = value("layer1.source1.wave");
            page.until(d -> page.js("const c = document.getElementById('layer1.source1.wave'); c.selectedIndex = c.selectedIndex === 0 ? arguments[0] : 0; c.dispatchEvent(new Event('change', {bubbles: true})); return true", drawn));
            page.until(d -> value("layer1.source1.wave") != before && page.js("return document.getElementById('bench').dataset.version").equals(String.valueOf(patches.get(id).version())));
        }
    }

    private double nodes() {
        page.driver.executeCdpCommand("Performance.enable", Map.of());
        page.driver.executeCdpCommand("HeapProfiler.collectGarbage", Map.of());
        page.driver.executeCdpCommand("HeapProfiler.collectGarbage", Map.of());
        for (Object metric : (List<?>) page.driver.executeCdpCommand("Performance.getMetrics", Map.of()).get("metrics")) {
            Map<?, ?> m = (Map<?, ?>) metric;
            if (m.get("name").equals("Nodes")) {
                return ((Number) m.get("value")).doubleValue();
            }
        }
        throw new AssertionError("the browser does not count its nodes");
    }

    private WebElement shown(String css) {
        WebElement element = page.until(d -> d.findElement(By.cssSelector(css)).isDisplayed() ? d.findElement(By.cssSelector(css)) : null);
        page.js("arguments[0].scrollIntoView({block: 'center'})", element);
        return element;
    }

    /** Points at the centre of what is there, and clicks. */
    private void click(String css) {
        page.until(d -> {
            WebElement element = d.findElement(By.cssSelector(css));
            if (!element.isDisplayed() || !element.isEnabled()) {
                return false;
            }
            page.js("arguments[0].scrollIntoView({block: 'center'})", element);
            new Actions(d).moveToElement(element).click().perform();
            return true;
        });
    }

    private double peak() {
        String value = page.find("#player").getDomAttribute("data-peak");
        return value == null ? -100 : Double.parseDouble(value);
    }
}
