package gentlecomet.craft.check.rule;

import static gentlecomet.craft.check.SoundcheckRule.fault;
import static gentlecomet.craft.check.SoundcheckRule.look;

import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.Repairs;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.check.Threshold;
import gentlecomet.craft.probe.KeyProbe;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import java.util.List;

/** What velocity does, and how far the pitch bends. */
public final class TouchRules {

    private static final Threshold ALIKE = new Threshold("expression.velocity", "loudness", "LU", 1, "least change of loudness from velocity 16 to 127");
    private static final Threshold AS_BRIGHT = new Threshold("expression.velocity", "brightness", "oct", 0.1, "least change of brightness that counts in its place");
    private static final Threshold INVERTED = new Threshold("expression.inverted", "loudness", "LU", 1, "by which a soft note may be louder than a hard one");
    private static final Threshold STEEPEST = new Threshold("expression.jump", "step", "LU", 12, "by which loudness may change from one probed velocity to the next beyond what the standard law has there");
    private static final Threshold FLAT = new Threshold("expression.deadzone", "flat", "LU", 0.1, "change of loudness between two probed velocities that counts as none");
    private static final Threshold MOVES = new Threshold("expression.deadzone", "whole", "LU", 6, "change over all velocities from which on a flat stretch is a dead zone");

    /** All of them. */
    public static final List<SoundcheckRule> ALL = List.of(
            fault("expression.velocity", "Soft and hard notes sound different.", "Raise velocity to level, or route velocity to the cutoff.", (s, found) -> {
                List<KeyProbe> touch = from16(s);
                if (s.house().conventions().velocityMoves() && touch.size() > 1 && loudness(touch) < s.limit(ALIKE) && Math.abs(octaves(touch)) < s.limit(AS_BRIGHT)) {
                    found.add("Soft and hard notes sound the same.").at("performance.velocityToLevel").clip(both(s)).number("loudness", FindingText.lu(loudness(touch)))
                            .number("brightness", FindingText.octaves(octaves(touch))).picture(CheckPictures.touch(touch, null));
                }
            }, ALIKE, AS_BRIGHT).mendedBy(Repairs.LIVELIER_VELOCITY),
            fault("expression.inverted", "Hard notes are not quieter than soft ones.", "Turn the route or the curve from velocity to level around.", (s, found) -> {
                List<KeyProbe> touch = from16(s);
                if (touch.size() > 1 && touch.get(0).loudness() - touch.get(touch.size() - 1).loudness() > s.limit(INVERTED)) {
                    double by = touch.get(0).loudness() - touch.get(touch.size() - 1).loudness();
                    found.add("A soft note is %.1f LU louder than a hard one.", by).at("performance.velocityToLevel").clip(both(s)).number("louder by", FindingText.lu(by)).picture(CheckPictures.touch(touch, null));
                }
            }, INVERTED).mendedBy(Repairs.LIVELIER_VELOCITY),
            look("expression.jump", "Loudness rises evenly with velocity.", "Let the zones of velocity fade into each other, or even out the curve.", (s, found) -> {
                List<KeyProbe> touch = from16(s);
                for (int i = 1; i < touch.size(); i++) {
                    double usual = 40 * Math.log10((double) touch.get(i).velocity() / touch.get(i - 1).velocity());
                    double step = touch.get(i).loudness() - Math.max(-80, touch.get(i - 1).loudness());
                    if (Math.abs(step) - usual > s.limit(STEEPEST)) {
                        found.add("From velocity %d to %d loudness jumps by %+.1f LU.", touch.get(i - 1).velocity(), touch.get(i).velocity(), step).at("performance.velocityToLevel")
                                .clip(Subject.note(s.key(), touch.get(i - 1).velocity(), 0.8) + "," + Subject.note(s.key(), touch.get(i).velocity(), 0.8)).number("step", FindingText.lu(step))
                                .picture(CheckPictures.touch(touch, (double) touch.get(i).velocity()));
                        return;
                    }
                }
            }, STEEPEST),
            look("expression.deadzone", "No stretch of velocities sounds alike.", "Even out the velocity curve.", (s, found) -> {
                List<KeyProbe> touch = from16(s);
                if (touch.size() < 4 || loudness(touch) < s.limit(MOVES)) {
                    return;
                }
                for (int i = 1; i < touch.size(); i++) {
                    KeyProbe a = touch.get(i - 1);
                    KeyProbe b = touch.get(i);
                    if (Math.abs(b.loudness() - a.loudness()) < s.limit(FLAT) && Math.abs(Math.log(b.figures().brightnessHz() / a.figures().brightnessHz())) < 0.03) {
                        found.add("From velocity %d to %d nothing changes, though it does elsewhere.", a.velocity(), b.velocity()).at("performance.velocityCurve")
                                .clip(Subject.note(s.key(), a.velocity(), 0.8) + "," + Subject.note(s.key(), b.velocity(), 0.8)).number("change", FindingText.lu(b.loudness() - a.loudness()))
                                .picture(CheckPictures.touch(touch, (double) b.velocity()));
                        return;
                    }
                }
            }, FLAT, MOVES),
            look("range.bend", "The pitch bend has the house's range.", "Set the bend up and down on the stage of performance.", (s, found) -> {
                double wanted = s.house().conventions().bendRange();
                double up = s.patch().value(PatchParameters.BEND_UP);
                double down = s.patch().value(PatchParameters.BEND_DOWN);
                if (wanted != 0 && (up != wanted || down != wanted)) {
                    found.add("The pitch bend goes %.0f st up and %.0f st down; the house wants %.0f st both ways.", up, down, wanted).at(Parameters.at(PatchParameters.BEND_UP).id())
                            .clip("sweep=bend " + Subject.note(s.key(), 100, 2)).number("expected", String.format("%.0f st", wanted)).number("found", String.format("%.0f / %.0f st", up, down));
                }
            }).mendedBy(Repairs.BEND_RANGE));

    private TouchRules() {
    }

    /** The middle key from velocity 16 on. */
    private static List<KeyProbe> from16(Subject s) {
        return s.probes().middleTouch().stream().filter(t -> t.velocity() >= 16).toList();
    }

    private static double loudness(List<KeyProbe> touch) {
        return touch.stream().mapToDouble(KeyProbe::loudness).max().orElse(0) - touch.stream().mapToDouble(KeyProbe::loudness).min().orElse(0);
    }

    private static double octaves(List<KeyProbe> touch) {
        return Math.log(Math.max(20, touch.get(touch.size() - 1).figures().brightnessHz()) / Math.max(20, touch.get(0).figures().brightnessHz())) / Math.log(2);
    }

    private static String both(Subject s) {
        return Subject.note(s.key(), 24, 0.8) + "," + Subject.note(s.key(), 120, 0.8);
    }
}
