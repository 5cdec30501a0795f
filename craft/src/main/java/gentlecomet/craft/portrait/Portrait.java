package gentlecomet.craft.portrait;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.sound.maths.NoiseGenerator;
import gentlecomet.sound.parameter.ValueText;
import java.util.Locale;

/**
 * The small picture of a sound: a comet. The head is the attack, large when loud and soft-edged when slow; the tail runs on
 * as long as the sound rings, thick when loud; its shade goes from deep to pale with brightness; dust is noise; a tail in two
 * strands is stereo width. Everything comes from a {@link Measurement}.
 */
public final class Portrait {

    private static final double WIDTH = 120;
    private static final double MIDDLE = 18;
    private static final double LONGEST_SECONDS = 16;
    private static final String[] SHADES = {"#3B2A6B", "#54308A", "#6B3FA0", "#0F6B72", "#2B7F5C", "#4B7A0F", "#9A6700", "#B8430F"};

    private Portrait() {
    }

    /** The picture as an SVG element of 120 x 36 units, with a title that says the same in words. */
    public static String svg(Measurement m) {
        StringBuilder out = new StringBuilder(900);
        out.append("<svg class=\"portrait\" viewBox=\"0 0 120 36\" role=\"img\" xmlns=\"http://www.w3.org/2000/svg\"><title>")
                .append(words(m)).append("</title>");
        if (m.silent()) {
            return out.append("<path d=\"M6 18H114\" stroke=\"currentColor\" stroke-dasharray=\"2 4\" fill=\"none\"/></svg>").toString();
        }
        double loud = clamp((m.momentaryMaxLufs() + 42) / 30);
        double head = 4 + 7 * loud;
        double soft = clamp(Math.log1p(m.attackSeconds() * 20) / Math.log1p(40));
        double start = 13 + 16 * soft;
        double length = (WIDTH - start - 4) * clamp(Math.log1p(m.soundingSeconds() * 2) / Math.log1p(LONGEST_SECONDS * 2));
        double split = 7 * clamp(Math.sqrt(m.sideToMid()));
        String shade = SHADES[(int) Math.min(SHADES.length - 1, Math.floor(SHADES.length * brightness(m)))];
        strand(out, start, length, head * 0.8, -split, shade, split > 1 ? 0.55 : 0.8);
        if (split > 1) {
            strand(out, start, length, head * 0.8, split, shade, 0.55);
        }
        if (soft > 0.12) {
            append(out, "<path d=\"M%.1f 18L%.1f %.1fA%.1f %.1f 0 0 1 %.1f %.1fZ\" fill=\"%s\" fill-opacity=\".45\"/>",
                    2.0, start, MIDDLE - head, head, head, start, MIDDLE + head, shade);
        }
        append(out, "<circle cx=\"%.1f\" cy=\"18\" r=\"%.1f\" fill=\"%s\"/>", start, head, shade);
        int dust = (int) (26 * clamp(Math.sqrt(m.noisiness()) * 1.6));
        for (int i = 0; i < dust; i++) {
            double x = start + (length + 4) * NoiseGenerator.fraction(5, i, 1);
            double y = MIDDLE + (NoiseGenerator.fraction(5, i, 2) - 0.5) * 30;
            append(out, "<circle cx=\"%.1f\" cy=\"%.1f\" r=\"%.1f\" fill=\"%s\"/>", x, y, 0.5 + 0.6 * NoiseGenerator.fraction(5, i, 3), shade);
        }
        return out.append("</svg>").toString();
    }

    /** The picture in words, for those who do not see it. */
    public static String words(Measurement m) {
        if (m.silent()) {
            return "Silent";
        }
        String bright = brightness(m) < 0.3 ? "dark" : brightness(m) < 0.6 ? "warm" : "bright";
        String attack = m.attackSeconds() < 0.03 ? "quick" : m.attackSeconds() < 0.2 ? "soft" : "slow";
        String width = m.sideToMid() < 0.02 ? "mono" : m.sideToMid() < 0.2 ? "wide" : "very wide";
        return String.format(Locale.ROOT, "%s, %s start, rings %.1f s, %s%s", bright, attack, m.soundingSeconds(), width,
                m.noisiness() > 0.1 ? ", noisy" : "");
    }

    private static double brightness(Measurement m) {
        return clamp(Math.log(Math.max(1, m.brightnessHz()) / 150) / Math.log(6000 / 150.0));
    }

    private static void strand(StringBuilder out, double start, double length, double half, double drift, String shade, double opacity) {
        double end = start + length;
        append(out, "<path d=\"M%.1f %.1fQ%.1f %.1f %.1f %.1fQ%.1f %.1f %.1f %.1fZ\" fill=\"%s\" fill-opacity=\"%.2f\"/>", start,
                MIDDLE - half, start + length * 0.45, MIDDLE - half * 0.45 + drift * 0.4, end, MIDDLE + drift, start + length * 0.45,
                MIDDLE + half * 0.45 + drift * 0.8, start, MIDDLE + half, shade, opacity);
    }

    private static double clamp(double part) {
        return Math.max(0, Math.min(1, part));
    }

    /** Text with the values in place of "%.1f", "%.2f" and "%s": a bank's page draws thousands of them, for which the JDK's formatter is too slow. */
    private static void append(StringBuilder out, String format, Object... values) {
        int from = 0;
        for (Object value : values) {
            int at = format.indexOf('%', from);
            out.append(format, from, at);
            boolean text = format.charAt(at + 1) == 's';
            out.append(text ? (String) value : ValueText.fixed(((Number) value).doubleValue(), format.charAt(at + 2) - '0'));
            from = at + (text ? 2 : 4);
        }
        out.append(format, from, format.length());
    }
}
