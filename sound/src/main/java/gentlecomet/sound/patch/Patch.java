package gentlecomet.sound.patch;

import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.SourceParameters;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
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
    private final double[][] shapes;
    private final List<SoundFile> recordings;
    private final List<Ride> rides;

    /** A patch with nothing drawn and no recording, as {@link #Patch(Naming, double[], List, List, double[][], List, List)}. */
    public Patch(Naming naming, double[] values, List<Route> routes, List<Macro> macros) {
        this(naming, values, routes, macros, new double[Shapes.COUNT][0], List.of(), List.of());
    }

    /**
     * @param values one value for each parameter in registry order, copied
     * @param macros exactly eight
     * @param shapes the numbers of every drawn list in registry order, empty for its usual form, copied
     * @param recordings at most one for each source
     * @param rides at most one for each hand and phrase
     * @throws IllegalArgumentException when a count is wrong
     */
    public Patch(Naming naming, double[] values, List<Route> routes, List<Macro> macros, double[][] shapes, List<SoundFile> recordings, List<Ride> rides) {
        if (values.length != Parameters.COUNT || macros.size() != PatchParameters.MACROS) {
            throw new IllegalArgumentException("expected " + Parameters.COUNT + " values and " + PatchParameters.MACROS
                    + " macros, found " + values.length + " and " + macros.size());
        }
        this.naming = naming;
        this.values = values.clone();
        this.routes = List.copyOf(routes);
        this.macros = List.copyOf(macros);
        this.shapes = new double[Shapes.COUNT][];
        for (int kind = 0; kind < Shapes.COUNT; kind++) {
            this.shapes[kind] = shapes[kind].clone();
        }
        this.recordings = List.copyOf(recordings);
        this.rides = List.copyOf(rides);
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

    /** The numbers of a drawn list, row by row; empty for its usual form. A copy. */
    public double[] shape(int kind) {
        return shapes[kind].clone();
    }

    /** Number of the first route between two, or -1. */
    public int route(Modulator source, Parameter target) {
        for (int r = 0; r < routes.size(); r++) {
            if (routes.get(r).source() == source && routes.get(r).target().equals(target)) {
                return r;
            }
        }
        return -1;
    }

    /** The recordings that sources have. */
    public List<SoundFile> recordings() {
        return recordings;
    }

    /** The recording of a source, or null. */
    public SoundFile recording(int layer, int source) {
        for (SoundFile file : recordings) {
            if (file.source() == SoundFile.place(layer, source)) {
                return file;
            }
        }
        return null;
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

    /** Whether a parameter means anything as the patch stands. */
    public boolean relevant(Parameter parameter) {
        return parameter.relevant(values);
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
            MacroTarget moved = held.withEnds(parameter.value(parameter.position(held.low()) + shift),
                    parameter.value(parameter.position(held.high()) + shift));
            List<MacroTarget> targets = new ArrayList<>(macros.get(macro).targets());
            targets.set(targets.indexOf(held), moved);
            return withMacro(macro, macros.get(macro).withTargets(targets));
        }
        double[] changed = values.clone();
        changed[parameter.index()] = allowed;
        return new Patch(naming, changed, routes, macros, shapes, recordings, rides);
    }

    /** This patch with all values, routes and macros replaced, its drawn lists and recordings kept. */
    public Patch withSound(double[] newValues, List<Route> newRoutes, List<Macro> newMacros) {
        return new Patch(naming, newValues, newRoutes, newMacros, shapes, recordings, rides);
    }

    public Patch withNaming(Naming newNaming) {
        return new Patch(newNaming, values, routes, macros, shapes, recordings, rides);
    }

    public Patch withRoutes(List<Route> newRoutes) {
        return new Patch(naming, values, newRoutes, macros, shapes, recordings, rides);
    }

    public Patch withMacro(int macro, Macro newMacro) {
        List<Macro> changed = new ArrayList<>(macros);
        changed.set(macro, newMacro);
        return new Patch(naming, values, routes, changed, shapes, recordings, rides);
    }

    /** This patch with a drawn list replaced; an empty one goes back to its usual form. */
    public Patch withShape(int kind, double[] numbers) {
        double[][] changed = shapes.clone();
        changed[kind] = numbers;
        return new Patch(naming, values, routes, macros, changed, recordings, rides);
    }

    /** This patch with a source's recording replaced, or taken away where {@code file} is null. */
    public Patch withRecording(int layer, int source, SoundFile file) {
        List<SoundFile> changed = new ArrayList<>(recordings);
        changed.removeIf(f -> f.source() == SoundFile.place(layer, source));
        if (file != null) {
            changed.add(file);
        }
        changed.sort((a, b) -> Integer.compare(a.source(), b.source()));
        return new Patch(naming, values, routes, macros, shapes, changed, rides);
    }

    /** How hands move under phrases, for all phrases. */
    public List<Ride> rides() {
        return rides;
    }

    /** How hands move under one phrase. */
    public List<Ride> rides(String phrase) {
        return rides.stream().filter(r -> r.phrase().equals(phrase)).toList();
    }

    /** This patch with other rides. */
    public Patch withRides(List<Ride> newRides) {
        return new Patch(naming, values, routes, macros, shapes, recordings, newRides);
    }

    /** This patch with a ride in place of the one that the same hand has under the same phrase; taken away where it has no point. */
    public Patch withRide(Ride ride) {
        List<Ride> changed = new ArrayList<>(rides);
        changed.removeIf(r -> r.phrase().equals(ride.phrase()) && r.hand() == ride.hand());
        if (!ride.points().isEmpty()) {
            changed.add(ride);
        }
        changed.sort(Comparator.comparing(Ride::phrase).thenComparing(Ride::hand));
        return withRides(changed);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Patch && naming.equals(((Patch) other).naming) && Arrays.equals(values, ((Patch) other).values)
                && routes.equals(((Patch) other).routes) && macros.equals(((Patch) other).macros)
                && Arrays.deepEquals(shapes, ((Patch) other).shapes) && recordings.equals(((Patch) other).recordings)
                && rides.equals(((Patch) other).rides);
    }

    @Override
    public int hashCode() {
        return Objects.hash(naming, Arrays.hashCode(values), routes, macros, Arrays.deepHashCode(shapes), recordings, rides);
    }

    @Override
    public String toString() {
        return "Patch " + name();
    }
}
