package gentlecomet.bench.faults;

import gentlecomet.craft.probe.KeyProbe;
import gentlecomet.craft.probe.Probes;
import gentlecomet.craft.rules.Conventions;
import gentlecomet.craft.rules.Expectations;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.LevelMeasure;
import gentlecomet.craft.rules.MacroPurpose;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/** Faults of the trade, each with the rule that has to find it. */
final class FaultCatalogue {

    /** All of them. */
    static final List<Fault> ALL = all();

    private FaultCatalogue() {
    }

    private static List<Fault> all() {
        List<Fault> f = new ArrayList<>();
        f.add(plain("silence.none", "every source off", FaultCatalogue::mute));
        f.add(new Fault("silence.dc", "a constant in the wave", (p, x, h) -> oscillators(p) ? one(p, FaultCatalogue::lopsided) : Optional.empty(), null));
        f.add(new Fault("tail.stuck", "feedback that never ends", (p, x, h) -> effect(p, "delay", "mix=60", "delay.timeLeft=1.9 s", "delay.timeRight=1.9 s", "delay.feedback=95", "delay.lowCut=20", "delay.highCut=20000").map(q -> with(q, "levelTrim=" + Math.min(24, p.value(PatchParameters.LEVEL_TRIM) + 6))), null));
        f.add(new Fault("tail.long", "a release far over the category's limit", (p, x, h) -> !oscillators(p) || h.category(p.naming().category()).orElseThrow().tailLimitSeconds() > 5 ? Optional.empty() : release(p, 1.4 * h.category(p.naming().category()).orElseThrow().tailLimitSeconds()), (p, x, h) -> release(p, 0.05)));
        f.add(plain("tail.growing", "a level that swells without end", p -> oneLayer(p) ? route(with(dull(p), "layer1.envelope4.attack=9 s", "layer1.envelope4.sustain=100", "layer1.amplitude.sustain=100", "layer1.amplitude.attack=0.01 s", "layer1.zone.level=-24"),
                new Route(Modulator.ENVELOPE_4, Parameters.find("layer1.zone.level"), 24)) : null));
        f.add(new Fault("level.ceiling", "3 dB over the ceiling", (p, x, h) -> Optional.of(trim(p, h.ceilingDbtp() + 3 - x.measurement().truePeakDbtp())), (p, x, h) -> Optional.of(trim(p, h.ceilingDbtp() - 0.3 - x.measurement().truePeakDbtp()))));
        f.add(new Fault("level.loudness", "1.5 LU off the target", (p, x, h) -> Optional.of(trim(p, -1.5 + off(p, x, h))), (p, x, h) -> Optional.of(trim(p, 0.3 + off(p, x, h)))));
        f.add(new Fault("level.clipping", "2 dB over full scale", (p, x, h) -> Optional.of(trim(p, 2 - x.measurement().truePeakDbtp())), (p, x, h) -> Optional.of(trim(p, -0.5 - x.measurement().truePeakDbtp()))));
        f.add(new Fault("level.chord", "a chord 4 dB over full scale", (p, x, h) -> mono(p) ? Optional.empty() : Optional.of(trim(p, 4 - x.chordPeakDbtp())), (p, x, h) -> mono(p) ? Optional.empty() : Optional.of(trim(p, -1 - x.chordPeakDbtp()))));
        f.add(new Fault("level.keys", "an octave far too loud", (p, x, h) -> !oneLayer(p) || h.expectationsOf(p.naming().category()).highKey() < 84 ? Optional.empty() : Optional.of(keyLevels(clean(p), 0, 0, 47, 0, 60, 0, 72, 18, 84, 18, 127, 18)), null));
        f.add(plain("level.even", "one key far too loud", p -> oneLayer(p) ? peakAtSixth(clean(p)) : null));
        f.add(plain("level.soft", "soft notes vanish", p -> with(clean(p), "performance.velocityCurve=hard", "performance.velocityDepth=60", "performance.velocityToLevel=100")));
        f.add(new Fault("click.start", "the wave begins at its crest", (p, x, h) -> h.expectationsOf(p.naming().category()).struck() ? Optional.empty() : Optional.of(hardStart(p)), null));
        f.add(plain("click.end", "the wave is cut off", p -> dull(with(p, "layer1.amplitude.release=0 s", "layer1.amplitude.sustain=100"))));
        f.add(new Fault("click.change", "a key next to it far louder, taken without a new start", (p, x, h) -> h.expectationsOf(p.naming().category()).struck() ? Optional.empty()
                : Optional.of(keyLevels(dull(with(p, "performance.mode=legato", "layer1.amplitude.sustain=100")), 0, -24, x.measurement().probeKey(), -24, Math.min(127, x.measurement().probeKey() + 6), 18, 127, 18)), null));
        f.add(plain("click.hand", "a macro that steps the octave", p -> macro(dull(with(p, "layer1.amplitude.sustain=100")), 1, "Leap", target("layer1.source1.octave", 0, 2))));
        f.add(new Fault("pitch.tuning", "40 cents flat", (p, x, h) -> tunable(p, x) ? Optional.of(cents(p, -40)) : Optional.empty(), (p, x, h) -> tunable(p, x) ? Optional.of(cents(p, 6)) : Optional.empty()));
        f.add(new Fault("pitch.keys", "upper half 40 cents off", (p, x, h) -> tunable(p, x) ? stretched(p) : Optional.empty(), null));
        f.add(new Fault("pitch.drift", "a pitch that sinks", (p, x, h) -> !tunable(p, x) || x.hold().driftCents() == null ? Optional.empty()
                : Optional.of(route(with(p, "layer1.envelope4.attack=0.01 s", "layer1.envelope4.decay=8 s", "layer1.envelope4.sustain=0"), new Route(Modulator.ENVELOPE_4, Parameters.find("layer1.pitch.shift"), 2))), null));
        f.add(new Fault("pitch.octave", "three octaves down", (p, x, h) -> tunable(p, x) && h.expectationsOf(p.naming().category()).lowKey() >= 36 && h.expectationsOf(p.naming().category()).octaves() <= 2 && x.measurement().probeKey() >= 48 ? Optional.of(shifted(p, h.expectationsOf(p.naming().category()).octaves() + 1)) : Optional.empty(), null));
        f.add(new Fault("pitch.jump", "an octave up from the middle on", (p, x, h) -> tunable(p, x) && oneLayer(p) && oneOctave(x) && h.expectationsOf(p.naming().category()).highKey() >= 80 ? jump(p) : Optional.empty(), null));
        f.add(plain("keymap.hole", "no layer over three keys", p -> hole(p)));
        f.add(plain("keymap.overlap", "two zones that share three keys", p -> oneLayer(p) ? with(second(p), "layer1.zone.highKey=62", "layer2.zone.lowKey=60") : null));
        f.add(new Fault("keymap.split", "9 dB between two zones", (p, x, h) -> oneLayer(p) && even(x) ? split(p, 9) : Optional.empty(), (p, x, h) -> oneLayer(p) && even(x) ? split(p, 1) : Optional.empty()));
        f.add(new Fault("keymap.dead", "a filter that leaves the high keys behind", (p, x, h) -> !oscillators(p) || h.expectationsOf(p.naming().category()).highKey() < 84 ? Optional.empty() : Optional.of(with(dull(p), "layer1.source1.wave=saw", "layer1.filter1.type=lowPass24", "layer1.filter1.mix=100", "layer1.filter1.cutoff=120", "layer1.filter1.keyTracking=0", "layer1.filter1.resonance=0", "layer1.filter1.envelopeAmount=0", "layer1.filter2.type=off", "layer1.filters.routing=series", "layer1.source1.output=both", "layer1.source2.level=off", "layer1.source3.level=off", "layer1.noise.level=off")), null));
        f.add(plain("keymap.shriek", "a filter that sings", p -> with(clean(p), "layer1.source1.wave=saw", "layer1.source1.level=0", "layer1.filter1.type=bandPass24", "layer1.filter1.cutoff=5500", "layer1.filter1.keyTracking=0", "layer1.filter1.resonance=55", "layer1.filter1.envelopeAmount=0")));
        f.add(new Fault("keymap.alias", "a saw driven into two open filters", (p, x, h) -> oscillators(p) ? Optional.of(with(dull(p), "layer1.source1.wave=saw", "layer1.source1.level=6", "layer1.amplitude.sustain=100", "layer1.filter1.type=lowPass24", "layer1.filter1.cutoff=20000", "layer1.filter1.drive=36",
                "layer1.filter2.type=lowPass24", "layer1.filter2.cutoff=20000", "layer1.filter2.drive=36", "layer1.filters.routing=series", "performance.oversampling=1x")) : Optional.empty(), null));
        f.add(plain("expression.velocity", "velocity does nothing", p -> with(noVelocity(p), "performance.velocityToLevel=0")));
        f.add(plain("expression.inverted", "hard notes are quieter", p -> route(with(noVelocity(p), "performance.velocityToLevel=0"), new Route(Modulator.VELOCITY, Parameters.find("layer1.zone.level"), -18))));
        f.add(new Fault("expression.jump", "a layer that comes in at velocity 64", (p, x, h) -> oneLayer(p) ? velocityJump(p) : Optional.empty(), null));
        f.add(plain("expression.deadzone", "velocity that stops at 80", p -> withShape(with(noVelocity(p), "performance.velocityCurve=drawn", "performance.velocityToLevel=100", "performance.velocityDepth=40"), Shapes.VELOCITY, 0, 0, 55, 100, 100, 100)));
        f.add(plain("expression.wheel", "the wheel does nothing", p -> p.withRoutes(p.routes().stream().filter(r -> r.source() != Modulator.MOD_WHEEL && r.scaler() != Modulator.MOD_WHEEL).toList())));
        f.add(plain("expression.pressure", "pressure does nothing", p -> p.withRoutes(p.routes().stream().filter(r -> !r.source().name().contains("AFTERTOUCH") && (r.scaler() == null || !r.scaler().name().contains("AFTERTOUCH"))).toList())));
        f.add(plain("expression.claim", "release velocity without effect", p -> route(p, new Route(Modulator.RELEASE_VELOCITY, Parameters.find("layer1.lfo4.rate"), 1))));
        f.add(plain("range.bend", "a bend of five semitones", p -> with(p, "performance.bendUp=5", "performance.bendDown=5")));
        f.add(plain("hand.jump", "a macro that switches", p -> macro(p, 1, "Switch", new MacroTarget(Parameters.find("levelTrim"), -36, 0, 0.97))));
        f.add(new Fault("hand.ceiling", "a macro that clips", (p, x, h) -> p.value(PatchParameters.LEVEL_TRIM) - x.chordPeakDbtp() + 14 > 24 ? Optional.empty() : Optional.of(macro(noLimiter(p), 1, "Boost", target("levelTrim", p.value(PatchParameters.LEVEL_TRIM) - 6, Math.min(24, p.value(PatchParameters.LEVEL_TRIM) - x.chordPeakDbtp() + 14)))), null));
        f.add(plain("hand.silent", "a macro that silences", p -> macro(p, 1, "Gone", target("layer1.zone.level", 0, -72))));
        f.add(plain("hand.endless", "a macro to endless feedback", p -> effect(p, "delay", "mix=60", "delay.timeLeft=0.4 s", "delay.timeRight=0.4 s", "delay.feedback=20", "delay.lowCut=20", "delay.highCut=20000").map(q -> macro(q, 1, "Echo on", target(slot(p, q) + "delay.feedback", 10, 95))).orElse(null)));
        f.add(plain("hand.shriek", "a macro to a singing filter", p -> !oscillators(p) ? null : macro(with(clean(p), "layer1.source1.wave=saw", "layer1.source1.level=0", "layer1.filter1.type=off", "layer1.filter2.type=bandPass24", "layer1.filter2.cutoff=5000", "layer1.filter2.keyTracking=0", "layer1.filter2.resonance=0", "layer1.filters.routing=series"), 1, "Scream", target("layer1.filter2.resonance", 0, 55))));
        f.add(new Fault("hand.pitch", "a wheel that leaves the pitch", (p, x, h) -> tunable(p, x) && oneLayer(p) ? Optional.of(route(p, new Route(Modulator.MOD_WHEEL, Parameters.find("layer1.pitch.shift"), 0.65))) : Optional.empty(), (p, x, h) -> tunable(p, x) && oneLayer(p) ? Optional.of(route(p, new Route(Modulator.MOD_WHEEL, Parameters.find("layer1.pitch.shift"), 0.1))) : Optional.empty()));
        f.add(new Fault("hand.together", "three macros that add up", (p, x, h) -> Optional.of(macro(macro(with(noLimiter(p), "layer1.source1.level=-6"), 1, "Up", target("layer1.zone.level", -20, 6)), 2, "More", target("layer1.source1.level", -20, 6))).map(q -> with(q, "macro2=50", "macro3=50", "levelTrim=24")), null));
        f.add(plain("macro.few", "one macro", p -> macros(p, 1)));
        f.add(plain("macro.unnamed", "a macro without a name", p -> macro(p, 1, "", target("layer1.zone.level", -3, 3))));
        f.add(plain("macro.order", "names exchanged", p -> macro(p, 0, "Space", target("layer1.zone.level", -3, 3))));
        f.add(new Fault("macro.default", "a macro that stands elsewhere", (p, x, h) -> Optional.of(firstMacro(p, 30)), (p, x, h) -> Optional.of(firstMacro(p, 0.3)),
                (p, h) -> asking(h, List.of(p.value(PatchParameters.MACRO)), h.conventions().purposes())));
        f.add(new Fault("macro.purpose", "a brightness that hardly opens", (p, x, h) -> brightness(p, 5000, 5400), (p, x, h) -> brightness(p, 200, 6000),
                (p, h) -> asking(h, h.macroDefaults(), List.of(new MacroPurpose(MacroPurpose.Change.BRIGHTER, 0.5)))));
        f.add(plain("macro.dead", "a macro of a part that is off", p -> p.layerOn(3) ? null : macro(macros(p, 1), 1, "Nothing", target("layer4.source1.cents", -50, 50))));
        f.add(plain("macro.ends", "once around", p -> oscillators(p) ? macro(macros(dull(with(p, "layer1.source1.phaseStart=fixed", "layer1.amplitude.sustain=100")), 1), 1, "Round", target("layer1.source1.phase", 0, 100)) : null));
        f.add(plain("macro.inverted", "brightness that darkens", p -> !oscillators(p) ? null : macro(with(dull(p), "layer1.source1.wave=saw", "layer1.filter1.type=lowPass24", "layer1.filter1.mix=100", "layer1.filter1.envelopeAmount=0"), 0, "Brightness", target("layer1.filter1.cutoff", 9000, 300))));
        f.add(plain("macro.same", "two macros on one thing", p -> oneLayer(p) ? macro(macro(macros(noLimiter(p), 1), 1, "One", target("layer1.zone.level", -12, 0)), 2, "Two", target("levelTrim", p.value(PatchParameters.LEVEL_TRIM) - 12, p.value(PatchParameters.LEVEL_TRIM))) : null));
        f.add(plain("space.mono", "sides eight times as wide", p -> oscillators(p) ? effect(with(clean(p), "layer1.source1.width=100", "layer1.source1.unisonVoices=6", "layer1.source1.detune=30", "layer1.source2.level=off", "layer1.source3.level=off"), "stereo", "stereo.width=200", "mix=100").flatMap(q -> effect(q, "stereo", "stereo.width=200", "mix=100")).flatMap(q -> effect(q, "stereo", "stereo.width=200", "mix=100")).orElse(null) : null));
        f.add(plain("space.side", "hard left", p -> eachLayer(clean(p), "zone.pan=-85")));
        f.add(plain("space.phase", "sides against each other", p -> effect(p, "stereo", "stereo.width=200", "mix=100").flatMap(q -> effect(q, "widener", "widener.delay=9 ms", "mix=100")).flatMap(q -> effect(q, "stereo", "stereo.width=200", "mix=100")).orElse(null)));
        f.add(plain("space.low", "wide bass", p -> oscillators(p) ? effect(dullBass(p), "stereo", "stereo.width=200", "mix=100").flatMap(q -> effect(q, "stereo", "stereo.width=200", "mix=100")).orElse(null) : null));
        f.add(new Fault("space.rumble", "a tone at 22 Hz", (p, x, h) -> h.expectationsOf(p.naming().category()).lowKey() < 30 ? Optional.empty() : Optional.of(with(p, "layer1.source3.wave=sine", "layer1.source3.level=6", "layer1.source3.keyFollow=0", "layer1.source3.octave=-3", "layer1.source3.semitones=-6", "layer1.source3.output=direct", "layer1.source3.ratio=0.8")), null));
        f.add(new Fault("space.mud", "a reverb that booms", (p, x, h) -> h.expectationsOf(p.naming().category()).lowKey() < 36 ? Optional.empty() : effect(with(dull(p), "layer1.amplitude.release=50 ms", "layer1.source1.level=0", "layer1.source1.keyFollow=0", "layer1.source1.octave=-2"), "reverb", "mix=70", "reverb.decay=6 s", "reverb.lowCut=20", "reverb.highCut=700"), null));
        f.add(plain("space.wet", "a reverb without the sound itself", p -> effect(p, "reverb", "mix=100").orElse(null)));
        f.add(new Fault("category.attack", "a slow start", (p, x, h) -> h.expectationsOf(p.naming().category()).attackSeconds() > 0 ? Optional.of(eachLayer(p, "amplitude.attack=6 s", "amplitude.sustain=100")) : Optional.empty(), null));
        f.add(new Fault("category.brightness", "hiss over a dark category", (p, x, h) -> h.expectationsOf(p.naming().category()).brightest() <= 0 ? Optional.empty()
                : Optional.of(with(clean(p), "layer1.filter1.type=off", "layer1.filter2.type=off", "layer1.noise.level=6")), null));
        f.add(new Fault("category.width", "sides in a narrow category", (p, x, h) -> h.expectationsOf(p.naming().category()).widest() >= Expectations.ANY_WIDTH || !oscillators(p) ? Optional.empty()
                : effect(with(clean(p), "layer1.source1.wave=saw", "layer1.source1.width=100", "layer1.source1.unisonVoices=6", "layer1.source1.detune=30", "layer1.source2.level=off", "layer1.source3.level=off"), "stereo", "stereo.width=200", "mix=100")
                        .flatMap(q -> effect(q, "stereo", "stereo.width=200", "mix=100")).flatMap(q -> effect(q, "stereo", "stereo.width=200", "mix=100")), null));
        f.add(plain("category.register", "two octaves alone", p -> eachLayer(p, "zone.lowKey=60", "zone.highKey=72")));
        f.add(new Fault("category.voices", "one voice", (p, x, h) -> h.expectationsOf(p.naming().category()).voices() > 1 ? Optional.of(with(p, "performance.mode=mono")) : Optional.empty(), null));
        f.add(plain("part.unheard", "a route of no use", p -> route(p, new Route(Modulator.LFO_4, Parameters.find("layer1.lfo3.rate"), 1))));
        f.add(plain("part.loose", "an effect that is bypassed", p -> effect(p, "chorus").map(q -> q.withValue(Parameters.find(slot(p, q) + "on"), 1)).orElse(null)));
        f.add(plain("repeat.spread", "a level that is drawn for each note", p -> !oneLayer(p) ? null : route(with(clean(p), "performance.stack=1"), new Route(Modulator.RANDOM, Parameters.find("layer1.zone.level"), 60))));
        return f;
    }

    private static Fault plain(String rule, String name, UnaryOperator<Patch> change) {
        return new Fault(rule, name, (p, x, h) -> one(p, change), null);
    }

    private static Optional<Patch> one(Patch patch, UnaryOperator<Patch> change) {
        return Optional.ofNullable(change.apply(patch));
    }

    /** Typed values; a macro that holds one of them lets it go. */
    static Patch with(Patch patch, String... changes) {
        Patch changed = patch;
        for (String change : changes) {
            int at = change.indexOf('=');
            Parameter parameter = Parameters.find(change.substring(0, at));
            changed = pinned(changed, parameter, ValueText.parse(parameter, change.substring(at + 1)));
        }
        return changed;
    }

    private static Patch pinned(Patch patch, Parameter parameter, double value) {
        Patch free = patch;
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            Macro macro = free.macros().get(m);
            if (macro.targets().stream().anyMatch(t -> t.target().equals(parameter))) {
                free = free.withMacro(m, macro.withTargets(macro.targets().stream().filter(t -> !t.target().equals(parameter)).toList()));
            }
        }
        return free.withValue(parameter, value);
    }

    private static Patch eachLayer(Patch patch, String... changes) {
        Patch changed = patch;
        for (int layer = 1; layer <= Parameters.LAYERS; layer++) {
            if (patch.layerOn(layer - 1)) {
                for (String change : changes) {
                    changed = with(changed, "layer" + layer + "." + change);
                }
            }
        }
        return changed;
    }

    private static Patch route(Patch patch, Route route) {
        List<Route> routes = new ArrayList<>(patch.routes());
        routes.removeIf(r -> r.source() == route.source() && r.target().equals(route.target()));
        if (routes.size() >= Patch.MAX_ROUTES) {
            return null;
        }
        routes.add(route);
        return patch.withRoutes(routes);
    }

    private static MacroTarget target(String id, double low, double high) {
        return new MacroTarget(Parameters.find(id), low, high);
    }

    private static Patch macro(Patch patch, int number, String name, MacroTarget... targets) {
        Patch free = patch;
        for (MacroTarget t : targets) {
            free = pinned(free, t.target(), free.soundingValue(t.target()));
        }
        return free.withMacro(number, new Macro(name, "a", "b", List.of(targets))).withValue(Parameters.at(PatchParameters.MACRO + number), 50);
    }

    private static Patch macros(Patch patch, int kept) {
        Patch fewer = patch;
        for (int m = kept; m < PatchParameters.MACROS; m++) {
            fewer = fewer.withMacro(m, Macro.UNUSED);
        }
        return fewer.withRoutes(fewer.routes().stream().filter(r -> !r.source().name().startsWith("MACRO") && (r.scaler() == null || !r.scaler().name().startsWith("MACRO"))).toList());
    }

    /** The first macro moved on, or back where there is no room. */
    private static Patch firstMacro(Patch patch, double percent) {
        double stands = patch.value(PatchParameters.MACRO);
        return patch.withValue(Parameters.at(PatchParameters.MACRO), stands + percent <= 100 ? stands + percent : stands - percent);
    }

    private static Optional<Patch> brightness(Patch patch, double low, double high) {
        return oscillators(patch) ? Optional.of(macro(with(clean(patch), "layer1.filter1.type=lowPass24", "layer1.filter1.envelopeAmount=0", "layer1.filter1.resonance=0", "layer1.source1.wave=saw", "layer1.source1.level=-9"), 0,
                "Brightness", target("layer1.filter1.cutoff", low, high))) : Optional.empty();
    }

    private static HouseRules asking(HouseRules h, List<Double> macroDefaults, List<MacroPurpose> purposes) {
        Conventions c = h.conventions();
        return new HouseRules(h.namePattern(), h.namePatternHint(), h.nameMaxLength(), h.categories(), h.targetLufs(), h.toleranceLu(), h.ceilingDbtp(), h.tuningCents(), h.macroNames(), h.fewestMacros(), macroDefaults,
                new Conventions(c.parts(), c.words(), c.tagGroups(), c.listedOnly(), purposes, c.bendRange(), c.velocityMoves(), c.touchMoves(), c.checks(), c.gate(), c.phrases()));
    }

    private static Optional<Patch> effect(Patch patch, String type, String... changes) {
        for (int slot = 1; slot <= PatchParameters.EFFECTS; slot++) {
            Parameter at = Parameters.find("effect" + slot + ".type");
            boolean rest = true;
            for (int later = slot; later <= PatchParameters.EFFECTS; later++) {
                rest &= patch.value("effect" + later + ".type") == EffectParameters.NONE;
            }
            if (rest) {
                Patch added = patch.withValue(at, at.choices().indexOf(type));
                for (String change : changes) {
                    added = with(added, "effect" + slot + "." + change);
                }
                return Optional.of(added);
            }
        }
        return Optional.empty();
    }

    /** The slot that an effect was added to, with the dot. */
    private static String slot(Patch before, Patch after) {
        for (int slot = 1; slot <= PatchParameters.EFFECTS; slot++) {
            if (before.value("effect" + slot + ".type") != after.value("effect" + slot + ".type")) {
                return "effect" + slot + ".";
            }
        }
        throw new IllegalArgumentException("no effect was added");
    }

    private static Patch effectsOff(Patch patch, String type) {
        Patch off = patch;
        for (int slot = 1; slot <= PatchParameters.EFFECTS; slot++) {
            Parameter at = Parameters.find("effect" + slot + ".type");
            if (type.isEmpty() || at.choices().get((int) patch.value(at.index())).equals(type)) {
                off = off.withValue(at, EffectParameters.NONE);
            }
        }
        return off;
    }

    private static Patch noLimiter(Patch patch) {
        return effectsOff(effectsOff(patch, "limiter"), "compressor");
    }

    /** Without effects and modulation. */
    private static Patch clean(Patch patch) {
        return effectsOff(patch.withRoutes(List.of()), "");
    }

    /** One sine in the middle, so that nothing covers a click. */
    private static Patch dull(Patch patch) {
        return with(mute(clean(patch)), "layer1.source1.wave=sine", "layer1.source1.level=-9", "layer1.source1.unisonVoices=1", "layer1.filter1.type=off", "layer1.filter2.type=off", "layer1.drive.type=off");
    }

    private static Patch hardStart(Patch patch) {
        return with(dull(patch), "layer1.amplitude.attack=0 s", "layer1.amplitude.sustain=100", "layer1.source1.phaseStart=fixed", "layer1.source1.phase=25");
    }

    private static Patch dullBass(Patch patch) {
        return with(eachLayer(clean(patch), "source1.octave=-2"), "layer1.source1.wave=saw", "layer1.source1.level=-6", "layer1.source1.unisonVoices=9", "layer1.source1.detune=35", "layer1.source1.width=100", "layer1.source1.phaseStart=random",
                "layer1.filter1.type=lowPass24", "layer1.filter1.cutoff=140", "layer1.filter1.keyTracking=0", "layer1.filter1.resonance=0", "layer1.filter1.envelopeAmount=0");
    }

    private static Patch mute(Patch patch) {
        Patch mute = patch;
        for (int layer = 1; layer <= Parameters.LAYERS; layer++) {
            for (int source = 1; source <= LayerParameters.SOURCES; source++) {
                mute = with(mute, "layer" + layer + ".source" + source + ".level=off");
            }
            mute = with(mute, "layer" + layer + ".noise.level=off");
        }
        return mute.withRoutes(mute.routes().stream().filter(r -> !r.target().id().endsWith(".level")).toList());
    }

    /** A cosine whose phase a sine of the same pitch moves: its first lower side band stands at zero, with the height that Bessel's J1 has. */
    private static Patch lopsided(Patch patch) {
        return with(dull(patch), "layer1.source2.wave=sine", "layer1.source2.level=off", "layer1.source1.phaseStart=fixed", "layer1.source2.phaseStart=fixed", "layer1.source1.phase=25", "layer1.source2.phase=0", "layer1.source1.phaseModulation2=1.8",
                "layer1.amplitude.sustain=100", "layer1.source1.ratio=1", "layer1.source2.ratio=1", "layer1.source1.octave=0", "layer1.source2.octave=0", "layer1.source1.semitones=0",
                "layer1.source2.semitones=0", "layer1.source1.cents=0", "layer1.source2.cents=0", "layer1.source1.keyFollow=100", "layer1.source2.keyFollow=100");
    }

    private static Optional<Patch> release(Patch patch, double seconds) {
        return Optional.of(eachLayer(patch, "amplitude.release=" + Math.min(20, seconds) + " s"));
    }

    private static Patch trim(Patch patch, double db) {
        Parameter trim = Parameters.at(PatchParameters.LEVEL_TRIM);
        return patch.withValue(trim, trim.clamp(patch.value(trim.index()) + db));
    }

    private static double off(Patch p, Probes x, HouseRules h) {
        LevelMeasure measure = h.measureOf(p.naming().category());
        return h.targetOf(p.naming().category()) - measure.of(x.measurement());
    }

    private static boolean mono(Patch patch) {
        return patch.value(PatchParameters.VOICE_MODE) != PatchParameters.MODE_POLY || patch.value(PatchParameters.VOICES) < 5;
    }

    private static Patch keyLevels(Patch patch, double... rows) {
        Patch levelled = patch;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            levelled = patch.layerOn(layer) ? levelled.withShape(Shapes.keyLevels(layer), rows) : levelled;
        }
        return levelled;
    }

    private static Patch peakAtSixth(Patch patch) {
        return keyLevels(patch, 0, 0, 58, 0, 63, 16, 68, 0, 127, 0).withValue(Parameters.find("layer1.zone.lowKey"), Math.max(21, patch.value("layer1.zone.lowKey")));
    }

    private static Patch withShape(Patch patch, int kind, double... rows) {
        return patch.withShape(kind, rows);
    }

    /** Whether the probe and most keys have a clear pitch. */
    private static boolean tunable(Patch p, Probes x) {
        List<KeyProbe> keys = x.keys();
        return x.measurement().pitchCents() != null && keys.stream().filter(k -> k.figures().cents() != null && Math.abs(k.figures().cents() - 1200 * Math.rint(k.figures().cents() / 1200)) < 10).count() > 0.85 * keys.size();
    }

    /** Whether no probed key is far louder than those beside it. */
    private static boolean even(Probes x) {
        List<KeyProbe> keys = x.keys();
        return IntStream.range(1, keys.size()).allMatch(i -> Math.abs(keys.get(i).loudness() - keys.get(i - 1).loudness()) < 5);
    }

    /** Whether every key is read in the same octave. */
    private static boolean oneOctave(Probes x) {
        return x.keys().stream().filter(k -> k.key() >= 40 && k.key() <= 90 && k.figures().cents() != null).map(k -> Math.rint(k.figures().cents() / 1200)).distinct().count() == 1;
    }

    private static boolean oneLayer(Patch patch) {
        int on = 0;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            on += patch.layerOn(layer) ? 1 : 0;
        }
        return on == 1 && patch.layerOn(0) && patch.value("layer1.zone.lowKey") <= 36 && patch.value("layer1.zone.highKey") >= 96 && patch.value("layer1.zone.lowVelocity") <= 1 && patch.value("layer1.zone.highVelocity") >= 127;
    }

    private static boolean oscillators(Patch patch) {
        return oneLayer(patch) && patch.value("layer1.source1.wave") < SourceParameters.WAVE_PARTIALS && patch.value("layer1.source1.wave") != SourceParameters.WAVE_NOISE;
    }

    private static Patch cents(Patch patch, double cents) {
        Patch off = patch;
        for (int layer = 1; layer <= Parameters.LAYERS; layer++) {
            Parameter shift = Parameters.find("layer" + layer + ".pitch.shift");
            off = patch.layerOn(layer - 1) ? pinned(off, shift, off.soundingValue(shift) + cents / 100) : off;
        }
        return off;
    }

    private static Patch shifted(Patch patch, int octaves) {
        Patch off = patch;
        for (int layer = 1; layer <= Parameters.LAYERS; layer++) {
            off = patch.layerOn(layer - 1) ? pinned(off, Parameters.find("layer" + layer + ".zone.transpose"), Math.max(-48, -12 * (octaves + 1))) : off;
        }
        return off;
    }

    private static Optional<Patch> stretched(Patch patch) {
        return oneLayer(patch) ? Optional.ofNullable(route(patch, new Route(Modulator.KEY, Parameters.find("layer1.pitch.shift"), 1.6, Route.Side.OWN, 0, 0, 0.25, null))) : Optional.empty();
    }

    private static Optional<Patch> jump(Patch patch) {
        return Optional.ofNullable(route(patch, new Route(Modulator.KEY, Parameters.find("layer1.pitch.shift"), 12 / 0.004, Route.Side.OWN, 0, 0, 0.004, null)));
    }

    private static Patch hole(Patch patch) {
        return oneLayer(patch) ? with(second(patch), "layer1.zone.highKey=60", "layer2.zone.lowKey=64") : null;
    }

    /** Layer 2 as a copy of layer 1. */
    private static Patch second(Patch patch) {
        Patch copied = patch;
        for (Parameter p : Parameters.startingWith("layer1.")) {
            copied = copied.withValue(Parameters.find("layer2." + p.id().substring(7)), patch.soundingValue(p));
        }
        return copied;
    }

    private static Optional<Patch> split(Patch patch, double db) {
        return Optional.of(with(second(patch), "layer1.zone.highKey=60", "layer2.zone.lowKey=61", "layer2.zone.level=" + Math.max(-60, patch.value("layer1.zone.level") - db)));
    }

    private static Optional<Patch> velocityJump(Patch patch) {
        return Optional.of(with(second(noLimiter(patch)), "layer1.zone.highVelocity=63", "layer2.zone.lowVelocity=64", "layer1.zone.level=-24"));
    }

    private static Patch noVelocity(Patch patch) {
        return patch.withRoutes(patch.routes().stream().filter(r -> r.source() != Modulator.VELOCITY && r.scaler() != Modulator.VELOCITY).toList());
    }
}
