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
}
