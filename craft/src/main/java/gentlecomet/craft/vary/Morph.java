package gentlecomet.craft.vary;

import gentlecomet.craft.format.PatchRules;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;

/**
 * The way from one patch to another: every parameter goes along its own taper, routes that only one of them has grow from nothing, an effect or a layer that only
 * one of them has comes in by its mix or its level. What has no between (a wave, a filter type, other drawn points) changes half way and is told. Immutable.
 */
public final class Morph {

    private final Patch from;
    private final Patch to;
    private final List<String> jumps = new ArrayList<>();
    /** Values that a parameter has at either end, where what it belongs to is silent at one of them. */
    private final double[] start = new double[Parameters.COUNT];
    private final double[] end = new double[Parameters.COUNT];

    public Morph(Patch from, Patch to) {
        this.from = from;
        this.to = to;
        for (Parameter p : Parameters.ALL) {
            boolean here = heard(from, p);
            boolean there = heard(to, p);
            // What means something at one end only stands there all the way.
            start[p.index()] = here || !there ? from.soundingValue(p) : to.soundingValue(p);
            end[p.index()] = there || !here ? to.soundingValue(p) : from.soundingValue(p);
        }
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            comesIn(Parameters.ofLayer(layer, LayerParameters.ON), Parameters.ofLayer(layer, LayerParameters.ZONE_LEVEL), 0);
            for (int slot = 0; slot < LayerParameters.EFFECTS; slot++) {
                comesIn(Parameters.ofEffect(layer, slot) + EffectParameters.TYPE, Parameters.ofEffect(layer, slot) + EffectParameters.MIX, EffectParameters.NONE);
            }
        }
        for (int slot = 0; slot < PatchParameters.EFFECTS; slot++) {
            comesIn(Parameters.ofEffect(-1, slot) + EffectParameters.TYPE, Parameters.ofEffect(-1, slot) + EffectParameters.MIX, EffectParameters.NONE);
        }
        tell();
    }

    private static boolean heard(Patch patch, Parameter p) {
        int layer = Parameters.layerOf(p.index());
        return patch.relevant(p) && (layer < 0 || patch.layerOn(layer));
    }

    /** Where only one end has something, it is there all the way and its amount comes from nothing. @param without the choice's value where it is missing */
    private void comesIn(int choice, int amount, double without) {
        double a = from.value(choice);
        double b = to.value(choice);
        if (a == without && b != without) {
            start[choice] = b;
            start[amount] = Parameters.at(amount).min();
        } else if (b == without && a != without) {
            end[choice] = a;
            end[amount] = Parameters.at(amount).min();
        }
    }

    /** What changes half way because there is nothing between, in words; empty where all of it is smooth. */
    public List<String> jumps() {
        return List.copyOf(jumps);
    }

    private void tell() {
        for (Parameter p : Parameters.ALL) {
            int i = p.index();
            if (start[i] != end[i] && !p.taper().continuous() && (heard(from, p) || heard(to, p))) {
                jumps.add(PatchRules.name(p) + ": " + ValueText.format(p, start[i]) + " to " + ValueText.format(p, end[i]));
            }
        }
        for (ShapeKind kind : Shapes.ALL) {
            double[] a = from.shape(kind.index());
            double[] b = to.shape(kind.index());
            if (a.length != b.length) {
                jumps.add(kind.place() + ": " + kind.label() + " of " + rows(kind, a) + " to " + rows(kind, b));
            }
        }
        if (!from.recordings().equals(to.recordings())) {
            jumps.add("Recordings are other ones");
        }
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            if (!sameTargets(from.macros().get(m), to.macros().get(m))) {
                jumps.add("Macro " + (m + 1) + " holds other parameters: " + named(from.macros().get(m)) + " to " + named(to.macros().get(m)));
            }
        }
        if (routes(0.25).size() > Patch.MAX_ROUTES) {
            jumps.add("Both together have more than " + Patch.MAX_ROUTES + " routes: the last ones are left out on the way");
        }
    }

    private static String rows(ShapeKind kind, double[] numbers) {
        return numbers.length == 0 ? "usual form" : numbers.length / kind.columns().size() + " rows";
    }

    private static String named(Macro macro) {
        return macro.unused() ? "unused" : macro.name().isEmpty() ? "unnamed" : macro.name();
    }

    private static boolean sameTargets(Macro a, Macro b) {
        return a.targets().size() == b.targets().size()
                && a.targets().stream().allMatch(t -> b.targets().stream().anyMatch(u -> u.target().equals(t.target())));
    }

    /**
     * The patch at a place on the way; exactly the first at 0 and exactly the other, but for its name and its rides, at 1.
     *
     * @param place from 0 to 1
     */
    public Patch at(double place) {
        double t = Math.max(0, Math.min(1, place));
        if (t == 0 || t == 1) {
            return t == 0 ? from : to.withNaming(from.naming()).withRides(from.rides());
        }
        Patch near = t < 0.5 ? from : to;
        Patch patch = near.withNaming(from.naming()).withRides(from.rides()).withRoutes(limited(routes(t)));
        for (ShapeKind kind : Shapes.ALL) {
            double[] a = from.shape(kind.index());
            double[] b = to.shape(kind.index());
            if (a.length == b.length && !Arrays.equals(a, b)) {
                patch = patch.withShape(kind.index(), between(a, b, t));
            }
        }
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            if (sameTargets(from.macros().get(m), to.macros().get(m))) {
                patch = patch.withMacro(m, between(m, near.macros().get(m), t));
            }
        }
        double[] values = new double[Parameters.COUNT];
        for (Parameter p : Parameters.ALL) {
            values[p.index()] = between(p, start[p.index()], end[p.index()], t);
        }
        patch = patch.withSound(values, patch.routes(), patch.macros());
        // A macro that holds something at one end only lets it sound on the straight way between the two all the same.
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            for (MacroTarget held : sameTargets(from.macros().get(m), to.macros().get(m)) ? List.<MacroTarget>of() : patch.macros().get(m).targets()) {
                patch = patch.withValue(held.target(), values[held.target().index()]);
            }
        }
        return patch;
    }

    private static double between(Parameter p, double a, double b, double t) {
        if (a == b) {
            return a;
        }
        return p.taper().continuous() ? p.value(p.position(a) + t * (p.position(b) - p.position(a))) : t < 0.5 ? a : b;
    }

    private static double[] between(double[] a, double[] b, double t) {
        double[] mixed = new double[a.length];
        for (int i = 0; i < mixed.length; i++) {
            mixed[i] = a[i] + t * (b[i] - a[i]);
        }
        return mixed;
    }

    private Macro between(int macro, Macro near, double t) {
        List<MacroTarget> targets = new ArrayList<>();
        for (MacroTarget n : near.targets()) {
            MacroTarget a = from.targetOf(macro, n.target());
            MacroTarget b = to.targetOf(macro, n.target());
            targets.add(new MacroTarget(n.target(), between(n.target(), a.low(), b.low(), t), between(n.target(), a.high(), b.high(), t), a.bend() + t * (b.bend() - a.bend())));
        }
        return near.withTargets(targets);
    }

    /** A route of both is between the two; a route of one grows from nothing. */
    private List<Route> routes(double t) {
        List<Route> routes = new ArrayList<>();
        for (Route a : from.routes()) {
            Route b = same(to, a);
            routes.add(b == null ? a.withDepth((1 - t) * a.depth()) : between(a, b, t));
        }
        for (Route b : to.routes()) {
            if (same(from, b) == null) {
                routes.add(b.withDepth(t * b.depth()));
            }
        }
        return routes;
    }

    private static List<Route> limited(List<Route> routes) {
        return routes.subList(0, Math.min(Patch.MAX_ROUTES, routes.size()));
    }

    private static Route same(Patch patch, Route route) {
        Modulator scaler = route.scaler();
        return patch.routes().stream().filter(r -> r.source() == route.source() && r.target().equals(route.target()) && r.side() == route.side() && Objects.equals(r.scaler(), scaler))
                .findFirst().orElse(null);
    }

    private static Route between(Route a, Route b, double t) {
        return new Route(a.source(), a.target(), a.depth() + t * (b.depth() - a.depth()), a.side(), a.bend() + t * (b.bend() - a.bend()), a.low() + t * (b.low() - a.low()),
                a.high() + t * (b.high() - a.high()), a.scaler());
    }
}
