package gentlecomet.craft.quick;

import gentlecomet.craft.edit.CompositeEdit;
import gentlecomet.craft.edit.PastePart;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.craft.edit.SetShape;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;

/** The starting shapes that come with the program, and how one takes the place of a part. Their values are common practice, from memory. */
public final class ReadyParts {

    private static final List<ReadyPart> ALL = List.of(
            source("saw, one voice", "saw level -9"),
            source("saws, wide", "saw 7 voices detune 16 ct width 90 phase start random level -12"),
            source("saws, close", "saw 3 voices detune 6 ct width 40 phase start random level -10"),
            source("square, hollow", "round square level -10"),
            source("pulse, narrow", "pulse pulse width 18 level -10"),
            source("sub, an octave down", "sine octave -1 level -8"),
            source("bell, two to seven", "sine ratio 3.5 level -12"),
            source("noise bed", "noise width 100 level -36"),

            filter("low pass, half open", "low pass 24 cutoff 1.8k resonance 3 key tracking 30"),
            filter("low pass, opened by envelope 2", "low pass 24 cutoff 250 resonance 6 key tracking 50 envelope 2 amount 4"),
            filter("ladder, closing", "ladder 24 cutoff 400 resonance 12 envelope 2 amount 3"),
            filter("rumble cut", "high pass 12 cutoff 60"),
            filter("band, telephone", "band pass 24 cutoff 1.2k resonance 6"),
            filter("comb on the key", "comb key tracking 100 comb feedback 80 mix 50"),
            filter("comb, bowed softly", "comb key tracking 100 comb feedback 92 comb attack 250"),
            filter("vowels", "vowel vowel 30"),
            filter("vowels, had to hood", "vowel vowel 0 vowel 1 had vowel 2 hod vowel 3 hawed vowel 4 hood vowel 5 hood"),

            envelope("pluck", "1 350 0 250"),
            envelope("percussion, short", "0 90 0 90"),
            envelope("gate", "1 50 100 8"),
            envelope("organ", "4 50 100 40"),
            envelope("keys", "2 900 35 220"),
            envelope("swell", "1.5 s 1 s 80 1.8 s"),
            envelope("pad", "600 2 s 75 2.5 s"),
            envelope("reverse", "1.2 s 20 0 30 attack curve 60"),

            lfo("vibrato, late", "sine rate 5.6 delay 250 fade 500"),
            lfo("drift", "smooth random rate 0.2"),
            lfo("eighths, round", "sine sync 1/8"),
            lfo("sixteenths, chopped", "square sync 1/16 smooth 15"),
            lfo("bar, falling", "ramp down sync 1/1"),
            new ReadyPart("lfo#.", "gate, off beats", "steps sync 1/1 smooth 4", "steps", -100, -100, 100, 100, -100, -100, 100, 100, -100, -100, 100, 100, -100, -100, 100, 100),
            new ReadyPart("lfo#.", "gate, three against four", "steps sync 1/1 smooth 4", "steps", 100, -100, -100, 100, -100, -100, 100, -100, -100, 100, -100, -100, 100, -100, 100, -100),
            new ReadyPart("lfo#.", "stairs", "steps sync 1/2", "steps", -100, -71, -43, -14, 14, 43, 71, 100),

            new ReadyPart("curve#.", "rise", "length 1 s", "points", 0, 0, 0, 100, 100, 0),
            new ReadyPart("curve#.", "fall, fast then slow", "length 1 s", "points", 0, 100, -60, 100, 0, 0),
            new ReadyPart("curve#.", "two strikes", "length 600 ms", "points", 0, 100, -50, 35, 0, 0, 36, 80, -50, 100, 0, 0),
            new ReadyPart("curve#.", "there and back", "loop length 4 s", "points", 0, -100, 0, 50, 100, 0, 100, -100, 0),

            effect("drive, warm", "drive shape tape drive 9 tone 6k output -3"),
            effect("drive, hard", "drive shape hard drive 18 output -8"),
            effect("chorus, gentle", "chorus rate 0.5 depth 2.5 mix 40"),
            effect("phaser, slow", "phaser rate 0.12 depth 2 feedback 45 mix 50"),
            effect("slapback", "delay left 95 right 95 feedback 8 mix 22 high cut 5k"),
            effect("dotted eighths, side to side", "delay left sync 1/8D right sync 1/8D feedback 38 ping-pong on mix 22"),
            effect("quarter echo, dark", "delay left sync 1/4 right sync 1/4 feedback 45 high cut 2.5k low cut 250 mix 20"),
            effect("small room", "reverb size 18 decay 0.5 s pre-delay 4 mix 18"),
            effect("hall", "reverb size 70 decay 2.8 s pre-delay 22 damping 5k mix 24"),
            effect("far away", "reverb size 95 decay 9 s pre-delay 40 low cut 300 mix 45"),
            effect("glue", "compressor threshold -18 ratio 2 attack 20 release 180 knee 8"),
            effect("hold the peaks", "limiter ceiling -1 gain 2"),
            effect("clear the mud", "equaliser bell 2 350 bell 2 gain -4 bell 2 q 1 low cut slope 12 low cut 35"),
            effect("pumping quarters", "ducking rate 1/4 depth 12"),
            effect("mono below", "stereo mono below 140"),
            effect("bands, two up", "filterBank bands 12 shift 2 mix 70"),
            effect("bands, held on the first note", "filterBank bands 16 hold 100"),
            effect("box of wood", "body body wood lowest resonance 210 decay 120 mix 45"),
            effect("bowl, drawn", "body body drawn lowest resonance 320 decay 1.8 s resonance 2 2.71 resonance 3 5.15 resonance 4 8.43 level 5 off level 6 off level 7 off level 8 off mix 40"),

            new ReadyPart("effect", "space for a pad", "chorus rate 0.4 depth 3 mix 35; delay left sync 1/4D right sync 1/4 feedback 35 mix 16; reverb size 80 decay 4.5 s mix 30", ""),
            new ReadyPart("effect", "lead to the front", "effect drive shape tape drive 8 output -3; delay left sync 1/8D right sync 1/8D feedback 30 mix 16; reverb size 40 decay 1.4 s mix 14", ""),
            new ReadyPart("effect", "bass, held together", "effect drive shape tube drive 8 output -4; compressor threshold -20 ratio 3 attack 12 release 120; stereo mono below 140", ""));

    /** What a source keeps of how it stood: its place in the mix. */
    private static final List<Integer> KEPT = List.of(SourceParameters.PAN, SourceParameters.SEMITONES, SourceParameters.CENTS);

    private ReadyParts() {
    }

    /** Those that fit a part, named by the start of its parameters' ids. */
    public static List<ReadyPart> of(String part) {
        String kind = PastePart.kind(part);
        return ALL.stream().filter(p -> p.kind().equals(kind)).toList();
    }

    /**
     * A starting shape in place of a part, which begins from its defaults; a source keeps its pan, semitones and fine tune, and its level where it sounds.
     *
     * @throws EditException when there is no such shape, or it is meant for another kind of part
     */
    public static PatchEdit edit(Patch patch, String id, String part) {
        ReadyPart ready = ALL.stream().filter(p -> p.id().equals(id)).findFirst().orElseThrow(() -> new EditException("There is no such ready part."));
        if (!ready.kind().equals(PastePart.kind(part))) {
            throw new EditException("\"" + ready.name() + "\" does not fit into " + PastePart.words(part) + ".");
        }
        String label = PastePart.words(part) + ": " + ready.name();
        return new CompositeEdit(label.substring(0, 1).toUpperCase(Locale.ROOT) + label.substring(1), ready.kind().equals("effect") ? chain(patch, ready) : settings(patch, ready, part));
    }

    private static List<PatchEdit> chain(Patch patch, ReadyPart ready) {
        List<PatchEdit> edits = new ArrayList<>();
        for (int slot = 0; slot < PatchParameters.EFFECTS; slot++) {
            Parameter type = Parameters.at(Parameters.ofEffect(-1, slot));
            if (patch.value(type.index()) != EffectParameters.NONE) {
                edits.add(new PatchEdit.SetValue(type, EffectParameters.NONE));
            }
        }
        Patch cleared = new CompositeEdit("", edits).apply(patch);
        edits.add(QuickLine.edit(cleared, 0, ready.setting()));
        return edits;
    }

    private static List<PatchEdit> settings(Patch patch, ReadyPart ready, String part) {
        Sketch sketch = new Sketch(patch);
        boolean source = ready.kind().equals("source#.");
        List<Parameter> parameters = Parameters.startingWith(part);
        Parameter level = source ? parameters.get(SourceParameters.LEVEL) : null;
        double before = source ? patch.soundingValue(level) : 0;
        for (Parameter p : parameters) {
            if (!(source && KEPT.contains(p.index() - parameters.get(0).index()))) {
                sketch.reset(p, p.neutral());
            }
        }
        List<String> words = new ArrayList<>(Arrays.asList(ready.setting().toLowerCase(Locale.ROOT).split(" ")));
        if (ready.kind().equals("effect#.")) {
            String type = words.remove(0);
            List<String> types = parameters.get(EffectParameters.TYPE).choices();
            sketch.set(parameters.get(EffectParameters.TYPE), IntStream.range(0, types.size()).filter(t -> types.get(t).equalsIgnoreCase(type)).findFirst().orElseThrow());
        }
        new Settings(sketch, part).read(words);
        if (source && before > SourceParameters.OFF_DB) {
            sketch.reset(level, before);
        }
        ShapeKind kind = Shapes.find(part + ready.shape());
        List<PatchEdit> edits = new ArrayList<>(sketch.edits());
        if (kind != null) {
            edits.add(new SetShape(kind, ready.rows()));
        }
        return edits;
    }

    private static ReadyPart source(String name, String setting) {
        return new ReadyPart("source#.", name, setting, "");
    }

    private static ReadyPart filter(String name, String setting) {
        return new ReadyPart("filter#.", name, setting, "");
    }

    private static ReadyPart envelope(String name, String setting) {
        return new ReadyPart("envelope#.", name, setting, "");
    }

    private static ReadyPart lfo(String name, String setting) {
        return new ReadyPart("lfo#.", name, setting, "");
    }

    private static ReadyPart effect(String name, String setting) {
        return new ReadyPart("effect#.", name, setting, "");
    }
}
