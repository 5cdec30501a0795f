package gentlecomet.studio.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class StageExchangeTest {

    private static final Pattern HASH = Pattern.compile("data-stage-panel=\"([a-z]+)\" data-hash=\"([0-9a-f]+)\"");

    private static String page(String filter, String level) {
        return "<div id=\"bench\"><h1>Å</h1><section class=\"stage\" id=\"stage-filter\" data-stage-panel=\"filter\" aria-labelledby=\"x\">" + filter
                + "</section>\n<section class=\"stage\" data-stage-panel=\"level\">" + level + "</section><p>after</p></div>";
    }

    private static String hashOf(String page, String stage) {
        Matcher m = HASH.matcher(page);
        while (m.find()) {
            if (m.group(1).equals(stage)) {
                return stage + ":" + m.group(2);
            }
        }
        throw new AssertionError(stage + " has no hash in " + page);
    }

    @Test
    void aPageThatKnowsNothingGetsEverythingWithHashes() {
        String sent = StageExchange.exchanged(page("<p>cutoff</p>", "<p>trim</p>"), Set.of());
        assertTrue(sent.contains("<p>cutoff</p>") && sent.contains("<p>trim</p>") && sent.contains("<p>after</p>") && sent.contains("aria-labelledby=\"x\""));
        assertFalse(sent.contains("data-kept"));
        assertNotEquals(hashOf(sent, "filter").substring(7), hashOf(sent, "level").substring(6));
    }

    @Test
    void whatIsTheSameComesBackEmptyAndWhatHasChangedWhole() {
        String first = StageExchange.exchanged(page("<p>cutoff</p>", "<p>trim</p>"), Set.of());
        String second = StageExchange.exchanged(page("<p>cutoff 400</p>", "<p>trim</p>"), Set.of(hashOf(first, "filter"), hashOf(first, "level")));
        assertTrue(second.contains("<p>cutoff 400</p>") && !second.contains("<p>trim</p>"));
        assertTrue(second.contains(" data-kept></section><p>after</p>"));
        assertEquals(hashOf(first, "level"), hashOf(second, "level"));
        assertNotEquals(hashOf(first, "filter"), hashOf(second, "filter"));
    }

    /** The hash of one stage says nothing of another. */
    @Test
    void aHashCountsForItsOwnStageAlone() {
        String first = StageExchange.exchanged(page("<p>same</p>", "<p>same</p>"), Set.of());
        String swapped = "filter:" + hashOf(first, "level").substring("level:".length());
        assertTrue(StageExchange.exchanged(page("<p>same</p>", "<p>same</p>"), Set.of(swapped)).contains("<p>same</p>"));
    }

    /** Of a stage that has changed only the parts that have changed are sent; divisions inside a part do not end it. */
    @Test
    void partsThatAreTheSameComeBackEmpty() {
        String one = "<div class=\"source\" data-keep=\"layer1.source1.\"><div>wave</div></div><!--/keep-->";
        String two = "<div data-keep=\"layer1.source2.\"><div>level <div>-6</div></div></div><!--/keep-->";
        String first = StageExchange.exchanged(page(one + two, "x"), Set.of());
        Matcher hash = Pattern.compile("data-keep=\"(layer1\\.source\\d\\.)\" data-hash=\"([0-9a-f]+)\"").matcher(first);
        Set<String> known = new HashSet<>();
        while (hash.find()) {
            known.add(hash.group(1) + ":" + hash.group(2));
        }
        assertEquals(2, known.size());
        String second = StageExchange.exchanged(page(one + two.replace("-6", "-9"), "x"), known);
        assertTrue(second.contains(" data-kept></div>") && !second.contains("wave") && second.contains("level <div>-9</div></div></div>"), second);
    }

    @Test
    void whatHasNoStagesStaysAsItIs() {
        assertEquals("<p>measured</p>", StageExchange.exchanged("<p>measured</p>", Set.of("filter:1")));
    }
}
