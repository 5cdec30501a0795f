package gentlecomet.sound.patch;

import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.SourceParameters;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Objects;

/**
 * One playable, named sound: the value of every parameter, the routes and the eight macros. Immutable; every change gives
 * a new patch.
 */
public final class Patch {

    /** Routes of a patch at the most. */
    public static final int MAX_ROUTES = 48;

    private final Naming naming;
    private final double[] values;
    private final List<Route> routes;
    private final List<Macro> macros;

    /**
     * @param values one value for each parameter in registry order, copied
     * @param macros exactly eight
     * @throws IllegalArgumentException when a count is wrong
     */
    public Patch(Naming naming, double[] values, List<Route> routes, List<Macro> macros) {
        if (values.length != Parameters.COUNT || macros.size() != PatchParameters.MACROS) {
            throw new IllegalArgumentException("expected " + Parameters.COUNT + " values and " + PatchParameters.MACROS
                    + " macros, found " + values.length + " and " + macros.size());
        }
        this.naming = naming;
        this.values = values.clone();
        this.routes = List.copyOf(routes);
        this.macros = List.copyOf(macros);
    }

    /** The start of everything: dry, open, one sine at -12 dBFS, no route. */
    public static Patch neutral(String name) {
        double[] values = Parameters.neutralValues();
        values[Parameters.ofLayer(0, LayerParameters.ON)] = 1;
        values[Parameters.ofSource(0, 0, SourceParameters.LEVEL)] = -12;
        return new Patch(new Naming(name, "", List.of(), "", ""), values, List.of(),
                Collections.nCopies(PatchParameters.MACROS, Macro.UNUSED));
    }

    public Naming naming() {
        return naming;
    }

    public String name() {
        return naming.name();
    }

    /** The stored value of a parameter; a parameter held by a macro sounds at {@link #soundingValue} instead. */
    public double value(int index) {
        return values[index];
    }

    /** The stored value of the parameter with an id. */
    public double value(String id) {
        return values[Objects.requireNonNull(Parameters.find(id), id).index()];
    }

    public List<Route> routes() {
        return routes;
    }

    /** The eight macros, used or not. */
    public List<Macro> macros() {
        return macros;
    }

    /** Position of a macro from 0 to 1; {@code macro} counts from 0. */
    public double macroPosition(int macro) {
        return values[PatchParameters.MACRO + macro] / 100;
    }

    /** The macro that holds a parameter, counting from 0, or -1. */
    public int holdingMacro(Parameter parameter) {
        for (int m = 0; m < macros.size(); m++) {
            if (targetOf(m, parameter) != null) {
                return m;
            }
        }
        return -1;
    }

    /** The target by which a macro holds a parameter, or null. */
    public MacroTarget targetOf(int macro, Parameter parameter) {
        for (MacroTarget t : macros.get(macro).targets()) {
            if (t.target().equals(parameter)) {
                return t;
            }
        }
        return null;
    }

    /** The value at which a parameter sounds before routes: where its macro puts it, or else as stored. */
    public double soundingValue(Parameter parameter) {
        int macro = holdingMacro(parameter);
        return macro < 0 ? values[parameter.index()] : targetOf(macro, parameter).at(macroPosition(macro));
    }

    public boolean layerOn(int layer) {
        return values[Parameters.ofLayer(layer, LayerParameters.ON)] == 1;
    }

    /**
     * This patch with a parameter sounding at a value, which is limited to its range. Where a macro holds the parameter both
     * ends of the macro's range move along, so that the sound follows the hand.
     */
    public Patch withValue(Parameter parameter, double value) {
        double allowed = parameter.clamp(value);
        int macro = holdingMacro(parameter);
        if (macro >= 0) {
            MacroTarget held = targetOf(macro, parameter);
            double shift = parameter.position(allowed) - parameter.position(held.at(macroPosition(macro)));
            MacroTarget moved = new MacroTarget(parameter, parameter.value(parameter.position(held.low()) + shift),
                    parameter.value(parameter.position(held.high()) + shift));
            List<MacroTarget> targets = new ArrayList<>(macros.get(macro).targets());
            targets.set(targets.indexOf(held), moved);
            return withMacro(macro, macros.get(macro).withTargets(targets));
        }
        double[] changed = values.clone();
        changed[parameter.index()] = allowed;
        return new Patch(naming, changed, routes, macros);
    }

    public Patch withNaming(Naming newNaming) {
        return new Patch(newNaming, values, routes, macros);
    }

    public Patch withRoutes(List<Route> newRoutes) {
        return new Patch(naming, values, newRoutes, macros);
    }

    public Patch withMacro(int macro, Macro newMacro) {
        List<Macro> changed = new ArrayList<>(macros);
        changed.set(macro, newMacro);
        return new Patch(naming, values, routes, changed);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Patch && naming.equals(((Patch) other).naming) && Arrays.equals(values, ((Patch) other).values)
                && routes.equals(((Patch) other).routes) && macros.equals(((Patch) other).macros);
    }

    @Override
    public int hashCode() {
        return Objects.hash(naming, Arrays.hashCode(values), routes, macros);
    }

    @Override
    public String toString() {
        return "Patch " + name();
    }
}
