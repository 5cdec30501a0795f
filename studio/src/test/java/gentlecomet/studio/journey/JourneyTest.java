package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.release.check.ReleaseCheck;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.collection.demo.DemoLoader;
import gentlecomet.studio.patch.ShippedPatch;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;
import org.springframework.beans.factory.annotation.Autowired;

/** A preset pack developer's way through the whole product, on the screen and by ear. */
class JourneyTest extends OnTheScreen {

    @Autowired
    private DemoLoader loader;

    @Test
    void fromAFreshPatchToAVerifiedRelease() throws Exception {
        Path downloads = Files.createDirectory(folder.resolve("downloads"));
        long collection = shortDemo();
        long bank = collections.banks(collection).get(0).id();
        try (Browser page = new Browser(port, folder.resolve("profile"), downloads)) {
            page.open("/collections/" + collection);
            assertTrue(page.text("h1").startsWith("Saltmarsh Field Kit"));
            page.open("/banks/" + bank);
            page.click(".page-head button.primary");
            long id = Long.parseLong(page.until(d -> d.getCurrentUrl().matches(".*/patches/\\d+") ? d.getCurrentUrl().replaceAll(".*/", "") : null));

            buildASound(page, id);
            playIt(page);
            nameSaveAndLevelIt(page, id);
            checkTheBank(page, bank);
            listen(page, bank, id);
            release(page, collection, downloads);

            assertEquals(List.of(), page.errors());
        }
    }

    /** The demo's first patches and one with a recording, in a collection of its own: the whole of it is checked and released by tests of the core. */
    private long shortDemo() throws IOException {
        long collection = loader.load();
        jdbc.sql("update collection set name = 'Saltmarsh Field Kit' where id = :id").param("id", collection).update();
        jdbc.sql("delete from patch where bank_id = :bank and (slot > 16 and slot <> 33 or slot between 6 and 13)").param("bank", collections.banks(collection).get(0).id()).update();
        return collection;
    }

    private void addEffect(Browser page, long id, String type) {
        String form = "form[data-edit-form=addEffect]:has(input[value='-1']) ";
        new org.openqa.selenium.support.ui.Select(page.find(form + "select")).selectByVisibleText(type);
        act(page, id, () -> page.click(form + "button"));
    }

    /** Takes a choice that brings other bars with it. */
    private void choose(Browser page, long id, String parameter, String text) {
        act(page, id, () -> new org.openqa.selenium.support.ui.Select(page.find("[id='" + parameter + "']")).selectByVisibleText(text));
    }

    private void buildASound(Browser page, long id) {
        page.find("#bench");
        page.js("document.querySelector('[data-stage=sources]').click()");
        page.typeValue("layer1.source1.level", "-9 dB");
        choose(page, id, "layer1.source1.wave", "saw");
        page.click("[data-stage=filter]");
        choose(page, id, "layer1.filter1.type", "low pass 24");
        page.typeValue("layer1.filter1.cutoff", "1.2k");
        page.until(d -> patches.get(id).patch().value("layer1.filter1.cutoff") == 1200);
        page.typeValue("layer1.filter1.cutoff", "very bright");
        assertTrue(page.text(".bar .refusal").contains("\"very bright\" is not a value of Layer 1 filter 1: Cutoff"));
        assertEquals("true", page.driver.switchTo().activeElement().getDomAttribute("aria-invalid"), "the refused field is marked and has the focus");
        page.driver.switchTo().activeElement().sendKeys(Keys.ESCAPE);

        // Keys on a bar, and undo of them as one step each.
        page.find("[id='layer1.filter1.resonance']").sendKeys(Keys.ARROW_RIGHT);
        page.until(d -> patches.get(id).patch().value("layer1.filter1.resonance") > 0);
        page.keys(Keys.chord(Keys.CONTROL, "z"));
        page.until(d -> d.findElement(By.id("layer1.filter1.resonance")).getDomAttribute("aria-valuetext").equals("0.0 dB"));
        assertEquals(0, patches.get(id).patch().value("layer1.filter1.resonance"));

        // A drag along a bar.
        page.click("[data-stage=envelopes]");
        page.js("document.getElementById('layer1.amplitude.release').scrollIntoView({block: 'center'})");
        new Actions(page.driver).moveToElement(page.find("[id='layer1.amplitude.release'] .bar-track")).clickAndHold().moveByOffset(40, 0).release().perform();
        page.until(d -> patches.get(id).patch().value("layer1.amplitude.release") > 0.031);

        // Routes from velocity and aftertouch.
        page.click("[data-stage=modulation]");
        addRoute(page, id, "velocity", "layer 1 cutoff", "1 oct");
        addRoute(page, id, "aftertouch", "Layer 1 filter 1: Cutoff", "2.4 kHz");
        assertEquals(1, patches.get(id).patch().routes().get(1).depth(), 1e-9);

        // A chorus and an equaliser for all layers, the second moved before the first; drawn harmonics for another source.
        page.click("[data-stage=effects]");
        addEffect(page, id, "chorus");
        addEffect(page, id, "equaliser");
        act(page, id, () -> page.find("[data-chain='-1'][data-slot='1'] [data-move-effect]").click());
        assertEquals(Parameters.find("effect1.type").choices().indexOf("equaliser"), patches.get(id).patch().value("effect1.type"));
        page.js("document.querySelector('[data-stage=sources]').click()");
        choose(page, id, "layer1.source2.wave", "harmonics");
        page.js("document.querySelector('[data-shape=\"layer1.source2.harmonics\"]').scrollIntoView({block: 'center'})");
        act(page, id, () -> page.fill("[data-shape='layer1.source2.harmonics'] input", "100 0; 0 0; 60 25"));
        assertArrayEquals(new double[] {100, 0, 0, 0, 60, 25}, patches.get(id).patch().shape(Shapes.harmonics(0, 1)));

        // Three macros in the house's order, the present value becoming one end.
        page.click("[data-stage=performance]");
        macro(page, id, 1, "Brightness", "layer1.filter1.cutoff", "300", "5k");
        macro(page, id, 3, "Attack", "layer1.amplitude.attack", "10 ms", "400 ms");
        macro(page, id, 4, "Release", "layer1.amplitude.release", "90 ms", "1.5 s");
        assertEquals(1.5, patches.get(id).patch().macros().get(3).targets().get(0).high());
        act(page, id, () -> page.typeValue("macro1", "60"));

        // A split, with a saw on the other side.
        page.click("[data-stage=keymap]");
        page.fill("[data-edit-form=split] [name=key]", "C3");
        act(page, id, () -> page.click("[data-edit-form=split] button"));
        assertTrue(patches.get(id).patch().layerOn(1));
        assertEquals(47, patches.get(id).patch().value("layer1.zone.highKey"));
        page.js("document.querySelector('[data-stage=modulation]').click()");
        addRoute(page, id, "aftertouch", "layer2.pitch.shift", "1 st");
        assertEquals(3, patches.get(id).patch().routes().size());
    }

    /** Does something that changes the patch, and waits until the page shows the new state. */
    private void act(Browser page, long id, Runnable action) {
        long before = patches.get(id).version();
        action.run();
        page.until(d -> {
            long now = patches.get(id).version();
            return now > before && d.findElement(By.id("bench")).getDomAttribute("data-version").equals(String.valueOf(now));
        });
    }

    private void addRoute(Browser page, long id, String source, String target, String depth) {
        page.find("#add-route input[name=source]").sendKeys(source);
        page.find("#add-route input[name=target]").sendKeys(target);
        page.find("#add-route input[name=depth]").sendKeys(depth);
        act(page, id, () -> page.click("#add-route button"));
    }

    private void macro(Browser page, long id, int number, String name, String target, String low, String high) {
        String card = "[data-macro-card='" + number + "'] ";
        act(page, id, () -> page.fill(card + "input[name=name]", name));
        page.find(card + "input[name=target]").sendKeys(target);
        act(page, id, () -> page.click(card + "[data-edit-form=addTarget] button"));
        act(page, id, () -> page.fill(card + ".end[data-end=low]", low));
        // The macro stands at its low end, so the present value is the low end's.
        act(page, id, () -> page.click(card + "[data-now][data-end=high]"));
        act(page, id, () -> page.fill(card + ".end[data-end=high]", high));
    }

    /** Levels come out of the live engine: a silent page fails here. */
    private static void playIt(Browser page) {
        page.js("document.activeElement.blur()");
        page.keys(" ");
        double phrase = page.until(d -> peak(page) > -40 ? peak(page) : null);
        assertTrue(phrase <= 0, "never above full scale");
        page.keys(" ");
        page.until(d -> voices(page) == 0);

        page.keys("`");
        page.js("document.body.dispatchEvent(new KeyboardEvent('keydown', {code: 'KeyA', key: 'a', bubbles: true}))");
        page.until(d -> voices(page) >= 1 && peak(page) > -50);
        page.js("document.body.dispatchEvent(new KeyboardEvent('keyup', {code: 'KeyA', key: 'a', bubbles: true}))");
        page.until(d -> voices(page) == 0);
        page.keys("`");

        page.click("#player-size");
        var keyboard = page.find("#keyboard");
        new Actions(page.driver).moveToElement(keyboard, 0, 20).clickAndHold().moveByOffset(0, 25).perform();
        page.until(d -> voices(page) == 1 && peak(page) > -50);
        new Actions(page.driver).release().perform();
        page.until(d -> voices(page) == 0);
    }

    private static double peak(Browser page) {
        String value = page.find("#player").getDomAttribute("data-peak");
        return value == null ? -100 : Double.parseDouble(value);
    }

    private static int voices(Browser page) {
        String value = page.find("#player").getDomAttribute("data-voices");
        return value == null ? 0 : Integer.parseInt(value);
    }

    private void nameSaveAndLevelIt(Browser page, long id) {
        act(page, id, () -> page.fill("#patch-name", "tidal 7"));
        page.until(d -> d.findElement(By.cssSelector(".bench-head .breach")).getText().contains("not two to four words"));
        act(page, id, () -> page.fill("#patch-name", "Tidal Reed"));
        act(page, id, () -> page.js("const s = document.querySelector('[data-edit=categorise]'); s.value = 'lead'; s.dispatchEvent(new Event('change'))"));
        page.until(d -> d.findElements(By.cssSelector(".bench-head .breach")).isEmpty());
        page.js("document.querySelector('[data-stage=level]').click()");
        page.find("#measured .figures");
        page.until(d -> d.findElement(By.id("level-to-target")).isEnabled());
        act(page, id, () -> page.click("#level-to-target"));
        page.until(d -> d.findElement(By.cssSelector("#measured .figures dd span")).getText().matches("-1[78]\\.\\d LUFS"));
        page.click("#save");
        page.until(d -> patches.get(id).saved());
        assertEquals(1, patches.revisions(id).size());
    }

    private void checkTheBank(Browser page, long bank) {
        page.open("/banks/" + bank + "/soundcheck");
        page.click("#run-check");
        page.until(Duration.ofMinutes(2), d -> !d.findElements(By.cssSelector(".check-row[data-rule='keymap.hole']")).isEmpty() && d.findElements(By.cssSelector("#findings .working")).isEmpty());
        for (String rule : List.of("macro.dead", "expression.velocity", "pitch.tuning", "name.pattern", "level.clipping")) {
            assertTrue(!page.driver.findElements(By.cssSelector(".check-row[data-rule='" + rule + "']")).isEmpty(), rule);
        }
        workOffTheList(page, bank);
    }

    /** With keys alone: through the list, a repair that is tried, heard and applied, and a finding that may stand. */
    private void workOffTheList(Browser page, long bank) {
        WebElement list = page.find("#check-list");
        page.js("document.getElementById('check-list').focus()");
        for (int n = 0; n < 100 && !page.text("#check-side").contains("Five notes together reach 20"); n++) {
            int before = n;
            list.sendKeys(Keys.ARROW_DOWN);
            page.until(d -> page.js("return document.querySelector('.check-row[aria-selected=true]')?.dataset.key === document.querySelector('#check-side .finding')?.dataset.key"), "row " + before);
        }
        Object bytes = page.jsLater("const done = arguments[arguments.length - 1];"
                + "fetch(document.querySelector('#check-side [data-hear]').dataset.clip).then(r => r.arrayBuffer()).then(b => done(b.byteLength))");
        assertTrue(((Number) bytes).intValue() > 10000, "a clip to hear");
        long patch = Long.parseLong(page.find("#check-side .finding").getDomAttribute("data-patch"));
        double trim = patches.get(patch).patch().value("levelTrim");
        list.sendKeys("r");
        page.until(Duration.ofMinutes(1), d -> page.text("#check-side").contains("clears it") || page.text("#check-side").contains("No repair"));
        list.sendKeys("w");
        page.until(d -> "reason".equals(page.js("return document.activeElement.name")));
        page.driver.switchTo().activeElement().sendKeys("meant to be broken", Keys.ENTER);
        page.until(d -> page.text("[data-count=waived]").equals("1"), "it is waived, and the next one is chosen");
        assertEquals("check-list", page.js("return document.activeElement.id"));
        assertEquals(trim, patches.get(patch).patch().value("levelTrim"), "a repair that nobody took changes nothing");
        list.sendKeys(Keys.ENTER);
        page.until(d -> d.getCurrentUrl().contains("/patches/"));
    }

    private void listen(Browser page, long bank, long id) {
        page.open("/banks/" + bank + "/listening");
        page.click("#new-round button.primary");
        page.find(".heard-name");
        page.js("document.body.dispatchEvent(new MouseEvent('pointerdown', {bubbles: true}))");
        String first = page.text(".heard-name");
        page.keys("n");
        page.find("#note").sendKeys("A little darker", Keys.ENTER);
        page.until(d -> page.text("#notes").contains("A little darker"));
        page.js("document.activeElement.blur()");
        page.keys("f");
        page.until(d -> !d.findElement(By.cssSelector(".heard-name")).getText().equals(first));
        page.until(d -> peak(page) > -50);
        page.keys("k");
        page.until(d -> page.text("#round-progress").contains("2 answered"));
        page.click(".head-tools a[href$='/results']");
        page.until(d -> page.text("main").contains("1 keep, 1 fix") && page.text("main").contains("A little darker"));
    }

    private void release(Browser page, long collection, Path downloads) throws Exception {
        page.open("/collections/" + collection + "/releases");
        page.fill("input[name=version]", "0.9");
        page.fill("input[name=reason]", "two patches are broken on purpose");
        page.click("#built form button");
        // Every patch is rendered twice: once for its demo, once to verify it.
        page.until(Duration.ofSeconds(180), d -> d.findElement(By.cssSelector(".release h3")).getText().contains("verified"));
        page.click(".release a[download]");
        Path zip = downloads.resolve("saltmarsh-field-kit-0.9.0.zip");
        page.until(d -> whole(zip));
        byte[] archive = Files.readAllBytes(zip);
        CollectionFile read = ReleaseCheck.read(new java.io.ByteArrayInputStream(archive), "download");
        List<Patch> shipped = read.banks().get(0).slots().stream().map(CollectionFile.Slot::patch).toList();
        assertEquals(patches.latestRevisions(collection).stream().map(ShippedPatch::patch).toList(), shipped);

        // Imported into an empty collection the patches are equal.
        page.open("/collections/" + collection + "/all");
        page.find("input[type=file]").sendKeys(zip.toString());
        page.until(d -> page.text("#arrival").contains(shipped.size() + " patches"), "it says what it brings first");
        page.click("#arrival button.primary");
        page.until(Duration.ofSeconds(60), d -> page.text("#arrival").contains("Taken as a collection of its own"));
        page.click("#arrival a");
        long imported = page.until(d -> {
            String last = d.getCurrentUrl().replaceAll(".*/", "");
            return last.matches("\\d+") && Long.parseLong(last) != collection ? Long.parseLong(last) : null;
        });
        assertEquals(shipped, patches.latestRevisions(imported).stream().map(ShippedPatch::patch).toList());
        assertTrue(collections.get(imported).name().startsWith("Saltmarsh Field Kit ("));
    }

    /** The browser holds the place of a download by an empty file, and writes into one beside it. */
    private static boolean whole(Path file) {
        try {
            return Files.exists(file) && Files.size(file) > 0 && !Files.exists(file.resolveSibling(file.getFileName() + ".crdownload"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
