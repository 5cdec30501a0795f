package gentlecomet.craft.check.rule;

import static gentlecomet.craft.check.SoundcheckRule.fault;
import static gentlecomet.craft.check.SoundcheckRule.look;

import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.Repairs;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.check.Threshold;
import gentlecomet.craft.probe.KeyProbe;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.PatchParameters;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Loudness, peaks, and evenness over keys and velocities. */
public final class LevelRules {

    private static final Threshold CARE = new Threshold("level.ceiling", "care", "dB", 0.01, "by which a peak may pass the ceiling, since figures are rounded");
    private static final Threshold CHORD = new Threshold("level.chord", "peak", "dBTP", 0, "greatest true peak of five notes");
    private static final Threshold LOUDEST = new Threshold("level.keys", "louder", "LU", 9, "by which a key of the category's register may be louder than the middle one");
    private static final Threshold QUIETEST = new Threshold("level.keys", "quieter", "LU", 18, "by which it may be quieter");
    private static final Threshold NEIGHBOURS = new Threshold("level.even", "step", "LU", 6, "by which a key may stand out against both of its neighbours half an octave away");
    private static final Threshold SOFT = new Threshold("level.soft", "quieter", "LU", 36, "by which a note at velocity 16 may be quieter than at 100");

    /** All of them. */
    public static final List<SoundcheckRule> ALL = List.of(
            fault("level.ceiling", "The true peak of the phrase stays below the ceiling of the house.", "Level the patch: the trim goes no higher than the ceiling lets it.", (s, found) -> {
                double peak = s.measurement().truePeakDbtp();
                double ceiling = s.house().ceilingDbtp();
                if (peak > ceiling + s.limit(CARE)) {
                    found.add("The true peak is %.1f dB above the ceiling of %.1f dBTP.", peak - ceiling, ceiling).at("levelTrim").clip("phrase")
                            .number("true peak", FindingText.dbtp(peak)).number("ceiling", FindingText.dbtp(ceiling));
                }
            }, CARE).mendedBy(Repairs.TRIM, Repairs.LIMITER),
            look("level.loudness", "The loudness by the category's measure is within the tolerance of the target.", "Level the patch on the page of levels or on its stage of the bench.", (s, found) -> {
                double loudness = s.house().measureOf(s.category()).of(s.measurement());
                double target = s.house().targetOf(s.category());
                double off = loudness - target;
                if (Math.abs(off) > s.house().toleranceLu()) {
                    found.add("The patch is %.2f LU %s the target of %.1f LUFS; the house allows %.1f.", Math.abs(off), off > 0 ? "above" : "below", target, s.house().toleranceLu())
                            .at("levelTrim").clip("phrase").number("loudness", FindingText.lufs(loudness)).number("target", FindingText.lufs(target));
                }
            }).mendedBy(Repairs.TRIM),
            fault("level.clipping", "No sample of the phrase passes full scale.", "Lower the level trim, or level the patch to the target.", (s, found) -> {
                int over = s.probes().phrase().over();
                if (over > 0) {
                    found.add("Samples of the phrase pass full scale: a converter would cut them off.").at("levelTrim").clip("phrase").number("samples over", String.valueOf(over));
                }
            }).mendedBy(Repairs.TRIM, Repairs.LIMITER),
            fault("level.chord", "Five notes together do not clip.", "Lower the trim, or put a limiter at the end of the chain.", (s, found) -> {
                double peak = s.probes().chordPeakDbtp();
                if (peak > s.limit(CHORD) && s.patch().value(PatchParameters.VOICE_MODE) == PatchParameters.MODE_POLY && s.patch().value(PatchParameters.VOICES) > 1) {
                    found.add("Five notes together reach %.1f dBTP; the house allows %.1f.", peak, s.limit(CHORD)).at("levelTrim").clip(s.probes().chordClip())
                            .number("true peak", FindingText.dbtp(peak)).number("limit", FindingText.dbtp(s.limit(CHORD)));
                }
            }, CHORD).mendedBy(Repairs.LIMITER, Repairs.TRIM),
            look("level.keys", "No key of the category's register is far louder or quieter than the middle one.", "Balance the keys on the stage of keys and touch.", (s, found) -> {
                Optional<KeyProbe> middle = register(s).stream().min(Comparator.comparingInt(k -> Math.abs(k.key() - s.key())));
                if (middle.isEmpty() || !middle.get().figures().heard()) {
                    return;
                }
                KeyProbe loudest = register(s).stream().max(Comparator.comparingDouble(KeyProbe::loudness)).orElseThrow();
                KeyProbe quietest = register(s).stream().filter(k -> k.figures().heard()).min(Comparator.comparingDouble(KeyProbe::loudness)).orElseThrow();
                for (KeyProbe key : List.of(loudest, quietest)) {
                    double off = key.loudness() - middle.get().loudness();
                    if (off > s.limit(LOUDEST) || -off > s.limit(QUIETEST)) {
                        found.add("%s is %.1f LU %s than the middle key.", KeyName.of(key.key()), Math.abs(off), off > 0 ? "louder" : "quieter").at("layer1.zone.level")
                                .clip(Subject.note(middle.get().key(), 100, 0.8) + "," + Subject.note(key.key(), 100, 0.8)).number("difference", FindingText.lu(off))
                                .picture(CheckPictures.keys(s, "LUFS", KeyProbe::loudness, null, key.key()));
                    }
                }
            }, LOUDEST, QUIETEST).mendedBy(Repairs.EVEN_KEYS),
            look("level.even", "No key stands out against those beside it.", "Balance the keys on the stage of keys and touch.", (s, found) -> {
                List<KeyProbe> keys = register(s);
                for (int i = 1; i < keys.size() - 1; i++) {
                    double below = keys.get(i).loudness() - keys.get(i - 1).loudness();
                    double above = keys.get(i).loudness() - keys.get(i + 1).loudness();
                    if (keys.get(i - 1).figures().heard() && keys.get(i).figures().heard() && keys.get(i + 1).figures().heard() && below * above > 0
                            && Math.min(Math.abs(below), Math.abs(above)) > s.limit(NEIGHBOURS)) {
                        found.add("%s is %.1f LU %s than the keys half an octave beside it.", KeyName.of(keys.get(i).key()), Math.min(Math.abs(below), Math.abs(above)), below > 0 ? "louder" : "quieter")
                                .at("layer1.zone.level").clip(Subject.note(keys.get(i - 1).key(), 100, 0.7) + "," + Subject.note(keys.get(i).key(), 100, 0.7) + "," + Subject.note(keys.get(i + 1).key(), 100, 0.7))
                                .number("below", FindingText.lu(below)).number("above", FindingText.lu(above)).picture(CheckPictures.keys(s, "LUFS", KeyProbe::loudness, null, keys.get(i).key()));
                        return;
                    }
                }
            }, NEIGHBOURS).mendedBy(Repairs.EVEN_KEYS),
            look("level.soft", "Soft notes are still heard.", "Take velocity to level down, or choose a softer curve.", (s, found) -> {
                Optional<KeyProbe> soft = s.probes().middleTouch().stream().filter(t -> t.velocity() == 16).findFirst();
                Optional<KeyProbe> hard = s.probes().middleTouch().stream().filter(t -> t.velocity() == 100).findFirst();
                if (soft.isPresent() && hard.isPresent() && hard.get().figures().heard() && hard.get().loudness() - Math.max(-100, soft.get().loudness()) > s.limit(SOFT)) {
                    double quieter = hard.get().loudness() - Math.max(-100, soft.get().loudness());
                    found.add("A note at velocity 16 is %.0f LU quieter than one at 100; the house allows %.0f.", quieter, s.limit(SOFT)).at("performance.velocityToLevel")
                            .clip(Subject.note(s.key(), 16, 0.8) + "," + Subject.note(s.key(), 100, 0.8)).number("quieter by", FindingText.lu(quieter))
                            .picture(CheckPictures.touch(s.probes().middleTouch(), 16.0));
                }
            }, SOFT).mendedBy(Repairs.GENTLER_VELOCITY));

    private LevelRules() {
    }

    /** The probed keys of the category's register. */
    static List<KeyProbe> register(Subject s) {
        return s.probes().keys().stream().filter(k -> k.key() >= s.expected().lowKey() && k.key() <= s.expected().highKey()).toList();
    }
}
