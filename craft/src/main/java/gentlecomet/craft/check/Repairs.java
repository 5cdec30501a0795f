package gentlecomet.craft.check;

import gentlecomet.craft.edit.AddEffect;
import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.craft.level.Levelling;
import gentlecomet.craft.response.KeyLevelBalance;
import gentlecomet.sound.effect.EffectType;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.EnvelopeParameters;
import gentlecomet.sound.parameter.FilterParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import java.util.function.UnaryOperator;

/** What mends patches at a click. Each makes the smallest change that may help; {@link Mending} finds out whether it does. */
public final class Repairs {

    private static final int COMMON = -1;
    private static final double LEAST_ATTACK = 0.004;
    private static final double LEAST_RELEASE = 0.02;
    private static final double LOW_CUT_HZ = 30;
    private static final double MONO_BELOW_HZ = 140;
    private static final double REVERB_CUT_HZ = 220;

    /** Brings the level trim to the house's loudness. */
    public static final Repair TRIM = new Repair("Trim to the target", (s, f, r) -> Optional.of(Levelling.apply(s.patch(), Levelling.propose(s.patch(), s.measurement(), s.house()))));
    public static final Repair LIMITER = new Repair("Add a limiter at the end", (s, f, r) -> limited(s));
    public static final Repair LOW_CUT = new Repair("Cut below 30 Hz", (s, f, r) -> effect(s.patch(), "equaliser").map(p ->
            set(set(p.patch, p.start + EffectParameters.EQ_LOW_CUT, LOW_CUT_HZ), p.start + EffectParameters.EQ_LOW_SLOPE, 1)));
    public static final Repair MONO_LOW = new Repair("Sum what lies below 140 Hz", (s, f, r) -> effect(s.patch(), "stereo").map(p ->
            set(p.patch, p.start + EffectParameters.STEREO_MONO_BELOW, MONO_BELOW_HZ)));
    public static final Repair NARROWER = new Repair("Narrow the sides", (s, f, r) -> effect(s.patch(), "stereo").map(p -> set(p.patch, p.start + EffectParameters.STEREO_WIDTH, 50)));
    public static final Repair CENTRE = new Repair("Centre sources and layers", (s, f, r) -> changed(s.patch(), Repairs::centred));
    public static final Repair SOFTER_ATTACK = new Repair("Attack of 4 ms", (s, f, r) -> changed(s.patch(), p -> envelopes(p, EnvelopeParameters.ATTACK, v -> Math.max(v, LEAST_ATTACK))));
    public static final Repair FASTER_ATTACK = new Repair("Attack as the category has it", (s, f, r) -> changed(s.patch(), p -> envelopes(p, EnvelopeParameters.ATTACK, v -> Math.min(v, 0.5 * s.expected().attackSeconds()))));
    public static final Repair SOFTER_RELEASE = new Repair("Release of 20 ms", (s, f, r) -> changed(s.patch(), p -> envelopes(p, EnvelopeParameters.RELEASE, v -> Math.max(v, LEAST_RELEASE))));
    public static final Repair SHORTER_RELEASE = new Repair("Release half as long", (s, f, r) -> changed(s.patch(), p -> envelopes(p, EnvelopeParameters.RELEASE, v -> v / 2)));
    public static final Repair LESS_FEEDBACK = new Repair("Less feedback of the delay", (s, f, r) -> changed(s.patch(), p -> effects(p, EffectType.DELAY, EffectParameters.DELAY_FEEDBACK, v -> Math.min(v, 60))));
    public static final Repair REVERB_LOW_CUT = new Repair("Low cut of the reverb at 220 Hz", (s, f, r) -> changed(s.patch(), p ->
            effects(effects(p, EffectType.REVERB, EffectParameters.REVERB_LOW_CUT, v -> Math.max(v, REVERB_CUT_HZ)), EffectType.DELAY, EffectParameters.DELAY_LOW_CUT, v -> Math.max(v, REVERB_CUT_HZ))));
    public static final Repair LESS_MIX = new Repair("Mix of 50 %", (s, f, r) -> changed(s.patch(), p -> set(p, Parameters.find(f.place()).index(), 50)));
    public static final Repair TUNE = new Repair("Tune the source", (s, f, r) -> tuned(s, f));
    public static final Repair OCTAVE = new Repair("Back to the octave of the keys", (s, f, r) -> transposed(s));
    public static final Repair KEY_TRACKING = new Repair("Let the filter follow the keys", (s, f, r) -> changed(s.patch(), p -> filters(p, FilterParameters.KEY_TRACKING, v -> Math.max(v, 100))));
    public static final Repair LESS_RESONANCE = new Repair("Resonance of 6 dB", (s, f, r) -> changed(s.patch(), p -> filters(p, FilterParameters.RESONANCE, v -> Math.min(v, 6))));
    public static final Repair OVERSAMPLE = new Repair("Oversample", (s, f, r) -> changed(s.patch(), p -> set(p, PatchParameters.OVERSAMPLING, p.value(PatchParameters.OVERSAMPLING) + 1)));
    public static final Repair EVEN_KEYS = new Repair("Even out the keys", (s, f, r) -> Optional.ofNullable(new KeyLevelBalance(r).propose(s.patch(), 0).edit()).map(e -> e.apply(s.patch())));
    public static final Repair FADE_SPLIT = new Repair("Fade the zones over five keys", (s, f, r) -> faded(s.patch()));
    public static final Repair PART_ZONES = new Repair("Part the zones in the middle", (s, f, r) -> changed(s.patch(), p -> ZoneOverlap.of(p).stream().reduce(p, (q, o) -> o.parted(q), (a, b) -> b)));
    public static final Repair CLOSE_HOLE = new Repair("Widen the zones over the hole", (s, f, r) -> closed(s.patch()));
    public static final Repair LIVELIER_VELOCITY = new Repair("Velocity as the standard has it", (s, f, r) -> changed(s.patch(), p -> livelier(p)));
    public static final Repair GENTLER_VELOCITY = new Repair("Half the velocity to level", (s, f, r) -> changed(s.patch(), p -> set(p, PatchParameters.VELOCITY_TO_LEVEL, p.value(PatchParameters.VELOCITY_TO_LEVEL) / 2)));
    public static final Repair BEND_RANGE = new Repair("The house's range", (s, f, r) -> changed(s.patch(), p ->
            set(set(p, PatchParameters.BEND_UP, s.house().conventions().bendRange()), PatchParameters.BEND_DOWN, s.house().conventions().bendRange())));
    public static final Repair MORE_VOICES = new Repair("Eight voices", (s, f, r) -> changed(s.patch(), p -> set(set(p, PatchParameters.VOICE_MODE, PatchParameters.MODE_POLY), PatchParameters.VOICES, 8)));
    public static final Repair FIXED_PHASE = new Repair("Let the waves begin at a fixed phase", (s, f, r) -> changed(s.patch(), Repairs::fixed));
    public static final Repair MACRO_DEFAULT = new Repair("The house's default", (s, f, r) -> changed(s.patch(), p -> set(p, PatchParameters.MACRO + macro(f), s.house().macroDefault(macro(f)))));
    public static final Repair MACRO_NAME = new Repair("The house's name", (s, f, r) -> named(s, macro(f)));
    public static final Repair MACRO_ORDER = new Repair("Swap into the house's order", (s, f, r) -> ordered(s, macro(f)));
    public static final Repair TURN_MACRO = new Repair("Exchange the ends", (s, f, r) -> changed(s.patch(), p -> turned(p, macro(f))));
    public static final Repair TARGET_IN = new Repair("Bring the ends of its targets in by a quarter", (s, f, r) -> f.place().startsWith("macro") ? changed(s.patch(), p -> narrowed(p, macro(f))) : Optional.empty());
    public static final Repair PART_OFF = new Repair("Switch it off", (s, f, r) -> off(s.patch(), f));

    private Repairs() {
    }

    /** A patch with an effect that was added to it. @param start of its group */
    private record Added(Patch patch, int start) {
    }

    private static Optional<Patch> changed(Patch patch, UnaryOperator<Patch> change) {
        Patch other = change.apply(patch);
        return other.equals(patch) || Mending.sameSound(other, patch) && other.macros().equals(patch.macros()) && other.routes().equals(patch.routes()) ? Optional.empty() : Optional.of(other);
    }

    private static Patch set(Patch patch, int index, double value) {
        return patch.withValue(Parameters.at(index), value);
    }

    private static int macro(Finding finding) {
        return finding.place().matches("macro[1-8]") ? finding.place().charAt(5) - '1' : 0;
    }

    /** At the end of the common chain, or nothing where it is full. */
    private static Optional<Added> effect(Patch patch, String type) {
        try {
            Patch added = new AddEffect(COMMON, Parameters.at(Parameters.ofEffect(COMMON, 0)).choices().indexOf(type)).apply(patch);
            for (int slot = 0; slot < PatchParameters.EFFECTS; slot++) {
                if (added.value(Parameters.ofEffect(COMMON, slot)) != patch.value(Parameters.ofEffect(COMMON, slot))) {
                    return Optional.of(new Added(added, Parameters.ofEffect(COMMON, slot)));
                }
            }
            return Optional.empty();
        } catch (EditException e) {
            return Optional.empty();
        }
    }

    /** The trim comes after the limiter, so the limiter's ceiling is the house's without the trim. */
    private static Optional<Patch> limited(Subject s) {
        double ceiling = s.house().ceilingDbtp() - 0.1 - s.patch().value(PatchParameters.LEVEL_TRIM);
        return effect(s.patch(), "limiter").flatMap(p -> {
            Parameter parameter = Parameters.at(p.start + EffectParameters.LIMITER_CEILING);
            Parameter detector = Parameters.at(p.start + EffectParameters.LIMITER_DETECTOR);
            double trim = s.patch().value(PatchParameters.LEVEL_TRIM);
            double set = parameter.clamp(Math.floor(100 * ceiling) / 100);
            Patch limited = p.patch.withValue(parameter, set).withValue(detector, detector.choices().indexOf("truePeak"));
            // A ceiling above what the limiter has would let peaks through; the trim gives way there.
            return Optional.of(set + trim > s.house().ceilingDbtp() ? set(limited, PatchParameters.LEVEL_TRIM, Math.rint(100 * (s.house().ceilingDbtp() - 0.1 - set)) / 100) : limited);
        });
    }

    private static Patch envelopes(Patch patch, int place, DoubleUnaryOperator change) {
        return layers(patch, LayerParameters.envelope(0) + place, change);
    }

    private static Patch filters(Patch patch, int place, DoubleUnaryOperator change) {
        Patch changed = patch;
        for (int filter = 0; filter < LayerParameters.FILTERS; filter++) {
            for (int layer = 0; layer < Parameters.LAYERS; layer++) {
                int type = Parameters.ofLayer(layer, LayerParameters.filter(filter));
                if (patch.layerOn(layer) && patch.value(type) != FilterParameters.OFF && patch.relevant(Parameters.at(type + place))) {
                    changed = moved(changed, type + place, change);
                }
            }
        }
        return changed;
    }

    private static Patch layers(Patch patch, int place, DoubleUnaryOperator change) {
        Patch changed = patch;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            changed = patch.layerOn(layer) ? moved(changed, Parameters.ofLayer(layer, place), change) : changed;
        }
        return changed;
    }

    private static Patch effects(Patch patch, EffectType type, int place, DoubleUnaryOperator change) {
        Patch changed = patch;
        for (int slot = 0; slot < PatchParameters.EFFECTS; slot++) {
            int start = PatchParameters.effect(slot);
            changed = EffectType.of(patch.value(start)) == type ? moved(changed, start + place, change) : changed;
        }
        return changed;
    }

    /** A value, or both ends of the macro that holds it, brought where they are to be. */
    private static Patch moved(Patch patch, int index, DoubleUnaryOperator change) {
        Parameter parameter = Parameters.at(index);
        int macro = patch.holdingMacro(parameter);
        if (macro < 0) {
            double value = change.applyAsDouble(patch.value(index));
            return value == patch.value(index) ? patch : patch.withValue(parameter, value);
        }
        List<MacroTarget> targets = new ArrayList<>();
        for (MacroTarget t : patch.macros().get(macro).targets()) {
            targets.add(t.target().equals(parameter) ? t.withEnds(parameter.clamp(change.applyAsDouble(t.low())), parameter.clamp(change.applyAsDouble(t.high()))) : t);
        }
        return patch.withMacro(macro, patch.macros().get(macro).withTargets(targets));
    }

    private static Patch centred(Patch patch) {
        Patch centred = layers(patch, LayerParameters.ZONE_PAN, v -> 0);
        for (int source = 0; source < LayerParameters.SOURCES; source++) {
            centred = layers(centred, LayerParameters.source(source) + SourceParameters.PAN, v -> 0);
        }
        return effects(effects(centred, EffectType.DELAY, EffectParameters.DELAY_LEVEL_LEFT, v -> 0), EffectType.DELAY, EffectParameters.DELAY_LEVEL_RIGHT, v -> 0);
    }

    private static Patch fixed(Patch patch) {
        Patch fixed = patch;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            for (int source = 0; source < LayerParameters.SOURCES; source++) {
                int phase = Parameters.ofSource(layer, source, SourceParameters.PHASE_START);
                fixed = patch.layerOn(layer) && patch.relevant(Parameters.at(phase)) ? set(fixed, phase, SourceParameters.PHASE_FIXED) : fixed;
            }
        }
        return fixed;
    }

    private static Patch livelier(Patch patch) {
        List<Route> routes = patch.routes().stream().filter(r -> r.source() != Modulator.VELOCITY || r.depth() > 0 || !levels(r.target())).toList();
        Patch lively = set(patch.withRoutes(routes), PatchParameters.VELOCITY_CURVE, PatchParameters.VELOCITY_STANDARD);
        return set(lively, PatchParameters.VELOCITY_TO_LEVEL, Math.max(50, patch.value(PatchParameters.VELOCITY_TO_LEVEL)));
    }

    private static boolean levels(Parameter target) {
        return target.id().endsWith(".level");
    }

    /** The cents of every sounding source move by what the probe is off. */
    private static Optional<Patch> tuned(Subject s, Finding f) {
        Double cents = s.measurement().pitchCents();
        if (cents == null || Math.abs(cents) > 100) {
            return Optional.empty();
        }
        return changed(s.patch(), p -> {
            Patch tuned = p;
            for (int layer : s.soundingLayers()) {
                for (int source = 0; source < LayerParameters.SOURCES; source++) {
                    int at = Parameters.ofSource(layer, source, 0);
                    if (p.soundingValue(Parameters.at(at + SourceParameters.LEVEL)) > SourceParameters.OFF_DB) {
                        tuned = moved(tuned, at + SourceParameters.CENTS, v -> v - cents);
                    }
                }
            }
            return tuned;
        });
    }

    private static Optional<Patch> transposed(Subject s) {
        return changed(s.patch(), p -> layers(layers(layers(p, LayerParameters.source(0) + SourceParameters.OCTAVE, v -> 0), LayerParameters.source(1) + SourceParameters.OCTAVE, v -> 0),
                LayerParameters.source(2) + SourceParameters.OCTAVE, v -> 0));
    }

    private static Optional<Patch> faded(Patch patch) {
        return changed(patch, p -> {
            Patch faded = p;
            for (int layer = 0; layer < Parameters.LAYERS; layer++) {
                int at = Parameters.ofLayer(layer, 0);
                if (p.layerOn(layer) && p.value(at + LayerParameters.HIGH_KEY) < 127) {
                    faded = set(set(faded, at + LayerParameters.HIGH_KEY_FADE, 5), at + LayerParameters.HIGH_KEY, p.value(at + LayerParameters.HIGH_KEY) + 2);
                }
                if (p.layerOn(layer) && p.value(at + LayerParameters.LOW_KEY) > 0) {
                    faded = set(set(faded, at + LayerParameters.LOW_KEY_FADE, 5), at + LayerParameters.LOW_KEY, p.value(at + LayerParameters.LOW_KEY) - 2);
                }
            }
            return faded;
        });
    }

    /** Each layer that ends below a hole goes up to the next one that begins; velocities open wholly where one layer alone plays. */
    private static Optional<Patch> closed(Patch patch) {
        List<Integer> on = new ArrayList<>();
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            if (patch.layerOn(layer)) {
                on.add(layer);
            }
        }
        on.sort((a, b) -> Double.compare(patch.value(Parameters.ofLayer(a, LayerParameters.LOW_KEY)), patch.value(Parameters.ofLayer(b, LayerParameters.LOW_KEY))));
        Patch closed = patch;
        for (int i = 0; i < on.size(); i++) {
            int at = Parameters.ofLayer(on.get(i), 0);
            if (i + 1 < on.size()) {
                double next = patch.value(Parameters.ofLayer(on.get(i + 1), LayerParameters.LOW_KEY));
                closed = next > patch.value(at + LayerParameters.HIGH_KEY) + 1 ? set(closed, at + LayerParameters.HIGH_KEY, next - 1) : closed;
            }
            closed = on.size() == 1 ? set(set(closed, at + LayerParameters.LOW_VELOCITY, 1), at + LayerParameters.HIGH_VELOCITY, 127) : closed;
        }
        Patch all = closed;
        return changed(patch, p -> all);
    }

    private static Optional<Patch> named(Subject s, int macro) {
        String name = macro < s.house().macroNames().size() ? s.house().macroNames().get(macro) : "";
        Macro present = s.patch().macros().get(macro);
        return name.isEmpty() || s.patch().macros().stream().anyMatch(m -> m.name().equals(name)) ? Optional.empty()
                : Optional.of(s.patch().withMacro(macro, present.named(name, present.lowEnd(), present.highEnd())));
    }

    /** The macro moves to the slot that the house has for its name, and what stood there comes here; routes and positions go along. */
    private static Optional<Patch> ordered(Subject s, int macro) {
        int wanted = s.house().macroNames().indexOf(s.patch().macros().get(macro).name());
        if (wanted < 0 || wanted == macro) {
            return Optional.empty();
        }
        Patch p = s.patch();
        Macro first = p.macros().get(macro);
        Macro second = p.macros().get(wanted);
        double position = p.value(PatchParameters.MACRO + macro);
        double other = p.value(PatchParameters.MACRO + wanted);
        // Both are empty while they change places, so that no target is held twice.
        Patch swapped = p.withMacro(macro, Macro.UNUSED).withMacro(wanted, Macro.UNUSED);
        swapped = set(set(swapped, PatchParameters.MACRO + macro, other), PatchParameters.MACRO + wanted, position).withMacro(macro, second).withMacro(wanted, first);
        Modulator a = Modulator.macro(macro);
        Modulator b = Modulator.macro(wanted);
        return Optional.of(swapped.withRoutes(p.routes().stream().map(r -> new Route(swap(r.source(), a, b), r.target(), r.depth(), r.side(), r.bend(), r.low(), r.high(), swap(r.scaler(), a, b))).toList()));
    }

    private static Modulator swap(Modulator modulator, Modulator a, Modulator b) {
        return modulator == a ? b : modulator == b ? a : modulator;
    }

    /** Every target has its ends exchanged, and the position is mirrored: the sound stays. */
    private static Patch turned(Patch patch, int macro) {
        Macro present = patch.macros().get(macro);
        List<MacroTarget> targets = present.targets().stream().map(t -> new MacroTarget(t.target(), t.high(), t.low(), -t.bend())).toList();
        Patch turned = set(patch, PatchParameters.MACRO + macro, 100 - patch.value(PatchParameters.MACRO + macro));
        return turned.withMacro(macro, new Macro(present.name(), present.lowEnd(), present.highEnd(), targets));
    }

    private static Patch narrowed(Patch patch, int macro) {
        double stands = patch.macroPosition(macro);
        List<MacroTarget> targets = patch.macros().get(macro).targets().stream().map(t -> {
            double here = t.target().position(t.at(stands));
            return t.withEnds(t.target().value(here + 0.75 * (t.target().position(t.low()) - here)), t.target().value(here + 0.75 * (t.target().position(t.high()) - here)));
        }).toList();
        return patch.withMacro(macro, patch.macros().get(macro).withTargets(targets));
    }

    /** Switches off what a place leads to: a source, a layer, a filter, an effect, or the route to it. */
    private static Optional<Patch> off(Patch patch, Finding finding) {
        Parameter place = Parameters.find(finding.place());
        if (place == null) {
            return Optional.empty();
        }
        if (finding.message().startsWith("The route from ")) {
            return changed(patch, p -> p.withRoutes(p.routes().stream().filter(r -> !(r.target().equals(place) && finding.message().startsWith("The route from " + r.source().label() + " to "))).toList()));
        }
        String id = place.id();
        if (id.endsWith(".type") && id.contains("effect")) {
            return changed(patch, p -> set(p, place.index(), EffectParameters.NONE));
        }
        if (id.matches(".*effect\\d+\\.(on|mix|eqLowGain)")) {
            Parameter type = Parameters.find(id.substring(0, id.lastIndexOf('.')) + ".type");
            return type == null ? Optional.empty() : changed(patch, p -> set(p, type.index(), EffectParameters.NONE));
        }
        return id.endsWith(".type") ? changed(patch, p -> set(p, place.index(), FilterParameters.OFF))
                : id.endsWith(".level") ? changed(patch, p -> set(p, place.index(), place.min()))
                : id.endsWith(".on") ? changed(patch, p -> set(p, place.index(), 0)) : Optional.empty();
    }
}
