package gentlecomet.studio.bench.view;

import gentlecomet.craft.edit.DepthText;
import gentlecomet.craft.format.PatchRules;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import gentlecomet.sound.pattern.Patterns;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** A patch laid out for the bench: every parameter that means something now as a value bar, in signal order. */
public record BenchView(List<BenchLayer> layers, BarGroup performance, DrawnList velocity, BarGroup pattern, DrawnList steps, DrawnList chord, EffectCards effects, Bar trim, List<MacroCard> macros,
        List<RouteLine> routes, List<Modulator> modulators, List<Route.Side> sides, boolean scaled, boolean patterned) {

    private static final int PLOT = 22;

    /** A parameter under a macro. @param still whether both ends are the same, so that the macro moves nothing of it */
    public record TargetLine(Parameter parameter, String low, String high, String bend, boolean still) {
        public String name() {
            return PatchRules.name(parameter);
        }
    }

    /** One macro. @param routed whether routes start from it or are scaled by it */
    public record MacroCard(int number, String name, String lowEnd, String highEnd, Bar position, List<TargetLine> targets, boolean routed) {
    }

    /** One route. */
    public record RouteLine(int index, Route route, String depth, String words) {
        public String target() {
            return PatchRules.name(route.target());
        }

        /** What the route makes of its modulator, as the points of a small plot of 44 x 22: in across, out upward. */
        public String plot() {
            StringBuilder points = new StringBuilder();
            for (int i = 0; i <= PLOT; i++) {
                double in = route.source().twoSided() ? 2.0 * i / PLOT - 1 : (double) i / PLOT;
                points.append(i == 0 ? "" : " ").append(ValueText.fixed(44.0 * i / PLOT, 1)).append(',')
                        .append(ValueText.fixed(11 - 10 * route.shaped(in) * Math.signum(route.depth()), 1));
            }
            return points.toString();
        }

        /** How it is shaped, in words: what differs from a plain route, or what could. */
        public String shape() {
            List<String> words = new ArrayList<>();
            if (route.side() != Route.Side.OWN) {
                words.add(route.side() == Route.Side.BOTH ? "−1 to 1" : "0 to 1");
            }
            if (route.bend() != 0) {
                words.add("curve " + percent(route.bend()) + " %");
            }
            if (shown(route.low()) != shown(-1) || route.high() != 1) {
                words.add(percent(shown(route.low())) + " to " + percent(shown(route.high())) + " %");
            }
            if (route.scaler() != null) {
                words.add("scaled by " + route.scaler().label());
            }
            return words.isEmpty() ? "polarity, curve, limits" : String.join(", ", words);
        }

        /** A limit as it acts: what comes from one side only has none below 0. */
        public double shown(double part) {
            return route.oneSided() ? Math.max(0, part) : part;
        }

        /** 1 where more modulation is drawn higher, -1 where the depth turns it over. */
        public int upward() {
            return route.depth() < 0 ? -1 : 1;
        }

        public String percent(double part) {
            return ValueText.fixed(part * 100, 0);
        }
    }

    /** Modulators of a kind, to pull onto bars. */
    public record Pulls(String label, List<Pull> modulators) {
    }

    /** A modulator to pull. @param sign what stands on it, beside the name of its kind */
    public record Pull(String id, String label, String sign) {
        static Pull of(Modulator m, String sign) {
            return new Pull(m.id(), m.label(), sign);
        }
    }

    /** What is pulled onto bars: the modulators that are used most, and the macros, which hold what they are pulled onto. */
    public List<Pulls> pulls() {
        List<Pull> macroPulls = new ArrayList<>();
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            macroPulls.add(Pull.of(Modulator.macro(m), String.valueOf(m + 1)));
        }
        return List.of(new Pulls("LFO", List.of(Pull.of(Modulator.LFO_1, "1"), Pull.of(Modulator.LFO_2, "2"), Pull.of(Modulator.LFO_3, "3"), Pull.of(Modulator.LFO_4, "4"))),
                new Pulls("Envelope", List.of(Pull.of(Modulator.AMPLITUDE_ENVELOPE, "1"), Pull.of(Modulator.ENVELOPE_2, "2"), Pull.of(Modulator.ENVELOPE_3, "3"),
                        Pull.of(Modulator.ENVELOPE_4, "4"))),
                new Pulls("Curve", List.of(Pull.of(Modulator.CURVE_1, "1"), Pull.of(Modulator.CURVE_2, "2"))),
                new Pulls("Hand", List.of(Pull.of(Modulator.VELOCITY, "vel"), Pull.of(Modulator.AFTERTOUCH, "press"), Pull.of(Modulator.MOD_WHEEL, "wheel"),
                        Pull.of(Modulator.KEY, "key"))),
                new Pulls("Macro", macroPulls));
    }

    /** Where routes can start, for the picker: "id=name=what a macro is called", between bars. */
    public String modulatorNames() {
        return modulators.stream().map(m -> m.id() + "=" + m.label() + "=" + macroName(m)).collect(Collectors.joining("|"));
    }

    private String macroName(Modulator m) {
        int macro = m.ordinal() - Modulator.MACRO_1.ordinal();
        return macro < 0 ? "" : macros.get(macro).name().replaceAll("[|=]", " ");
    }

    private static boolean routed(Patch patch, int macro) {
        Modulator modulator = Modulator.macro(macro);
        return patch.routes().stream().anyMatch(r -> r.source() == modulator || r.scaler() == modulator);
    }

    public static BenchView of(Patch patch) {
        List<BenchLayer> layers = new ArrayList<>();
        for (int l = 0; l < Parameters.LAYERS; l++) {
            layers.add(BenchLayer.of(patch, l));
        }
        List<MacroCard> macros = new ArrayList<>();
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            Macro macro = patch.macros().get(m);
            macros.add(new MacroCard(m + 1, macro.name(), macro.lowEnd(), macro.highEnd(),
                    Bar.of(patch, Parameters.at(PatchParameters.MACRO + m)), macro.targets().stream().map(t -> new TargetLine(t.target(),
                            ValueText.format(t.target(), t.low()), ValueText.format(t.target(), t.high()),
                            ValueText.fixed(100 * t.bend(), 0), t.low() == t.high())).toList(), routed(patch, m)));
        }
        List<RouteLine> routes = new ArrayList<>();
        for (int r = 0; r < patch.routes().size(); r++) {
            Route route = patch.routes().get(r);
            routes.add(new RouteLine(r, route, ValueText.format(route.depth(), route.target().depthUnit()),
                    DepthText.format(route, patch.soundingValue(route.target()))));
        }
        boolean drawnVelocity = patch.value(PatchParameters.VELOCITY_CURVE) == 1;
        return new BenchView(layers, BarGroup.of(patch, "Performance", 0, "performance."),
                drawnVelocity ? DrawnList.of(patch, Shapes.VELOCITY, "points") : null, BarGroup.of(patch, "Pattern", 0, "pattern."),
                DrawnList.of(patch, Shapes.PATTERN_STEPS, "steps"), DrawnList.of(patch, Shapes.PATTERN_CHORD, "rows"), EffectCards.of(patch, -1),
                Bar.of(patch, Parameters.at(PatchParameters.LEVEL_TRIM)), macros, routes, List.of(Modulator.values()), List.of(Route.Side.values()),
                patch.shape(Shapes.SCALE).length > 0, Patterns.on(patch));
    }

    /** What a layer's modulator moves, in words; empty where it moves nothing. @param layer from 1 @param id of the modulator */
    public String moves(int layer, String id) {
        List<String> moved = new ArrayList<>();
        for (RouteLine line : routes) {
            int of = Parameters.layerOf(line.route().target().index());
            if ((of < 0 || of == layer - 1) && line.route().source().id().equals(id)) {
                moved.add(line.target() + " " + line.depth());
            } else if ((of < 0 || of == layer - 1) && line.route().scaler() != null && line.route().scaler().id().equals(id)) {
                moved.add("scales " + line.route().source().label() + " to " + line.target());
            }
        }
        return moved.isEmpty() ? "" : "moves " + String.join(", ", moved);
    }
}
