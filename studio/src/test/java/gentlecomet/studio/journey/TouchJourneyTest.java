package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.Shapes;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Dimension;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;

/** Key map, touch and MIDI on the screen. */
class TouchJourneyTest extends OnTheScreen {

    private long id;

    @Test
    void handsOnThePatch() {
        long bank = newBank("Touch work");
        id = banks.newPatch(bank, 1);
        try (Browser page = browser()) {
            page.open("/patches/" + id);
            page.find("#bench");
            splitAndSize(page);
            mapByKeysAndInAnotherCount(page);
            response(page);
            macros(page);
            velocity(page);
            midi(page);
            assertEquals(List.of(), page.errors());
        }
    }

    private double value(String parameter) {
        return patches.get(id).patch().value(parameter);
    }

    /** Waits until a value is stored and the page shows the state that has it. */
    private void until(Browser page, java.util.function.BooleanSupplier stored) {
        page.until(d -> stored.getAsBoolean() && d.findElement(By.id("bench")).getDomAttribute("data-version").equals(String.valueOf(patches.get(id).version())));
    }

    /** A message as a MIDI input would bring it; a headless browser has none. */
    private static void send(Browser page, int... bytes) {
        page.js("document.dispatchEvent(new CustomEvent('comet:midi', {detail: arguments[0]}))", java.util.Arrays.stream(bytes).boxed().toList());
    }

    /** Split at a key that is played, the edge between both layers moved by hand, one layer's hard end pulled down. */
    private void splitAndSize(Browser page) {
        page.click("[data-stage=keymap]");
        page.click("[data-split-next]");
        send(page, 0x90, 55, 100);
        send(page, 0x80, 55, 64);
        until(page, () -> value("layer2.zone.lowKey") == 55 && value("layer1.zone.highKey") == 54);
        WebElement map = page.find("canvas.keymap");
        page.js("arguments[0].scrollIntoView({block: 'center'})", map);
        Dimension size = map.getSize();
        // The map shows 85 keys from C1 (24) on; places are counted from its middle.
        int edge = (int) Math.rint((55 - 24) / 85.0 * size.width) - size.width / 2;
        int key = (int) Math.rint(size.width / 85.0 * 12);
        new Actions(page.driver).moveToElement(map, edge, -40).clickAndHold().moveByOffset(key, 0).release().perform();
        until(page, () -> Math.abs(value("layer2.zone.lowKey") - 67) <= 1);
        assertEquals(value("layer2.zone.lowKey") - 1, value("layer1.zone.highKey"), "both edges move as one");
        page.click("#undo");
        until(page, () -> value("layer2.zone.lowKey") == 55 && value("layer1.zone.highKey") == 54);
        page.click("#redo");
        until(page, () -> Math.abs(value("layer2.zone.lowKey") - 67) <= 1);
        map = page.find("canvas.keymap");
        page.js("arguments[0].scrollIntoView({block: 'center'})", map);
        new Actions(page.driver).moveToElement(map, -size.width / 2 + 60, -size.height / 2 + 2).clickAndHold().moveByOffset(0, 60).release().perform();
        until(page, () -> value("layer1.zone.highVelocity") < 110 && value("layer1.zone.highVelocity") > 80);
        page.until(d -> page.text("#keymap-words").contains("is silent from velocity"));
        page.click("#undo");
        until(page, () -> value("layer1.zone.highVelocity") == 127);
    }

    /** The upper velocity a step down by keys; then key 60 is C5 on the screen, and what is typed is kept all the same. */
    private void mapByKeysAndInAnotherCount(Browser page) {
        page.find("canvas.keymap").sendKeys(Keys.chord(Keys.SHIFT, Keys.ARROW_DOWN));
        until(page, () -> value("layer1.zone.highVelocity") == 126);
        page.click("#undo");
        until(page, () -> value("layer1.zone.highVelocity") == 127);
        doubleClickSplits(page);
        callMiddleC(page, 5);
        String highest = KeyName.retold(KeyName.of((int) value("layer1.zone.highKey")), 5);
        page.until(d -> page.text("[id='layer1.zone.highKey'] .bar-value").equals(highest));
        page.typeValue("layer1.zone.lowKey", "D5");
        until(page, () -> value("layer1.zone.lowKey") == 62);
        page.until(d -> d.findElement(By.id("undo")).getDomAttribute("title").endsWith("Lowest key C0 to D5"));
        callMiddleC(page, 4);
        page.until(d -> d.findElement(By.id("undo")).getDomAttribute("title").endsWith("Lowest key C-1 to D4"));
    }

    /** At key 90 lies layer 2: it keeps the keys below, and layer 3, which was off, plays from there on. */
    private void doubleClickSplits(Browser page) {
        WebElement map = page.find("canvas.keymap");
        page.js("arguments[0].scrollIntoView({block: 'center'})", map);
        int width = map.getSize().width;
        new Actions(page.driver).moveToElement(map, (int) ((90.5 - 24) / 85 * width) - width / 2, 0).doubleClick().perform();
        until(page, () -> value("layer3.on") == 1 && value("layer3.zone.lowKey") == 90 && value("layer2.zone.highKey") == 89);
        page.click("#undo");
        until(page, () -> value("layer3.on") == 0 && value("layer2.zone.highKey") == 127);
    }

    private static void callMiddleC(Browser page, int octave) {
        page.js("const s = document.querySelector('[data-middle-octave]'); s.value = arguments[0]; s.dispatchEvent(new Event('change'))", String.valueOf(octave));
    }

    private void response(Browser page) {
        page.typeValue("layer1.zone.lowKey", "C4");
        until(page, () -> value("layer1.zone.lowKey") == 60);
        page.js("document.querySelector('[data-layer=\"1\"]').click()");
        page.typeValue("layer2.zone.highKey", "C5");
        until(page, () -> value("layer2.zone.highKey") == 72);
        page.typeValue("layer2.zone.level", "-12 dB");
        until(page, () -> value("layer2.zone.level") == -12);
        page.click("[data-measure-response]");
        page.until(Duration.ofSeconds(90), d -> page.text("#response-state").contains("press a cell"));
        page.until(d -> page.text("#split-steps").contains("dB"));
        page.click("[data-even] button");
        until(page, () -> patches.get(id).patch().shape(Shapes.keyLevels(1)).length > 0);
        page.until(d -> d.findElement(By.id("undo")).getDomAttribute("title").contains("Evened out: greatest step at a split"));
    }

    private void macros(Browser page) {
        page.click("[data-stage=performance]");
        String card = "[data-macro-card='1'] ";
        page.find(card + "input[name=target]").sendKeys("layer1.source1.level");
        page.click(card + "[data-edit-form=addTarget] button");
        until(page, () -> !patches.get(id).patch().macros().get(0).targets().isEmpty());
        page.fill(card + ".end[data-end=low]", "-40");
        until(page, () -> patches.get(id).patch().macros().get(0).targets().get(0).low() == -40);
        page.fill(card + ".end[data-end=high]", "0");
        until(page, () -> patches.get(id).patch().macros().get(0).targets().get(0).high() == 0);
        page.fill(card + ".bend", "50");
        until(page, () -> patches.get(id).patch().macros().get(0).targets().get(0).bend() == 0.5);
        page.click("[data-check-macros]");
        page.until(Duration.ofSeconds(90), d -> page.text(card + ".sweep").contains("moves smoothly") && page.find("[data-check-macros]").isEnabled());
        assertTrue(page.text(card + ".sweep").contains("loudness 40.0 LU"), page.text(card + ".sweep"));
        for (String hand : new String[] {"breath", "pedal", "release"}) {
            assertTrue(page.text("[data-sweep=" + hand + "]").contains("not used"), "no route from " + hand);
        }
    }

    private void velocity(Browser page) {
        page.click("[data-fit-velocity]");
        for (int velocity = 12; velocity <= 66; velocity += 6) {
            send(page, 0x90, 60, velocity);
            send(page, 0x80, 60, 64);
        }
        until(page, () -> value("performance.velocityCurve") == 1);
        double[] curve = patches.get(id).patch().shape(Shapes.VELOCITY);
        assertEquals(66 / 1.27, curve[curve.length - 2], 0.06);
        page.click("[data-measure-velocity]");
        page.until(d -> page.text("[data-measure-velocity]").equals("Measure"));
    }

    /** What comes in is shown and heard; an unplugged controller leaves nothing behind. */
    private void midi(Browser page) {
        page.click("#player-size");
        page.click("#player-hands");
        send(page, 0x90, 62, 90);
        page.until(d -> page.text("#midi-monitor").startsWith("channel 1  note on D4, 90"));
        page.until(d -> "1".equals(page.find("#player").getDomAttribute("data-voices")));
        send(page, 0xE0, 0, 64);
        page.until(d -> page.text("#midi-monitor").startsWith("channel 1  bend 0"));
        long version = patches.get(id).version();
        send(page, 0xB0, 102, 127);
        page.until(d -> page.text("#midi-monitor").startsWith("channel 1  macro 1 127") && page.text("#player-macros output").equals("100.0"));
        assertEquals(version, patches.get(id).version(), "a controller plays a macro and leaves the patch as it is");
        page.js("import('@js/player/player.js').then(p => p.midiGone())");
        page.until(d -> "0".equals(page.find("#player").getDomAttribute("data-voices")));
        page.click("#hands-close");
    }
}
