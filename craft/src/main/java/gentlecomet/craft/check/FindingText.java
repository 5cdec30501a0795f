package gentlecomet.craft.check;

import gentlecomet.craft.measure.Loudness;
import java.util.Locale;

/** Numbers of findings as texts with their units. */
public final class FindingText {

    private FindingText() {
    }

    public static String lufs(double value) {
        return String.format(Locale.ROOT, "%.1f LUFS", value);
    }

    public static String dbtp(double value) {
        return String.format(Locale.ROOT, "%.1f dBTP", value);
    }

    public static String seconds(double value) {
        return String.format(Locale.ROOT, "%.1f s", value);
    }

    /** A difference between two sounds in dB, "none" where they are the same. */
    public static String difference(double value) {
        return value <= Loudness.SILENT ? "none" : String.format(Locale.ROOT, "%.1f dB", value);
    }

    public static String db(double value) {
        return String.format(Locale.ROOT, "%.1f dB", value);
    }

    public static String lu(double value) {
        return String.format(Locale.ROOT, "%.1f LU", value);
    }

    public static String cents(double value) {
        return String.format(Locale.ROOT, "%+.1f ct", value);
    }

    public static String octaves(double value) {
        return String.format(Locale.ROOT, "%.2f oct", value);
    }

    public static String hz(double value) {
        return String.format(Locale.ROOT, "%.0f Hz", value);
    }

    public static String percent(double value) {
        return String.format(Locale.ROOT, value < 1 ? "%.2f %%" : "%.0f %%", value);
    }

    public static String plain(double value) {
        return String.format(Locale.ROOT, "%.2f", value);
    }
}
