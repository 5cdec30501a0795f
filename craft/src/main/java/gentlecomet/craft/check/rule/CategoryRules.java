package gentlecomet.craft.check.rule;

import static gentlecomet.craft.check.SoundcheckRule.fault;
import static gentlecomet.craft.check.SoundcheckRule.look;

import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.Repairs;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.check.Threshold;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.probe.KeyProbe;
import gentlecomet.craft.rules.Expectations;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import java.util.List;

/** What a category expects of its patches. */
public final class CategoryRules {

    private static final double LONG_ATTACK = 0.6;
    private static final int HELD_STEPS = 75;
    private static final double NEARLY_DB = 1;
    private static final Threshold OUTSIDE = new Threshold("category.register", "keys", "", 3, "keys at an end of the register that may stay silent");

    /** All of them. */
    public static final List<SoundcheckRule> ALL = List.of(
            fault("category.attack", "The attack is as quick as the category expects.", "Shorten the attack, or choose another category.", (s, found) -> {
                double most = s.expected().attackSeconds();
                double attack = attack(s);
                if (most > 0 && attack > most) {
                    found.add("The note takes %.2f s to rise; its category expects %.2f s at the most.", attack, most).at("layer" + (s.soundingLayers().get(0) + 1) + ".amplitude.attack").clip(s.probe())
                            .number("attack", FindingText.seconds(attack)).number("limit", FindingText.seconds(most)).picture(CheckPictures.hold(s, attack));
                }
            }).mendedBy(Repairs.FASTER_ATTACK),
            look("category.register", "The keys of the category's register sound.", "Widen the zone, or choose another category.", (s, found) -> {
                int low = s.expected().lowKey();
                int high = s.expected().highKey();
                int lowest = low;
                int highest = high;
                while (lowest <= high && !Measuring.sounds(s.patch(), lowest, 100)) {
                    lowest++;
                }
                while (highest >= low && !Measuring.sounds(s.patch(), highest, 100)) {
                    highest--;
                }
                if (lowest - low > s.limit(OUTSIDE) || high - highest > s.limit(OUTSIDE)) {
                    found.add("The patch plays %s to %s of its category's register from %s to %s.", KeyName.of(Math.min(127, lowest)), KeyName.of(Math.max(0, highest)), KeyName.of(low), KeyName.of(high)).at("layer1.zone.lowKey")
                            .clip(Subject.note(low, 100, 0.8) + "," + Subject.note(high, 100, 0.8)).number("lowest", KeyName.of(Math.min(127, lowest))).number("highest", KeyName.of(Math.max(0, highest)))
                            .picture(CheckPictures.keys(s, "LUFS", KeyProbe::loudness, null, lowest > low ? low : high));
                }
            }, OUTSIDE).ofSilenceToo(),
            look("category.brightness", "The brightness is what the category expects.", "Open or close the filter, or choose another category.", (s, found) -> {
                double hz = s.measurement().brightnessHz();
                double least = s.expected().darkest();
                double most = s.expected().brightest();
                if (least > 0 && hz < least || most > 0 && hz > most) {
                    found.add("The phrase's spectral centroid is %.0f Hz; its category expects %s.", hz, least > 0 && hz < least ? FindingText.hz(least) + " or more" : FindingText.hz(most) + " or less")
                            .at("layer1.filter1.cutoff").clip("phrase").number("centroid", FindingText.hz(hz)).picture(CheckPictures.octaves(s));
                }
            }),
            look("category.width", "The sound is no wider than the category expects.", "Take the width of sources and effects down.", (s, found) -> {
                double db = 10 * Math.log10(Math.max(1e-6, s.measurement().sideToMid()));
                if (s.expected().widest() < Expectations.ANY_WIDTH && db > s.expected().widest()) {
                    found.add("The sides have %+.1f dB of the middle; the category expects %+.1f at the most.", db, s.expected().widest()).at("layer1.source1.width").clip("phrase").number("sides", FindingText.db(db))
                            .number("limit", FindingText.db(s.expected().widest()));
                }
            }),
            look("category.voices", "The patch plays as many notes at once as the category expects.", "Set the voice mode and the voices.", (s, found) -> {
                int voices = PitchRules.mono(s.patch()) ? 1 : (int) s.patch().value(PatchParameters.VOICES);
                if (voices < s.expected().voices()) {
                    found.add("The patch plays %d %s; its category expects %d.", voices, voices == 1 ? "note at once" : "notes at once", s.expected().voices()).at(Parameters.at(PatchParameters.VOICES).id())
                            .clip(s.probes().chordClip()).number("voices", String.valueOf(voices)).number("expected", String.valueOf(s.expected().voices()));
                }
            }).mendedBy(Repairs.MORE_VOICES));

    private CategoryRules() {
    }

    /** Of the probe note, which is let go after a second; of the long hold where the probe may not have risen by then. */
    private static double attack(Subject s) {
        double probe = s.measurement().attackSeconds();
        List<Double> course = s.probes().hold().course();
        if (probe < LONG_ATTACK || course.size() < HELD_STEPS) {
            return probe;
        }
        double top = course.subList(0, HELD_STEPS).stream().mapToDouble(Double::doubleValue).max().orElse(0);
        int step = 0;
        while (course.get(step) < top - NEARLY_DB) {
            step++;
        }
        return Math.max(probe, 0.1 * step);
    }
}
