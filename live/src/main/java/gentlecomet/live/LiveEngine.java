package gentlecomet.live;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.engine.Safety;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.performance.MidiInput;
import gentlecomet.sound.source.Recording;
import java.util.ArrayList;
import java.util.List;
import org.teavm.jso.JSExport;
import org.teavm.jso.JSExportClasses;
import org.teavm.jso.typedarrays.Float32Array;
import org.teavm.jso.typedarrays.Float64Array;

/**
 * What JavaScript can call in the audio thread: engines by handle, which play. {@link LivePatch} and {@link LivePictures} are what the
 * page calls. Nothing here decides anything; it passes on to the module sound.
 */
@JSExportClasses({LivePatch.class, LivePictures.class})
public final class LiveEngine {

    private static final int BLOCK = 128;
    private static final int WARM_UP_BLOCKS = 64;

    private static final List<LiveEngine> ENGINES = new ArrayList<>();

    private final Engine engine;
    private final MidiInput hands;
    private final Safety safety;
    private final double[] left = new double[BLOCK];
    private final double[] right = new double[BLOCK];
    private double gain = 1;
    private double gainWanted = 1;

    private LiveEngine(double sampleRate) {
        engine = new Engine(sampleRate);
        hands = new MidiInput(engine);
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
            LivePictures.pictures().provide(recording);
        } else {
            at(handle).engine.provide(recording);
        }
    }

    @JSExport
    public static void load(int handle, Float64Array image) {
        at(handle).engine.load(LivePatch.copied(image));
    }

    @JSExport
    public static void change(int handle, Float64Array image) {
        at(handle).engine.change(LivePatch.copied(image));
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
    public static int patternStep(int handle) {
        return at(handle).engine.patternStep();
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

    private static LiveEngine at(int handle) {
        return ENGINES.get(handle);
    }
}
