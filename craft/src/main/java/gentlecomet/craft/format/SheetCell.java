package gentlecomet.craft.format;

/** Cells of CSV files that no spreadsheet takes for a formula: one that begins like a formula gets an apostrophe (OWASP, "CSV Injection"). */
public final class SheetCell {

    private static final String FORMULA = "=+-@\t\r\n";

    private SheetCell() {
    }

    /** As it is written. */
    public static String written(String text) {
        return begins(text, 0) ? "'" + text : text;
    }

    /** As it was before it was written. */
    public static String read(String cell) {
        return cell.startsWith("'") && begins(cell, 1) ? cell.substring(1) : cell;
    }

    private static boolean begins(String text, int at) {
        return text.length() > at && FORMULA.indexOf(text.charAt(at)) >= 0;
    }
}
