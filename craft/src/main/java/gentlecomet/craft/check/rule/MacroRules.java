package gentlecomet.craft.check.rule;

import static gentlecomet.craft.check.SoundcheckRule.fault;
import static gentlecomet.craft.check.SoundcheckRule.look;

import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.Findings;
import gentlecomet.craft.check.Repairs;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.check.Threshold;
import gentlecomet.craft.probe.HandProbe;
import gentlecomet.craft.rules.MacroPurpose;
import gentlecomet.sound.parameter.PatchParameters;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** What macros do, against their names, their slots and each other. */
public final class MacroRules {

    private static final Threshold UNHEARD = new Threshold("macro.dead", "unheard", "dB", -50, "difference to the sound itself below which a change is not heard");
    private static final Threshold SAME_ENDS = new Threshold("macro.ends", "unheard", "dB", -50, "difference of the ends below which they are the same");
    private static final Threshold OFF = new Threshold("macro.default", "off", "%", 0.5, "by which a macro may stand elsewhere");
    private static final Threshold ALIKE = new Threshold("macro.same", "alike", "%", 97, "likeness of what two macros do from which on they do the same");
    private static final Threshold LEAST = new Threshold("macro.same", "change", "dB", 6, "least change, over all bands, of a macro that is compared");
    private static final Threshold AGAINST = new Threshold("macro.inverted", "octaves", "oct", 0.3, "by which a macro may go against its name, in octaves of brightness or doublings of a time");

    private static final double LEAST_SECONDS = 0.005;
    private static final double NARROW = 1e-3;

    /** What names of macros promise; common practice. */
    private static final Map<String, MacroPurpose.Change> PROMISES = Map.ofEntries(Map.entry("brightness", MacroPurpose.Change.BRIGHTER), Map.entry("bright", MacroPurpose.Change.BRIGHTER),
            Map.entry("cutoff", MacroPurpose.Change.BRIGHTER), Map.entry("light", MacroPurpose.Change.BRIGHTER), Map.entry("dark", MacroPurpose.Change.DARKER), Map.entry("darkness", MacroPurpose.Change.DARKER),
            Map.entry("release", MacroPurpose.Change.LONGER_TAIL), Map.entry("tail", MacroPurpose.Change.LONGER_TAIL), Map.entry("space", MacroPurpose.Change.LONGER_TAIL),
            Map.entry("reverb", MacroPurpose.Change.LONGER_TAIL), Map.entry("echo", MacroPurpose.Change.LONGER_TAIL), Map.entry("attack", MacroPurpose.Change.SLOWER_ATTACK));

    /** All of them. */
    public static final List<SoundcheckRule> ALL = List.of(
            look("macro.few", "A patch has as many macros as the house wants.", "Give another macro a target on the stage of performance.", (s, found) -> {
                int used = UsedMacro.of(s.patch()).size();
                if (used < s.house().fewestMacros()) {
                    found.add("The patch has %d macros; the house wants at least %d.", used, s.house().fewestMacros()).at("macro1").number("macros", String.valueOf(used));
                }
            }),
            look("macro.unnamed", "A macro that moves something has a name.", "Name the macro on the stage of performance.", (s, found) -> {
                for (UsedMacro used : UsedMacro.of(s.patch())) {
                    if (used.macro().name().isEmpty()) {
                        found.add("%s moves something but has no name.", used.title()).at(used.place()).clip("sweep=" + used.place() + " " + Subject.note(s.key(), 100, 2));
                    }
                }
            }).mendedBy(Repairs.MACRO_NAME),
            look("macro.order", "A macro stands where the house has its name.", "Swap the macros, or rename this one.", (s, found) -> {
                for (UsedMacro used : UsedMacro.of(s.patch())) {
                    List<String> names = s.house().macroNames();
                    String wanted = used.number() < names.size() ? names.get(used.number()) : "";
                    if (!used.macro().name().isEmpty() && !wanted.isEmpty() && !used.macro().name().equals(wanted)) {
                        found.add("%s stands where the house has \"%s\".", used.title(), wanted).at(used.place()).clip("sweep=" + used.place() + " " + Subject.note(s.key(), 100, 2))
                                .number("expected", wanted).number("found", used.macro().name());
                    }
                }
            }).mendedBy(Repairs.MACRO_ORDER, Repairs.MACRO_NAME),
            look("macro.default", "A macro stands where the house wants it when the patch is loaded.", "Set the position of the macro, or leave the field of the house rule empty.", (s, found) -> {
                for (UsedMacro used : UsedMacro.of(s.patch())) {
                    double wanted = s.house().macroDefault(used.number());
                    double stands = s.patch().value(PatchParameters.MACRO + used.number());
                    if (wanted >= 0 && Math.abs(stands - wanted) > s.limit(OFF)) {
                        found.add("%s stands at %.0f %%; the house wants %.0f %%.", used.title(), stands, wanted).at(used.place()).number("expected", FindingText.percent(wanted)).number("found", FindingText.percent(stands));
                    }
                }
            }, OFF).mendedBy(Repairs.MACRO_DEFAULT),
            fault("macro.dead", "A macro changes the sound.", "Give the macro other ends or another target, or remove it.", (s, found) -> {
                for (HandProbe h : macros(s)) {
                    if (h.difference() < s.limit(UNHEARD)) {
                        found.add("%s changes nothing that can be heard.", HandRules.title(s, h)).at(h.hand()).clip("sweep=" + h.hand() + " " + Subject.note(h.key(), 100, 2))
                                .number("difference", FindingText.difference(h.difference())).picture(CheckPictures.hand(h, "LUFS", HandProbe.Point::loudness, null, null));
                    }
                }
            }, UNHEARD),
            look("macro.ends", "The ends of a macro differ.", "Give the targets ends that do not take each other back.", (s, found) -> {
                for (HandProbe h : macros(s)) {
                    if (h.difference() >= s.limit(SAME_ENDS) && h.ends() < s.limit(SAME_ENDS)) {
                        found.add("%s sounds the same at both ends, though not between them.", HandRules.title(s, h)).at(h.hand()).clip("sweep=" + h.hand() + " " + Subject.note(h.key(), 100, 2))
                                .number("ends", FindingText.difference(h.ends())).number("between", FindingText.difference(h.difference()))
                                .picture(CheckPictures.hand(h, "brightness, Hz", HandProbe.Point::brightnessHz, null, null));
                    }
                }
            }, SAME_ENDS),
            look("macro.purpose", "A macro does over its travel what its slot is for.", "Give the macro ends that are farther apart, or another target.", (s, found) -> {
                for (HandProbe h : macros(s)) {
                    MacroPurpose wanted = s.house().conventions().purpose(h.macro());
                    if (wanted.change() != MacroPurpose.Change.ANY) {
                        double moved = moved(wanted.change(), h, s.limit(UNHEARD));
                        if (!(moved >= wanted.least())) {
                            String unit = wanted.change().unit();
                            found.add("%s makes %.2f %s over its travel; the house wants at least %.2f %s: %s.", HandRules.title(s, h), moved, unit, wanted.least(), unit, wanted.change().words()).at(h.hand())
                                    .clip("sweep=" + h.hand() + " " + Subject.note(h.key(), 100, 2)).number("found", String.format(Locale.ROOT, "%.2f %s", moved, unit))
                                    .number("wanted", String.format(Locale.ROOT, "%.2f %s", wanted.least(), unit)).picture(CheckPictures.hand(h, "LUFS", HandProbe.Point::loudness, null, null));
                        }
                    }
                }
            }).mendedBy(Repairs.TURN_MACRO),
            fault("macro.inverted", "A macro does not do the opposite of its name.", "Exchange the ends of its targets, or call it otherwise.", (s, found) -> {
                for (HandProbe h : macros(s)) {
                    MacroPurpose.Change promised = PROMISES.get(s.patch().macros().get(h.macro()).name().toLowerCase(Locale.ROOT));
                    if (promised != null && against(promised, h) > s.limit(AGAINST)) {
                        found.add("%s makes the sound %s.", HandRules.title(s, h), opposite(promised)).at(h.hand()).clip("sweep=" + h.hand() + " " + Subject.note(h.key(), 100, 2))
                                .number("against its name", FindingText.octaves(against(promised, h))).picture(CheckPictures.hand(h, "brightness, Hz", HandProbe.Point::brightnessHz, null, null));
                    }
                }
            }, AGAINST).mendedBy(Repairs.TURN_MACRO),
            look("macro.same", "No two macros do the same.", "Give one of them another target.", MacroRules::same, ALIKE, LEAST));

    private MacroRules() {
    }

    private static List<HandProbe> macros(Subject s) {
        return s.probes().hands().stream().filter(h -> h.macro() >= 0).toList();
    }

    /** How far the change goes from one end to the other, in its unit. */
    static double moved(MacroPurpose.Change change, HandProbe h, double unheard) {
        HandProbe.Point low = h.first();
        HandProbe.Point high = h.last();
        return switch (change) {
            case ANY -> 0;
            case BRIGHTER -> h.brighterOctaves();
            case DARKER -> -h.brighterOctaves();
            case LOUDER -> high.loudness() - low.loudness();
            case LONGER_TAIL -> Math.max(LEAST_SECONDS, high.tailSeconds()) / Math.max(LEAST_SECONDS, low.tailSeconds());
            case SLOWER_ATTACK -> Math.max(LEAST_SECONDS, high.attackSeconds()) / Math.max(LEAST_SECONDS, low.attackSeconds());
            case WIDER -> 10 * Math.log10(Math.max(NARROW, high.sideToMid()) / Math.max(NARROW, low.sideToMid()));
            case ROUGHER -> 100 * (high.noisiness() - low.noisiness());
            case HEARD -> h.difference() - unheard;
        };
    }

    /** How far it goes the other way, in octaves or doublings. */
    private static double against(MacroPurpose.Change promised, HandProbe h) {
        return switch (promised) {
            case BRIGHTER -> -h.brighterOctaves();
            case DARKER -> h.brighterOctaves();
            case LONGER_TAIL -> doublings(Math.max(0.1, h.last().tailSeconds()), Math.max(0.1, h.first().tailSeconds()));
            case SLOWER_ATTACK -> doublings(Math.max(0.02, h.last().attackSeconds()), Math.max(0.02, h.first().attackSeconds()));
            default -> 0;
        };
    }

    private static double doublings(double at, double from) {
        return Math.log(from / at) / Math.log(2);
    }

    private static String opposite(MacroPurpose.Change promised) {
        return switch (promised) {
            case BRIGHTER -> "darker";
            case DARKER -> "brighter";
            case LONGER_TAIL -> "shorter";
            default -> "faster to rise";
        };
    }

    private static void same(Subject s, Findings found) {
        List<HandProbe> macros = macros(s);
        for (int a = 0; a < macros.size(); a++) {
            for (int b = a + 1; b < macros.size(); b++) {
                List<Double> x = macros.get(a).change();
                List<Double> y = macros.get(b).change();
                double xx = 0;
                double yy = 0;
                double xy = 0;
                for (int i = 0; i < x.size(); i++) {
                    xx += x.get(i) * x.get(i);
                    yy += y.get(i) * y.get(i);
                    xy += x.get(i) * y.get(i);
                }
                double least = s.limit(LEAST);
                double ratio = Math.sqrt(xx / Math.max(1e-9, yy));
                double alike = 100 * Math.abs(xy) / Math.sqrt(Math.max(1e-9, xx * yy));
                if (Math.min(xx, yy) > least * least && alike > s.limit(ALIKE) && ratio > 0.66 && ratio < 1.5) {
                    found.add("%s and %s do the same to the sound.", HandRules.title(s, macros.get(a)), HandRules.title(s, macros.get(b)).replace("Macro", "macro")).at(macros.get(b).hand())
                            .clip("sweep=" + macros.get(b).hand() + " " + Subject.note(macros.get(b).key(), 100, 2)).number("likeness", FindingText.percent(alike))
                            .picture(CheckPictures.hand(macros.get(b), "brightness, Hz", HandProbe.Point::brightnessHz, null, null));
                }
            }
        }
    }
}
