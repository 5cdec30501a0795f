package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;

/** Work that takes one motion: a whole setting typed, a modulator pulled onto a bar, an effect dragged along its lane. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class OneMotionTest extends OnTheScreen {

    private static final String LINE = "source 1 saw 7 voices detune 18 ct; filter 1 lp24 cutoff 800";

    private Browser page;
    private long id;

    @BeforeAll
    void open(@TempDir Path shared) {
        page = new Browser(port, shared, shared);
    }

    @AfterAll
    void close() {
        page.close();
    }

    @BeforeEach
    void newPatch() {
        id = patches.insert(newBank("Motions"), 1, Patch.neutral("Ebb"), "As it began");
        page.open("/patches/" + id);
        page.find("#bench");
    }

    private Patch patch() {
        return patches.get(id).patch();
    }

    private double value(String parameter) {
        return patch().soundingValue(Parameters.find(parameter));
    }

    /** To whatever has the focus. */
    private void keys(CharSequence... keys) {
        new Actions(page.driver).sendKeys(keys).perform();
    }

    private void type(String line) {
        keys("q");
        page.until(d -> page.find("#quick-line-text").isDisplayed());
        keys(line);
        page.until(d -> !page.find("#quick-line-read").getText().isEmpty());
        keys(Keys.ENTER);
    }

    @Test
    void aLineIsToldWhileItIsTypedAndSetAsOneStep() {
        type(LINE);
        page.until(d -> value("layer1.source1.detune") == 18);
        assertEquals(800, value("layer1.filter1.cutoff"));
        page.until(d -> page.find("#undo").getDomAttribute("title").equals("Undo: " + LINE));
        page.until(d -> page.find("#quick-line-text").getDomProperty("value").isEmpty());
        assertEquals("quick-line-text", page.driver.switchTo().activeElement().getDomAttribute("id"), "the next line can be typed at once");
        keys(Keys.ESCAPE);
        page.until(d -> !page.find("#quick-line").isDisplayed());
        page.click("#undo");
        page.until(d -> patch().equals(Patch.neutral("Ebb")));
    }

    @Test
    void aLineThatMeansNothingSaysSoAndStaysToBeMended() {
        keys("q");
        keys("filter 1 lp24 cutoff plenty");
        page.until(d -> page.text("#quick-line-read").contains("\"plenty\" is not a value"));
        keys(Keys.ENTER);
        page.until(d -> page.find("#quick-line .refusal").isDisplayed());
        assertEquals("filter 1 lp24 cutoff plenty", page.find("#quick-line-text").getDomProperty("value"));
        assertEquals(Patch.neutral("Ebb"), patch());
    }

    @Test
    void aModulatorIsPulledOntoABarAndReachesWhereItIsLetGo() {
        type(LINE);
        page.until(d -> value("layer1.filter1.cutoff") == 800);
        keys(Keys.ESCAPE);
        page.click("[data-stage=filter]");
        WebElement pull = page.find("[data-pull=lfo1]");
        page.js("arguments[0].scrollIntoView({block: 'center'})", pull);
        WebElement track = page.find("[id='layer1.filter1.cutoff'] .bar-track");
        int right = track.getSize().width / 2;
        new Actions(page.driver).moveToElement(pull).clickAndHold().moveToElement(track).moveToElement(track, right - 2, 0).perform();
        page.until(d -> page.text(".pull-ghost").matches("LFO 1: 800.0 Hz to 1[0-9].\\d\\d kHz"));
        new Actions(page.driver).release().perform();
        page.until(d -> patch().routes().size() == 1);
        Route route = patch().routes().get(0);
        assertEquals(Modulator.LFO_1, route.source());
        assertTrue(route.depth() > 3.5 && route.depth() < Math.log(20000 / 800.0) / Math.log(2), "nearly to the end of the bar, in octaves: " + route.depth());
    }

    @Test
    void aModulatorIsChosenByItsNumberAndItsReachIsTyped() {
        type(LINE);
        page.until(d -> value("layer1.filter1.cutoff") == 800);
        keys(Keys.ESCAPE);
        page.click("[data-stage=filter]");
        page.js("document.getElementById('layer1.filter1.cutoff').focus()");
        keys("m");
        page.find(".bar-menu");
        keys("8");
        page.find(".pull-form input");
        keys("3.2k");
        keys(Keys.ENTER);
        page.until(d -> patch().routes().size() == 1);
        assertEquals(Modulator.VELOCITY, patch().routes().get(0).source());
        assertEquals(2, patch().routes().get(0).depth(), 1e-6, "800 Hz to 3.2 kHz are two octaves");
        page.until(d -> page.driver.switchTo().activeElement().getDomAttribute("id").equals("layer1.filter1.cutoff"));
    }

    @Test
    void aMacroHoldsFromThePresentValueToWhereItIsLetGo() {
        type(LINE);
        page.until(d -> value("layer1.filter1.cutoff") == 800);
        keys(Keys.ESCAPE);
        page.click("[data-stage=filter]");
        page.js("document.querySelector('[data-pull=macro3]').focus()");
        keys(Keys.ENTER);
        page.js("document.getElementById('layer1.filter1.cutoff').focus()");
        keys(Keys.ENTER);
        page.find(".pull-form input");
        keys("200");
        keys(Keys.ENTER);
        page.until(d -> !patch().macros().get(2).targets().isEmpty());
        MacroTarget held = patch().macros().get(2).targets().get(0);
        assertEquals(List.of(800.0, 200.0), List.of(held.low(), held.high()));
        assertEquals(800, value("layer1.filter1.cutoff"), 1e-9, "the macro stands at its low end, so the sound stays");
        page.click("[data-stage=performance]");
        choose("[data-target='layer1.filter1.cutoff'] [data-give-on]", "layer 2 as well");
        page.until(d -> patch().macros().get(2).targets().size() == 2 && settled());
        choose("[data-target='layer1.filter1.cutoff'] [data-give-on]", "macro 5");
        page.until(d -> patch().macros().get(4).targets().equals(List.of(held)));
        assertEquals("layer2.filter1.cutoff", patch().macros().get(2).targets().get(0).target().id());
    }

    @Test
    void effectsAreOpenedOrderedAndCopiedAlongTheirLane() {
        type("delay 1/8 feedback 40; reverb decay 3 s; chorus rate 0.8");
        page.until(d -> value("effect3.chorus.rate") == 0.8);
        keys(Keys.ESCAPE);
        page.click("[data-stage=effects]");
        page.click("[data-tile='-1:0']");
        page.until(d -> page.find("[id='effect1.delay.feedback']").isDisplayed() && !page.find("[id='effect2.reverb.decay']").isDisplayed());
        page.js("document.querySelector(\"[data-tile='-1:0']\").focus()");
        new Actions(page.driver).keyDown(Keys.ALT).sendKeys(Keys.ARROW_RIGHT).keyUp(Keys.ALT).perform();
        page.until(d -> value("effect2.delay.feedback") == 40 && page.find("[id='effect2.delay.feedback']").isDisplayed());
        page.js("""
                const lanes = [...document.querySelectorAll('.lane')].filter(lane => lane.offsetParent);
                const data = new DataTransfer();
                const tile = document.querySelector("[data-tile='-1:1']");
                tile.dispatchEvent(new DragEvent('dragstart', {bubbles: true, dataTransfer: data}));
                lanes[0].dispatchEvent(new DragEvent('dragover', {bubbles: true, cancelable: true, dataTransfer: data}));
                lanes[0].dispatchEvent(new DragEvent('drop', {bubbles: true, cancelable: true, dataTransfer: data}));""");
        page.until(d -> value("layer1.effect1.delay.feedback") == 40);
        assertEquals(40, value("effect2.delay.feedback"), "the one that was copied stays");
        page.until(d -> settled());
        page.click("[data-loudness-along][data-layer-number='-1']");
        page.until(d -> d.findElements(By.cssSelector(".lane[data-lane='-1'] .lane-loudness")).stream().allMatch(e -> e.getText().matches("−\\d+\\.\\d LUFS, [−+]\\d+\\.\\d LU")));
    }

    /** The picture of a filter bank: pulled along by two of its bands, and a split moved. */
    @Test
    void theBandsOfAFilterBankArePulled() {
        type("filter bank bands 8 low 200 high 12.8k");
        page.until(d -> value("effect1.bank.high") == 12800);
        keys(Keys.ESCAPE);
        page.click("[data-stage=effects]");
        WebElement picture = page.find(".effect-card:not([hidden]) canvas[data-picture=bank]");
        page.js("arguments[0].scrollIntoView({block: 'center'})", picture);
        // Splits an octave apart; three decades of frequency are the width of the picture.
        double octave = picture.getSize().width * Math.log10(2) / 3;
        new Actions(page.driver).moveToElement(picture).clickAndHold().moveByOffset((int) Math.round(2 * octave), 0).release().perform();
        page.until(d -> value("effect1.bank.shift") == 2);
        int lowest = (int) Math.round(picture.getSize().width * (Math.log10(10) / 3 - 0.5));
        new Actions(page.driver).moveToElement(picture, lowest, picture.getSize().height / 2 - 13).clickAndHold().moveByOffset((int) Math.round(-octave), 0).release().perform();
        page.until(d -> Math.abs(value("effect1.bank.low") - 100) < 10);
    }

    @Test
    void aReadyPartIsHeardWhileChosenAndOneUndoBringsBackWhatWasThere() {
        type(LINE);
        page.until(d -> value("layer1.filter1.cutoff") == 800);
        keys(Keys.ESCAPE);
        Patch before = patch();
        page.click("[data-stage=envelopes]");
        page.click("[data-part='layer1.amplitude.'] [data-ready-parts]");
        page.find(".parts-menu .row button");
        page.until(d -> "true".equals(page.find("#player-phrase").getDomAttribute("aria-pressed")));
        assertEquals(before, patch(), "only tried out");
        keys(Keys.ARROW_DOWN, Keys.ARROW_DOWN, Keys.ENTER);
        page.until(d -> value("layer1.amplitude.release") == 0.008);
        assertEquals(1, value("layer1.amplitude.sustain") / 100, "a gate holds");
        page.click("#undo");
        page.until(d -> patch().equals(before));
    }

    @Test
    void aPartIsKeptUnderANameAndStandsReadyForItsKindAlone() {
        type("amplitude 7 230 40 310");
        page.until(d -> value("layer1.amplitude.release") == 0.31);
        keys(Keys.ESCAPE);
        page.click("[data-stage=envelopes]");
        page.click("[data-part='layer1.amplitude.'] [data-ready-parts]");
        page.find(".parts-menu form input").sendKeys("Oyster shell", Keys.ENTER);
        page.until(d -> page.text("#messages").contains("Kept as \"Oyster shell\""));
        page.click("[data-part='layer1.envelope3.'] [data-ready-parts]");
        page.until(d -> page.text(".parts-menu .own").equals("Oyster shell"));
        page.click(".parts-menu .own");
        page.until(d -> value("layer1.envelope3.release") == 0.31);
        page.click("[data-stage=filter]");
        page.click("[data-part='layer1.filter1.'] [data-ready-parts]");
        page.find(".parts-menu .row button");
        assertEquals(List.of(), page.driver.findElements(org.openqa.selenium.By.cssSelector(".parts-menu .own")));
        keys(Keys.ESCAPE);
    }

    @Test
    void aDivisionIsTypedWhereATimeStandsAndTheSecondReadingIsShown() {
        page.click("[data-stage=modulation]");
        page.typeValue("layer1.lfo1.rate", "1/8D");
        page.until(d -> Parameters.find("layer1.lfo1.division").choices().get((int) value("layer1.lfo1.division")).equals("1/8D"));
        page.click("[data-stage=envelopes]");
        page.typeValue("layer1.amplitude.sustain", "-6.0206 dB");
        page.until(d -> Math.abs(value("layer1.amplitude.sustain") - 50) < 0.001);
        page.js("document.getElementById('layer1.amplitude.sustain').blur(); document.getElementById('layer1.amplitude.sustain').focus()");
        page.until(d -> "-6.0 dB".equals(page.find("[id='layer1.amplitude.sustain']").getDomAttribute("title")));
    }

    /** Four voices drawn from high to low by one pull of the mouse, then spread by a word, then mirrored into another source. */
    @Test
    void unisonVoicesAreDrawnAndMirrored() {
        type("source 1 saw 4 voices width 50");
        page.until(d -> value("layer1.source1.unisonVoices") == 4);
        keys(Keys.ESCAPE);
        page.click("[data-stage=sources]");
        page.click("[data-more='layer1.source1.unisonVoices'] > summary");
        WebElement map = page.find("[id='layer1.source1.unisonVoices.map']");
        page.js("arguments[0].scrollIntoView({block: 'center'})", map);
        int w = map.getSize().width;
        int h = map.getSize().height;
        Actions pull = new Actions(page.driver).moveToElement(map, -3 * w / 8, 10 - h / 2).clickAndHold();
        for (int i = 1; i < 4; i++) {
            pull.moveByOffset(w / 4, (h - 20) / 3);
        }
        pull.release().perform();
        page.until(d -> drawn(0).length == 16 && settled());
        for (int voice = 0; voice < 4; voice++) {
            assertEquals(42 - 28 * voice, drawn(0)[4 * voice], 5, "50 cents are the height of the picture");
        }
        String box = "[data-shape='layer1.source1.unisonVoices'] ";
        choose(box + "select[name=column]", "level");
        choose(box + "select[name=how]", "alternate by");
        page.find(box + "input[name=value]").sendKeys("-3", Keys.ENTER);
        page.until(d -> drawn(0)[3] == -3 && drawn(0)[7] == 3 && settled());
        double flat = drawn(0)[12];
        page.click(box + "[data-mirror-source]");
        page.until(d -> page.find("#undo").getDomAttribute("title").endsWith("source 1: mirror of source 2"));
        page.click("#undo");
        page.until(d -> drawn(0).length == 16 && drawn(0)[12] == flat);
    }

    /** Whether the page shows the state that is stored. */
    private boolean settled() {
        return page.find("#bench").getDomAttribute("data-version").equals(String.valueOf(patches.get(id).version()));
    }

    private double[] drawn(int source) {
        return patch().shape(gentlecomet.sound.parameter.Shapes.copies(0, source));
    }

    private void choose(String css, String text) {
        new org.openqa.selenium.support.ui.Select(page.find(css)).selectByVisibleText(text);
    }

    /** The upper limit pulled half way down, and the curve pulled up; what comes from one side shows 0 below. */
    @Test
    void aRouteIsShapedInItsPlot() {
        type("velocity > source 1 level 6 dB");
        page.until(d -> patch().routes().size() == 1 && settled());
        keys(Keys.ESCAPE);
        page.click("[data-stage=modulation]");
        page.click("[data-more^='route velocity'] > summary");
        assertEquals("0", page.find("#route-0 input[name=low]").getDomProperty("value"));
        WebElement plot = page.find("#route-0 .plot.large");
        page.js("arguments[0].scrollIntoView({block: 'center'})", plot);
        // Ten units above the middle are 100 %; the picture has 22.
        double unit = plot.getSize().height / 22.0;
        new Actions(page.driver).moveToElement(plot, 0, (int) Math.round(-10 * unit)).clickAndHold().moveByOffset(0, (int) Math.round(5 * unit)).release().perform();
        page.until(d -> Math.abs(patch().routes().get(0).high() - 0.5) < 0.05 && settled());
        assertEquals(-1, patch().routes().get(0).low(), "nothing was said of the lower one");
        new Actions(page.driver).moveToElement(page.find("#route-0 .plot.large"), 0, (int) Math.round(7 * unit)).clickAndHold().moveByOffset(0, (int) Math.round(-4 * unit)).release().perform();
        page.until(d -> Math.abs(patch().routes().get(0).bend() - 0.4) < 0.05);
    }

    /** A click where no band is takes the first bell there; a double click gives it back. */
    @Test
    void aBandIsAddedByAClickInThePicture() {
        type("equaliser");
        page.until(d -> patch().value("effect1.type") > 0);
        keys(Keys.ESCAPE);
        page.click("[data-stage=effects]");
        WebElement picture = page.find(".effect-card:not([hidden]) canvas[data-picture=equaliser]");
        page.js("arguments[0].scrollIntoView({block: 'center'})", picture);
        int x = picture.getSize().width / 4;
        int y = picture.getSize().height / 4;
        new Actions(page.driver).moveToElement(picture, x, -y).click().perform();
        page.until(d -> value("effect1.equaliser.gain1") > 10);
        // Three decades of frequency are the width of the picture.
        assertEquals(20 * Math.pow(1000, 0.75), value("effect1.equaliser.bell1"), 120);
        assertEquals(0, value("effect1.equaliser.gain2"));
        page.js("delete arguments[0].dataset.added", picture);
        new Actions(page.driver).moveToElement(picture, x, -y).doubleClick().perform();
        page.until(d -> value("effect1.equaliser.gain1") == 0);
    }

    /** The main work of each stage, seen without scrolling in a usual window. */
    @Test
    void theWorkOfEachStageFitsTheWindow() {
        long pad = patches.inBank(demoBank()).stream().filter(row -> row.name().equals("Slack Water Pad")).findFirst().orElseThrow().id();
        page.open("/patches/" + pad);
        page.find("#bench");
        page.driver.executeCdpCommand("Emulation.setDeviceMetricsOverride", java.util.Map.of("width", 1280, "height", 800, "deviceScaleFactor", 1, "mobile", false));
        List<String> below = new ArrayList<>();
        for (String work : List.of("keymap|.keymap-tools, .keymap", "sources|.source, .one-row", "filter|.two > div", "envelopes|.two > div", "modulation|.lfos > div, #routes, #add-route",
                "effects|.lane, .effect-card", "performance|.macro-card")) {
            String stage = work.substring(0, work.indexOf('|'));
            page.click("[data-stage=" + stage + "]");
            Object over = page.js("const page = document.getElementById('page'); page.scrollTop = 0; return [...document.querySelectorAll('[data-stage-panel=" + stage + "] :is("
                    + work.substring(work.indexOf('|') + 1) + ")')].filter(e => e.offsetParent).reduce((most, e) => Math.max(most, e.getBoundingClientRect().bottom - page.getBoundingClientRect().bottom), -9999)");
            if (((Number) over).doubleValue() > 0) {
                below.add(stage + " by " + over + " px");
            }
        }
        assertEquals(List.of(), below);
        assertEquals("", page.jsLater(BESIDE));
        page.driver.executeCdpCommand("Emulation.clearDeviceMetricsOverride", java.util.Map.of());
    }

    /** Each fold of a source, filter, envelope, LFO or of the noise is opened by itself: it stands beside the bars, and the bars and pictures of its stage stay in the window. */
    private static final String BESIDE = """
            const done = arguments[arguments.length - 1];
            const frame = () => new Promise(next => requestAnimationFrame(() => requestAnimationFrame(next)));
            (async () => {
              const page = document.getElementById('page');
              const wrong = [];
              for (const [stage, parts] of [['sources', '.source-columns, .one-row'], ['filter', '.two'], ['envelopes', '.two'], ['modulation', '.routes-beside']]) {
                document.querySelector(`[data-stage=${stage}]`).click();
                const panel = document.querySelector(`[data-stage-panel=${stage}]`);
                const shown = selector => [...panel.querySelectorAll(`:is(${parts}) ${selector}`)].filter(e => e.checkVisibility({contentVisibilityAuto: true}) && !e.parentElement.closest('details:not([open])'));
                const folds = [...new Set([...shown('.fold[data-more$="."]'), ...shown('.starts')])];
                if (folds.length === 0) {
                  wrong.push(`${stage} has no fold`);
                }
                for (const fold of folds) {
                  fold.open = true;
                  await frame();
                  const part = fold.matches('.starts') ? panel.querySelector('.lfos') : fold.closest('[data-piece]');
                  const main = [...part.querySelectorAll('.bar')].filter(b => b.checkVisibility() && !b.closest('details:not([open])') && !fold.contains(b));
                  const left = fold.getBoundingClientRect().left;
                  if (main.some(b => b.getBoundingClientRect().right > left + 2)) {
                    wrong.push(`${fold.dataset.more} is not beside`);
                  }
                  const lowest = Math.max(...[...shown('.bar'), ...shown('canvas')].map(e => e.getBoundingClientRect().bottom)) - page.getBoundingClientRect().bottom;
                  if (lowest > 0) {
                    wrong.push(`${fold.dataset.more} takes ${lowest.toFixed(0)} px out of the window`);
                  }
                  fold.open = false;
                  await frame();
                }
              }
              done(wrong.join('; '));
            })();""";
}
