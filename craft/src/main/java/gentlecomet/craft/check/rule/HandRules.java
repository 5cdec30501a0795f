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
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/** Macros, wheels and pressure at their ends, alone and together. */
public final class HandRules {

    private static final Threshold UNHEARD_WHEEL = new Threshold("expression.wheel", "unheard", "dB", -50, "difference to the sound itself below which a change is not heard");
    private static final Threshold UNHEARD_PRESSURE = new Threshold("expression.pressure", "unheard", "dB", -50, "difference to the sound itself below which a change is not heard");
    private static final Threshold UNHEARD_CLAIM = new Threshold("expression.claim", "unheard", "dB", -60, "difference to the sound itself below which a change is not heard");
    private static final Threshold JUMP_LU = new Threshold("hand.jump", "loudness", "LU", 10, "least step of loudness in a quarter of the travel that may be a jump");
    private static final Threshold JUMP_OCTAVES = new Threshold("hand.jump", "brightness", "oct", 2, "least step of brightness that may be one");
    private static final Threshold JUMP_PART = new Threshold("hand.jump", "part", "%", 70, "part of the whole way that is done in it");
    private static final Threshold PEAK = new Threshold("hand.ceiling", "peak", "dBTP", 0, "greatest true peak of a note with one hand anywhere");
    private static final Threshold SILENT = new Threshold("hand.silent", "quieter", "LU", 36, "by which a hand may make a note quieter than it is at its loudest");
    private static final Threshold SHRIEK = new Threshold("hand.shriek", "part", "%", 70, "of the power in one third of an octave far above the pitch");
    private static final Threshold PITCH = new Threshold("hand.pitch", "off", "ct", 35, "by which the pitch may stay off its key at the end of a macro, the wheel or pressure");
    private static final Threshold TOGETHER = new Threshold("hand.together", "peak", "dBTP", 9, "greatest true peak of a hard note with every hand where it is loudest");

    /** All of them. */
    public static final List<SoundcheckRule> ALL = List.of(
            look("expression.wheel", "The mod wheel changes the sound.", "Route the wheel to vibrato, the cutoff or a macro's target.", (s, found) -> moves(s, found, "wheel", UNHEARD_WHEEL, "The mod wheel"), UNHEARD_WHEEL),
            look("expression.pressure", "Aftertouch changes the sound.", "Route aftertouch to the cutoff or to vibrato.", (s, found) -> moves(s, found, "pressure", UNHEARD_PRESSURE, "Aftertouch"), UNHEARD_PRESSURE),
            look("expression.claim", "A pedal, breath or release velocity that has a route is heard.", "Give the route more depth, or take it away.", (s, found) -> {
                for (String hand : List.of("breath", "pedal", "release")) {
                    s.probes().hand(hand).filter(h -> h.difference() < s.limit(UNHEARD_CLAIM)).ifPresent(h ->
                            found.add("%s has a route, but nothing of it is heard.", title(s, h)).at("routes").clip(s.probe()).number("difference", FindingText.difference(h.difference()))
                                    .picture(CheckPictures.hand(h, "LUFS", HandProbe.Point::loudness, null, null)));
                }
            }, UNHEARD_CLAIM),
            look("hand.jump", "A hand changes the sound evenly.", "Bend the target's curve, or bring its ends nearer together.", (s, found) -> {
                for (HandProbe h : s.probes().hands()) {
                    int jump = h.points().size() < 4 ? -1 : h.jump(s.limit(JUMP_LU), s.limit(JUMP_OCTAVES), s.limit(JUMP_PART) / 100);
                    if (jump > 0) {
                        HandProbe.Point from = h.points().get(jump - 1);
                        HandProbe.Point to = h.points().get(jump);
                        found.add("%s jumps between %.0f and %.0f %%: %+.1f LU and %+.1f octaves of brightness there.", title(s, h), from.position(), to.position(), to.loudness() - from.loudness(), HandProbe.octaves(from, to))
                                .at(place(h)).clip("sweep=" + h.hand() + " " + Subject.note(h.key(), 100, 2)).number("loudness", FindingText.lu(to.loudness() - from.loudness())).number("brightness", FindingText.octaves(HandProbe.octaves(from, to)))
                                .picture(CheckPictures.hand(h, "LUFS", HandProbe.Point::loudness, null, to.position()));
                    }
                }
            }, JUMP_LU, JUMP_OCTAVES, JUMP_PART),
            fault("hand.ceiling", "A note does not clip wherever one hand stands.", "Lower the end of the target that makes it loud, or put a limiter at the end of the chain.", (s, found) -> {
                for (HandProbe h : s.probes().hands()) {
                    HandProbe.Point loudest = h.points().stream().max((a, b) -> Double.compare(a.peakDbtp(), b.peakDbtp())).orElseThrow();
                    // What is too loud wherever the hand stands is not the hand's doing.
                    boolean everywhere = h.points().stream().allMatch(p -> p.peakDbtp() > s.limit(PEAK));
                    if (loudest.peakDbtp() > s.limit(PEAK) && !everywhere) {
                        found.add("%s at %.0f %% brings a single note to %.1f dBTP.", title(s, h), loudest.position(), loudest.peakDbtp()).at(place(h)).clip(clip(h, loudest.position()))
                                .number("true peak", FindingText.dbtp(loudest.peakDbtp())).number("limit", FindingText.dbtp(s.limit(PEAK)))
                                .picture(CheckPictures.hand(h, "dBTP", HandProbe.Point::peakDbtp, s.limit(PEAK), loudest.position()));
                    }
                }
            }, PEAK).mendedBy(Repairs.LIMITER),
            fault("hand.silent", "No hand silences the patch.", "Bring the end that silences it in.", (s, found) -> {
                for (HandProbe h : s.probes().hands()) {
                    double loudest = h.points().stream().mapToDouble(HandProbe.Point::loudness).max().orElse(0);
                    h.points().stream().filter(p -> Math.max(-100, p.loudness()) < loudest - s.limit(SILENT)).findFirst().ifPresent(p ->
                            found.add("%s at %.0f %% leaves hardly anything to hear: %.0f LU less than at its loudest.", title(s, h), p.position(), loudest - Math.max(-100, p.loudness())).at(place(h))
                                    .clip(clip(h, p.position())).number("less by", FindingText.lu(loudest - Math.max(-100, p.loudness())))
                                    .picture(CheckPictures.hand(h, "LUFS", HandProbe.Point::loudness, null, p.position())));
                }
            }, SILENT),
            fault("hand.endless", "A note ends wherever one hand stands.", "Bring the end of the feedback or the release in.", (s, found) -> {
                if (s.measurement().endless()) {
                    return;
                }
                for (HandProbe h : s.probes().hands()) {
                    if (!h.hand().equals("pedal")) {
                        h.points().stream().filter(HandProbe.Point::rings).findFirst().ifPresent(p ->
                                found.add("%s at %.0f %%: the note goes on after its key was let go.", title(s, h), p.position()).at(place(h)).clip(clip(h, p.position()))
                                        .number("tail", "over " + FindingText.seconds(p.tailSeconds())).picture(CheckPictures.hand(h, "tail, s", HandProbe.Point::tailSeconds, null, p.position())));
                    }
                }
            }).mendedBy(Repairs.TARGET_IN),
            look("hand.shriek", "No hand makes the sound shriek.", "Lower the end of the resonance.", (s, found) -> {
                for (HandProbe h : s.probes().hands()) {
                    double least = h.hand().equals("bend") ? 1 : h.points().stream().mapToDouble(HandProbe.Point::shriek).min().orElse(0);
                    h.points().stream().filter(p -> 100 * p.shriek() > s.limit(SHRIEK) && p.shriek() > least + 0.3).findFirst().ifPresent(p ->
                            found.add("%s at %.0f %%: %.0f %% of the power lies in one third of an octave far above the pitch.", title(s, h), p.position(), 100 * p.shriek()).at(place(h))
                                    .clip(clip(h, p.position())).number("part", FindingText.percent(100 * p.shriek()))
                                    .picture(CheckPictures.hand(h, "part, %", q -> 100 * q.shriek(), s.limit(SHRIEK), p.position())));
                }
            }, SHRIEK).mendedBy(Repairs.TARGET_IN),
            look("hand.pitch", "No macro, wheel or pressure leaves the pitch off its key.", "Centre the target on the pitch, or use a vibrato.", (s, found) -> {
                for (HandProbe h : s.probes().hands()) {
                    Double low = h.first().cents();
                    Double high = h.last().cents();
                    if (movesPitch(s, h) && low != null && high != null) {
                        double off = high - low - 1200 * Math.rint((high - low) / 1200);
                        // Fifths and other intervals are set on purpose; so are octaves.
                        boolean interval = Math.abs(off / 100 - Math.rint(off / 100)) * 100 < 12 && Math.abs(off) > 90;
                        if (Math.abs(off) > s.limit(PITCH) && !interval) {
                            found.add("%s moves the pitch by %.0f cents and leaves it there.", title(s, h), off).at(place(h)).clip("sweep=" + h.hand() + " " + Subject.note(h.key(), 100, 2))
                                    .number("off", FindingText.cents(off)).picture(CheckPictures.pitch(h, low + Math.signum(off) * s.limit(PITCH)));
                        }
                    }
                }
            }, PITCH),
            look("hand.together", "With every hand where it is loudest a hard note does not go far over full scale.", "Put a limiter at the end of the chain, or bring the loudest ends in.", (s, found) -> {
                double peak = s.probes().loudPeakDbtp();
                if (peak > s.limit(TOGETHER)) {
                    found.add("With every hand where it is loudest a hard note reaches %.1f dBTP; the house allows %.1f.", peak, s.limit(TOGETHER)).at("macro1").clip(s.probes().loudClip())
                            .number("true peak", FindingText.dbtp(peak)).number("limit", FindingText.dbtp(s.limit(TOGETHER)));
                }
            }, TOGETHER).mendedBy(Repairs.LIMITER));

    /** Parameters that set a pitch for as long as they stand. */
    private static final Pattern PITCHES = Pattern.compile(".*\\.(octave|semitones|cents|ratio|offset|shift|transpose|combTune)");

    private HandRules() {
    }

    private static void moves(Subject s, Findings found, String hand, Threshold unheard, String title) {
        if (!s.house().conventions().touchMoves()) {
            return;
        }
        s.probes().hand(hand).filter(h -> h.difference() < s.limit(unheard)).ifPresent(h ->
                found.add("%s changes nothing that can be heard.", title).at("routes").clip("sweep=" + hand + " " + Subject.note(h.key(), 100, 2)).number("difference", FindingText.difference(h.difference()))
                        .picture(CheckPictures.hand(h, "LUFS", HandProbe.Point::loudness, null, null)));
    }

    /** Whether a hand, other than the bend, reaches a parameter that sets a pitch. */
    private static boolean movesPitch(Subject s, HandProbe h) {
        List<String> targets = new ArrayList<>();
        if (h.macro() >= 0) {
            s.patch().macros().get(h.macro()).targets().forEach(t -> targets.add(t.target().id()));
        }
        String source = switch (h.hand()) {
            case "wheel" -> "modWheel";
            case "pressure" -> "aftertouch";
            case "bend" -> "";
            default -> h.hand();
        };
        s.patch().routes().stream().filter(r -> r.source().id().equals(source) || r.scaler() == null && r.source().id().equals("key" + source)).forEach(r -> targets.add(r.target().id()));
        return targets.stream().anyMatch(id -> PITCHES.matcher(id).matches());
    }

    /** As a sentence begins with it. */
    static String title(Subject s, HandProbe hand) {
        if (hand.macro() >= 0) {
            String name = s.patch().macros().get(hand.macro()).name();
            return "Macro " + (hand.macro() + 1) + (name.isEmpty() ? "" : " (" + name + ")");
        }
        return switch (hand.hand()) {
            case "wheel" -> "The mod wheel";
            case "pressure" -> "Aftertouch";
            case "bend" -> "The pitch bend";
            case "release" -> "Release velocity";
            default -> hand.hand().substring(0, 1).toUpperCase(Locale.ROOT) + hand.hand().substring(1);
        };
    }

    static String place(HandProbe hand) {
        return hand.macro() >= 0 ? hand.hand() : "routes";
    }

    /** The probe's key with a hand somewhere. */
    static String clip(HandProbe hand, double position) {
        double percent = hand.hand().equals("bend") ? 2 * position - 100 : position;
        boolean known = hand.macro() >= 0 || List.of("wheel", "pressure", "bend").contains(hand.hand());
        return (known ? hand.hand() + "=" + Math.round(percent) + " " : "") + Subject.note(hand.key(), 100, 1);
    }
}
