package gentlecomet.craft.release.build;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.portrait.Portrait;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Unit;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.pattern.Patterns;
import java.util.List;
import java.util.Locale;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.apache.commons.text.StringEscapeUtils;

/** The catalogue for people, as one page of XHTML that needs nothing else: portraits, macros with their ends, playing notes, measurements. */
final class CataloguePage {

    private static final String STYLE = """
            @page { size: A4; margin: 16mm 14mm; @bottom-right { content: counter(page) " / " counter(pages); font-size: 8pt; color: #56606F; } }
            body { font-family: "Liberation Sans", Arial, sans-serif; font-size: 9.5pt; color: #1B2430; background: #FFFFFF; max-width: 60em; margin: 0 auto; line-height: 1.35; }
            h1 { font-size: 22pt; margin: 0 0 2pt; } h2 { font-size: 13pt; border-bottom: 1.5pt solid #B8430F; padding-bottom: 2pt; margin: 14pt 0 4pt; page-break-after: avoid; }
            table { width: 100%; border-collapse: collapse; } td { vertical-align: top; padding: 5pt 4pt; border-bottom: 0.5pt solid #D9D4C7; } tr { page-break-inside: avoid; }
            .slot { width: 26pt; color: #56606F; } .portrait { width: 150pt; color: #56606F; } .portrait svg { width: 140pt; height: 42pt; } .figures { width: 110pt; color: #56606F; font-size: 8.5pt; }
            .name { font-size: 11pt; font-weight: bold; } .soft { color: #56606F; } pre { white-space: pre-wrap; font-family: inherit; font-size: 8.5pt; }
            """;

    private CataloguePage() {
    }

    static String of(ReleaseContents contents) {
        String title = escaped(contents.collection().name() + " " + contents.version());
        StringBuilder out = new StringBuilder("<!DOCTYPE html>\n<html xmlns=\"http://www.w3.org/1999/xhtml\" lang=\"en\"><head><meta charset=\"utf-8\"/><title>" + title + "</title><style>\n" + STYLE
                + "</style></head><body>\n<h1>" + title + "</h1>\n");
        out.append("<p class=\"soft\">").append(escaped(contents.collection().author())).append(" · ").append(contents.patches().size()).append(contents.patches().size() == 1 ? " patch" : " patches").append("</p>\n");
        if (!contents.collection().about().isBlank()) {
            out.append("<pre>").append(escaped(contents.collection().about())).append("</pre>\n");
        }
        for (List<ReleasePatch> bank : contents.patches().stream().collect(Collectors.groupingBy(ReleasePatch::bank, TreeMap::new, Collectors.toList())).values()) {
            out.append("<h2>").append(escaped(bank.get(0).bankName())).append("</h2>\n<table>\n");
            bank.forEach(p -> row(out, p, contents.collection().rules()));
            out.append("</table>\n");
        }
        out.append("<h2>Licence</h2>\n<pre>").append(escaped(contents.collection().licence())).append("</pre>\n");
        if (!contents.collection().contact().isBlank()) {
            out.append("<p class=\"soft\">").append(escaped(contents.collection().contact())).append("</p>\n");
        }
        out.append("</body></html>\n");
        return out.toString();
    }

    private static void row(StringBuilder out, ReleasePatch p, HouseRules rules) {
        Patch patch = p.slot().patch();
        Measurement m = p.measurement();
        String category = rules.category(patch.naming().category()).map(c -> c.name()).orElse("");
        String macros = patch.macros().stream().filter(macro -> !macro.unused()).map(CataloguePage::macro).collect(Collectors.joining("; "));
        out.append("<tr><td class=\"slot\">").append(String.format("%03d", p.slot().number())).append("</td><td class=\"portrait\">").append(m.silent() ? "" : Portrait.svg(m).replace("currentColor", "#56606F"))
                .append("</td><td><div class=\"name\">").append(escaped(patch.name())).append("</div><div class=\"soft\">").append(escaped(category))
                .append(patch.naming().tags().isEmpty() ? "" : " · " + escaped(String.join(", ", patch.naming().tags()))).append("</div>");
        if (!patch.naming().notes().isEmpty()) {
            out.append("<div>").append(escaped(patch.naming().notes())).append("</div>");
        }
        String pattern = Patterns.words(patch);
        out.append(pattern.isEmpty() ? "" : "<div>Held keys: " + escaped(pattern) + "</div>").append(macros.isEmpty() ? "" : "<div class=\"soft\">" + escaped(macros) + "</div>").append("</td><td class=\"figures\">").append(figures(m)).append("</td></tr>\n");
    }

    private static String macro(Macro macro) {
        return macro.name() + (macro.lowEnd().isEmpty() && macro.highEnd().isEmpty() ? "" : " (" + macro.lowEnd() + " to " + macro.highEnd() + ")");
    }

    private static String figures(Measurement m) {
        return m.silent() ? "silent" : escaped(String.format(Locale.ROOT, "%.1f LUFS, %.1f dBTP", m.integratedLufs(), m.truePeakDbtp()).replace('-', '\u2212') + ", rings "
                + (m.endless() ? "on" : ValueText.format(m.tailSeconds(), Unit.SECONDS)));
    }

    private static String escaped(String text) {
        return StringEscapeUtils.escapeXml10(text);
    }
}
