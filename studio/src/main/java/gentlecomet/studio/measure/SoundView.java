package gentlecomet.studio.measure;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.portrait.Portrait;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Unit;
import gentlecomet.sound.parameter.ValueText;
import java.util.Locale;

/** What is known of a patch's sound, ready to be shown. @param measurement null while it is being measured */
public record SoundView(String category, Measurement measurement, HouseRules rules) {

    private static final String UNKNOWN = "…";
    /** LU from one end of a ladder to the other, with the target in the middle. */
    private static final double LADDER_LU = 24;

    public boolean measured() {
        return measurement != null;
    }

    public String portrait() {
        return measurement == null ? "" : Portrait.svg(measurement);
    }

    public String portraitWords() {
        return measurement == null ? "not measured yet" : Portrait.words(measurement);
    }

    private PatchLoudness loudness() {
        return PatchLoudness.of(measurement, category, rules);
    }

    public String loudnessText() {
        return measurement == null ? UNKNOWN : String.format(Locale.ROOT, "%.1f", loudness().lufs());
    }

    public String peakText() {
        return measurement == null ? UNKNOWN : String.format(Locale.ROOT, "%.1f", measurement.truePeakDbtp());
    }

    public String rangeText() {
        return measurement == null ? UNKNOWN : String.format(Locale.ROOT, "%.1f", measurement.rangeLu());
    }

    /** Distance from the target in LU, signed. */
    public String offText() {
        return measurement == null ? "" : signed(loudness().off(), 2);
    }

    /** The loudness that counts in its category, in LUFS. */
    public double lufs() {
        return loudness().lufs();
    }

    public String brightnessText() {
        return measurement == null ? UNKNOWN : ValueText.format(measurement.brightnessHz(), Unit.HERTZ);
    }

    public String attackText() {
        return measurement == null ? UNKNOWN : ValueText.format(measurement.attackSeconds(), Unit.SECONDS);
    }

    public String tailText() {
        return measurement == null ? UNKNOWN : measurement.endless() ? "endless" : ValueText.format(measurement.tailSeconds(), Unit.SECONDS);
    }

    public String widthText() {
        return measurement == null ? UNKNOWN : Math.round(100 * measurement.sideToMid()) + " %";
    }

    public String noiseText() {
        return measurement == null ? UNKNOWN : Math.round(100 * measurement.noisiness()) + " %";
    }

    public String pitchText() {
        return measurement.pitchCents() == null ? "unpitched" : signed(measurement.pitchCents(), 1) + " ct";
    }

    /** A number with its sign, but for nothing at all. */
    public static String signed(double value, int decimals) {
        String text = String.format(Locale.ROOT, "%+." + decimals + "f", value);
        return text.matches("[+-][0.]+") ? text.substring(1) : text;
    }

    public boolean levelled() {
        return measurement != null && loudness().onTarget(rules);
    }

    public boolean overCeiling() {
        return measurement != null && loudness().overCeiling(rules);
    }

    /** Place of a loudness on a ladder around the target, 0 to 100. */
    public double ladder(double lufs) {
        return Math.max(0, Math.min(100, (lufs - (rules.targetOf(category) - LADDER_LU / 2)) / LADDER_LU * 100));
    }

    public double ladderNow() {
        return measurement == null ? 50 : ladder(loudness().lufs());
    }

    public String categoryName() {
        return rules.category(category).map(c -> c.name()).orElse(category.isEmpty() ? "none" : category);
    }
}
