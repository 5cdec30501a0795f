package gentlecomet.studio.journey;

import gentlecomet.sound.effect.EffectType;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Naming;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Ride;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.List;

/** A patch that shows as much of the bench as one can: every kind of source, every effect, many routes, eight full macros, the longest words. */
final class DensePatch {

    static final String LONG_NAME = "Winterbourne Estuary Halocline Shimmering Undertow Wide Pad 0123";

    private DensePatch() {
    }

    static Patch make() {
        Patch patch = Patch.neutral(LONG_NAME).withNaming(new Naming(LONG_NAME, "pad", List.of("slow", "wide", "unreasonablylongtagofoneword"), "", "Held low."));
        double[] values = Parameters.neutralValues();
        for (int i = 0; i < values.length; i++) {
            values[i] = patch.value(i);
        }
        for (int layer = 0; layer < 2; layer++) {
            values[Parameters.ofLayer(layer, LayerParameters.ON)] = 1;
        }
        wave(values, 0, 0, "saw");
        values[Parameters.ofSource(0, 0, SourceParameters.UNISON_VOICES)] = 7;
        wave(values, 0, 1, "partials");
        wave(values, 0, 2, "body");
        choose(values, "layer1.source3.bodySet", "analysed");
        wave(values, 1, 0, "recording");
        wave(values, 1, 1, "table");
        choose(values, "layer2.source2.table", "imported");
        wave(values, 1, 2, "harmonics");
        for (int layer = 1; layer <= 2; layer++) {
            choose(values, "layer" + layer + ".filter1.type", "lowPass24");
            choose(values, "layer" + layer + ".filter2.type", "comb");
            choose(values, "layer" + layer + ".lfo1.wave", "steps");
            choose(values, "layer" + layer + ".lfo2.wave", "drawn");
        }
        choose(values, "pattern.order", "upAndDown");
        for (int slot = 0; slot < PatchParameters.EFFECTS; slot++) {
            values[PatchParameters.effect(slot)] = slot + 1;
        }
        for (int slot = 0; slot < LayerParameters.EFFECTS; slot++) {
            values[Parameters.ofLayer(0, LayerParameters.effect(slot))] = EffectType.EQUALISER.ordinal() + slot;
            values[Parameters.ofLayer(1, LayerParameters.effect(slot))] = Math.min(EffectType.STEREO.ordinal(), EffectType.DUCKING.ordinal() + slot);
        }
        List<Parameter> movable = Parameters.ALL.stream().filter(p -> Parameters.movable(p) && p.relevant(values)).toList();
        List<Route> routes = new ArrayList<>();
        for (int i = 0; i < 16; i++) {
            Parameter target = movable.get(i * 7 % movable.size());
            routes.add(new Route(Modulator.values()[i % Modulator.COUNT], target, target.maxDepth() / 4, Route.Side.BOTH, 0.25, -0.5, 0.75, Modulator.RELEASE_VELOCITY));
        }
        List<Macro> macros = new ArrayList<>();
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            List<MacroTarget> targets = new ArrayList<>();
            for (int t = 0; t < 2; t++) {
                Parameter target = movable.get(60 + 2 * m + t);
                targets.add(new MacroTarget(target, target.min(), target.max()));
            }
            macros.add(new Macro("Spectral undertow of macro number " + m, "withdrawn", "overwhelming", targets));
        }
        Patch dense = patch.withSound(values, routes, macros);
        for (Ride.Hand hand : List.of(Ride.Hand.MACRO1, Ride.Hand.MACRO2, Ride.Hand.BEND)) {
            dense = dense.withRide(new Ride("slow-chords", hand, List.of(new Ride.Point(0, 0), new Ride.Point(2, 80), new Ride.Point(8, 20))));
        }
        return dense;
    }

    private static void wave(double[] values, int layer, int source, String id) {
        values[Parameters.ofSource(layer, source, SourceParameters.LEVEL)] = -12;
        choose(values, Parameters.at(Parameters.ofSource(layer, source, SourceParameters.WAVE)).id(), id);
    }

    private static void choose(double[] values, String parameter, String choice) {
        Parameter p = Parameters.find(parameter);
        if (!p.choices().contains(choice)) {
            throw new IllegalArgumentException(parameter + " has no " + choice + " but " + p.choices());
        }
        values[p.index()] = p.choices().indexOf(choice);
    }
}
