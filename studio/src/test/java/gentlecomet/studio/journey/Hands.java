package gentlecomet.studio.journey;

import gentlecomet.studio.patch.Patches;
import java.nio.file.Path;
import java.util.List;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.Select;

/**
 * Builds a patch on the screen as a sound designer does, from a list of gestures, one to a line. A gesture is a choice, a typed value, a
 * button; opening a stage or a fold to get there counts as well. A quick line counts one for its key and one for each part between semicolons.
 */
final class Hands {

    private final Browser page;
    private final Patches patches;
    private final Path files;
    private final long id;
    private int gestures;
    private String stage = "";
    private int lastRoute = -1;

    /** @param files folder of the sound files that lists name */
    Hands(Browser page, Patches patches, Path files, long id) {
        this.page = page;
        this.patches = patches;
        this.files = files;
        this.id = id;
    }

    /** Performs a list; answers how many gestures it took. Blank lines and those that begin with # say nothing. */
    int perform(List<String> lines) {
        for (String line : lines) {
            if (!line.isBlank() && !line.startsWith("#")) {
                try {
                    perform(line.strip().split(" ", 2)[0], line.strip().split(" ", 2)[1]);
                } catch (AssertionError | RuntimeException e) {
                    throw new AssertionError("at the gesture \"" + line + "\"", e);
                }
            }
        }
        return gestures;
    }

    private void perform(String verb, String rest) {
        String[] words = rest.split(" ");
        switch (verb) {
            case "name" -> changing(() -> page.fill("#patch-name", rest));
            case "category" -> changing(() -> new Select(page.find("[data-edit=categorise]")).selectByVisibleText(rest));
            case "line" -> line(rest);
            case "mirror" -> {
                at("[data-mirror-source]" + place(words[0]) + "[data-from='" + (Integer.parseInt(words[1]) - 1) + "']");
                changing(() -> page.click("[data-mirror-source]" + place(words[0]) + "[data-from='" + (Integer.parseInt(words[1]) - 1) + "']"));
            }
            case "choose" -> choose(words[0], rest.substring(words[0].length() + 1));
            case "type" -> type(words[0], rest.substring(words[0].length() + 1));
            case "effect" -> addEffect(rest);
            case "route" -> addRoute(words[0], words[1], rest.split(" ", 3)[2]);
            case "side" -> side(words[1]);
            case "shape" -> {
                at("[data-shape='" + words[0] + "'] .drawn-text input");
                changing(() -> page.fill("[data-shape='" + words[0] + "'] input", rest.split(" ", 2)[1]));
            }
            case "macro" -> nameMacro(words[0], words[1], words[2], words[3]);
            case "hold" -> hold(words[0], words[1], rest.split(" ", 3)[2]);
            case "take" -> changing(() -> page.find(source(words[0]) + "[data-take-file]").sendKeys(files.resolve(words[1]).toString()));
            case "fewest" -> {
                gestures++;
                page.click("[data-fewest]" + place(words[0]));
                page.until(d -> d.findElement(By.cssSelector("[data-fewest]" + place(words[0]))).isEnabled());
            }
            case "match" -> {
                String button = "[data-match][data-layer-number='" + (Integer.parseInt(words[0]) - 1) + "'][data-slot='" + (Integer.parseInt(words[1]) - 1) + "']";
                at(button);
                changing(() -> page.click(button));
            }
            case "tags" -> {
                open("level");
                changing(() -> page.fill("[name=tags]", rest));
            }
            default -> throw new IllegalArgumentException("no such gesture");
        }
    }

    /** Does something that changes the patch, and waits until the page shows the new state. */
    private void changing(Runnable action) {
        gestures++;
        long before = patches.get(id).version();
        action.run();
        page.until(d -> {
            long now = patches.get(id).version();
            return now > before && d.findElement(By.id("bench")).getDomAttribute("data-version").equals(String.valueOf(now));
        });
    }

    private void open(String wanted) {
        if (!wanted.equals(stage)) {
            gestures++;
            page.click("[data-stage='" + wanted + "']");
            stage = wanted;
        }
    }

    /** Opens the stage, the layer and the fold in which something stands. */
    private WebElement at(String css) {
        WebElement element = page.find(css);
        open((String) page.js("return arguments[0].closest('[data-stage-panel]').dataset.stagePanel", element));
        if (Boolean.TRUE.equals(page.js("return Boolean(arguments[0].closest('.effect-card[hidden]'))", element))) {
            gestures++;
            page.click((String) page.js("const card = arguments[0].closest('.effect-card'); return `[data-tile='${card.dataset.chain}:${card.dataset.slot}']`", element));
        }
        page.js("const fold = arguments[0].closest('details.fold'); if (fold && !fold.open) fold.open = true; arguments[0].scrollIntoView({block: 'center'})", element);
        return element;
    }

    /** A quick line: its key, and one gesture for each of its parts. */
    private void line(String text) {
        page.js("document.activeElement.blur()");
        new Actions(page.driver).sendKeys("q").perform();
        gestures += text.split(";").length;
        page.find("#quick-line-text").sendKeys(text);
        changing(() -> page.find("#quick-line-text").sendKeys(Keys.ENTER));
        page.find("#quick-line-text").sendKeys(Keys.ESCAPE);
    }

    private void choose(String parameter, String text) {
        at("[id='" + parameter + "']");
        Select select = new Select(page.find("[id='" + parameter + "']"));
        if (!select.getFirstSelectedOption().getText().equals(text)) {
            changing(() -> select.selectByVisibleText(text));
        }
    }

    private void type(String parameter, String text) {
        if (parameter.matches("macro\\d")) {
            open("performance");
        } else if (parameter.equals("levelTrim")) {
            open("level");
        } else {
            at("[id='" + parameter + "']");
        }
        String before = page.find("[id='" + parameter + "']").getDomAttribute("aria-valuetext");
        page.typeValue(parameter, text);
        gestures++;
        page.until(d -> Boolean.TRUE.equals(page.js("return !document.querySelector('[id=\"" + parameter + "\"] input')")));
        String after = page.find("[id='" + parameter + "']").getDomAttribute("aria-valuetext");
        if (before.equals(after)) {
            return;
        }
        page.until(d -> gentlecomet.sound.parameter.ValueText.format(gentlecomet.sound.parameter.Parameters.find(parameter),
                patches.get(id).patch().soundingValue(gentlecomet.sound.parameter.Parameters.find(parameter))).equals(after));
    }

    private void addEffect(String type) {
        open("effects");
        String form = "form[data-edit-form=addEffect]:has(input[value='-1']) ";
        new Select(page.find(form + "select")).selectByVisibleText(type);
        gestures++;
        changing(() -> page.click(form + "button"));
    }

    private void addRoute(String from, String to, String depth) {
        open("modulation");
        page.find("#add-route input[name=source]").sendKeys(from);
        page.find("#add-route input[name=target]").sendKeys(to);
        page.find("#add-route input[name=depth]").sendKeys(depth);
        gestures += 2;
        changing(() -> page.click("#add-route button"));
        lastRoute = patches.get(id).patch().routes().size() - 1;
    }

    private void side(String side) {
        Select select = new Select(page.find("#routes form:has(input[name=route][value='" + lastRoute + "']) select[name=side]"));
        if (!select.getFirstSelectedOption().getDomAttribute("value").equals(side)) {
            changing(() -> select.selectByValue(side));
        }
    }

    private void nameMacro(String number, String name, String low, String high) {
        open("performance");
        String card = "[data-macro-card='" + number + "'] ";
        changing(() -> page.fill(card + "input[name=name]", name));
        changing(() -> page.fill(card + "input[name=lowEnd]", low));
        changing(() -> page.fill(card + "input[name=highEnd]", high));
    }

    /** Both ends, each of one or two words: "180 1.6k" or "80 ms 1.8 s". */
    private void hold(String number, String target, String ends) {
        open("performance");
        String[] words = ends.split(" ");
        String low = words.length == 4 ? words[0] + " " + words[1] : words[0];
        String high = words.length == 4 ? words[2] + " " + words[3] : words[words.length - 1];
        String card = "[data-macro-card='" + number + "'] ";
        page.find(card + "input[name=target]").sendKeys(target);
        changing(() -> page.click(card + "[data-edit-form=addTarget] button"));
        changing(() -> page.fill(card + ".end[data-end=low]", low));
        changing(() -> page.fill(card + ".end[data-end=high]", high));
    }

    private static String source(String part) {
        return "[data-drop]" + place(part) + " ";
    }

    private static String place(String part) {
        return "[data-layer-number='" + (part.charAt(5) - '1') + "'][data-source='" + (part.charAt(part.length() - 1) - '1') + "']";
    }
}
