package gentlecomet.craft.edit;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Unit;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Route;

/** Depths of routes as people type and read them. */
public final class DepthText {

    private DepthText() {
    }

    /**
     * A typed depth in the target's depth unit. For a target in hertz a frequency means "as far as there" from where it
     * sounds now, and is turned into octaves.
     *
     * @throws PatchEdit.EditException when the text has no meaning here
     */
    public static double parse(Parameter target, double sounding, String text) {
        double depth = ValueText.quantity(text, target.depthUnit());
        if (Double.isNaN(depth) && target.unit() == Unit.HERTZ) {
            double hz = ValueText.quantity(text, Unit.HERTZ);
            depth = hz > 0 ? Math.log(hz / sounding) / Math.log(2) : Double.NaN;
        }
        if (Double.isNaN(depth)) {
            String unit = target.depthUnit().symbol();
            throw new PatchEdit.EditException("\"" + text + "\" is not a depth; expected a number" + (unit.isEmpty() ? "" : " of " + unit)
                    + (target.unit() == Unit.HERTZ ? ", or the frequency to reach" : "") + ".");
        }
        return depth;
    }

    /** A depth and how far it reaches, all that shapes and limits it counted in: "+1.30 oct (420.0 Hz to 1.03 kHz)". */
    public static String format(Route route, double sounding) {
        Parameter target = route.target();
        double[] reach = route.reach(sounding);
        return (route.depth() > 0 ? "+" : "") + ValueText.format(route.depth(), target.depthUnit()) + " (" + ValueText.format(target, reach[0]) + " to "
                + ValueText.format(target, reach[1]) + ")";
    }
}
