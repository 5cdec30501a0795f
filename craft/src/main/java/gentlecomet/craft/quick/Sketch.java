package gentlecomet.craft.quick;

import gentlecomet.craft.edit.AddEffect;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.craft.edit.ShapeRoute;
import gentlecomet.craft.format.PatchRules;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** A patch as a line leaves it, step by step, with the steps. */
final class Sketch {

    /** Level at which a source begins to sound that was off and got a setting. */
    private static final double FIRST_LEVEL_DB = -6;

    private Patch patch;
    private final List<PatchEdit> edits = new ArrayList<>();
    private final List<String> words = new ArrayList<>();
    private final Set<Parameter> typed = new HashSet<>();
    private String place = "";

    Sketch(Patch patch) {
        this.patch = patch;
    }

    Patch patch() {
        return patch;
    }

    List<PatchEdit> edits() {
        return edits;
    }

    List<String> words() {
        return words;
    }

    /** Id of the parameter that was set last, empty for none. */
    String place() {
        return place;
    }

    /** Makes room for a part: its layer sounds, its effect stands in the chain. @return start of the ids of its parameters */
    String begin(PartName part) {
        typed.clear();
        if (part.layer() >= 0) {
            Parameter on = Parameters.at(Parameters.ofLayer(part.layer(), LayerParameters.ON));
            if (patch.value(on.index()) == 0) {
                apply(new PatchEdit.SetValue(on, 1));
            }
        }
        return part.effect() == EffectParameters.NONE ? part.prefix() : effect(part.layer(), part.effect(), part.number());
    }

    /** A source that was off and has got a setting sounds now. */
    void end(PartName part, String prefix) {
        if (part.source() >= 0 && !typed.isEmpty()) {
            Parameter level = Parameters.at(Parameters.ofSource(part.layer(), part.source(), SourceParameters.LEVEL));
            if (!typed.contains(level) && patch.soundingValue(level) <= SourceParameters.OFF_DB) {
                apply(new PatchEdit.SetValue(level, FIRST_LEVEL_DB));
            }
        }
    }

    /**
     * Sets a parameter. Where a choice makes it meaningless, that choice goes to the first that gives it meaning, unless the line itself has made it.
     *
     * @throws EditException when the value is outside its range, or the line's own choice makes it meaningless
     */
    void set(Parameter parameter, double value) {
        for (Parameter p = parameter; p.decider() >= 0; p = Parameters.at(p.decider())) {
            Parameter choice = Parameters.at(p.decider());
            int now = (int) patch.value(choice.index());
            if ((p.deciding() >> now & 1) == 0) {
                if (typed.contains(choice)) {
                    throw new EditException(PatchRules.name(parameter) + " means nothing while " + choice.label() + " is " + ValueText.format(choice, now) + ".");
                }
                apply(new PatchEdit.SetValue(choice, Integer.numberOfTrailingZeros(p.deciding())));
            }
        }
        typed.add(parameter);
        place = parameter.id();
        if (patch.soundingValue(parameter) != value) {
            apply(new PatchEdit.SetValue(parameter, value));
        }
    }

    /** Puts a parameter where it was, or to its default, whatever other choices say. */
    void reset(Parameter parameter, double value) {
        if (patch.soundingValue(parameter) != value) {
            apply(new PatchEdit.SetValue(parameter, value));
        }
    }

    /** A route from a modulator; where there is one already, its depth. @param side its polarity, or null for the usual one or the one it has */
    void route(Modulator source, Parameter target, double depth, Route.Side side) {
        place = target.id();
        int there = patch.route(source, target);
        apply(there < 0 ? new PatchEdit.AddRoute(source, target, depth) : new PatchEdit.SetDepth(there, depth));
        int number = there < 0 ? patch.routes().size() - 1 : there;
        Route set = patch.routes().get(number);
        if (side != null && side != set.side()) {
            apply(new ShapeRoute(number, side, 100 * set.bend(), 100 * set.low(), 100 * set.high(), set.scaler()));
        }
    }

    /** @param lowEnd words for its low end, and {@code highEnd} for its high one; null for what stands there */
    void nameMacro(int macro, String name, String lowEnd, String highEnd) {
        Macro old = patch.macros().get(macro);
        place = "macro" + (macro + 1);
        apply(new PatchEdit.NameMacro(macro, name, lowEnd == null ? old.lowEnd() : lowEnd, highEnd == null ? old.highEnd() : highEnd));
    }

    /** Lets a macro hold a parameter between two values. */
    void hold(int macro, Parameter target, double low, double high) {
        place = "macro" + (macro + 1);
        if (patch.targetOf(macro, target) == null) {
            apply(new PatchEdit.AddTarget(macro, target));
        }
        apply(new PatchEdit.SetEnd(macro, target, false, low));
        apply(new PatchEdit.SetEnd(macro, target, true, high));
    }

    private void apply(PatchEdit edit) {
        String label = edit.label(patch);
        patch = edit.apply(patch);
        edits.add(edit);
        words.add(label);
    }

    /** The slot of the numbered effect of a type, which is added where there are not as many. */
    private String effect(int layer, int type, int number) {
        int slots = layer < 0 ? PatchParameters.EFFECTS : LayerParameters.EFFECTS;
        int count = 0;
        for (int slot = 0; slot < slots; slot++) {
            if (patch.value(Parameters.ofEffect(layer, slot)) == type && ++count == number) {
                return prefix(layer, slot);
            }
        }
        Patch before = patch;
        apply(new AddEffect(layer, type));
        for (int slot = 0; slot < slots; slot++) {
            int at = Parameters.ofEffect(layer, slot);
            if (patch.value(at) == type && before.value(at) != type) {
                return prefix(layer, slot);
            }
        }
        throw new IllegalStateException("the effect was not added");
    }

    private static String prefix(int layer, int slot) {
        String id = Parameters.at(Parameters.ofEffect(layer, slot)).id();
        return id.substring(0, id.length() - "type".length());
    }
}
