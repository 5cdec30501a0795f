package gentlecomet.sound.engine;

import gentlecomet.sound.effect.EffectStep;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.PatternParameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.pattern.Pattern;
import gentlecomet.sound.pattern.PatternNotes;
import gentlecomet.sound.source.Recording;
import gentlecomet.sound.source.WaveCache;

/**
 * The synthesizer: plays one patch. Sound is made in steps of {@link #STEP} samples, in which voices are moved twice and effects once;
 * what is played or changed takes effect at the next one, so the samples do not depend on the block size of {@link #render}. The same patch, notes,
 * seed and version give the same samples on every machine. Nothing is allocated while rendering. One thread at a time.
 */
public final class Engine {

    /** Samples of a step. */
    public static final int STEP = EffectStep.SAMPLES;
    /** Measurements and releases name this; it goes up whenever any sample may change. */
    public static final String VERSION = "9";

    private static final int MOST_OVERSAMPLING = 4;

    private final double sampleRate;
    private final WaveCache shelf = new WaveCache();
    private final ParameterState panel = new ParameterState();
    private final Controllers controllers = new Controllers();
    private final VoiceContext setting = new VoiceContext();
    private final VoicePool pool;
    private final NoteHandler notes;
    private final Pattern pattern = new Pattern(new PatternNotes() {
        @Override
        public void begin(int key, int velocity) {
            notes.on(key, velocity, renderer.seconds(), renderer.voiceRate());
        }

        @Override
        public void end(int key, int velocity) {
            notes.off(key, velocity, renderer.seconds(), renderer.voiceRate());
        }
    });
    private double[] patternSteps = new double[0];
    private double[] patternChord = new double[0];
    private final LayerMaterial[] materials = new LayerMaterial[Parameters.LAYERS];
    private final StepRenderer renderer;
    private final EngineView view;
    private int ready;

    /** @param sampleRate in Hz, 8000 to 192000 */
    public Engine(double sampleRate) {
        this.sampleRate = sampleRate;
        pool = new VoicePool(shelf);
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            materials[layer] = new LayerMaterial(shelf);
        }
        renderer = new StepRenderer(sampleRate, panel, controllers, pool, materials, setting);
        view = new EngineView(pool, panel, renderer.buses(), renderer.effects(), setting.levels);
        notes = new NoteHandler(panel, pool, controllers, setting, materials);
        takeMaterial();
    }

    /** Puts a recording on the engine's shelf, for patches that refer to it. Before {@link #load} or {@link #change}. */
    public void provide(Recording recording) {
        shelf.put(recording);
    }

    /** Whether the recording of a key is on the engine's shelf. */
    public boolean holds(double key) {
        return shelf.recording(key) != null;
    }

    /** Takes over a patch at once and ends everything that sounds; wheels go back to rest. The image is copied. */
    public void load(double[] patchImage) {
        panel.take(patchImage, true);
        takeMaterial();
        reset();
        renderer.settleTrim();
    }

    /** Takes over changed values, routes and macros of the patch while it goes on sounding. The image is copied. */
    public void change(double[] patchImage) {
        panel.take(patchImage, false);
        takeMaterial();
    }

    /**
     * Moves one parameter as a hand does on the screen; where a macro holds it both ends of the macro's range move along. As
     * {@link gentlecomet.sound.patch.Patch#withValue}.
     */
    public void setParameter(int index, double value) {
        panel.put(index, value);
        equip();
    }

    /** Ends every note and tail, and puts wheels and counters back. */
    public void reset() {
        pool.stop();
        controllers.reset();
        notes.reset();
        pattern.reset();
        renderer.reset();
        ready = 0;
    }

    /** Ends every note with its release, whatever is held; the pedal goes up. */
    public void panic() {
        pattern.clear();
        notes.panic();
    }

    /** A key goes down; a pattern or chord of the patch plays for it. @param velocity 1 to 127; 0 counts as a key that goes up, as in MIDI 1.0 */
    public void noteOn(int key, int velocity) {
        if (pattern.on() && velocity > 0 && key >= 0 && key <= 127) {
            pattern.press(key, Math.min(127, velocity));
            return;
        }
        if (velocity <= 0) {
            noteOff(key);
            return;
        }
        notes.on(key, velocity, renderer.seconds(), renderer.voiceRate());
    }

    /** A key goes up, with MIDI's usual release velocity of 64. Keys that are not down are ignored. */
    public void noteOff(int key) {
        noteOff(key, 64);
    }

    /** A key goes up. @param velocity with which it does, 0 to 127 */
    public void noteOff(int key, int velocity) {
        if (pattern.release(key, Math.max(0, Math.min(127, velocity)))) {
            return;
        }
        notes.off(key, velocity, renderer.seconds(), renderer.voiceRate());
    }

    /** Sustain pedal, 0 to 1; it holds notes from a half on. */
    public void pedal(double value) {
        controllers.set(Controllers.PEDAL, value);
        if (!controllers.pedalDown()) {
            pool.pedalUp();
        }
    }

    /** Modulation wheel, 0 to 1. */
    public void modWheel(double value) {
        controllers.set(Controllers.MOD_WHEEL, value);
    }

    /** Channel aftertouch, 0 to 1. */
    public void aftertouch(double value) {
        controllers.set(Controllers.AFTERTOUCH, value);
    }

    /** Breath controller, 0 to 1. */
    public void breath(double value) {
        controllers.set(Controllers.BREATH, value);
    }

    /** Expression controller, 0 to 1; it rests at 1. */
    public void expression(double value) {
        controllers.set(Controllers.EXPRESSION, value);
    }

    /** Polyphonic aftertouch of one key, 0 to 1. */
    public void keyAftertouch(int key, double value) {
        if (key >= 0 && key <= 127) {
            controllers.setKeyPressure(key, value);
        }
    }

    /** A range of bend in place of the patch's own, as a controller may ask for it (MIDI's RPN 0); a reset or another patch takes it back. */
    public void bendRange(double semitones) {
        renderer.bendRange(Math.max(0, Math.min(96, semitones)));
    }

    /** Bend of one key alone, in semitones, as controllers with a channel for each note send it. It stays for the next note of the key. */
    public void keyBend(int key, double semitones) {
        if (key >= 0 && key <= 127) {
            controllers.setKeyBend(key, semitones);
        }
    }

    /** Slide of one key alone, 0 to 1 (controller 74 of a note's own channel). */
    public void keySlide(int key, double value) {
        if (key >= 0 && key <= 127) {
            controllers.setKeySlide(key, value);
        }
    }

    /** Pitch bend, -1 to 1. */
    public void bend(double value) {
        controllers.set(Controllers.BEND, value);
    }

    /** Writes the next frames into two channels, from {@code offset} on. Values may exceed 1; nothing is clipped here. */
    public void render(double[] left, double[] right, int offset, int frames) {
        int done = 0;
        while (done < frames) {
            if (ready == 0) {
                pattern.advance(STEP / sampleRate * panel.patchBlock()[PatchParameters.TEMPO] / 60, panel.patchBlock(), PatchParameters.PATTERN);
                renderer.render();
                ready = STEP;
            }
            int take = Math.min(ready, frames - done);
            copy(renderer.left(), STEP - ready, left, offset + done, take);
            copy(renderer.right(), STEP - ready, right, offset + done, take);
            ready -= take;
            done += take;
        }
    }

    public double sampleRate() {
        return sampleRate;
    }

    /** The step of the patch's pattern that was due last, as {@link Pattern#step} counts. */
    public int patternStep() {
        return pattern.step();
    }

    /** Voices that sound now, releases included. */
    public int voicesSounding() {
        return pool.sounding();
    }

    /** How long the output can be silent, in seconds, before another echo comes. */
    public double longestGapSeconds() {
        return renderer.longestGapSeconds();
    }

    /** Voices silenced since the start because they produced no valid sound. */
    public int faults() {
        return renderer.faults();
    }

    /** Bit n is set while layer n sounds a held note. */
    public int layersSounding() {
        return pool.layersHeld();
    }

    /** What can be seen of the engine while it plays. */
    public EngineView view() {
        return view;
    }

    private static void copy(double[] from, int first, double[] to, int at, int count) {
        for (int i = 0; i < count; i++) {
            to[at + i] = from[first + i];
        }
    }

    private void takeMaterial() {
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            materials[layer].take(panel.image(), layer, panel.wantedLayer(layer));
        }
        notes.takeCurve(PatchImage.shape(panel.image(), Shapes.VELOCITY));
        patternSteps = PatchImage.shape(panel.image(), Shapes.PATTERN_STEPS);
        patternChord = PatchImage.shape(panel.image(), Shapes.PATTERN_CHORD);
        equip();
    }

    /** Which sources of a layer are ring-modulated, or may come to be so by a route or a macro. */
    private boolean[] ringed(double[] wanted, int layer) {
        boolean[] ringed = new boolean[LayerParameters.SOURCES];
        for (int s = 0; s < ringed.length; s++) {
            int place = LayerParameters.source(s) + SourceParameters.RING;
            ringed[s] = wanted[place] > 0 || PatchImage.moves(panel.image(), Parameters.ofLayer(layer, place));
        }
        return ringed;
    }

    /** Makes everything ready that the choices of the patch ask for, so that rendering only has to play. */
    private void equip() {
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            double[] wanted = panel.wantedLayer(layer);
            materials[layer].choose(wanted);
            if (wanted[LayerParameters.ON] == 1) {
                pool.equip(wanted, ringed(wanted, layer), sampleRate * MOST_OVERSAMPLING, sampleRate * (1 << (int) panel.wanted(PatchParameters.OVERSAMPLING)));
            }
        }
        setting.tuning.set(panel.wanted(PatchParameters.TUNING), PatchImage.shape(panel.image(), Shapes.SCALE));
        takePattern();
        renderer.equip();
    }

    private void takePattern() {
        double[] group = new double[PatternParameters.SIZE];
        for (int i = 0; i < group.length; i++) {
            group[i] = panel.wanted(PatchParameters.PATTERN + i);
        }
        pattern.take(group, patternSteps, patternChord, (int) panel.wanted(PatchParameters.SEED));
    }
}
