package gentlecomet.studio.bank;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.studio.measure.SoundView;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.soundcheck.CheckResult;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;

/**
 * A patch in its slot, with all that is known about it.
 *
 * @param breaches what its name and category break
 * @param verdict  keep, fix, cut, or empty: of the present state
 */
public record BankRowView(PatchSummary patch, SoundView sound, List<NameRules.RuleViolation> breaches, CheckResult check, String verdict) {

    public String slotText() {
        return String.format(Locale.ROOT, "%03d", patch.slot());
    }

    public String tagText() {
        return String.join(", ", patch.tags());
    }

    public String ladderWords() {
        return sound.loudnessText() + " LUFS, " + sound.offText() + " LU from the target";
    }

    /** The ladder's inside, 100 units wide: the track, the band of the target, and where the patch stands. */
    public String ladder() {
        HouseRules rules = sound.rules();
        double from = sound.ladder(rules.targetOf(patch.category()) - rules.toleranceLu());
        double to = sound.ladder(rules.targetOf(patch.category()) + rules.toleranceLu());
        String band = "<rect class=\"track\" y=\"5\" width=\"100\" height=\"4\"/><rect class=\"band\" x=\"" + ValueText.fixed(from, 2) + "\" y=\"2\" width=\"" + ValueText.fixed(to - from, 2)
                + "\" height=\"10\"/>";
        return !sound.measured() ? band : band + "<rect class=\"mark " + (sound.levelled() ? "good" : "off") + "\" x=\"" + ValueText.fixed(sound.ladderNow() - 1, 2)
                + "\" width=\"2\" height=\"14\"/>";
    }

    /** Loudness, peak, brightness, attack, tail, width and noise as plain numbers for sorting, with commas between; empty before it is measured. */
    public String sortKeys() {
        Measurement m = sound.measurement();
        return m == null ? "" : DoubleStream.of(sound.lufs(), m.truePeakDbtp(), m.brightnessHz(), m.attackSeconds(), m.tailSeconds(), m.sideToMid(), m.noisiness())
                .mapToObj(v -> ValueText.fixed(v, 4)).collect(Collectors.joining(","));
    }
}
