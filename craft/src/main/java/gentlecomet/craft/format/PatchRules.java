package gentlecomet.craft.format;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;

/** What a route or a macro may do: the rules shared by files and by the screens. */
public final class PatchRules {

    private PatchRules() {
    }

    /** Why a route is not allowed, or null. */
    public static String fault(Route route) {
        Parameter target = route.target();
        if (!Parameters.movable(target)) {
            return "a route cannot move " + name(target);
        }
        if (!(Math.abs(route.depth()) <= target.maxDepth() + 1e-9)) {
            return "expected a depth of up to " + ValueText.format(target.maxDepth(), target.depthUnit()) + " either way";
        }
        if (!(Math.abs(route.bend()) <= 1) || !(route.low() >= -1 && route.high() <= 1 && route.low() <= route.high())) {
            return "expected a bend from -100 to 100 % and limits from -100 to 100 % with the low one first";
        }
        return null;
    }

    /** Why a macro, counted from 0, may not hold a parameter of the patch, or null. */
    public static String macroFault(Patch patch, int macro, Parameter target) {
        if (!Parameters.movable(target)) {
            return "a macro cannot hold " + name(target);
        }
        int other = patch.holdingMacro(target);
        return other >= 0 && other != macro ? "macro " + (other + 1) + " already holds " + name(target) : null;
    }

    /** A parameter with its place, for messages: "Layer 1 filter: Cutoff". */
    public static String name(Parameter p) {
        return p.name();
    }
}
