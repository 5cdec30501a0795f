package gentlecomet.craft.edit;

import gentlecomet.craft.edit.PatchEdit.AddTarget;
import gentlecomet.craft.edit.PatchEdit.BendTarget;
import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.craft.edit.PatchEdit.RemoveTarget;
import gentlecomet.craft.edit.PatchEdit.SetEnd;
import gentlecomet.craft.format.PatchRules;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;

/** What a macro holds, given on with its ends and the bend between them. A parameter is held by one macro at most, so to another macro it moves; to another layer it is copied. */
public final class TargetEdits {

    private TargetEdits() {
    }

    /** @param macro that holds it, and {@code to} that is to, from 0 @throws EditException when the first does not hold it, or both are the same */
    public static PatchEdit toMacro(Patch patch, int macro, Parameter target, int to) {
        MacroTarget held = held(patch, macro, target);
        if (to < 0 || to >= PatchParameters.MACROS) {
            throw new EditException("A patch has macros 1 to " + PatchParameters.MACROS + ".");
        }
        if (macro == to) {
            throw new EditException("Macro " + (macro + 1) + " holds " + PatchRules.name(target) + " already.");
        }
        List<PatchEdit> edits = new ArrayList<>(List.of(new RemoveTarget(macro, target)));
        edits.addAll(hold(to, target, held));
        return new CompositeEdit(PatchRules.name(target) + " from macro " + (macro + 1) + " to macro " + (to + 1), edits);
    }

    /** The same parameter of another layer as well. @param layer from 0 @throws EditException when it is not one of a layer, or not one of another */
    public static PatchEdit onLayer(Patch patch, int macro, Parameter target, int layer) {
        MacroTarget held = held(patch, macro, target);
        String own = target.id().replaceFirst("^layer\\d\\.", "layer" + (layer + 1) + ".");
        Parameter other = Parameters.find(own);
        if (other == null || other == target) {
            throw new EditException(PatchRules.name(target) + " has no like in layer " + (layer + 1) + ".");
        }
        return new CompositeEdit("Macro " + (macro + 1) + " holds " + PatchRules.name(other) + " as " + PatchRules.name(target), hold(macro, other, held));
    }

    private static MacroTarget held(Patch patch, int macro, Parameter target) {
        MacroTarget held = patch.targetOf(macro, target);
        if (held == null) {
            throw new EditException("Macro " + (macro + 1) + " does not hold " + PatchRules.name(target) + ".");
        }
        return held;
    }

    private static List<PatchEdit> hold(int macro, Parameter target, MacroTarget as) {
        return List.of(new AddTarget(macro, target), new SetEnd(macro, target, false, as.low()), new SetEnd(macro, target, true, as.high()), new BendTarget(macro, target, as.bend()));
    }
}
