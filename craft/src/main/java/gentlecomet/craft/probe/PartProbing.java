package gentlecomet.craft.probe;

import gentlecomet.craft.format.PatchRules;
import gentlecomet.craft.measure.Difference;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.FilterParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.NoiseParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.Route;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Move;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Takes each part of a patch away and listens to what is missing. Hands and macros are moved where a part would be heard only then. */
final class PartProbing {

    private static final double HELD_SECONDS = 0.8;
    private static final double TAIL_SECONDS = 0.5;
    private static final double ENOUGH_DB = -45;
    private static final int KEY_PRESSURE = 0xA0;

    private final ProbeNotes notes;
    private final Patch patch;
    private final double[] image;
    private final int middle;
    private final Heard heard;
    private final ProbePieces pieces;
    private final Map<Condition, Audio> sounds = new HashMap<>();
    private final List<PartProbe> found = new ArrayList<>();

    /** How a part is listened to. @param macros in per cent, negative for as the patch has them @param hands wheel, pressure, breath and slide at their ends */
    private record Condition(int key, int velocity, double macros, boolean hands) {
    }

    PartProbing(ProbeNotes notes, Patch patch, Heard heard, ProbePieces pieces) {
        this.notes = notes;
        this.heard = heard;
        this.pieces = pieces;
        this.patch = patch;
        this.image = PatchImage.of(patch);
        this.middle = Measuring.probeKey(patch);
    }

    List<PartProbe> all() {
        int layers = 0;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            layers += patch.layerOn(layer) ? 1 : 0;
        }
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            if (patch.layerOn(layer)) {
                layer(layer, layers > 1);
            }
        }
        effects(-1);
        for (Route route : patch.routes()) {
            route(route);
        }
        return found;
    }

    private void layer(int layer, boolean oneOfMany) {
        String name = "Layer " + (layer + 1);
        int start = Parameters.ofLayer(layer, 0);
        if (oneOfMany) {
            add(start + LayerParameters.ON, name, PartProbe.Kind.LAYER, off(start + LayerParameters.ON, 0), layer);
        }
        for (int source = 0; source < LayerParameters.SOURCES; source++) {
            int level = Parameters.ofSource(layer, source, SourceParameters.LEVEL);
            if (sounding(level)) {
                add(level, name + " source " + (source + 1), PartProbe.Kind.SOURCE, off(level, SourceParameters.OFF_DB), layer);
            }
        }
        int noise = start + LayerParameters.NOISE + NoiseParameters.LEVEL;
        if (sounding(noise)) {
            add(noise, name + " noise", PartProbe.Kind.SOURCE, off(noise, Parameters.at(noise).min()), layer);
        }
        for (int filter = 0; filter < LayerParameters.FILTERS; filter++) {
            int type = start + LayerParameters.filter(filter) + FilterParameters.TYPE;
            if (image[type] != FilterParameters.OFF) {
                add(type, name + " filter " + (filter + 1), PartProbe.Kind.FILTER, off(type, FilterParameters.OFF), layer);
            }
        }
        effects(layer);
    }

    private void effects(int layer) {
        int slots = layer < 0 ? PatchParameters.EFFECTS : LayerParameters.EFFECTS;
        for (int slot = 0; slot < slots; slot++) {
            int start = layer < 0 ? PatchParameters.effect(slot) : Parameters.ofLayer(layer, LayerParameters.effect(slot));
            if (image[start] != EffectParameters.NONE && image[start + EffectParameters.ON] == 0) {
                String id = ValueText.spoken(Parameters.at(start).choices().get((int) image[start]));
                String name = id.substring(0, 1).toUpperCase() + id.substring(1) + (layer < 0 ? "" : " of layer " + (layer + 1));
                add(start, name, PartProbe.Kind.EFFECT, off(start + EffectParameters.ON, 1), layer);
            }
        }
    }

    private void route(Route route) {
        int layer = Parameters.layerOf(route.target().index());
        if (route.depth() == 0 || layer >= 0 && !patch.layerOn(layer)) {
            return;
        }
        List<Route> others = new ArrayList<>(patch.routes());
        others.remove(route);
        add(route.target().index(), "The route from " + route.source().label() + " to " + PatchRules.name(route.target()), PartProbe.Kind.ROUTE,
                patch.withRoutes(others), layer);
    }

    private boolean sounding(int level) {
        return PatchImage.sounding(image, level) > Parameters.at(level).min() || PatchImage.moves(image, level);
    }

    /** The patch with a value pinned, whatever moves it. */
    private Patch off(int index, double value) {
        Patch without = patch;
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            without = without.withMacro(m, without.macros().get(m).withTargets(without.macros().get(m).targets().stream().filter(t -> t.target().index() != index).toList()));
        }
        return without.withRoutes(without.routes().stream().filter(r -> r.target().index() != index).toList()).withValue(Parameters.at(index), value);
    }

    /** Listens under one condition after the other until the part is heard. */
    private void add(int place, String name, PartProbe.Kind kind, Patch without, int layer) {
        String id = Parameters.at(place).id();
        String piece = "part " + id + " " + name;
        List<Condition> conditions = conditions(layer);
        // What was heard under the first condition does not depend on the others.
        int used = pieces.earlier(piece).map(digest -> Integer.parseInt(digest.substring(0, 1))).orElse(conditions.size());
        Optional<Double> known = pieces.known(piece, heard(conditions, used), p -> p.parts().stream().filter(part -> part.place().equals(id) && part.name().equals(name)).map(PartProbe::difference).findFirst());
        found.add(new PartProbe(id, name, kind, known.orElseGet(() -> difference(piece, without, conditions))));
    }

    /** Their number, and what is heard under the first of the conditions. */
    private String heard(List<Condition> conditions, int count) {
        StringBuilder digest = new StringBuilder().append(count);
        for (Condition c : conditions.subList(0, count)) {
            digest.append(' ').append(c).append(' ').append(heard.note(c.key, c.velocity, moving(c)));
        }
        return digest.substring(0, 1) + Heard.digest(digest.toString());
    }

    private static Set<Modulator> moving(Condition c) {
        Set<Modulator> moving = EnumSet.noneOf(Modulator.class);
        if (c.hands) {
            moving.addAll(EnumSet.range(Modulator.AFTERTOUCH, Modulator.SLIDE));
        }
        if (c.macros >= 0) {
            moving.addAll(EnumSet.range(Modulator.MACRO_1, Modulator.MACRO_8));
        }
        return moving;
    }

    private double difference(String piece, Patch without, List<Condition> conditions) {
        double most = Loudness.SILENT;
        int used = 0;
        for (Condition condition : conditions) {
            used++;
            Audio with = sounds.computeIfAbsent(condition, c -> play(patch, c));
            most = Math.max(most, Difference.db(with, play(without, condition)));
            if (most > ENOUGH_DB) {
                break;
            }
        }
        pieces.note(piece, heard(conditions, used));
        return most;
    }

    private List<Condition> conditions(int layer) {
        int key = middle;
        int velocity = ProbeNotes.VELOCITY;
        if (layer >= 0) {
            int start = Parameters.ofLayer(layer, 0);
            key = (int) Math.max(patch.value(start + LayerParameters.LOW_KEY), Math.min(patch.value(start + LayerParameters.HIGH_KEY), middle));
            velocity = (int) Math.max(patch.value(start + LayerParameters.LOW_VELOCITY), Math.min(patch.value(start + LayerParameters.HIGH_VELOCITY), velocity));
        }
        return List.of(new Condition(key, velocity, -1, false), new Condition(key, velocity, -1, true), new Condition(key, velocity, 100, false), new Condition(key, velocity, 0, false),
                new Condition(inside(layer, key + 19), inside(layer, velocity - 70, LayerParameters.LOW_VELOCITY, LayerParameters.HIGH_VELOCITY), -1, false),
                new Condition(inside(layer, key - 19), velocity, 50, true));
    }

    private int inside(int layer, int key) {
        return inside(layer, key, LayerParameters.LOW_KEY, LayerParameters.HIGH_KEY);
    }

    private int inside(int layer, int value, int low, int high) {
        int start = Parameters.ofLayer(Math.max(0, layer), 0);
        int least = layer < 0 ? 1 : (int) patch.value(start + low);
        int most = layer < 0 ? 127 : (int) patch.value(start + high);
        return Math.max(Math.max(1, least), Math.min(most, value));
    }

    private Audio play(Patch state, Condition c) {
        Patch moved = state;
        for (int m = 0; m < PatchParameters.MACROS && c.macros >= 0; m++) {
            moved = moved.withValue(Parameters.at(PatchParameters.MACRO + m), c.macros);
        }
        Rendering.ControllerState hands = !c.hands ? Rendering.ControllerState.AT_REST : engine -> {
            engine.modWheel(1);
            engine.aftertouch(1);
            engine.keyAftertouch(c.key, 1);
            engine.breath(1);
            engine.keySlide(c.key, 1);
            engine.bend(0.5);
            engine.pedal(1);
            engine.expression(0.5);
        };
        // Two strikes: what alternates from note to note shows, and what is heard of a release velocity.
        Phrase phrase = ProbeNotes.notes(HELD_SECONDS + 0.3, List.of(new Note(c.key, c.velocity, 0, 0.2, 100), new Note(c.key, c.velocity, 0.3, HELD_SECONDS, 100)));
        // Pressure of one key counts while the key is down.
        List<Move> pressed = c.hands ? List.of(new Move(0.35, KEY_PRESSURE, c.key, 127)) : List.of();
        Phrase played = new Phrase(phrase.id(), phrase.name(), phrase.tempo(), phrase.beats(), phrase.notes(), pressed, List.of());
        return notes.play(PatchImage.of(moved), played, TAIL_SECONDS, hands).audio();
    }
}
