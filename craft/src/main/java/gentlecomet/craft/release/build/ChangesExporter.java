package gentlecomet.craft.release.build;

import gentlecomet.craft.format.Json;
import gentlecomet.craft.release.Changes;
import java.nio.charset.StandardCharsets;
import java.util.function.DoubleConsumer;
import org.apache.commons.text.StringEscapeUtils;

/** What has changed since the release before, as a text, as a page and as JSON. */
final class ChangesExporter implements Exporter {

    static final String TEXT = "CHANGES.txt";
    static final String PAGE = "changes.html";
    static final String DATA = "changes.json";

    @Override
    public String id() {
        return "changes";
    }

    @Override
    public String text() {
        return "changes since the release before as text, page and JSON";
    }

    @Override
    public void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress) {
        String remark = contents.remark().isEmpty() ? "" : "\nRemark of the makers: " + contents.remark() + "\n";
        files.put(TEXT, bytes(contents.collection().name() + " " + contents.version() + "\n\n" + contents.changes().text() + remark));
        files.put(PAGE, bytes(page(contents)));
        files.put(DATA, bytes(Json.write(contents.changes())));
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static String page(ReleaseContents contents) {
        Changes changes = contents.changes();
        String title = StringEscapeUtils.escapeXml10(contents.collection().name() + " " + contents.version());
        StringBuilder out = new StringBuilder("<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>" + title + ": changes</title>"
                + "<style>body{font:16px/1.5 sans-serif;max-width:48rem;margin:2rem auto;padding:0 1rem}code{font-size:.9em}li{margin:.3rem 0}</style></head><body><h1>" + title + "</h1>\n");
        out.append("<p>").append(changes.since().isEmpty() ? "First release." : "Changes since " + StringEscapeUtils.escapeXml10(changes.since()) + ".").append("</p>\n");
        for (Changes.Kind kind : Changes.Kind.values()) {
            if (changes.count(kind) > 0) {
                out.append("<h2>").append(kind.words()).append("</h2><ul>\n");
                changes.entries().stream().filter(e -> e.kind() == kind).forEach(e -> {
                    out.append("<li><b>").append(StringEscapeUtils.escapeXml10(e.name())).append("</b> ").append(StringEscapeUtils.escapeXml10(e.bank())).append(" ").append(String.format("%03d", e.slot()));
                    e.details().forEach(d -> out.append("<br><code>").append(StringEscapeUtils.escapeXml10(d)).append("</code>"));
                    out.append("</li>\n");
                });
                out.append("</ul>\n");
            }
        }
        return out + (contents.remark().isEmpty() ? "" : "<p>Remark of the makers: " + StringEscapeUtils.escapeXml10(contents.remark()) + "</p>\n") + "</body></html>\n";
    }
}
