package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.Patch;
import java.util.List;
import java.util.Locale;

/** Pitch of the probe against its key. */
public final class ProbeTuning extends SoundcheckRule {

    public ProbeTuning() {
        super("pitch.tuning", Finding.Severity.FAULT, "The probe sounds within the house's cents of its key.", "Set the fine tune of the source that is named, or take detune and bends away.");
    }

    @Override
    public List<Finding> check(Subject subject) {
        Double cents = subject.measurement().pitchCents();
        double allowed = subject.house().tuningCents();
        return cents == null || Math.abs(cents) <= allowed ? List.of() : List.of(finding(String.format(Locale.ROOT, "%s sounds %.0f cents %s; the house allows %.0f.",
                KeyName.of(subject.key()), Math.abs(cents), cents > 0 ? "sharp" : "flat", allowed), place(subject), subject.probe(),
                "offset", String.format(Locale.ROOT, "%+.1f ct", cents)));
    }

    /** The fine tune of the loudest source that plays the key. */
    private static String place(Subject subject) {
        List<Integer> layers = subject.soundingLayers();
        int loudest = Parameters.ofSource(layers.get(0), 0, 0);
        for (int layer : layers) {
            for (int source = 0; source < LayerParameters.SOURCES; source++) {
                int at = Parameters.ofSource(layer, source, 0);
                loudest = level(subject.patch(), at) > level(subject.patch(), loudest) ? at : loudest;
            }
        }
        return Parameters.at(loudest + SourceParameters.CENTS).id();
    }

    private static double level(Patch patch, int source) {
        return patch.soundingValue(Parameters.at(source + SourceParameters.LEVEL));
    }
}
