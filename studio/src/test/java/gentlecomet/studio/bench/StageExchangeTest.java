package gentlecomet.studio.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

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

    @Test
    void whatHasNoStagesStaysAsItIs() {
        assertEquals("<p>measured</p>", StageExchange.exchanged("<p>measured</p>", Set.of("filter:1")));
    }
}
