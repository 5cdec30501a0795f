package gentlecomet.studio.bench.view;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.List;

/**
 * One value bar.
 *
 * @param macro    number of the macro that holds it, 0 when none does
 * @param brackets where routes and the macro take it, as "modulator,low,high" with positions from 0 to 1
 * @param decides  whether other parameters come and go with it
 */
public record Bar(Parameter parameter, double value, int macro, String brackets, boolean decides) {
    public String html() {
        return BarMarkup.of(this);
    }

    public boolean choice() {
        return !parameter.choices().isEmpty();
    }

    /** The value bar of a parameter. */
    static Bar of(Patch patch, Parameter p) {
        double value = patch.soundingValue(p);
        List<String> brackets = new ArrayList<>();
        int macro = patch.holdingMacro(p);
        if (macro >= 0) {
            MacroTarget target = patch.targetOf(macro, p);
            brackets.add("Macro " + (macro + 1) + "," + p.position(target.low()) + "," + p.position(target.high()));
        }
        for (Route route : patch.routes()) {
            if (route.target().equals(p)) {
                double[] reach = route.reach(value);
                brackets.add(route.source().label() + "," + p.position(reach[0]) + "," + p.position(reach[1]));
            }
        }
        return new Bar(p, value, macro + 1, String.join(";", brackets), Parameters.decides(p) || p.facts().bringsParts());
    }
}
