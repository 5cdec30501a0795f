package gentlecomet.studio.bench.view;

import org.springframework.web.util.HtmlUtils;

/**
 * Value bars as HTML. A bench has hundreds of them and is exchanged after every choice; as a template they took three quarters of the
 * answer's time, so this one fragment is written in Java. Every text goes through {@link HtmlUtils#htmlEscape}.
 */
final class BarMarkup {

    private final StringBuilder out = new StringBuilder(900);

    private BarMarkup() {
    }

    /** One bar. */
    static String of(Bar bar) {
        BarMarkup markup = new BarMarkup();
        markup.bar(bar);
        return markup.out.toString();
    }

    /** The bars of a group, with those that are folded away at first. */
    static String of(BarGroup group) {
        BarMarkup markup = new BarMarkup();
        group.bars().forEach(markup::bar);
        if (!group.more().isEmpty()) {
            markup.out.append("<details class=\"fold\"").append(attribute("data-more", group.id())).append("><summary>More</summary><div class=\"fold-bars\">");
            group.more().forEach(markup::bar);
            markup.out.append("</div></details>");
        }
        return markup.out.toString();
    }

    private void bar(Bar bar) {
        if (bar.choice()) {
            choice(bar);
        } else {
            slider(bar);
        }
    }

    /** The page writes out label, name, track and value: the engine there knows them all by the id ({@code js/bench/repeated.js}). */
    private void slider(Bar bar) {
        out.append("<div class=\"bar\"").append(attribute("id", bar.parameter().id()));
        if (!bar.brackets().isEmpty()) {
            out.append(attribute("data-brackets", bar.brackets()));
        }
        if (bar.macro() > 0) {
            out.append(attribute("data-macro-holds", bar.macro()));
        }
        out.append("></div>");
    }

    /** With the place of the choice that is made; the page brings the texts, which the engine knows. */
    private void choice(Bar bar) {
        out.append("<div class=\"bar choice-bar\"><select class=\"bar-choice\"").append(attribute("id", bar.parameter().id()));
        if (bar.decides()) {
            out.append(" data-decides");
            if (bar.parameter().division()) {
                out.append(" data-division");
            }
        }
        out.append("><option").append(attribute("value", (int) bar.value())).append(" selected></option></select></div>");
    }

    private static String attribute(String name, Object value) {
        return " " + name + "=\"" + escaped(String.valueOf(value)) + "\"";
    }

    private static String escaped(String text) {
        return HtmlUtils.htmlEscape(text, "UTF-8");
    }
}
