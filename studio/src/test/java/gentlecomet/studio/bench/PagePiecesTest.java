package gentlecomet.studio.bench;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class PagePiecesTest {

    private static final Pattern HASH = Pattern.compile("data-piece=\"([\\w.]+)\"[^<>]* data-hash=\"([0-9a-f]{12})\"");

    private static String piece(String name, String content) {
        return "<div class=\"p\" data-piece=\"" + name + "\">" + content + "</div><!--/piece-->";
    }

    private static String bench(String wave, String level, String trim) {
        return "<main>" + piece("bench", "<h1>Å</h1>" + piece("sources", "<h2>Sources</h2>" + piece("one", "<div>" + wave + "</div>") + piece("two", level) + "<i>end</i>")
                + piece("level", trim) + "<p>after</p>") + "</main>";
    }

    private static Set<String> hashes(String page) {
        return HASH.matcher(page).results().map(m -> m.group(1) + ":" + m.group(2)).collect(Collectors.toSet());
    }

    private static String withoutHashes(String page) {
        return page.replaceAll(" data-hash=\"[0-9a-f]{12}\"", "");
    }

    @Test
    void aPageThatKnowsNothingGetsEverythingWithHashes() {
        String page = bench("saw", "-6", "0");
        String sent = PagePieces.exchanged(page, Set.of());
        assertEquals(page.replace("<!--/piece-->", ""), withoutHashes(sent));
        assertEquals(Set.of("bench", "sources", "one", "two", "level"), hashes(sent).stream().map(h -> h.split(":")[0]).collect(Collectors.toSet()));
    }

    @Test
    void ofAPageThatIsKnownNothingComesBackButItsOutermostPiece() {
        Set<String> known = hashes(PagePieces.exchanged(bench("saw", "-6", "0"), Set.of()));
        assertEquals("<main><div class=\"p\" data-piece=\"bench\" data-kept></div></main>", withoutHashes(PagePieces.exchanged(bench("saw", "-6", "0"), known)));
    }

    /** The pieces around one that has changed come as tags alone; divisions within it do not end it. */
    @Test
    void whatHasChangedComesWithinThePiecesAroundIt() {
        Set<String> known = hashes(PagePieces.exchanged(bench("saw", "-6", "0"), Set.of()));
        String sent = PagePieces.exchanged(bench("square", "-6", "0"), known);
        assertEquals("<main><div class=\"p\" data-piece=\"bench\" data-kept><div class=\"p\" data-piece=\"sources\" data-kept>"
                + "<div class=\"p\" data-piece=\"one\"><div>square</div></div></div></div></main>", withoutHashes(sent));
        Set<String> now = hashes(PagePieces.exchanged(bench("square", "-6", "0"), Set.of()));
        assertTrue(now.containsAll(hashes(sent)), "with the same hashes as in a whole page");
    }

    /** Where the text around the pieces has changed, those that have not are marked in their places. */
    @Test
    void pieceWithAChangedFrameKeepsPlacesForThoseThatStay() {
        Set<String> known = hashes(PagePieces.exchanged(bench("saw", "-6", "0"), Set.of()));
        String sent = PagePieces.exchanged(bench("saw", "-9", "0").replace("<i>end</i>", "<i>band</i>"), known);
        assertEquals("<main><div class=\"p\" data-piece=\"bench\" data-kept><div class=\"p\" data-piece=\"sources\"><h2>Sources</h2>"
                + "<div class=\"p\" data-piece=\"one\" data-kept></div><div class=\"p\" data-piece=\"two\">-9</div><i>band</i></div></div></main>", withoutHashes(sent));
    }

    /** A piece that comes in or goes out changes what is around it. */
    @Test
    void aPieceMoreOrLessChangesTheFrame() {
        String with = piece("chain", piece("delay", "6 %") + piece("reverb", "2 s"));
        Set<String> known = hashes(PagePieces.exchanged(with, Set.of()));
        String sent = withoutHashes(PagePieces.exchanged(piece("chain", piece("reverb", "2 s")), known));
        assertEquals("<div class=\"p\" data-piece=\"chain\"><div class=\"p\" data-piece=\"reverb\" data-kept></div></div>", sent);
    }

    /** The hash of one piece says nothing of another. */
    @Test
    void aHashCountsForItsOwnPieceAlone() {
        String page = piece("filter", "same") + piece("level", "same");
        Matcher level = Pattern.compile("data-piece=\"level\" data-hash=\"(\\w+)\"").matcher(PagePieces.exchanged(page, Set.of()));
        assertTrue(level.find());
        assertFalse(PagePieces.exchanged(page, Set.of("filter:" + level.group(1))).contains("data-kept"));
    }

    @Test
    void whatHasNoPiecesStaysAsItIs() {
        assertEquals("<p>measured</p>", PagePieces.exchanged("<p>measured</p>", Set.of("filter:1")));
    }
}
