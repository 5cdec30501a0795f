package gentlecomet.craft.curate;

import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.craft.format.SheetCell;
import gentlecomet.sound.patch.Naming;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;

/** Patches of a collection as a table of text (CSV, RFC 4180), to be worked on elsewhere and taken back. */
public final class PatchTable {

    /** Most lines of a table: sixteen banks of 128. */
    public static final int MOST_LINES = 2048;
    /** Longest table that is read, in bytes. */
    public static final int MOST_BYTES = 4 << 20;

    private static final List<String> COLUMNS = List.of("patch", "bank", "slot", "name", "category", "tags", "author", "notes");
    private static final char BYTE_ORDER_MARK = '\uFEFF';

    private PatchTable() {
    }

    /**
     * A line of the table.
     *
     * @param line     its number in the file, from 1
     * @param patch    id of the patch
     * @param bank     name of its bank, null where the table has no such column, as for all below
     * @param slot     from 1; 0 where the table has none
     * @param category name or id
     */
    public record Line(long line, long patch, String bank, int slot, String name, String category, List<String> tags, String author, String notes) {
    }

    /** What was read, and sentences about the lines that were not. */
    public record Contents(List<Line> lines, List<String> refused) {
    }

    /** A line of a patch. @param category as people read it */
    public static Line line(long patch, String bank, int slot, Naming naming, String category) {
        return new Line(0, patch, bank, slot, naming.name(), category, naming.tags(), naming.author(), naming.notes());
    }

    /** The table with a head, in lines that end as RFC 4180 wants. */
    public static String write(List<Line> lines) {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180.builder().setHeader(COLUMNS.toArray(String[]::new)).get())) {
            for (Line line : lines) {
                printer.printRecord(line.patch(), SheetCell.written(line.bank()), line.slot(), SheetCell.written(line.name()), SheetCell.written(line.category()), SheetCell.written(String.join("; ", line.tags())),
                        SheetCell.written(line.author()), SheetCell.written(line.notes()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    /**
     * Reads a table: commas, semicolons or tabs between the cells. It needs the column "patch"; what it has no column for stays as it is.
     *
     * @throws EditException where it is no such table
     */
    public static Contents read(byte[] content) {
        if (content.length > MOST_BYTES) {
            throw new EditException("The table has more than " + (MOST_BYTES >> 20) + " MB. Nothing was read.");
        }
        String text = decoded(content);
        String head = text.lines().findFirst().orElse("");
        CSVFormat format = CSVFormat.DEFAULT.builder().setDelimiter(head.indexOf('\t') >= 0 ? '\t' : head.indexOf(';') >= 0 && head.indexOf(',') < 0 ? ';' : ',')
                .setIgnoreEmptyLines(true).get();
        try (CSVParser parser = format.parse(new StringReader(text))) {
            return read(parser);
        } catch (IOException | UncheckedIOException | IllegalStateException e) {
            throw new EditException("The table cannot be read: a quotation mark is not closed, or a cell goes on after one. Nothing was changed.");
        }
    }

    private static String decoded(byte[] content) {
        try {
            String text = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(content)).toString();
            return !text.isEmpty() && text.charAt(0) == BYTE_ORDER_MARK ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            throw new EditException("The table is not UTF-8 text. Save it as CSV with UTF-8 and choose it again.");
        }
    }

    private static Contents read(CSVParser parser) {
        Map<String, Integer> columns = new HashMap<>();
        List<Line> lines = new ArrayList<>();
        List<String> refused = new ArrayList<>();
        Set<Long> seen = new HashSet<>();
        for (CSVRecord record : parser) {
            if (columns.isEmpty()) {
                head(record, columns);
                continue;
            }
            if (lines.size() + refused.size() >= MOST_LINES) {
                throw new EditException("The table has more than " + MOST_LINES + " lines. Nothing was read.");
            }
            try {
                Line line = line(record, parser.getCurrentLineNumber(), columns);
                if (!seen.add(line.patch())) {
                    throw new EditException("patch " + line.patch() + " stands on an earlier line as well");
                }
                lines.add(line);
            } catch (EditException e) {
                refused.add("Line " + parser.getCurrentLineNumber() + ": " + e.getMessage() + ".");
            }
        }
        if (columns.isEmpty()) {
            throw new EditException("The table is empty.");
        }
        return new Contents(lines, refused);
    }

    private static void head(CSVRecord record, Map<String, Integer> columns) {
        List<String> unknown = new ArrayList<>();
        for (int i = 0; i < record.size(); i++) {
            String name = record.get(i).strip().toLowerCase(Locale.ROOT);
            if (COLUMNS.contains(name)) {
                columns.putIfAbsent(name, i);
            } else {
                unknown.add(record.get(i).strip());
            }
        }
        if (!columns.containsKey("patch")) {
            throw new EditException("The head of the table needs the column \"patch\", with the numbers that an exported table has; its columns are " + String.join(", ", COLUMNS)
                    + (unknown.isEmpty() ? "" : ". Found " + shortened(String.join(", ", unknown))) + ".");
        }
    }

    private static Line line(CSVRecord record, long number, Map<String, Integer> columns) {
        String patch = cell(record, columns, "patch").strip();
        if (!patch.matches("\\d{1,18}")) {
            throw new EditException("\"" + shortened(patch) + "\" is not the number of a patch");
        }
        String slot = columns.containsKey("slot") ? cell(record, columns, "slot").strip() : "";
        if (!slot.matches("|\\d{1,3}")) {
            throw new EditException("\"" + shortened(slot) + "\" is not a slot");
        }
        String tags = cell(record, columns, "tags");
        return new Line(number, Long.parseLong(patch), cell(record, columns, "bank"), slot.isEmpty() ? 0 : Integer.parseInt(slot), cell(record, columns, "name"),
                cell(record, columns, "category"), tags == null ? null : Arrays.stream(tags.split("[;,]")).map(String::strip).filter(t -> !t.isEmpty()).toList(),
                cell(record, columns, "author"), cell(record, columns, "notes"));
    }

    private static String cell(CSVRecord record, Map<String, Integer> columns, String name) {
        Integer at = columns.get(name);
        return at == null ? null : at < record.size() ? SheetCell.read(record.get(at)) : "";
    }

    private static String shortened(String text) {
        return text.length() <= 60 ? text : text.substring(0, 59) + "…";
    }
}
