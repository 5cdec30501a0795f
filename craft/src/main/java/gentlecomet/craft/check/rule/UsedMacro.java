package gentlecomet.craft.check.rule;

import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;

/** A macro of a patch that moves something. @param number from 0 */
record UsedMacro(int number, Macro macro) {

    /** The macros of a patch that move something, by targets or by routes. */
    static List<UsedMacro> of(Patch patch) {
        List<UsedMacro> used = new ArrayList<>();
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            int number = m;
            boolean routed = patch.routes().stream().anyMatch(r -> r.source().ordinal() == Modulator.MACRO_1.ordinal() + number);
            if (routed || !patch.macros().get(m).unused()) {
                used.add(new UsedMacro(m, patch.macros().get(m)));
            }
        }
        return used;
    }

    /** As a sentence begins with it. */
    String title() {
        return "Macro " + (number + 1) + (macro.name().isEmpty() ? "" : " (" + macro.name() + ")");
    }

    String place() {
        return "macro" + (number + 1);
    }
}
