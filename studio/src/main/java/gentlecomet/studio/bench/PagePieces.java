package gentlecomet.studio.bench;

import gentlecomet.craft.format.Hashes;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Set;

/**
 * A page cut into pieces that lie within each other. A piece is an element with {@code data-piece="name"}; the comment {@code <!--/piece-->} stands after its last tag, since
 * a piece has elements of its own kind in it. What of it lies in no inner piece is its frame, and the hash of a piece is that of its frame alone: a bar that has changed
 * changes its source, not the stage around it.
 */
final class PagePieces {

    private static final int HASH_DIGITS = 12;
    private static final String NAME = " data-piece=\"";
    private static final String END = "<!--/piece-->";

    private PagePieces() {
    }

    /** One piece: its first tag up to its end, its text and inner pieces in order, its last tag. */
    private static final class Piece {
        private final String name;
        private final String tag;
        private final List<Object> content = new ArrayList<>();
        private String end = "";

        Piece(String name, String tag) {
            this.name = name;
            this.tag = tag;
        }

        List<Piece> inner() {
            return content.stream().filter(Piece.class::isInstance).map(Piece.class::cast).toList();
        }

        String hash() {
            StringBuilder frame = new StringBuilder(tag);
            content.forEach(part -> frame.append(part instanceof Piece inner ? "<" + inner.name + ">" : part));
            return Hashes.of(frame.toString().getBytes(StandardCharsets.UTF_8)).substring(0, HASH_DIGITS);
        }
    }

    /**
     * What a page needs that has some of the pieces already. A piece whose frame is known comes back as its two tags, marked {@code data-kept}, with only those inner pieces in
     * it that the page does not have; where it stands in a frame that is known as well, and nothing in it is new, it is left out. Every piece that is sent carries its hash.
     *
     * @param html  a page, or part of one
     * @param known pieces that stand on the page, each as "name:hash"
     */
    static String exchanged(String html, Set<String> known) {
        StringBuilder out = new StringBuilder(html.length());
        for (Object part : parsed(html).content) {
            write(part, known, true, out);
        }
        return out.toString();
    }

    /** @return whether anything was written */
    private static boolean write(Object part, Set<String> known, boolean placed, StringBuilder out) {
        if (!(part instanceof Piece piece)) {
            out.append(part);
            return true;
        }
        int start = out.length();
        String hash = piece.hash();
        boolean kept = known.contains(piece.name + ":" + hash);
        out.append(piece.tag, 0, piece.tag.length() - 1).append(" data-hash=\"").append(hash).append(kept ? "\" data-kept>" : "\">");
        boolean fresh = placed || !kept;
        for (Object inner : kept ? piece.inner() : piece.content) {
            fresh |= write(inner, known, !kept, out);
        }
        out.append(piece.end);
        if (!fresh) {
            out.setLength(start);
        }
        return fresh;
    }

    /** Looks for two texts only, since a page of 100 kB and more is read at every edit. In attributes, < and > are always written as references. */
    private static Piece parsed(String html) {
        Piece whole = new Piece("", "");
        Deque<Piece> open = new ArrayDeque<>(List.of(whole));
        int at = 0;
        int begins = html.indexOf(NAME);
        int ends = html.indexOf(END);
        while (ends >= 0) {
            if (begins >= 0 && begins < ends) {
                int tag = html.lastIndexOf('<', begins);
                int name = begins + NAME.length();
                open.element().content.add(html.substring(at, tag));
                at = html.indexOf('>', begins) + 1;
                Piece piece = new Piece(html.substring(name, html.indexOf('"', name)), html.substring(tag, at));
                open.element().content.add(piece);
                open.push(piece);
                begins = html.indexOf(NAME, at);
            } else {
                Piece piece = open.pop();
                int last = html.lastIndexOf("</", ends);
                piece.content.add(html.substring(at, last));
                piece.end = html.substring(last, ends);
                at = ends + END.length();
                ends = html.indexOf(END, at);
            }
        }
        whole.content.add(html.substring(at));
        return whole;
    }
}
