package gentlecomet.craft.check.rule;

import static gentlecomet.craft.check.SoundcheckRule.fault;
import static gentlecomet.craft.check.SoundcheckRule.look;

import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.Repairs;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.check.Threshold;
import gentlecomet.craft.measure.StereoImage;
import gentlecomet.sound.effect.EffectType;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import java.util.List;

/** Stereo, low end and effects that take the sound over. */
public final class SpaceRules {

    private static final Threshold LOSS = new Threshold("space.mono", "loss", "dB", 3.5, "greatest loss of power when the channels are summed");
    private static final Threshold SIDE = new Threshold("space.side", "balance", "dB", 6, "greatest difference of the channels");
    private static final Threshold PHASE = new Threshold("space.phase", "correlation", "", -0.1, "least correlation of the channels");
    private static final Threshold LOW = new Threshold("space.low", "correlation", "", 0.35, "least correlation of what lies below 120 Hz");
    private static final Threshold LOW_PART = new Threshold("space.low", "part", "%", 8, "part of the power below 120 Hz from which on it counts");
    private static final Threshold RUMBLE = new Threshold("space.rumble", "level", "dB", -4, "greatest level below 30 Hz against all");
    private static final Threshold MUD = new Threshold("space.mud", "level", "dB", -1.5, "greatest level below 150 Hz in the tail against all of the tail");
    private static final Threshold WET = new Threshold("space.wet", "mix", "%", 99, "mix of a delay or reverb from which on nothing dry is left");

    /** All of them. */
    public static final List<SoundcheckRule> ALL = List.of(
            look("space.mono", "Summed to one channel the sound loses little.", "Take width away: of the unison, of a widener, of an inverted side.", (s, found) -> {
                StereoImage stereo = s.probes().phrase().stereo();
                if (stereo.monoLossDb() > s.limit(LOSS) && Math.abs(stereo.balanceDb()) < 20) {
                    found.add("Summed to one channel the phrase loses %.1f dB.", stereo.monoLossDb()).at("layer1.source1.width").clip("mono phrase").number("loss", FindingText.db(stereo.monoLossDb()))
                            .number("correlation", FindingText.plain(stereo.correlation()));
                }
            }, LOSS).mendedBy(Repairs.NARROWER),
            fault("space.side", "The sound stands in the middle.", "Centre the pan of sources and layers.", (s, found) -> {
                double balance = s.probes().phrase().stereo().balanceDb();
                if (Math.abs(balance) > s.limit(SIDE)) {
                    found.add("The %s channel is %.1f dB louder than the other.", balance > 0 ? "right" : "left", Math.abs(balance)).at("layer1.zone.pan").clip("phrase").number("balance", FindingText.db(balance));
                }
            }, SIDE).mendedBy(Repairs.CENTRE),
            fault("space.phase", "The channels are not against each other.", "Look for an inverted side or a delay of a few milliseconds on one side.", (s, found) -> {
                double correlation = s.probes().phrase().stereo().correlation();
                if (correlation < s.limit(PHASE)) {
                    found.add("The channels go against each other: their correlation is %.2f.", correlation).at("layer1.source1.width").clip("mono phrase").number("correlation", FindingText.plain(correlation))
                            .number("loss in mono", FindingText.db(s.probes().phrase().stereo().monoLossDb()));
                }
            }, PHASE).mendedBy(Repairs.NARROWER),
            look("space.low", "What lies below 120 Hz stands in the middle.", "Let a stereo effect sum the lows, or narrow the source that carries them.", (s, found) -> {
                StereoImage stereo = s.probes().phrase().stereo();
                if (stereo.lowCorrelation() < s.limit(LOW) && 100 * stereo.lowPart() > s.limit(LOW_PART)) {
                    found.add("Below 120 Hz the channels have little in common: a correlation of %.2f in %.0f %% of the power.", stereo.lowCorrelation(), 100 * stereo.lowPart()).at("layer1.source1.width")
                            .clip("phrase").number("correlation", FindingText.plain(stereo.lowCorrelation())).number("part", FindingText.percent(100 * stereo.lowPart())).picture(CheckPictures.octaves(s));
                }
            }, LOW, LOW_PART).mendedBy(Repairs.MONO_LOW, Repairs.NARROWER),
            look("space.rumble", "Nothing rumbles below 30 Hz.", "Cut the lows with a filter or an equaliser.", (s, found) -> {
                double db = s.probes().phrase().rumbleDb();
                boolean bass = s.expected().lowKey() < 30;
                if (db > s.limit(RUMBLE) && !bass) {
                    found.add("Below 30 Hz lies %.1f dB of the whole: it is hardly heard, and it takes room.", db).at("layer1.filter1.type").clip("phrase").number("below 30 Hz", FindingText.db(db)).picture(CheckPictures.octaves(s));
                }
            }, RUMBLE).mendedBy(Repairs.LOW_CUT),
            look("space.mud", "The tail is clear below 150 Hz.", "Raise the low cut of the reverb or the delay.", (s, found) -> {
                Double db = s.probes().phrase().tailMudDb();
                if (db != null && db > s.limit(MUD) && reverb(s) >= 0 && s.expected().lowKey() >= 36) {
                    found.add("Below 150 Hz lies %.1f dB of the tail.", db).at(Parameters.at(reverb(s)).id()).clip("phrase").number("below 150 Hz", FindingText.db(db)).picture(CheckPictures.octaves(s));
                }
            }, MUD).mendedBy(Repairs.REVERB_LOW_CUT),
            look("space.wet", "A delay or reverb leaves some of the sound itself.", "Lower its mix.", (s, found) -> {
                for (int slot = 0; slot < PatchParameters.EFFECTS; slot++) {
                    int start = PatchParameters.effect(slot);
                    EffectType type = EffectType.of(s.patch().value(start));
                    boolean on = s.patch().value(start + EffectParameters.ON) == 0;
                    if (on && (type == EffectType.REVERB || type == EffectType.DELAY) && s.patch().soundingValue(Parameters.at(start + EffectParameters.MIX)) > s.limit(WET)) {
                        found.add("The %s in slot %d leaves nothing of the sound itself.", type == EffectType.REVERB ? "reverb" : "delay", slot + 1).at(Parameters.at(start + EffectParameters.MIX).id()).clip(s.probe())
                                .number("mix", FindingText.percent(s.patch().soundingValue(Parameters.at(start + EffectParameters.MIX))));
                    }
                }
            }, WET).mendedBy(Repairs.LESS_MIX));

    private SpaceRules() {
    }

    /** Start of the first reverb that is on, or -1. */
    static int reverb(Subject s) {
        for (int slot = 0; slot < PatchParameters.EFFECTS; slot++) {
            int start = PatchParameters.effect(slot);
            if (EffectType.of(s.patch().value(start)) == EffectType.REVERB && s.patch().value(start + EffectParameters.ON) == 0) {
                return start;
            }
        }
        return -1;
    }
}
