package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.sound.parameter.Parameters;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.Select;

/** Work at the bench: listening by parts, comparing versions, mending loose ends, copying, finding, and patches on pictures. */
class BenchJourneyTest extends OnTheScreen {

    @Test
    void workAtTheBench() {
        long bank = newBank("Bench work");
        long id = banks.newPatch(bank, 1);
        try (Browser page = browser()) {
            page.open("/patches/" + id);
            page.find("#bench");
            page.js("const Real = AudioContext; window.AudioContext = class extends Real { constructor(o) { super(o); window.device = this; } }");
            figuresFollow(page, id);
            tempoInPlaceOfARate(page, id);
            looseEnds(page, id);
            listeningByParts(page, id);
            deviceGone(page);
            levelsMatchedByOneKey(page, id);
            versions(page, id);
            parts(page, id);
            pictures(page, id);
            finding(page);
            assertEquals(List.of(), page.errors());
        }
    }

    /** After every kind of exchange each piece that stands is the one that a fresh page of this state has; what the page itself has changed is sent again. */
    @Test
    void whatStandsAfterExchangesIsWhatAFreshPageHas() {
        long bank = newBank("Pieces");
        long id = banks.newPatch(bank, 1);
        try (Browser page = browser()) {
            page.open("/patches/" + id);
            page.find("#player-macros label");
            List<String> steps = List.of(choice("layer1.source1.wave", "harmonics"), choice("layer1.filter1.type", "ladder"), choice("layer1.lfo1.division", "1/8"),
                    "document.getElementById('layer2.on').click()", "const f = document.querySelector('#stage-effects [data-edit-form=addEffect]'); f.elements.type.value = "
                            + "[...f.elements.type.options].find(o => o.text === 'delay').value; f.requestSubmit()",
                    "const n = document.getElementById('patch-name'); n.value = 'Pieces'; n.dispatchEvent(new Event('change', {bubbles: true}))",
                    "const f = document.getElementById('add-route').elements; f.source.value = 'Velocity'; f.target.value = 'Layer 1 filter 1: Cutoff'; f.depth.value = '1 oct'; f.source.form.requestSubmit()",
                    "document.querySelector('#route-0 [name=side]').value = 'twoSided'; document.querySelector('#route-0 [name=side]').dispatchEvent(new Event('change', {bubbles: true}))",
                    "const f = document.querySelector('[data-macro-card=\"2\"] [data-edit-form=addTarget]'); f.elements.target.value = 'Layer 1 filter 1: Cutoff'; f.requestSubmit()",
                    "document.getElementById('undo').click()", "document.getElementById('undo').click()", "document.getElementById('undo').click()",
                    "document.getElementById('redo').click()", "document.getElementById('save').click()", choice("layer1.source2.wave", "saw"), "document.querySelector('.loose [data-fix]').click()");
            for (String step : steps) {
                long version = patches.get(id).version();
                page.js("window.stood = document.querySelector('#stage-envelopes canvas');" + step);
                page.until(d -> (patches.get(id).version() > version || step.contains("'save'") && patches.get(id).saved()) && page.js("return document.getElementById('bench').dataset.version").equals(String.valueOf(patches.get(id).version())));
                assertEquals("", page.jsLater(STALE), step);
                assertEquals(true, page.js("return window.stood.isConnected"), "what has not changed stays: " + step);
            }
            assertEquals(List.of(), page.errors());
        }
    }

    /** Layers behind the first one come by themselves, at once when somebody asks for one, and an address leads into them. */
    @Test
    void layersBehindTheFirstComeToThePage() {
        long id = banks.newPatch(newBank("Four layers"), 1);
        for (int layer = 2; layer <= 4; layer++) {
            patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer" + layer + ".on"), 1));
            patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer" + layer + ".filter1.type"), 1));
        }
        try (Browser page = browser()) {
            page.open("/patches/" + id + "#layer4.filter1.cutoff");
            page.until(d -> "layer4.filter1.cutoff".equals(page.js("return document.activeElement.id")));
            go(page, "/banks/" + patches.summary(id).bankId());
            page.find("#desk");
            go(page, "/patches/" + id + "#layer3.filter1.resonance");
            page.until(d -> "layer3.filter1.resonance".equals(page.js("return document.activeElement.id")));
            page.open("/patches/" + id);
            page.js("document.querySelector('[data-layer=\"2\"]').click()");
            page.click("[data-stage=filter]");
            page.until(d -> d.findElements(By.cssSelector("[data-for-layer][data-piece]:empty")).isEmpty());
            assertEquals("", page.jsLater(STALE));
            page.typeValue("layer3.filter1.cutoff", "700");
            page.until(d -> patches.get(id).patch().value("layer3.filter1.cutoff") == 700);
            page.click("[data-stage=versions]");
            page.until(d -> page.text(".history .now").contains("700"));
            assertEquals(List.of(), page.errors());
        }
    }

    /** By a link of the page, which does not load it anew. */
    private static void go(Browser page, String address) {
        page.js("const a = document.createElement('a'); a.href = arguments[0]; document.getElementById('content').append(a); htmx.process(a); a.click()", address);
    }

    private static String choice(String id, String text) {
        return "const c = document.getElementById('" + id + "'); c.selectedIndex = [...c.options].findIndex(o => o.text.startsWith('" + text + "')); c.dispatchEvent(new Event('change', {bubbles: true}))";
    }

    /** Names of pieces that are not, or not as, in a page that is loaded now; what tells of measurements changes by itself. */
    private static final String STALE = """
            const done = arguments[arguments.length - 1];
            const told = root => new Map([...root.querySelectorAll('[data-piece]')].filter(p => !['measured', 'focus', 'level'].includes(p.dataset.piece)).map(p => [p.dataset.piece, p.dataset.hash]));
            fetch(`/patches/${document.getElementById('bench').dataset.patch}/bench`).then(answer => answer.text()).then(html => {
              const fresh = told(new DOMParser().parseFromString(html, 'text/html'));
              const standing = told(document);
              done([...new Set([...fresh.keys(), ...standing.keys()])]
                .filter(name => fresh.get(name) !== standing.get(name) && !(['head', 'versions'].includes(name) && standing.has(name) && standing.get(name) === undefined)).join());
            });""";

    /** Undone to a state that nobody has rested on, the patch is measured again without another edit. */
    private void figuresFollow(Browser page, long id) {
        page.click("[data-stage=level]");
        double plain = page.until(d -> measuredLufs(page));
        page.typeValue("levelTrim", "-9 dB");
        page.typeValue("levelTrim", "-3 dB");
        page.until(d -> measured(page, plain - 3));
        page.click("#undo");
        page.until(d -> patches.get(id).patch().value("levelTrim") == -9);
        page.until(d -> measured(page, plain - 9));
    }

    private static boolean measured(Browser page, double lufs) {
        Double now = measuredLufs(page);
        return now != null && Math.abs(now - lufs) < 0.11;
    }

    private static Double measuredLufs(Browser page) {
        Object text = page.js("return document.querySelector('#measured .figures dd span')?.textContent");
        return text == null ? null : Double.valueOf(text.toString().replace(" LUFS", ""));
    }

    /**
     * A note division takes the place of the rate that it replaces; from one division to another the bars stay; undo brings the rate back, by
     * its keys, while the choice still has the focus.
     */
    private void tempoInPlaceOfARate(Browser page, long id) {
        page.click("[data-stage=modulation]");
        String division = "[id='layer1.lfo1.division']";
        page.find("[id='layer1.lfo1.rate']");
        new Select(page.find(division)).selectByVisibleText("1/8");
        page.until(d -> page.js("return document.getElementById('layer1.lfo1.rate')") == null);
        double eighth = patches.get(id).patch().value("layer1.lfo1.division");
        page.js("window.choice = document.getElementById('layer1.lfo1.division')");
        new Select(page.find(division)).selectByVisibleText("1/4");
        page.until(d -> patches.get(id).patch().value("layer1.lfo1.division") > eighth);
        assertEquals(true, page.js("return window.choice === document.getElementById('layer1.lfo1.division')"), "the bars stay");
        page.find(division).sendKeys(Keys.chord(Keys.CONTROL, "z"));
        page.until(d -> patches.get(id).patch().value("layer1.lfo1.division") == eighth);
        page.until(d -> page.js("return document.getElementById('layer1.lfo1.division').value").equals(String.valueOf((int) eighth)));
        page.find(division).sendKeys(Keys.chord(Keys.CONTROL, "z"));
        page.find("[id='layer1.lfo1.rate']");
        hurriedChoices(page, id);
        assertEquals(0, patches.get(id).patch().value("layer1.lfo1.division"));
    }

    /** A choice that is made before the page has come back from the one before is no edit on an old state. */
    private void hurriedChoices(Browser page, long id) {
        long version = patches.get(id).version();
        page.js("const wave = document.getElementById('layer1.lfo1.wave'); for (const k of [4, 7, 0]) { wave.selectedIndex = k; "
                + "wave.dispatchEvent(new Event('change', {bubbles: true})); }");
        page.until(d -> patches.get(id).version() == version + 3);
        page.until(d -> page.js("return document.getElementById('layer1.lfo1.wave').value").equals("0"));
        assertEquals(0, patches.get(id).patch().value("layer1.lfo1.wave"));
        assertEquals(0L, page.js("return document.querySelectorAll('#messages .message-box').length"));
    }

    /** A second source is set up without level: named at the right, and mended with one click. */
    private void looseEnds(Browser page, long id) {
        page.click("[data-stage=sources]");
        page.js("const s = document.getElementById('layer1.source2.wave'); s.value = '2'; s.dispatchEvent(new Event('change'))");
        page.until(d -> page.text(".loose").contains("Layer 1 source 2 is set up"));
        page.click(".loose [data-fix]");
        page.until(d -> patches.get(id).patch().value("layer1.source2.level") == -12);
        page.until(d -> d.findElements(By.cssSelector(".loose li")).isEmpty());
    }

    /** Muting takes a source out of what is heard, says so, and changes nothing of the patch. */
    private void listeningByParts(Browser page, long id) {
        long version = patches.get(id).version();
        page.js("document.getElementById('player-choice').value = 'trial3'");
        page.click("#player-repeat");
        page.click("#player-phrase");
        double both = page.until(d -> loudness(page) > -60 ? loudness(page) : null);
        String tools = "[data-part='layer1.source2.'] ";
        page.click(tools + "[data-ear-off]");
        page.until(d -> page.text("#ears").contains("layer 1 source 2 out"));
        page.until(d -> loudness(page) < both - 1);
        page.click("[data-part='layer1.source1.'] [data-ear-off]");
        page.until(d -> loudness(page) <= -70);
        page.click("#ears button");
        page.until(d -> loudness(page) > both - 2);
        assertEquals(version, patches.get(id).version(), "nothing of this is stored");
        page.until(d -> page.text("#live-tuner").startsWith("C3"), "the held note is C3");
    }

    /** The audio device goes away: it is said, and a key begins the sound again on what is there then. */
    private void deviceGone(Browser page) {
        page.js("window.gone = window.device; window.gone.close(); window.gone.dispatchEvent(new Event('error'))");
        page.until(d -> page.text("#messages").contains("The audio device has gone"));
        page.js("document.querySelector('#messages button').click()");
        page.click("#player-phrase");
        page.until(d -> Boolean.TRUE.equals(page.js("return window.device !== window.gone && window.device.state === 'running'")));
        page.until(d -> loudness(page) > -60);
    }

    /** G after an effect was touched brings its output to the loudness of its input. */
    private void levelsMatchedByOneKey(Browser page, long id) {
        page.click("[data-stage=effects]");
        String form = "form[data-edit-form=addEffect]:has(input[value='-1']) ";
        new Select(page.find(form + "select")).selectByVisibleText("drive");
        page.click(form + "button");
        page.until(d -> d.findElements(By.id("effect1.mix")).size() == 1);
        page.typeValue("effect1.drive.amount", "24");
        page.until(d -> patches.get(id).patch().value("effect1.drive.amount") == 24);
        page.find("[id='effect1.mix']").sendKeys("g");
        page.until(d -> d.findElement(By.id("undo")).getDomAttribute("title").contains("Effect 1 matched"));
        new Select(page.find("[id='effect1.type']")).selectByVisibleText("none");
        page.until(d -> patches.get(id).patch().value("effect1.type") == 0);
    }

    private static double loudness(Browser page) {
        String text = page.text("#live-loudness").replace("−", "-").replace(" LUFS", "");
        return text.equals("–") ? -70 : Double.parseDouble(text);
    }

    private void versions(Browser page, long id) {
        page.click("[data-stage=versions]");
        page.click("[data-put-pad='A']");
        page.until(d -> d.findElement(By.cssSelector("[data-hear='padA']")).isEnabled());
        page.click("[data-stage=sources]");
        page.typeValue("layer1.source1.level", "-30 dB");
        page.until(d -> patches.get(id).patch().value("layer1.source1.level") == -30);
        page.click("[data-stage=versions]");
        page.click("[data-differences='padA']");
        page.until(d -> page.text("#differences").contains("-12.0 dB") && page.text("#differences").contains("-30.0 dB"));
        page.click("[data-hear='padA']");
        page.until(d -> "true".equals(page.find("[data-hear='padA']").getDomAttribute("aria-pressed")));
        page.keys("f");
        page.until(d -> "true".equals(page.find("[data-hear='']").getDomAttribute("aria-pressed")));
        page.click("#differences [data-take-back]");
        page.until(d -> patches.get(id).patch().value("layer1.source1.level") == -12);
        page.until(d -> page.text("#differences").contains("No difference"));
    }

    private void parts(Browser page, long id) {
        page.click("[data-stage=sources]");
        page.click("[data-part='layer1.source2.'] [data-copy-part]");
        page.until(d -> page.text("#messages").contains("Copied layer 1 source 2"));
        page.click("[data-part='layer1.source3.'] [data-paste-part]");
        page.until(d -> patches.get(id).patch().value("layer1.source3.wave") == 2);
        page.click("[data-part='layer1.noise.'] [data-paste-part]");
        page.until(d -> page.text("#messages").contains("does not fit into"));
        page.js("document.querySelectorAll('.message-box button:last-child').forEach(b => b.click())");
    }

    /** A bell of the equaliser and the first repeat of a delay follow the hand. */
    private void pictures(Browser page, long id) {
        page.click("[data-stage=effects]");
        for (String type : List.of("equaliser", "delay")) {
            String form = "form[data-edit-form=addEffect]:has(input[value='-1']) ";
            new Select(page.find(form + "select")).selectByVisibleText(type);
            page.click(form + "button");
            page.find(".effect-card canvas[data-picture='" + type + "']");
        }
        page.click("[data-tile='-1:0']");
        drag(page, "equaliser", "(await import('@js/bench/pictures/effect-pictures.js')).equaliserPoints", 3, 0, -40);
        page.until(d -> patches.get(id).patch().value("effect1.equaliser.gain3") > 3);
        page.click("[data-tile='-1:1']");
        drag(page, "delay", "(await import('@js/bench/pictures/effect-pictures.js')).delayPoints", 0, 40, 0);
        page.until(d -> patches.get(id).patch().value("effect2.delay.timeLeft") > 0.4);
    }

    private static void drag(Browser page, String picture, String points, int which, int across, int down) {
        String css = "canvas[data-picture='" + picture + "']";
        page.js("document.querySelector(arguments[0]).scrollIntoView({block: 'center'})", css);
        @SuppressWarnings("unchecked")
        List<Number> place = (List<Number>) page.jsLater("const [css, which, done] = arguments; (async () => { const c = document.querySelector(css);"
                + " const b = c.getBoundingClientRect(); const p = " + points + "((await import('@js/player/player.js')).heard(), Number(c.dataset.first), b.width, b.height)[which];"
                + " done([p.x - b.width / 2, p.y - b.height / 2]); })()", css, which);
        new Actions(page.driver).moveToElement(page.find(css), place.get(0).intValue(), place.get(1).intValue()).clickAndHold().moveByOffset(across, down)
                .moveByOffset(0, 0).release().perform();
    }

    private void finding(Browser page) {
        page.keys(Keys.chord(Keys.CONTROL, "k"));
        page.find("#finder input").sendKeys("source 2 lev");
        page.until(d -> page.text("#finder .found").contains("Layer 1 source 2: Level"));
        page.find("#finder input").sendKeys(Keys.ENTER);
        page.until(d -> "layer1.source2.level".equals(page.js("return document.activeElement.id")));
        page.keys(Keys.chord(Keys.CONTROL, "k"));
        page.find("#finder input").sendKeys("slide otter");
        page.until(d -> page.text("#finder .found").contains("Saltmarsh Field Kit"));
        page.find("#finder input").sendKeys(Keys.chord(Keys.CONTROL, "a"), "releases");
        page.until(d -> page.text("#finder .found").contains("Releases"));
        page.find("#finder input").sendKeys(Keys.ENTER);
        page.until(d -> d.getCurrentUrl().endsWith("/releases"));
    }
}
