package gentlecomet.craft.listen;

import gentlecomet.craft.format.SheetCell;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.text.StringEscapeUtils;

/**
 * What a listening round has brought, as a file.
 *
 * @param title   of the round
 * @param summary sentences about the whole
 * @param head    names of the columns
 * @param rows    a cell for each column
 */
public record RoundTable(String title, List<String> summary, List<String> head, List<List<String>> rows) {

    /** RFC 4180, with cells that no spreadsheet runs. */
    public String csv() {
        StringBuilder out = new StringBuilder();
        try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
            csv.printRecord(head.stream().map(SheetCell::written).toList());
            for (List<String> row : rows) {
                csv.printRecord(row.stream().map(SheetCell::written).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    /** One page that needs nothing else. */
    public String html() {
        StringBuilder out = new StringBuilder("<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>" + StringEscapeUtils.escapeXml10(title) + "</title>"
                + "<style>body{font-family:sans-serif;max-width:70em;margin:2em auto;padding:0 1em}table{border-collapse:collapse;width:100%}"
                + "td,th{border-bottom:1px solid #d9d4c7;padding:.3em .6em;text-align:left;vertical-align:top}</style></head><body>\n<h1>" + StringEscapeUtils.escapeXml10(title) + "</h1>\n");
        summary.forEach(line -> out.append("<p>").append(StringEscapeUtils.escapeXml10(line)).append("</p>\n"));
        out.append("<table>\n<thead><tr>");
        head.forEach(h -> out.append("<th scope=\"col\">").append(StringEscapeUtils.escapeXml10(h)).append("</th>"));
        out.append("</tr></thead>\n<tbody>\n");
        for (List<String> row : rows) {
            out.append("<tr>");
            row.forEach(cell -> out.append("<td>").append(StringEscapeUtils.escapeXml10(cell).replace("\n", "<br>")).append("</td>"));
            out.append("</tr>\n");
        }
        return out + "</tbody></table>\n</body></html>\n";
    }
}
