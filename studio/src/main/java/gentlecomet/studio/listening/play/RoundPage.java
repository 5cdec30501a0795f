package gentlecomet.studio.listening.play;

import java.util.List;
import java.util.Map;

/**
 * What the page of a round knows when it opens, as JSON.
 *
 * @param answers  of the reviewer, by place
 * @param drafts   what was typed and not saved, by place
 */
record RoundPage(long round, long reviewer, String question, List<String> allowed, int places, boolean blind, boolean byHand, double pause, String backing,
        Map<Integer, String> answers, Map<Integer, String> drafts) {
}
