package gentlecomet.live;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.engine.Safety;
import gentlecomet.sound.parameter.Division;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.MidiHands;
import gentlecomet.sound.picture.Pictures;
import gentlecomet.sound.source.Recording;
import java.util.ArrayList;
import java.util.List;
import org.teavm.jso.JSExport;
import org.teavm.jso.typedarrays.Float32Array;
import org.teavm.jso.typedarrays.Float64Array;

/**
 * What JavaScript can call. In the audio thread: engines by handle, which play. In the page: the same parameters, texts and
 * pictures as on the server. Nothing here decides anything; it passes on to the module sound.
 */
public final class LiveEngine {

    private static final int BLOCK = 128;
    private static final int WARM_UP_BLOCKS = 64;

    private static final List<LiveEngine> ENGINES = new ArrayList<>();
    private static Pictures pictures;

    private final Engine engine;
    private final MidiHands hands;
    private final Safety safety;
    private final double[] left = new double[BLOCK];
    private final double[] right = new double[BLOCK];
    private double gain = 1;
    private double gainWanted = 1;

    private LiveEngine(double sampleRate) {
        engine = new Engine(sampleRate);
        hands = new MidiHands(engine);
        safety = new Safety(sampleRate);
    }

    /** Wanted by the compiler; an engine is made with {@link #create}. */
    public static void main(String[] args) {
    }

    /** A new engine, warmed up with silence; answers its handle. */
    @JSExport
    public static int create(double sampleRate) {
        LiveEngine live = new LiveEngine(sampleRate);
        for (int i = 0; i < WARM_UP_BLOCKS; i++) {
            live.engine.render(live.left, live.right, 0, BLOCK);
        }
        ENGINES.add(live);
        return ENGINES.size() - 1;
    }

    /** Puts a recording on an engine's shelf; {@code handle} -1 stands for the pictures of this page. */
    @JSExport
    public static void provide(int handle, double key, Float32Array left, Float32Array right, double sampleRate) {
        float[] one = left.toJavaArray().clone();
        Recording recording = new Recording(key, one, left == right ? one : right.toJavaArray().clone(), sampleRate);
        if (handle < 0) {
            pictures().provide(recording);
        } else {
            at(handle).engine.provide(recording);
        }
    }

    @JSExport
    public static void load(int handle, Float64Array image) {
        at(handle).engine.load(copied(image));
    }

    @JSExport
    public static void change(int handle, Float64Array image) {
        at(handle).engine.change(copied(image));
    }

    @JSExport
    public static void setParameter(int handle, int index, double value) {
        at(handle).engine.setParameter(index, value);
    }

    /** Playback gain for comparison at matched loudness; never part of the patch. */
    @JSExport
    public static void setGain(int handle, double gain) {
        at(handle).gainWanted = gain;
    }

    @JSExport
    public static void noteOn(int handle, int key, int velocity) {
        at(handle).engine.noteOn(key, velocity);
    }

    @JSExport
    public static void noteOff(int handle, int key, int velocity) {
        at(handle).engine.noteOff(key, velocity);
    }

    @JSExport
    public static void panic(int handle) {
        at(handle).engine.panic();
    }

    @JSExport
    public static void pedal(int handle, double value) {
        at(handle).engine.pedal(value);
    }

    @JSExport
    public static void modWheel(int handle, double value) {
        at(handle).engine.modWheel(value);
    }

    @JSExport
    public static void aftertouch(int handle, double value) {
        at(handle).engine.aftertouch(value);
    }

    @JSExport
    public static void keyAftertouch(int handle, int key, double value) {
        at(handle).engine.keyAftertouch(key, value);
    }

    /** One MIDI message as it came in. */
    @JSExport
    public static void midi(int handle, int status, int first, int second) {
        at(handle).hands.take(status, first, second);
    }

    /** Which channel is listened to, from 0, or -1 for all; and how many channels for notes a zone has, 0 for none. */
    @JSExport
    public static void midiChannels(int handle, int only, int zone) {
        at(handle).hands.listenTo(only);
        at(handle).hands.zone(zone);
    }

    /** The controller has gone: nothing may stay held. */
    @JSExport
    public static void midiGone(int handle) {
        at(handle).hands.allOff();
    }

    /** Bend of one key alone in semitones, from a controller with a channel for each note. */
    @JSExport
    public static void keyBend(int handle, int key, double semitones) {
        at(handle).engine.keyBend(key, semitones);
    }

    @JSExport
    public static void keySlide(int handle, int key, double value) {
        at(handle).engine.keySlide(key, value);
    }

    @JSExport
    public static void bend(int handle, double value) {
        at(handle).engine.bend(value);
    }

    @JSExport
    public static void breath(int handle, double value) {
        at(handle).engine.breath(value);
    }

    @JSExport
    public static void expression(int handle, double value) {
        at(handle).engine.expression(value);
    }

    /** How far a slot holds the level down now, in dB; layer -1 is the chain that all layers share. */
    @JSExport
    public static double reduction(int handle, int layer, int slot) {
        return at(handle).engine.view().reductionDb(layer, slot);
    }

    /** Greatest level before a slot since the last call. */
    @JSExport
    public static double peakBefore(int handle, int layer, int slot) {
        return at(handle).engine.view().takePeakBefore(layer, slot);
    }

    /** Greatest level after a slot since the last call. */
    @JSExport
    public static double peakAfter(int handle, int layer, int slot) {
        return at(handle).engine.view().takePeakAfter(layer, slot);
    }

    /** Greatest level behind a stage of a layer since the last call; see EngineView. Measuring begins with the first call. */
    @JSExport
    public static double stageLevel(int handle, int layer, int stage) {
        at(handle).engine.view().measureStages(true);
        return at(handle).engine.view().takeStageLevel(layer, stage);
    }

    /** Writes frames into two channels from an offset on, limited to full scale; at most 128 at a time. */
    @JSExport
    public static void render(int handle, Float32Array toLeft, Float32Array toRight, int offset, int frames) {
        LiveEngine live = at(handle);
        live.engine.render(live.left, live.right, 0, frames);
        if (live.gain != 1 || live.gainWanted != 1) {
            double slope = (live.gainWanted - live.gain) / frames;
            for (int i = 0; i < frames; i++) {
                live.left[i] *= live.gain + slope * i;
                live.right[i] *= live.gain + slope * i;
            }
            live.gain = live.gainWanted;
        }
        live.safety.process(live.left, live.right, frames);
        for (int i = 0; i < frames; i++) {
            toLeft.set(offset + i, (float) live.left[i]);
            toRight.set(offset + i, (float) live.right[i]);
        }
    }

    @JSExport
    public static int voices(int handle) {
        return at(handle).engine.voicesSounding();
    }

    @JSExport
    public static int layers(int handle) {
        return at(handle).engine.layersSounding();
    }

    @JSExport
    public static int faults(int handle) {
        return at(handle).engine.faults();
    }

    /** Frames held down by the safety stage since the last call. */
    @JSExport
    public static int limited(int handle) {
        return at(handle).safety.takeLimited();
    }

    @JSExport
    public static double soundingValue(int handle, int index) {
        return at(handle).engine.view().soundingValue(index);
    }

    /** What a modulator of a layer's newest voice says; NaN while none sounds. */
    @JSExport
    public static double modulation(int handle, int layer, String modulator) {
        return at(handle).engine.view().modulation(layer, Modulator.find(modulator));
    }

    /** 1000 x stage + seconds of an envelope of a layer's newest voice; NaN while none sounds. */
    @JSExport
    public static double envelopePlace(int handle, int layer, int envelope) {
        return at(handle).engine.view().envelopePlace(layer, envelope);
    }

    /** Seconds since a layer's newest voice began; NaN while none sounds. */
    @JSExport
    public static double noteSeconds(int handle, int layer) {
        return at(handle).engine.view().noteSeconds(layer);
    }

    @JSExport
    public static int parameterCount() {
        return Parameters.COUNT;
    }

    /** Registry index of an id, or -1. */
    @JSExport
    public static int indexOf(String id) {
        Parameter parameter = Parameters.find(id);
        return parameter == null ? -1 : parameter.index();
    }

    @JSExport
    public static String format(int index, double value) {
        return ValueText.format(Parameters.at(index), value);
    }

    /** The name of a key as it is kept, C4 = 60. @param key 0 to 127 */
    @JSExport
    public static String keyName(int key) {
        return KeyName.of(key);
    }

    /** A sentence with its key names told in another count of octaves. */
    @JSExport
    public static String retoldKeys(String sentence, int middleOctave) {
        return KeyName.retold(sentence, middleOctave);
    }

    /** A key typed in another count of octaves, as it is kept. */
    @JSExport
    public static String standardKey(String typed, int middleOctave) {
        return KeyName.standard(typed, middleOctave);
    }

    /** The value of a typed text, limited to the range; NaN when the text has no meaning here. */
    @JSExport
    public static double parse(int index, String text) {
        Parameter parameter = Parameters.at(index);
        double value = ValueText.parse(parameter, text);
        return Double.isNaN(value) ? value : parameter.clamp(value);
    }

    @JSExport
    public static double position(int index, double value) {
        return Parameters.at(index).position(value);
    }

    @JSExport
    public static double valueAt(int index, double position) {
        return Parameters.at(index).value(position);
    }

    @JSExport
    public static double moved(int index, double base, double depth) {
        return Parameters.at(index).moved(base, depth);
    }

    /** The value at which a parameter of an image sounds before routes. */
    @JSExport
    public static double sounding(Float64Array image, int index) {
        return PatchImage.sounding(image.toJavaArray(), index);
    }

    /** Length in seconds of a note division; choice 0 is free and has none. */
    @JSExport
    public static double divisionSeconds(int choice, double tempo) {
        return Division.seconds(choice, tempo);
    }

    /** How many choices a note division has, the free one included. */
    @JSExport
    public static int divisionCount() {
        return Division.COUNT;
    }

    /** The image of the neutral patch: one dry sine. */
    @JSExport
    public static Float64Array plainImage() {
        return Float64Array.fromJavaArray(PatchImage.of(Patch.neutral("Plain")));
    }

    /** The values at which all parameters of an image sound before routes, in registry order. */
    @JSExport
    public static Float64Array soundings(Float64Array image) {
        return Float64Array.fromJavaArray(PatchImage.soundings(image.toJavaArray()));
    }

    /** The image with a parameter put to a value by hand. */
    @JSExport
    public static Float64Array edited(Float64Array image, int index, double value) {
        double[] changed = copied(image);
        PatchImage.put(changed, index, value);
        return Float64Array.fromJavaArray(changed);
    }

    /** The image with parameters held at values, wherever macros stand; for listening, never for keeping. */
    @JSExport
    public static Float64Array pinned(Float64Array image, Float64Array indexes, Float64Array values) {
        double[] changed = copied(image);
        for (int i = 0; i < indexes.getLength(); i++) {
            PatchImage.pin(changed, (int) indexes.get(i), values.get(i));
        }
        return Float64Array.fromJavaArray(changed);
    }

    @JSExport
    public static Float64Array pictureWave(Float64Array image, int layer, int source, int points) {
        return Float64Array.fromJavaArray(pictures().wave(copied(image), layer, source, points));
    }

    @JSExport
    public static Float64Array pictureFilter(Float64Array image, int layer, int filter, int points) {
        return Float64Array.fromJavaArray(Pictures.filter(copied(image), layer, filter, points));
    }

    /** Both filters of a layer with their routing, as a sound goes through them. */
    @JSExport
    public static Float64Array pictureFilters(Float64Array image, int layer, int points) {
        return Float64Array.fromJavaArray(Pictures.filters(copied(image), layer, points));
    }

    /** Levels in dB of the first harmonics of a source as it is played. */
    @JSExport
    public static Float64Array pictureHarmonics(Float64Array image, int layer, int source, int count) {
        return Float64Array.fromJavaArray(pictures().harmonics(copied(image), layer, source, count));
    }

    /** An envelope; 0 is the amplitude envelope. */
    @JSExport
    public static Float64Array pictureEnvelope(Float64Array image, int layer, int which, double held, double seconds, int points) {
        return Float64Array.fromJavaArray(Pictures.envelope(copied(image), layer, which, held, seconds, points));
    }

    @JSExport
    public static Float64Array pictureLfo(Float64Array image, int layer, int which, double seconds, int points) {
        return Float64Array.fromJavaArray(Pictures.lfo(copied(image), layer, which, seconds, points));
    }

    @JSExport
    public static Float64Array pictureCurve(Float64Array image, int layer, int which, double held, double seconds, int points) {
        return Float64Array.fromJavaArray(Pictures.curve(copied(image), layer, which, held, seconds, points));
    }

    /** What an equaliser or compressor does; {@code slot} is the index of the slot's first parameter. */
    @JSExport
    public static Float64Array pictureEffect(Float64Array image, int slot, int points) {
        return Float64Array.fromJavaArray(Pictures.effect(copied(image), slot, points));
    }

    /** The numbers of a drawn list of an image, empty for its usual form; {@code kind} is its place in the registry of lists. */
    @JSExport
    public static Float64Array pictureVelocity(Float64Array image, int points) {
        return Float64Array.fromJavaArray(Pictures.velocity(copied(image), points));
    }

    @JSExport
    public static Float64Array pictureTouch(Float64Array image, int points) {
        return Float64Array.fromJavaArray(Pictures.touch(copied(image), points));
    }

    @JSExport
    public static Float64Array shape(Float64Array image, int kind) {
        return Float64Array.fromJavaArray(PatchImage.shape(copied(image), kind));
    }

    /** Whether a parameter means anything as the values of an image stand. */
    @JSExport
    public static boolean relevant(Float64Array image, int index) {
        Parameter parameter = Parameters.at(index);
        return parameter.decider() < 0 || (parameter.deciding() >> (int) image.get(parameter.decider()) & 1) == 1;
    }

    private static Pictures pictures() {
        if (pictures == null) {
            pictures = new Pictures();
        }
        return pictures;
    }

    /** The page's own array stays untouched: toJavaArray only shows its memory, and so, in TeaVM 0.15, does copyToJavaArray. */
    private static double[] copied(Float64Array from) {
        return from.toJavaArray().clone();
    }

    private static LiveEngine at(int handle) {
        return ENGINES.get(handle);
    }
}
