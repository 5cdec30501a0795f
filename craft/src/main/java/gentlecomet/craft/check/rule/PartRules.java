package gentlecomet.craft.check.rule;

import static gentlecomet.craft.check.SoundcheckRule.fault;
import static gentlecomet.craft.check.SoundcheckRule.look;

import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.LooseEnds;
import gentlecomet.craft.check.Repairs;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Threshold;
import gentlecomet.craft.probe.PartProbe;
import java.util.List;

/** Parts that nobody hears, what was left set up, and whether a sound is the same twice. */
public final class PartRules {

    private static final Threshold UNHEARD = new Threshold("part.unheard", "unheard", "dB", -60, "difference to the sound itself below which a part is not heard");
    private static final Threshold SPREAD = new Threshold("repeat.spread", "loudness", "dB", 15, "spread of ten strikes of a patch in which something is drawn anew for each note");
    private static final Threshold EXACT = new Threshold("repeat.spread", "exact", "dB", 3, "the same where nothing is");

    /** All of them. */
    public static final List<SoundcheckRule> ALL = List.of(
            look("part.unheard", "Every source, layer, effect and route is heard.", "Turn the part up, or switch it off: it costs time and confuses.", (s, found) -> {
                for (PartProbe part : s.probes().parts()) {
                    if (part.difference() < s.limit(UNHEARD)) {
                        found.add("%s can be taken away, and nobody hears it.", part.name()).at(part.place()).clip(s.probe()).number("difference", FindingText.difference(part.difference()));
                    }
                }
            }, UNHEARD).mendedBy(Repairs.PART_OFF),
            look("part.loose", "Nothing is set up that cannot be heard.", "Finish it or put it back.", (s, found) -> {
                for (LooseEnds.LooseEnd end : LooseEnds.of(s.patch())) {
                    found.add("%s", end.words()).at(end.place());
                }
            }).mendedBy(Repairs.PART_OFF),
            fault("repeat.same", "The same note is the same sound twice.", "Tell us: this is a fault of the program.", (s, found) -> {
                if (!s.probes().repeats()) {
                    found.add("Two renders of the same note differ.").clip(s.probe());
                }
            }),
            look("repeat.spread", "Ten strikes of a note are about as loud.", "Let the waves begin at a fixed phase, or lower the depth of what is drawn for each note.", (s, found) -> {
                double limit = s.limit(s.probes().random() ? SPREAD : EXACT);
                if (s.probes().repeatDb() > limit) {
                    found.add("Ten strikes of a note differ by %.1f dB.", s.probes().repeatDb()).at("layer1.source1.phaseStart").clip(strikes(s.probe())).number("spread", FindingText.db(s.probes().repeatDb()))
                            .number("limit", FindingText.db(limit));
                }
            }, SPREAD, EXACT).mendedBy(Repairs.FIXED_PHASE));

    private PartRules() {
    }

    private static String strikes(String probe) {
        String strike = probe.substring(0, probe.lastIndexOf(':')) + ":0.45,-:0.35";
        return String.join(",", List.of(strike, strike, strike, strike, strike));
    }
}
