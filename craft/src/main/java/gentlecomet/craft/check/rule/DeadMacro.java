package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.check.Threshold;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import java.util.ArrayList;
import java.util.List;

/** A macro that nobody hears. */
public final class DeadMacro extends SoundcheckRule {

    public DeadMacro() {
        super("macro.dead", Finding.Severity.FAULT, "A macro changes the sound between its ends.", "Give the macro other ends or another target, or remove it.");
    }

    private static final int VELOCITY = 100;

    @Override
    public List<Threshold> thresholds() {
        return List.of(Subject.UNHEARD);
    }

    @Override
    public List<Finding> check(Subject subject) {
        List<Finding> findings = new ArrayList<>();
        for (UsedMacro used : UsedMacro.of(subject.patch())) {
            double heard = subject.difference(at(subject.patch(), used.number(), 0), at(subject.patch(), used.number(), 100), VELOCITY, VELOCITY);
            if (heard < Subject.UNHEARD.standard()) {
                findings.add(finding(used.title() + " changes nothing that can be heard between its ends.", used.place(), KeyName.of(subject.key()) + ":100:1",
                        "difference", FindingText.difference(heard)));
            }
        }
        return findings;
    }

    private static double[] at(Patch patch, int macro, double position) {
        return PatchImage.of(patch.withValue(Parameters.at(PatchParameters.MACRO + macro), position));
    }
}
