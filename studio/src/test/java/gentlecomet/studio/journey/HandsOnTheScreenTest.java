package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.soundcheck.SoundcheckFixture;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
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

/** What hands do on the screen: menus at its edge, names typed one after the other, notes, refused fields, typing while the bench is exchanged. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class HandsOnTheScreenTest extends OnTheScreen {

    private Browser page;
    private long bank;

    @BeforeAll
    void open(@TempDir Path shared) {
        page = new Browser(port, shared, shared);
    }

    @BeforeEach
    void newBank() {
        bank = newBank("Hands");
    }

    @AfterAll
    void close() {
        page.close();
    }

    private long patch(int slot, String name) {
        Patch neutral = Patch.neutral(name);
        return patches.insert(bank, slot, neutral, "As it began");
    }

    private WebElement focused() {
        return page.driver.switchTo().activeElement();
    }

    @Test
    void theMenuOfTheLastRowCanBeUsedAndEscapeClosesIt() {
        for (int slot = 1; slot <= 40; slot++) {
            patch(slot, "Tide Clock " + slot);
        }
        // Findings make rows taller than they are thought to be before they are seen.
        PatchSummary sound = patches.inBank(bank).get(0);
        SoundcheckFixture.save(jdbc, sound.soundHash().strip(), sound.category(), collections.ofBank(bank).rules(), List.of(
                new Finding("level.chord", Finding.Severity.FAULT, "Too loud.", Map.of(), "levelTrim", "C4:100:1", null), new Finding("expression.wheel", Finding.Severity.WARNING, "Dead.", Map.of(), "routes", "", null)));
        page.open("/banks/" + bank);
        WebElement button = page.find(".slot[data-slot='40'] .row-menu-button");
        // Rows are laid out as they come into the window, and may be taller then: a person clicks when they stand.
        page.until(d -> Boolean.TRUE.equals(page.jsLater("const done = arguments[arguments.length - 1], button = document.querySelector(\".slot[data-slot='40'] .row-menu-button\"); button.scrollIntoView({block: 'end'});"
                + " const top = button.getBoundingClientRect().top; requestAnimationFrame(() => requestAnimationFrame(() => done(button.getBoundingClientRect().top === top)))")));
        new Actions(page.driver).moveToElement(button).click().perform();
        page.until(d -> d.findElement(By.cssSelector("#row-menu [data-do=save]")).isDisplayed());
        new Actions(page.driver).sendKeys(Keys.ESCAPE).perform();
        page.until(d -> !d.findElement(By.cssSelector("#row-menu [data-do=save]")).isDisplayed());
        assertEquals("⋯", focused().getText(), "the focus goes back to the button");
        new Actions(page.driver).moveToElement(button).click().perform();
        WebElement save = page.find("#row-menu [data-do=save]");
        page.until(d -> save.isDisplayed());
        new Actions(page.driver).moveToElement(save).click().perform();
        page.until(d -> patches.inBank(bank).get(39).revision() == 1);
        page.until(d -> !"BODY".equalsIgnoreCase(focused().getTagName()));
    }

    @Test
    void namesAreTypedOneAfterTheOther() {
        long first = patch(1, "Tide Clock");
        long second = patch(2, "Heron Glass");
        page.open("/banks/" + bank);
        WebElement name = page.find(".slot[data-slot='1'] .c-name");
        name.click();
        name.sendKeys(Keys.ENTER);
        focused().sendKeys("nonsense", Keys.ESCAPE);
        assertEquals("Tide Clock", name.getText());
        assertEquals(name, focused(), "the cell has the focus, not the page");
        name.sendKeys(Keys.F2);
        focused().sendKeys("Ebb Bell", Keys.TAB);
        assertEquals("Name of slot 2", focused().getDomAttribute("aria-label"));
        focused().sendKeys("Flood Bell", Keys.ENTER);
        page.until(d -> patches.get(first).name().equals("Ebb Bell") && patches.get(second).name().equals("Flood Bell"));
        page.until(d -> !"BODY".equalsIgnoreCase(focused().getTagName()));
        page.until(d -> d.findElement(By.cssSelector(".slot[data-slot='1'] .c-name")).getText().startsWith("Ebb Bell"));
        page.until(d -> page.text("#player-name").equals("Ebb Bell"), "the player has the new name");
    }

    @Test
    void calmMessagesGoByThemselvesAndNoneLiesOverTheBench() {
        long id = patch(1, "Tide Clock");
        page.open("/patches/" + id);
        page.find("#bench");
        page.js("import('@js/page/requests.js').then(m => { m.say('calm', {calm: true, key: 'calm'}); m.say('stays', {key: 'stays'}); })");
        page.until(d -> d.findElements(By.cssSelector("#messages .message-box")).size() == 2);
        assertEquals(true, page.js("""
                const page = document.getElementById('page').getBoundingClientRect(), box = document.getElementById('messages').getBoundingClientRect(),
                  player = document.getElementById('player').getBoundingClientRect();
                return page.bottom <= box.top + 0.5 && box.bottom <= player.top + 0.5"""), "messages stand between the page and the player");
        page.until(Duration.ofSeconds(20), d -> d.findElements(By.cssSelector("#messages .message-box")).size() == 1);
        assertEquals("stays", page.text("#messages .message-box span"));
        assertEquals(true, page.js("return [...document.querySelectorAll('.message-box button')].every(b => b.getClientRects().length === 1 && b.scrollWidth <= b.clientWidth)"));
    }

    @Test
    void aValueOutsideItsRangeIsRefusedWithTheRange() {
        long id = patch(1, "Tide Clock");
        page.open("/patches/" + id);
        page.click("[data-stage=modulation]");
        page.typeValue("layer1.lfo1.rate", "999");
        assertTrue(page.text(".bar .refusal").contains("it goes from 0.02 Hz to 40.0 Hz"), page.text(".bar .refusal"));
        assertEquals("true", focused().getDomAttribute("aria-invalid"));
        assertEquals(5, patches.get(id).patch().value("layer1.lfo1.rate"));
        focused().sendKeys(Keys.chord(Keys.CONTROL, "a"), "12", Keys.ENTER);
        page.until(d -> patches.get(id).patch().value("layer1.lfo1.rate") == 12);
        page.find("#add-route input[name=source]").sendKeys("Mod wheel");
        page.find("#add-route input[name=target]").sendKeys("Layer 1 filter 1: Cutoff");
        page.find("#add-route input[name=depth]").sendKeys("plenty");
        page.click("#add-route button");
        page.until(d -> d.findElement(By.cssSelector("#add-route .refusal")).getText().contains("plenty"));
        assertEquals("plenty", page.find("#add-route input[name=depth]").getDomProperty("value"), "what was typed stays");
    }

    @Test
    void aRuleThatIsRefusedIsSaidAndStaysAsItWasTyped() {
        patch(1, "Tide Clock");
        long collection = collections.bank(bank).collectionId();
        page.open("/collections/" + collection + "/rules");
        page.click("[name=namesBy][value=pattern]");
        page.fill("input[name=namePattern]", "[unclosed");
        page.until(d -> d.findElement(By.id("rules-refusal")).getText().contains("not a regular expression"));
        assertFalse(page.find("#rules-apply").isEnabled());
        assertEquals("[unclosed", page.find("input[name=namePattern]").getDomProperty("value"));
        page.fill("input[name=namePattern]", "[A-Z].*");
        page.until(d -> d.findElement(By.id("rules-apply")).isEnabled());
    }

    /** An exchange that takes its time: what is typed meanwhile goes on in the fresh bench, into the same field. */
    @Test
    void typingDuringAnExchangeIsNotLost() {
        long id = patch(1, "Tide Clock");
        page.open("/patches/" + id);
        page.click("[data-stage=performance]");
        page.driver.executeCdpCommand("Network.enable", Map.of());
        page.driver.executeCdpCommand("Network.emulateNetworkConditions", Map.of("offline", false, "latency", 700, "downloadThroughput", -1, "uploadThroughput", -1));
        WebElement name = page.find("[data-macro-card='1'] input[name=name]");
        name.sendKeys("Brightness", Keys.TAB);
        // The first exchange is on its way now.
        focused().sendKeys("dark");
        page.until(d -> patches.get(id).patch().macros().get(0).name().equals("Brightness"));
        page.until(d -> d.findElement(By.id("bench")).getDomAttribute("data-version").equals(String.valueOf(patches.get(id).version())));
        assertEquals("lowEnd", focused().getDomAttribute("name"));
        focused().sendKeys("er", Keys.TAB);
        page.until(d -> patches.get(id).patch().macros().get(0).lowEnd().equals("darker"));
        assertEquals("Brightness", patches.get(id).patch().macros().get(0).name());
        page.driver.executeCdpCommand("Network.emulateNetworkConditions", Map.of("offline", false, "latency", 0, "downloadThroughput", -1, "uploadThroughput", -1));
    }

    /** Pressing a button leaves the field that was typed in; what that brings to the page waits until the button has been pressed. */
    @Test
    void aClickThatHasBegunIsNotLostToAnExchange() {
        long id = patch(1, "Tide Clock");
        page.open("/patches/" + id);
        page.click("[data-stage=performance]");
        page.find("[data-macro-card='1'] input[name=name]").sendKeys("Brightness", Keys.TAB);
        page.until(d -> page.find("#save").isEnabled() && page.find("#bench").getDomAttribute("data-version").equals(String.valueOf(patches.get(id).version())));
        page.find("[data-macro-card='1'] input[name=lowEnd]").sendKeys("darker");
        new Actions(page.driver).clickAndHold(page.find("#save")).perform();
        page.until(d -> patches.get(id).patch().macros().get(0).lowEnd().equals("darker"));
        int saved = patches.revisions(id).size();
        new Actions(page.driver).release().perform();
        page.until(d -> patches.revisions(id).size() == saved + 1);
    }

    @Test
    void theListOfUnisonVoicesComesWithTheSecondVoice() {
        long id = patch(1, "Tide Clock");
        page.open("/patches/" + id);
        page.click("[data-stage=sources]");
        assertTrue(page.driver.findElements(By.cssSelector("[data-shape='layer1.source1.unisonVoices']")).isEmpty());
        page.typeValue("layer1.source1.unisonVoices", "5");
        page.until(d -> d.findElement(By.cssSelector("[data-shape='layer1.source1.unisonVoices']")).isDisplayed());
        assertEquals("layer1.source1.unisonVoices", focused().getDomAttribute("id"), "the bar keeps the focus");
        page.typeValue("layer1.source1.unisonVoices", "1");
        page.until(d -> d.findElements(By.cssSelector("[data-shape='layer1.source1.unisonVoices']")).isEmpty());
    }

    @Test
    void thePickerFindsItsOwnWordsAndThoseOfTheTrade() {
        long id = patch(1, "Tide Clock");
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("effect2.type"), 1));
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.filter1.type"), 1));
        page.open("/patches/" + id);
        page.click("[data-stage=effects]");
        assertTrue(page.text("[data-chain='-1'][data-slot='1'] .effect-head b").startsWith("2 "), "a card shows its number");
        page.click("[data-stage=modulation]");
        for (Map.Entry<String, String> typed : Map.of("Layer 1 filter 1: Cutoff", "Layer 1 filter 1: Cutoff", "source 2 pitch", "Layer 1 source 2: ", "effect 2 drive mix", "Effect 2: Mix",
                "fm", "Phase modulation from", "brightness", "Cutoff").entrySet()) {
            WebElement field = page.find("#add-route input[name=target]");
            field.click();
            field.sendKeys(Keys.chord(Keys.CONTROL, "a"), typed.getKey());
            page.until(d -> d.findElement(By.cssSelector("#add-route .found:not([hidden]) li")).getText().contains(typed.getValue()));
            assertEquals("true", field.getDomAttribute("aria-expanded"));
            field.sendKeys(Keys.ESCAPE);
            assertEquals("false", field.getDomAttribute("aria-expanded"), "Escape closes the list");
        }
    }

    @Test
    void aNewMacroTargetMovesSomethingAndEqualEndsAreTold() {
        long id = patch(1, "Tide Clock");
        page.open("/patches/" + id);
        page.click("[data-stage=performance]");
        page.find("[data-macro-card='2'] input[name=target]").sendKeys("Layer 1 source 1: Level");
        page.click("[data-macro-card='2'] [data-edit-form=addTarget] button");
        page.until(d -> !patches.get(id).patch().macros().get(1).targets().isEmpty());
        MacroTarget target = patches.get(id).patch().macros().get(1).targets().get(0);
        assertTrue(target.low() != target.high(), "the present value is one end, and the other is elsewhere");
        page.fill("[data-macro-card='2'] [data-end=high].end", page.find("[data-macro-card='2'] [data-end=low].end").getDomProperty("value"));
        page.until(d -> d.findElement(By.cssSelector("[data-macro-card='2'] .still")).getText().contains("moves nothing yet"));
    }

    /** The same patch reads the same, however busy the machine is. */
    @Test
    void theCostOfAVoiceIsACount() {
        long id = patch(1, "Tide Clock");
        page.open("/patches/" + id);
        page.until(d -> page.text("#live-cost").startsWith("1.0 ×"));
        page.js("window.busy = setInterval(() => { const end = performance.now() + 45; while (performance.now() < end) { Math.sin(end); } }, 50)");
        page.click("[data-stage=sources]");
        page.typeValue("layer1.source2.level", "-12");
        page.until(d -> !page.text("#live-cost").startsWith("1.0 ×"));
        String two = page.text("#live-cost");
        page.open("/patches/" + id);
        page.until(d -> page.text("#live-cost").equals(two));
    }

    @Test
    void theStartPageOpensTheCollectionUsedLastAndThePlayerFollows() {
        patch(1, "Tide Clock");
        long other = newBank("Hands elsewhere");
        patches.insert(other, 1, Patch.neutral("Other Shore"), "As it began");
        page.open("/banks/" + bank);
        page.until(d -> page.text("#player-name").equals("Tide Clock"));
        page.open("/banks/" + other);
        page.until(d -> page.text("#player-name").equals("Other Shore"));
        page.open("/");
        assertEquals("Hands elsewhere", page.text("h1"));
        page.click("a[href$='/all']");
        page.until(d -> page.text("h1").equals("Collections"));
        page.click("a[href='/collections/" + collections.bank(bank).collectionId() + "']");
        page.until(d -> page.text("#player-name").equals("Tide Clock"));
        page.open("/");
        assertEquals("Hands", page.text("h1"));
    }

    @Test
    void tabsAreWalkedByArrowsAndMonoStaysOnAfterAnExchange() {
        long id = patch(1, "Tide Clock");
        page.open("/patches/" + id);
        page.click("[data-stage=sources]");
        focused().sendKeys(Keys.ARROW_RIGHT);
        assertEquals("filter", focused().getDomAttribute("data-stage"));
        assertEquals("true", focused().getDomAttribute("aria-selected"));
        focused().sendKeys(Keys.HOME);
        assertEquals("keymap", focused().getDomAttribute("data-stage"));
        page.click("#hear-mono");
        assertEquals("true", page.find("#hear-mono").getDomAttribute("aria-pressed"));
        page.fill("#patch-name", "Ebb Bell");
        page.until(d -> d.findElement(By.id("bench")).getDomAttribute("data-version").equals(String.valueOf(patches.get(id).version())) && patches.get(id).name().equals("Ebb Bell"));
        assertEquals("true", page.find("#hear-mono").getDomAttribute("aria-pressed"));
        assertFalse("BODY".equalsIgnoreCase(focused().getTagName()));
    }

    /** A held A4 that a MIDI file bends up by two semitones is heard as B4 (MIDI 1.0: 16383 is the greatest bend). */
    @Test
    void aMidiFileBringsItsBendsToTheSound() throws Exception {
        long id = patch(1, "Tide Clock");
        javax.sound.midi.Sequence sequence = new javax.sound.midi.Sequence(javax.sound.midi.Sequence.PPQ, 480);
        var track = sequence.createTrack();
        track.add(new javax.sound.midi.MidiEvent(new javax.sound.midi.ShortMessage(0x90, 69, 100), 0));
        track.add(new javax.sound.midi.MidiEvent(new javax.sound.midi.ShortMessage(0xE0, 127, 127), 240));
        track.add(new javax.sound.midi.MidiEvent(new javax.sound.midi.ShortMessage(0x80, 69, 64), 480 * 60));
        Path file = java.nio.file.Files.createTempFile("bend", ".mid");
        javax.sound.midi.MidiSystem.write(sequence, 0, file.toFile());
        page.open("/patches/" + id);
        page.find("#player-midi").sendKeys(file.toString());
        page.until(d -> page.text("#messages").contains("1 move of wheels"));
        page.js("document.getElementById('player-choice').value = 'midi'");
        page.click("#player-phrase");
        page.until(d -> page.text("#live-tuner").startsWith("B4"));
        page.click("#player-phrase");
        java.nio.file.Files.delete(file);
    }

    /** Another hand has changed the patch: a value that is refused leaves the sound again, and those behind it still arrive. */
    @Test
    void aRefusedValueDoesNotBlockTheEditsBehindIt() {
        long id = patch(1, "Tide Clock");
        page.open("/patches/" + id);
        page.click("[data-stage=sources]");
        patches.lock(id, Parameters.find("layer1.source1.pan"), true);
        page.typeValue("layer1.source1.pan", "40");
        page.until(d -> page.text("#messages").contains("locked") && d.findElement(By.id("layer1.source1.pan")).getDomAttribute("aria-valuetext").equals("0.0 %"));
        page.typeValue("layer1.source1.cents", "12");
        page.until(d -> patches.get(id).patch().value("layer1.source1.cents") == 12);
        assertEquals(0, patches.get(id).patch().value("layer1.source1.pan"));
        assertEquals(List.of(), page.errors());
    }
}
