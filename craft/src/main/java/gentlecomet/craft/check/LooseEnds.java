package gentlecomet.craft.check;

import gentlecomet.craft.format.PatchRules;
import gentlecomet.sound.effect.EffectType;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.FilterParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.NoiseParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.PatternParameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.parameter.TableName;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import gentlecomet.sound.pattern.Patterns;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** Parts of a patch that are set up but cannot be heard, found from its values alone. */
public final class LooseEnds {

    private static final double USUAL_LEVEL_DB = -12;

    private final Patch patch;
    private final List<LooseEnd> found = new ArrayList<>();

    /**
     * One part that cannot be heard.
     *
     * @param words what is wrong, with a suggestion
     * @param place id of the parameter, or "macro3", to which a link leads
     * @param fix   a parameter whose change would mend it, or null
     * @param value the value that it would get
     */
    public record LooseEnd(String words, String place, Parameter fix, double value) {

        /** What the mending does, for a button. */
        public String fixWords() {
            return fix == null ? "" : fix.label() + " to " + ValueText.format(fix, value);
        }
    }

    private LooseEnds(Patch patch) {
        this.patch = patch;
    }

    /** Every loose end, in signal order. */
    public static List<LooseEnd> of(Patch patch) {
        LooseEnds ends = new LooseEnds(patch);
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            if (patch.layerOn(layer)) {
                ends.layer(layer);
            } else {
                ends.sleepingLayer(layer);
            }
        }
        ends.routes();
        for (int layer = -1; layer < Parameters.LAYERS; layer++) {
            if (layer < 0 || patch.layerOn(layer)) {
                ends.effects(layer);
            }
        }
        ends.macros();
        ends.pattern();
        return ends.found;
    }

    private void pattern() {
        int order = PatchParameters.PATTERN + PatternParameters.ORDER;
        if (!Patterns.on(patch) && patch.shape(Shapes.PATTERN_STEPS).length > 0) {
            add("The pattern has steps, but its order is off.", order, order, PatternParameters.UP);
        }
    }

    private double at(int index) {
        return patch.soundingValue(Parameters.at(index));
    }

    private void add(String words, int place) {
        found.add(new LooseEnd(words, Parameters.at(place).id(), null, 0));
    }

    private void add(String words, int place, int fix, double value) {
        found.add(new LooseEnd(words, Parameters.at(place).id(), Parameters.at(fix), value));
    }

    private void sleepingLayer(int layer) {
        int on = Parameters.ofLayer(layer, LayerParameters.ON);
        for (Parameter p : Parameters.startingWith("layer" + (layer + 1) + ".source")) {
            if (patch.value(p.index()) != p.neutral()) {
                add("Layer " + (layer + 1) + " is set up but switched off.", on, on, 1);
                return;
            }
        }
    }

    private void layer(int layer) {
        String name = "Layer " + (layer + 1);
        int start = Parameters.ofLayer(layer, 0);
        if (at(start + LayerParameters.LOW_KEY) > at(start + LayerParameters.HIGH_KEY)
                || at(start + LayerParameters.LOW_VELOCITY) > at(start + LayerParameters.HIGH_VELOCITY)) {
            add(name + " covers no key: its lowest stands above its highest.", start + LayerParameters.LOW_KEY);
        }
        if (at(start + LayerParameters.ZONE_LEVEL) <= -72) {
            add(name + " has its level off.", start + LayerParameters.ZONE_LEVEL, start + LayerParameters.ZONE_LEVEL, 0);
        }
        boolean any = heard(start + LayerParameters.NOISE + NoiseParameters.LEVEL);
        for (int s = 0; s < LayerParameters.SOURCES; s++) {
            any |= source(layer, s);
        }
        if (!any) {
            int level = Parameters.ofSource(layer, 0, SourceParameters.LEVEL);
            add(name + " has no source that is heard.", level, level, USUAL_LEVEL_DB);
        }
        noise(layer);
        if (patch.value(start + LayerParameters.DRIVE_TYPE) != 0 && silent(start + LayerParameters.DRIVE_MIX)) {
            add(name + " drive is mixed out.", start + LayerParameters.DRIVE_MIX, start + LayerParameters.DRIVE_MIX, 100);
        }
        modulators(layer);
    }

    /** Whether a level is up, or something brings it up. */
    private boolean heard(int level) {
        return !(at(level) <= SourceParameters.OFF_DB) || reached(level);
    }

    /** Whether a parameter stands at its end and nothing moves it from there. */
    private boolean silent(int index) {
        return at(index) <= Parameters.at(index).min() && !reached(index);
    }

    private boolean reached(int index) {
        Parameter p = Parameters.at(index);
        int macro = patch.holdingMacro(p);
        boolean opens = macro >= 0 && Math.max(patch.targetOf(macro, p).low(), patch.targetOf(macro, p).high()) > p.min();
        return opens || patch.routes().stream().anyMatch(r -> r.target().equals(p) && r.depth() != 0);
    }

    /** Whether a source is heard, or has been named as silent already. */
    private boolean source(int layer, int s) {
        int start = Parameters.ofSource(layer, s, 0);
        int wave = (int) patch.value(start + SourceParameters.WAVE);
        String name = "Layer " + (layer + 1) + " source " + (s + 1);
        boolean heard = heard(start + SourceParameters.LEVEL);
        boolean listened = false;
        for (int other = 0; other < LayerParameters.SOURCES; other++) {
            int o = Parameters.ofSource(layer, other, 0);
            listened |= at(o + SourceParameters.PHASE_MODULATION + s) > 0 && other != s || reached(o + SourceParameters.PHASE_MODULATION + s)
                    || patch.value(o + SourceParameters.SYNC) == s + 1 || at(o + SourceParameters.RING) > 0
                    && patch.value(o + SourceParameters.RING_FROM) == s;
        }
        if (!heard && !listened) {
            for (Parameter p : Parameters.startingWith(Parameters.at(start).id().replaceFirst("wave$", ""))) {
                if (p.index() != start + SourceParameters.LEVEL && patch.value(p.index()) != p.neutral()) {
                    add(name + " is set up, but its level is off and no other source listens to it.", start + SourceParameters.LEVEL,
                            start + SourceParameters.LEVEL, USUAL_LEVEL_DB);
                    break;
                }
            }
            return false;
        }
        boolean file = patch.recording(layer, s) != null;
        if (wave == SourceParameters.WAVE_RECORDING && !file) {
            add(name + " is silent: it has no recording. Choose a WAV or bounce the patch.", start);
            return true;
        }
        if (wave == SourceParameters.WAVE_TABLE && patch.value(start + SourceParameters.TABLE) == TableName.IMPORTED.ordinal() && !file) {
            add(name + " is silent: its table is to come from a file, and there is none.", start + SourceParameters.TABLE);
            return true;
        }
        if (wave == SourceParameters.WAVE_BODY && patch.value(start + SourceParameters.BODY_SET) == SourceParameters.BODY_ANALYSED
                && patch.shape(Shapes.modes(layer, s)).length == 0) {
            add(name + " rings with one partial: no hit has been read yet.", start + SourceParameters.BODY_SET);
        }
        if (at(start + SourceParameters.RING) > 0 && patch.value(start + SourceParameters.RING_FROM) == s) {
            add(name + " is ring-modulated by itself.", start + SourceParameters.RING_FROM);
        }
        return heard;
    }

    private void noise(int layer) {
        int start = Parameters.ofLayer(layer, LayerParameters.NOISE);
        if (!heard(start + NoiseParameters.LEVEL)) {
            boolean touched = patch.value(start + NoiseParameters.COLOUR) != 0 || at(start + NoiseParameters.LOW_CUT) > 20
                    || at(start + NoiseParameters.HIGH_CUT) < 20000;
            if (touched) {
                add("Layer " + (layer + 1) + " noise is set up, but its level is off.", start + NoiseParameters.LEVEL,
                        start + NoiseParameters.LEVEL, -30);
            }
        } else if (at(start + NoiseParameters.LOW_CUT) >= at(start + NoiseParameters.HIGH_CUT)) {
            add("Layer " + (layer + 1) + " noise is cut away: its low cut stands above its high cut.", start + NoiseParameters.LOW_CUT);
        }
    }

    /** Envelopes, curves and LFOs that were touched and reach nothing. */
    private void modulators(int layer) {
        for (int e = 1; e < LayerParameters.ENVELOPES; e++) {
            boolean toFilter = false;
            for (int f = 0; f < LayerParameters.FILTERS; f++) {
                int filter = Parameters.ofLayer(layer, LayerParameters.filter(f));
                toFilter |= e == 1 && patch.value(filter) != FilterParameters.OFF && (at(filter + FilterParameters.ENVELOPE_AMOUNT) != 0
                        || reached(filter + FilterParameters.ENVELOPE_AMOUNT));
            }
            if (!toFilter) {
                unused(layer, "envelope" + (e + 1) + ".", "Envelope " + (e + 1), Modulator.find("envelope" + (e + 1)));
            }
        }
        for (int c = 1; c <= LayerParameters.CURVES; c++) {
            unused(layer, "curve" + c + ".", "Curve " + c, Modulator.find("curve" + c));
        }
        for (int l = 1; l <= LayerParameters.LFOS; l++) {
            unused(layer, "lfo" + l + ".", "LFO " + l, Modulator.find("lfo" + l));
        }
    }

    private void unused(int layer, String group, String name, Modulator modulator) {
        String prefix = "layer" + (layer + 1) + ".";
        List<Route> routes = patch.routes().stream().filter(r -> (r.source() == modulator || r.scaler() == modulator)
                && (Parameters.layerOf(r.target().index()) < 0 || Parameters.layerOf(r.target().index()) == layer)).toList();
        if (routes.stream().anyMatch(r -> r.depth() != 0)) {
            return;
        }
        for (Parameter p : Parameters.startingWith(prefix + group)) {
            if (patch.value(p.index()) != p.neutral()) {
                add("Layer " + (layer + 1) + " " + name + " reaches nothing: " + (routes.isEmpty() ? "no route starts from it."
                        : "its route has depth 0."), p.index());
                return;
            }
        }
    }

    private void routes() {
        for (Route route : patch.routes()) {
            Parameter target = route.target();
            int layer = Parameters.layerOf(target.index());
            String name = "The route from " + route.source().label() + " to " + PatchRules.name(target);
            if (route.depth() == 0) {
                add(name + " has depth 0.", target.index());
            } else if (layer >= 0 && !patch.layerOn(layer)) {
                add(name + " moves a layer that is off.", target.index());
            } else if (!patch.relevant(target)) {
                Parameter choice = target.silencedBy(patch::value);
                add(name + " moves nothing: " + PatchRules.name(choice) + " is "
                        + ValueText.format(choice, patch.value(choice.index())) + ".", choice.index());
            } else if (route.low() == route.high()) {
                add(name + " stands still: its limits are the same.", target.index());
            }
        }
    }

    private void effects(int layer) {
        int slots = layer < 0 ? PatchParameters.EFFECTS : LayerParameters.EFFECTS;
        for (int slot = 0; slot < slots; slot++) {
            int start = layer < 0 ? PatchParameters.effect(slot) : Parameters.ofLayer(layer, LayerParameters.effect(slot));
            int type = (int) patch.value(start);
            if (type == EffectParameters.NONE) {
                continue;
            }
            String id = ValueText.spoken(Parameters.at(start).choices().get(type));
            String name = id.substring(0, 1).toUpperCase() + id.substring(1) + (layer < 0 ? "" : " of layer " + (layer + 1));
            if (patch.value(start + EffectParameters.ON) == 1) {
                add(name + " is bypassed in the patch.", start + EffectParameters.ON, start + EffectParameters.ON, 0);
            } else if (silent(start + EffectParameters.MIX)) {
                add(name + " is mixed out: its mix is 0 % and nothing moves it.", start + EffectParameters.MIX, start + EffectParameters.MIX, 30);
            } else if (EffectType.of(type) == EffectType.EQUALISER && flat(start)) {
                add(name + " is flat.", start + EffectParameters.EQ_LOW_GAIN);
            } else if (EffectType.of(type) == EffectType.FILTER_BANK && still(start)) {
                add(name + " passes everything: it is neither shifted nor held.", start + EffectParameters.BANK_SHIFT);
            }
        }
    }

    private boolean still(int start) {
        return IntStream.of(EffectParameters.BANK_SHIFT, EffectParameters.BANK_HOLD).allMatch(p -> at(start + p) == 0 && !reached(start + p));
    }

    private boolean flat(int start) {
        boolean flat = patch.value(start + EffectParameters.EQ_LOW_SLOPE) == 0 && patch.value(start + EffectParameters.EQ_HIGH_SLOPE) == 0;
        List<Integer> gains = new ArrayList<>(List.of(EffectParameters.EQ_LOW_GAIN, EffectParameters.EQ_HIGH_GAIN));
        for (int b = 0; b < EffectParameters.BELLS; b++) {
            gains.add(EffectParameters.EQ_BELL + 3 * b + 1);
        }
        for (int gain : gains) {
            flat &= at(start + gain) == 0 && !reached(start + gain);
        }
        return flat;
    }

    private void macros() {
        for (int m = 0; m < patch.macros().size(); m++) {
            Macro macro = patch.macros().get(m);
            Modulator modulator = Modulator.find("macro" + (m + 1));
            boolean routed = patch.routes().stream().anyMatch(r -> r.source() == modulator || r.scaler() == modulator);
            String name = "Macro " + (m + 1) + (macro.name().isEmpty() ? "" : " (" + macro.name() + ")");
            if (!macro.name().isEmpty() && macro.targets().isEmpty() && !routed) {
                found.add(new LooseEnd(name + " is named but holds nothing.", "macro" + (m + 1), null, 0));
            }
            for (MacroTarget target : macro.targets()) {
                if (target.low() == target.high()) {
                    found.add(new LooseEnd(name + " does not move " + PatchRules.name(target.target()) + ": both ends are "
                            + ValueText.format(target.target(), target.low()) + ".", "macro" + (m + 1), null, 0));
                } else if (!patch.relevant(target.target())) {
                    found.add(new LooseEnd(name + " holds " + PatchRules.name(target.target()) + ", which means nothing as the patch stands.",
                            "macro" + (m + 1), null, 0));
                }
            }
        }
    }
}
