package gentlecomet.craft.check.rule;

import static gentlecomet.craft.check.SoundcheckRule.fault;
import static gentlecomet.craft.check.SoundcheckRule.look;

import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.Repairs;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.check.Threshold;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.probe.HoldProbe;
import gentlecomet.craft.rules.Category;
import gentlecomet.sound.parameter.Parameters;
import java.util.Comparator;
import java.util.List;

/** Silence, what is no sound, and notes that do not end. */
public final class SilenceRules {

    private static final Threshold DC = new Threshold("silence.dc", "dc", "%", 0.1, "greatest mean of a channel, of full scale");
    private static final Threshold ELSEWHERE = new Threshold("tail.long", "limit", "s", 10, "limit of a patch without a category of the house");
    private static final Threshold GROWS = new Threshold("tail.growing", "growth", "dB", 4, "by which a held note may be louder after 6 s than after 2 s");
    private static final Threshold SLOWEST = new Threshold("tail.growing", "attack", "s", 5, "an attack that takes longer may still be rising");

    /** All of them. */
    public static final List<SoundcheckRule> ALL = List.of(
            fault("silence.none", "A patch is heard.", "Look at the loose ends: a source at level 0, an envelope that never rises, a filter that is closed.", (s, found) -> {
                if (s.measurement().silent()) {
                    found.add("Nothing is heard: the phrase stays below -70 LUFS.").clip(s.probe()).number("loudness", FindingText.lufs(s.measurement().momentaryMaxLufs()));
                }
            }).ofSilenceToo(),
            fault("silence.fault", "Every voice produces valid sound.", "Undo the last step; what the engine silenced is a combination of values that it cannot play.", (s, found) -> {
                int faults = s.probes().phrase().faults();
                if (faults > 0) {
                    found.add("The engine silenced voices that produced no valid sound.").clip(s.probe()).number("voices", String.valueOf(faults));
                }
            }).ofSilenceToo(),
            fault("silence.dc", "The sound has no direct current.", "Take the route or the drive that shifts the wave away, or cut the lows.", (s, found) -> {
                double dc = s.probes().hold().dcPercent();
                if (dc > s.limit(DC)) {
                    found.add("The wave stands %.2f %% of full scale beside its zero; the house allows %.2f %%.", dc, s.limit(DC)).at(level(s)).clip(s.probe())
                            .number("direct current", FindingText.percent(dc)).number("limit", FindingText.percent(s.limit(DC)));
                }
            }, DC).mendedBy(Repairs.LOW_CUT),
            fault("tail.stuck", "A note ends after its key has been let go.", "Shorten the release, or lower the feedback of the delay.", (s, found) -> {
                if (s.measurement().endless()) {
                    found.add("The note is still sounding %.0f s after its key was let go.", Measuring.LONGEST_TAIL).at(release(s)).clip(s.probe())
                            .number("tail", "over " + FindingText.seconds(Measuring.LONGEST_TAIL)).picture(CheckPictures.hold(s, 8.0));
                }
            }).mendedBy(Repairs.SHORTER_RELEASE, Repairs.LESS_FEEDBACK),
            look("tail.long", "The tail of the probe is within the limit of the category.", "Shorten the release or the reverb, or give the category a longer limit in the rules.", (s, found) -> {
                double tail = s.measurement().tailSeconds();
                double limit = s.house().category(s.category()).map(Category::tailLimitSeconds).orElse(s.limit(ELSEWHERE));
                if (!s.measurement().endless() && tail > limit) {
                    found.add("The tail rings for %.1f s; its category allows %.1f s.", tail, limit).at(release(s)).clip(s.probe())
                            .number("tail", FindingText.seconds(tail)).number("limit", FindingText.seconds(limit)).picture(CheckPictures.hold(s, 8.0));
                }
            }, ELSEWHERE).mendedBy(Repairs.SHORTER_RELEASE, Repairs.LESS_FEEDBACK),
            fault("tail.growing", "A note that is held settles.", "Lower a feedback, or let the envelope that rises reach its end sooner.", (s, found) -> {
                HoldProbe hold = s.probes().hold();
                if (hold.growthDb() > s.limit(GROWS) && s.measurement().attackSeconds() < s.limit(SLOWEST)) {
                    found.add("The held note is %.1f dB louder after 6 s than after 2 s: it does not settle.", hold.growthDb()).at(level(s)).clip(Subject.note(s.key(), 100, 8))
                            .number("growth", FindingText.db(hold.growthDb())).number("limit", FindingText.db(s.limit(GROWS))).picture(CheckPictures.hold(s, null));
                }
            }, GROWS, SLOWEST).mendedBy(Repairs.LESS_FEEDBACK));

    private SilenceRules() {
    }

    /** The longest release among the layers that play the probe's key. */
    static String release(Subject subject) {
        return subject.soundingLayers().stream().map(layer -> Parameters.find("layer" + (layer + 1) + ".amplitude.release"))
                .max(Comparator.comparingDouble(subject.patch()::soundingValue)).orElseThrow().id();
    }

    /** The level of the first source of the first layer that sounds. */
    static String level(Subject subject) {
        return "layer" + (subject.soundingLayers().get(0) + 1) + ".source1.level";
    }
}
