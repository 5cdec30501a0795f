package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Subject;
import gentlecomet.sound.parameter.Parameters;
import java.util.Comparator;

/** Where tails of notes are set. */
final class Tails {

    private Tails() {
    }

    /** The longest release among the layers that play the probe's key. */
    static String place(Subject subject) {
        return subject.soundingLayers().stream().map(layer -> Parameters.find("layer" + (layer + 1) + ".amplitude.release"))
                .max(Comparator.comparingDouble(subject.patch()::soundingValue)).orElseThrow().id();
    }
}
