package gentlecomet.craft.check.rule;

import static gentlecomet.craft.check.SoundcheckRule.fault;

import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.Findings;
import gentlecomet.craft.check.Repairs;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.check.Threshold;
import gentlecomet.craft.probe.ClickProbe;
import gentlecomet.craft.probe.HandProbe;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import java.util.List;

/** Clicks: what is heard above 6 kHz for a moment and is not the sound's own. */
public final class ClickRules {

    private static final String[] RULES = {"click.start", "click.end", "click.change", "click.hand"};
    private static final Threshold[] EXCESS = thresholds("excess", "dB", 18, "by which the moment stands out above 6 kHz against the 40 ms around it");
    private static final Threshold[] LEVEL = thresholds("level", "dB", -46, "of what stands out, against the peak of the sound");

    /** All of them. */
    public static final List<SoundcheckRule> ALL = List.of(
            fault("click.start", "A note starts without a click, unless it is struck.", "Give the amplitude envelope an attack of 2 ms or more, or start the waves at their zero.", (s, found) -> {
                if (!s.expected().struck()) {
                    clicks(s, found, 0, s.probes().starts(), "A note starts with a click", "layer" + (s.soundingLayers().get(0) + 1) + ".amplitude.attack");
                }
            }, EXCESS[0], LEVEL[0]).mendedBy(Repairs.SOFTER_ATTACK),
            fault("click.end", "A note ends without a click.", "Give the amplitude envelope a release of 10 ms or more.",
                    (s, found) -> clicks(s, found, 1, s.probes().ends(), "A note ends with a click when its key is let go", SilenceRules.release(s)), EXCESS[1], LEVEL[1]).mendedBy(Repairs.SOFTER_RELEASE),
            fault("click.change", "Glides, keys that are struck again and voices that are taken away do not click.", "Give the patch more voices or a softer attack, or let it play legato.", (s, found) -> {
                boolean starts = clicks(s, 0, s.probes().starts());
                boolean ends = clicks(s, 1, s.probes().ends());
                for (ClickProbe change : s.probes().changes()) {
                    if (!starts && !ends && !s.expected().struck() && clicks(s, 2, change)) {
                        clicks(s, found, 2, change, "There is a click where one note takes the place of another",
                                Parameters.at(PatchParameters.VOICES).id());
                        return;
                    }
                }
            }, EXCESS[2], LEVEL[2]).mendedBy(Repairs.SOFTER_ATTACK, Repairs.MORE_VOICES),
            fault("click.hand", "Macros and wheels move without clicks.", "Let the macro move something that glides in place of something that steps.", (s, found) -> {
                for (HandProbe hand : s.probes().hands()) {
                    clicks(s, found, 3, hand.click(), HandRules.title(s, hand) + " clicks while it moves", HandRules.place(hand));
                }
            }, EXCESS[3], LEVEL[3]));

    private ClickRules() {
    }

    private static Threshold[] thresholds(String id, String unit, double standard, String text) {
        Threshold[] all = new Threshold[RULES.length];
        for (int i = 0; i < RULES.length; i++) {
            all[i] = new Threshold(RULES[i], id, unit, standard, text);
        }
        return all;
    }

    private static boolean clicks(Subject s, int rule, ClickProbe click) {
        return click.excessDb() > s.limit(EXCESS[rule]) && click.levelDb() > s.limit(LEVEL[rule]);
    }

    private static void clicks(Subject s, Findings found, int rule, ClickProbe click, String message, String place) {
        if (clicks(s, rule, click)) {
            found.add("%s: %.0f dB above what the sound has there by itself.", message, click.excessDb()).at(place).clip(click.clip())
                    .number("stands out by", FindingText.db(click.excessDb())).number("level", FindingText.db(click.levelDb())).number("at", FindingText.seconds(click.seconds()));
        }
    }
}
