package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.deque.html.axecore.results.Rule;
import com.deque.html.axecore.selenium.AxeBuilder;
import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.Picture;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.bench.vary.VariationFixture;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.listening.ListeningFixture;
import gentlecomet.studio.listening.round.Rounds;
import gentlecomet.studio.listening.say.Answer;
import gentlecomet.studio.listening.say.Answers;
import gentlecomet.studio.listening.say.Reviewer;
import gentlecomet.studio.listening.say.Reviewers;
import gentlecomet.studio.measure.MeasureFixture;
import gentlecomet.studio.soundcheck.SoundcheckFixture;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.springframework.beans.factory.annotation.Autowired;

/**
 * Every view and every stage of the bench, with everything unfolded, a full bank, findings and the longest names: a person with a mouse hits each
 * control at its centre, none lies over another, no text is cut off, nothing scrolls sideways; and axe finds nothing.
 */
class EveryViewTest extends OnTheScreen {

    private static final List<String> STAGES = List.of("keymap", "sources", "filter", "envelopes", "modulation", "effects", "performance", "level", "versions");
    /** Width and height in CSS pixels, device pixels to each: a usual window, a small laptop, and the usual window at 200 % zoom. */
    private static final Map<String, int[]> WINDOWS = new LinkedHashMap<>();
    /** Views that together have every colour on every ground: the themes differ in a few values of one style sheet. */
    private static final Set<String> DARK = Set.of("home", "bank", "rules", "collections", "sky", "soundcheck", "round", "keymap", "sources", "modulation", "performance", "versions");
    private static final String REACH = read("/screen/reach.js");

    /** The other tabs of a stage. */
    private static final Map<String, List<String>> BESIDE = Map.of("performance", List.of("tab-rides", "tab-pattern"), "versions", List.of("tab-vary"));

    static {
        WINDOWS.put("1280x800", new int[] {1280, 800, 1});
        WINDOWS.put("1024x768", new int[] {1024, 768, 1});
        WINDOWS.put("1280x800 at 200 %", new int[] {640, 400, 2});
    }

    @Autowired
    private Rounds rounds;
    @Autowired
    private Reviewers reviewers;
    @Autowired
    private Answers answers;
    private long round;

    private long collection;
    private long bank;
    private long dense;

    @Test
    @Execution(ExecutionMode.CONCURRENT)
    void everyControlIsHitAtItsCentre() {
        fillABank(128);
        List<String> complaints = new ArrayList<>();
        try (Browser page = browser()) {
            WINDOWS.forEach((window, size) -> {
                resize(page, size);
                everyView(page, 2, v -> true, view -> ((List<?>) page.js(REACH)).forEach(c -> complaints.add(window + ", " + view + ": " + c)));
            });
        }
        assertEquals(List.of(), complaints);
    }

    @Test
    @Execution(ExecutionMode.CONCURRENT)
    void axeFindsNothingInLightAndDark() {
        fillABank(10);
        List<String> violations = new ArrayList<>();
        try (Browser page = browser()) {
            for (String theme : List.of("light", "dark")) {
                page.open("/");
                page.driver.executeCdpCommand("Emulation.setEmulatedMedia",
                        Map.of("features", List.of(Map.of("name", "prefers-color-scheme", "value", theme))));
                // The second layer has the parts and the colours of the first.
                everyView(page, 1, view -> theme.equals("light") || DARK.contains(view.replaceAll("bench, | of layer 1", "")), view -> {
                    assertEquals(theme, page.js("return document.documentElement.dataset.bsTheme"), "the system's preference is followed");
                    for (Rule rule : axe(view, theme).analyze(page.driver).getViolations()) {
                        violations.add(theme + ", " + view + ": " + rule.getId() + " (" + rule.getImpact() + ") "
                                + rule.getNodes().stream().limit(3).map(n -> n.getHtml() + " " + (n.getAny().isEmpty() ? "" : n.getAny().get(0).getMessage())).toList());
                    }
                });
            }
        }
        assertEquals(List.of(), violations);
    }

    /** What stands around the stages of the bench is looked at with the first of them; the themes differ in their colours alone. */
    private static AxeBuilder axe(String view, String theme) {
        AxeBuilder axe = new AxeBuilder().setLegacyMode(true);
        if (view.startsWith("bench") && !view.contains("keymap")) {
            axe.include("[data-stage-panel]:not([hidden])");
        }
        return theme.equals("dark") ? axe.withRules(List.of("color-contrast")) : axe;
    }

    /** @param wanted views that are opened */
    private void everyView(Browser page, int layers, Predicate<String> wanted, Consumer<String> look) {
        Map<String, String> views = new LinkedHashMap<>();
        views.put("home", "/collections/" + collection);
        views.put("rules", "/collections/" + collection + "/rules");
        views.put("collections", "/collections/" + collection + "/all");
        views.put("about", "/collections/" + collection + "/about");
        views.put("banks", "/collections/" + collection + "/banks");
        views.put("sky", "/collections/" + collection + "/sky");
        views.put("recordings", "/collections/" + collection + "/assets");
        views.put("bank", "/banks/" + bank);
        views.put("levels", "/banks/" + bank + "/levels");
        views.put("soundcheck", "/banks/" + bank + "/soundcheck");
        views.put("soundcheck report", "/banks/" + bank + "/soundcheck/report");
        views.put("listening", "/banks/" + bank + "/listening");
        views.put("round", "/rounds/" + round);
        views.put("results", "/rounds/" + round + "/results");
        views.put("mend", "/collections/" + collection + "/mend");
        views.put("releases", "/collections/" + collection + "/releases");
        views.keySet().removeIf(wanted.negate());
        views.forEach((view, address) -> {
            page.open(address);
            page.find("#player-macros label");
            assertEquals(1L, page.js("return document.querySelectorAll('h1').length"), view);
            look.accept(view);
        });
        page.open("/patches/" + dense);
        page.find("#player-macros label");
        assertEquals(1L, page.js("return document.querySelectorAll('h1').length"), "bench");
        for (int layer = 0; layer < layers; layer++) {
            page.js("document.querySelector('[data-stage=sources]').click()");
            page.js("document.querySelector('[data-layer=\"" + layer + "\"]').click()");
            for (String stage : STAGES) {
                if (layer == 0 || !List.of("performance", "level", "versions").contains(stage)) {
                    page.js("document.querySelector('[data-stage=" + stage + "]').click()");
                    if (wanted.test("bench, " + stage + " of layer " + (layer + 1))) {
                        look.accept("bench, " + stage + " of layer " + (layer + 1));
                    }
                    for (String beside : BESIDE.getOrDefault(stage, List.of())) {
                        if (wanted.test("bench, " + beside.substring(4))) {
                            page.js("document.getElementById('" + beside + "').click()");
                            look.accept("bench, " + beside.substring(4));
                        }
                    }
                }
            }
        }
    }

    private static void resize(Browser page, int[] size) {
        page.driver.executeCdpCommand("Emulation.setDeviceMetricsOverride", Map.of("width", size[0], "height", size[1], "deviceScaleFactor", size[2], "mobile", false));
    }

    /** Slots, all measured and checked, with findings, verdicts and a release's worth of long names. */
    private void fillABank(int slots) {
        long first = newBank("Halocline and Saltmarsh Expedition Field Recordings Collection of Long Names");
        bank = first;
        collection = collections.bank(first).collectionId();
        CollectionRow row = collections.get(collection);
        Patch plain = Patch.neutral("Plain");
        dense = patches.insert(bank, 1, DensePatch.make(), "As it began");
        patches.save(dense, 0, "first");
        VariationFixture.save(jdbc, dense, plain, 5);
        for (int slot = 2; slot <= slots; slot++) {
            String name = slot % 9 == 0 ? DensePatch.LONG_NAME.substring(0, 60) + " " + slot : "Patch " + slot;
            patches.insert(bank, slot, plain.withNaming(plain.naming().withName(name)), "As it began");
        }
        round = rounds.start(collection, ListeningFixture.plan("What has a long name, first listening", "-name:\"Patch \""));
        Reviewer reviewer = reviewers.named(collection, "designer with a long name, second day");
        var measurement = new Measuring().measure(plain, Phrases.get("line"));
        List<Finding> findings = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            findings.add(new Finding(List.of("level.loudness", "macro.dead", "tail.long", "keymap.hole").get(i), i == 0 ? Finding.Severity.FAULT : Finding.Severity.WARNING,
                    "Something was found that takes a sentence of some length to tell, with what was expected in its place; look at the numbers and listen to it.",
                    Map.of("measured", "-23.4 LUFS", "expected", "-18.0 LUFS"), "layer1.source1.level", i == 1 ? "C3:100:1" : "",
                    i == 2 ? new Picture(Picture.Kind.LINE, "key", "LUFS", List.of(24.0, 60.0, 96.0), List.of(-20.0, -15.0, -48.0), -40.0, 96.0) : null));
        }
        for (var patch : List.of(patches.summary(dense), patches.inBank(bank).get(1))) {
            MeasureFixture.save(jdbc, patch.soundHash(), row.rules().phraseOf(patch.category()), measurement);
            SoundcheckFixture.save(jdbc, patch.soundHash(), patch.category(), row.rules(), findings);
        }
        answers.give(round, new Answer(1, 0, reviewer.id(), "fix"), "view " + round);
        answers.note(round, 1, reviewer.id(), "The release is too long for a pad of this kind, and the low end is muddy.", 2.5, 60, "view " + round);
        answers.keepReady(collection, "too bright\ntoo loud against everything else of its kind");
        MeasureFixture.save(jdbc, Hashes.sound(plain), row.rules().phraseOf(""), measurement);
    }

    private static String read(String resource) {
        try (var in = EveryViewTest.class.getResourceAsStream(resource)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
