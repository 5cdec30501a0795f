package gentlecomet.studio.web;

import gentlecomet.craft.edit.DepthText;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.List;

/** A patch laid out for the bench: every parameter as a value bar, in signal order. */
record BenchView(List<Layer> layers, List<Bar> performance, List<Bar> delay, List<Bar> reverb, Bar trim, List<MacroCard> macros,
        List<RouteLine> routes, List<Modulator> modulators) {

    /**
     * One value bar.
     *
     * @param macro   number of the macro that holds it, 0 when none does
     * @param brackets where routes and the macro take it, as "modulator,low,high" with positions from 0 to 1
     */
    record Bar(Parameter parameter, double value, String text, int macro, String brackets) {
        public boolean choice() {
            return !parameter.choices().isEmpty();
        }

        public List<Choice> choices() {
            List<Choice> choices = new ArrayList<>();
            for (int i = 0; i < parameter.choices().size(); i++) {
                choices.add(new Choice(i, ValueText.spoken(parameter.choices().get(i)), i == (int) value));
            }
            return choices;
        }

        public String fullName() {
            return BenchController.targetName(parameter);
        }
    }

    /** One choice of a bar. */
    record Choice(int value, String text, boolean chosen) {
    }

    /** A titled group of bars. */
    record Group(String title, int number, List<Bar> bars) {
    }

    /** One layer. */
    record Layer(int number, boolean on, Bar onBar, List<Bar> zone, List<Bar> pitch, List<Group> sources, List<Bar> filter,
            List<Bar> amplitude, List<Bar> filterEnvelope, List<Bar> lfo) {
    }

    /** A parameter under a macro. */
    record TargetLine(Parameter parameter, String low, String high) {
        public String name() {
            return BenchController.targetName(parameter);
        }
    }

    /** One macro. */
    record MacroCard(int number, String name, String lowEnd, String highEnd, Bar position, List<TargetLine> targets) {
    }

    /** One route. */
    record RouteLine(int index, Route route, String depth, String words) {
        public String target() {
            return BenchController.targetName(route.target());
        }
    }

    static BenchView of(Patch patch) {
        List<Layer> layers = new ArrayList<>();
        for (int l = 0; l < Parameters.LAYERS; l++) {
            List<Group> sources = new ArrayList<>();
            for (int s = 0; s < LayerParameters.SOURCES; s++) {
                sources.add(new Group("Source " + (s + 1), s, bars(patch, "layer" + (l + 1) + ".source" + (s + 1) + ".")));
            }
            String layer = "layer" + (l + 1) + ".";
            layers.add(new Layer(l + 1, patch.layerOn(l), bar(patch, Parameters.at(Parameters.ofLayer(l, LayerParameters.ON))),
                    bars(patch, layer + "zone."), bars(patch, layer + "pitch."), sources, bars(patch, layer + "filter."),
                    bars(patch, layer + "amplitude."), bars(patch, layer + "filterEnvelope."), bars(patch, layer + "lfo.")));
        }
        List<MacroCard> macros = new ArrayList<>();
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            Macro macro = patch.macros().get(m);
            macros.add(new MacroCard(m + 1, macro.name(), macro.lowEnd(), macro.highEnd(),
                    bar(patch, Parameters.at(PatchParameters.MACRO + m)), macro.targets().stream().map(t -> new TargetLine(t.target(),
                            ValueText.format(t.target(), t.low()), ValueText.format(t.target(), t.high()))).toList()));
        }
        List<RouteLine> routes = new ArrayList<>();
        for (int r = 0; r < patch.routes().size(); r++) {
            Route route = patch.routes().get(r);
            routes.add(new RouteLine(r, route, ValueText.format(route.depth(), route.target().depthUnit()),
                    DepthText.format(route.target(), patch.soundingValue(route.target()), route.depth())));
        }
        return new BenchView(layers, bars(patch, "performance."), bars(patch, "delay."), bars(patch, "reverb."),
                bar(patch, Parameters.at(PatchParameters.LEVEL_TRIM)), macros, routes, List.of(Modulator.values()));
    }

    private static List<Bar> bars(Patch patch, String prefix) {
        return Parameters.ALL.stream().filter(p -> p.id().startsWith(prefix)).map(p -> bar(patch, p)).toList();
    }

    private static Bar bar(Patch patch, Parameter p) {
        double value = patch.soundingValue(p);
        List<String> brackets = new ArrayList<>();
        int macro = patch.holdingMacro(p);
        if (macro >= 0) {
            MacroTarget target = patch.targetOf(macro, p);
            brackets.add("Macro " + (macro + 1) + "," + p.position(target.low()) + "," + p.position(target.high()));
        }
        for (Route route : patch.routes()) {
            if (route.target().equals(p)) {
                double low = route.source().twoSided() ? p.position(p.moved(value, -route.depth())) : p.position(value);
                brackets.add(route.source().label() + "," + low + "," + p.position(p.moved(value, route.depth())));
            }
        }
        return new Bar(p, value, ValueText.format(p, value), macro + 1, String.join(";", brackets));
    }
}
