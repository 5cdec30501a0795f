package gentlecomet.studio.bench.view;

import gentlecomet.sound.parameter.Parameter;
import org.springframework.web.util.HtmlUtils;

/**
 * Value bars as HTML. A bench has hundreds of them and is exchanged after every choice; as a template they took three quarters of the
 * answer's time, so this one fragment is written in Java. Every text goes through {@link HtmlUtils#htmlEscape}.
 */
final class BarMarkup {

    /** Labels beyond this many characters take two lines. */
    private static final int LONG_LABEL = 13;
    /** Labels beyond this many characters do so where bars stand close. */
    private static final int MIDDLE_LABEL = 9;

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

    /** The page draws the track and takes range and default from the engine, which knows them by the id. */
    private void slider(Bar bar) {
        Parameter p = bar.parameter();
        out.append("<div class=\"bar\" role=\"slider\" tabindex=\"0\"").append(attribute("id", p.id())).append(attribute("aria-label", bar.fullName()));
        if (!bar.brackets().isEmpty()) {
            out.append(attribute("data-brackets", bar.brackets()));
        }
        out.append("><span").append(labelClass(p)).append("><span>").append(escaped(p.label())).append("</span>");
        if (bar.macro() > 0) {
            out.append("<span class=\"held\" title=\"Held by macro ").append(bar.macro()).append("\">M").append(bar.macro()).append("</span>");
        }
        out.append("</span><span class=\"bar-value num\">").append(escaped(bar.text())).append("</span></div>");
    }

    /** With the choice that is made; the page brings the others, which the engine knows. */
    private void choice(Bar bar) {
        Parameter p = bar.parameter();
        out.append("<div class=\"bar choice-bar\"><label").append(labelClass(p)).append(attribute("for", p.id())).append("><span>").append(escaped(p.label()))
                .append("</span></label><select class=\"bar-choice\"").append(attribute("id", p.id())).append(attribute("aria-label", bar.fullName()));
        if (bar.decides()) {
            out.append(" data-decides");
            if (p.division()) {
                out.append(" data-division");
            }
        }
        out.append("><option").append(attribute("value", (int) bar.value())).append(" selected>").append(escaped(bar.text())).append("</option></select></div>");
    }

    private static String labelClass(Parameter p) {
        int length = p.label().length();
        return " class=\"bar-label" + (length > LONG_LABEL ? " long" : length > MIDDLE_LABEL ? " middle" : "") + "\"";
    }

    private static String attribute(String name, Object value) {
        return " " + name + "=\"" + escaped(String.valueOf(value)) + "\"";
    }

    private static String escaped(String text) {
        return HtmlUtils.htmlEscape(text, "UTF-8");
    }
}
