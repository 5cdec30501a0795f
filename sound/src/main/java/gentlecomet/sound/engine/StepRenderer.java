package gentlecomet.sound.engine;

import gentlecomet.sound.effect.EffectStep;
import gentlecomet.sound.maths.Bend;
import gentlecomet.sound.maths.CachedGain;
import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;

/**
 * Draws effect steps: moves what hands and parameters do and draws the voices for each of its control steps, then sends the layers through
 * their effects and their sum through those that all share.
 */
final class StepRenderer {

    private static final int STEP = EffectStep.SAMPLES;

    private final double sampleRate;
    private final ParameterState panel;
    private final Controllers controllers;
    private final VoicePool pool;
    private final LayerMaterial[] materials;
    private final VoiceContext setting;
    private final LayerBus[] buses = new LayerBus[Parameters.LAYERS];
    private final SharedLfos lfos = new SharedLfos();
    private final boolean[] sharesLfos = new boolean[Parameters.LAYERS];
    private final EffectChain effects;
    private final EffectModulation modulation = new EffectModulation();
    private final CachedGain trimGain = new CachedGain();
    private final double[] sumLeft = new double[STEP];
    private final double[] sumRight = new double[STEP];
    /** Where the drawn step stands: in the sums, or in the bus of the only layer that sounds. */
    private double[] left = sumLeft;
    private double[] right = sumRight;
    private double bendRange = -1;
    private int factor = 1;
    private double trim;
    private int faults;
    private double steps;

    StepRenderer(double sampleRate, ParameterState panel, Controllers controllers, VoicePool pool, LayerMaterial[] materials, VoiceContext setting) {
        this.sampleRate = sampleRate;
        this.panel = panel;
        this.controllers = controllers;
        this.pool = pool;
        this.materials = materials;
        this.setting = setting;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            buses[layer] = new LayerBus(sampleRate);
        }
        effects = new EffectChain(PatchParameters.EFFECTS, PatchParameters.effect(0), sampleRate);
    }

    /** Left channel of the step that was drawn last. Not to be written to. */
    double[] left() {
        return left;
    }

    /** The right one. */
    double[] right() {
        return right;
    }

    LayerBus[] buses() {
        return buses;
    }

    EffectChain effects() {
        return effects;
    }

    /** Voices silenced since the start because they produced no valid sound. */
    int faults() {
        return faults;
    }

    /** Seconds drawn since the start. */
    double seconds() {
        return steps * STEP / sampleRate;
    }

    /** The rate at which voices are drawn. */
    double voiceRate() {
        return sampleRate * factor;
    }

    /** A range of bend in place of the patch's own, in semitones; below 0 for the patch's. */
    void bendRange(double semitones) {
        bendRange = semitones;
    }

    /** Ends every tail and goes back to the start. */
    void reset() {
        setting.takeHands(controllers, panel);
        bendRange = -1;
        effects.reset();
        modulation.reset();
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            buses[layer].reset();
            lfos.start(layer, panel.layerBlock(layer), tempo());
        }
        steps = 0;
        left = sumLeft;
        right = sumRight;
        clear(left, right);
    }

    /** The trim of the patch is reached at once. */
    void settleTrim() {
        trim = Polynomials.gainOfDb(panel.wanted(PatchParameters.LEVEL_TRIM));
    }

    /** Makes everything ready that the choices of the patch ask for. */
    void equip() {
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            double[] wanted = panel.wantedLayer(layer);
            buses[layer].effects.equip(wanted);
            sharesLfos[layer] = SharedLfos.any(wanted);
        }
        effects.equip(panel.wantedPatch());
        int wantedFactor = 1 << (int) panel.wanted(PatchParameters.OVERSAMPLING);
        if (wantedFactor != factor) {
            factor = wantedFactor;
            pool.stop();
        }
    }

    /** How long the output can be silent, in seconds, before another echo comes. */
    double longestGapSeconds() {
        double longest = 0;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            longest = Math.max(longest, buses[layer].effects.gapSeconds(panel.layerBlock(layer), tempo()));
        }
        return longest + effects.gapSeconds(panel.patchBlock(), tempo());
    }

    void render() {
        for (int part = 0; part < EffectStep.CONTROL_STEPS; part++) {
            moveHands();
            drawVoices(part);
        }
        sumLayers();
        if (!panel.patchRouting().empty()) {
            panel.routePatch(modulation.follow(panel.patchRouting(), pool.newest(), setting.modulation));
        }
        if (effects.listens(panel.patchBlock())) {
            effects.follow(pool.newest(), pool.layersHeld() != 0);
        }
        effects.process(panel.patchBlock(), setting.tempo, left, right);
        setting.levels.lookAtEffects(left, right);
        double end = trimGain.gainOfDb(panel.patchBlock()[PatchParameters.LEVEL_TRIM]);
        if (trim != 1 || end != 1) {
            withGain(left, trim, (end - trim) / STEP);
            withGain(right, trim, (end - trim) / STEP);
        }
        trim = end;
        setting.levels.lookAtOutput(left, right);
        steps++;
    }

    /** Takes hands and parameters to where they stand in the coming control step. */
    private void moveHands() {
        double seconds = ControlStep.SAMPLES / sampleRate;
        double[] block = panel.patchBlock();
        controllers.shapeTouch(block[PatchParameters.TOUCH_THRESHOLD] / 100, block[PatchParameters.TOUCH_CURVE] / 100, block[PatchParameters.TOUCH_RISE],
                block[PatchParameters.TOUCH_FALL]);
        boolean handsMove = controllers.advance(seconds);
        boolean valuesMove = panel.advance(seconds);
        if (handsMove || valuesMove) {
            setting.takeHands(controllers, panel);
        }
        fillSetting(seconds);
        pool.muster();
    }

    private double tempo() {
        return panel.patchBlock()[PatchParameters.TEMPO];
    }

    private void fillSetting(double seconds) {
        setting.tempo = tempo();
        setting.sampleRate = voiceRate();
        setting.stepSeconds = seconds / factor;
        setting.bendSemitones = bendSemitones();
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            if (sharesLfos[layer]) {
                Voice newest = pool.newest(layer);
                double[] stands = newest == null ? panel.layerBlock(layer) : newest.block();
                lfos.advance(layer, stands, materials[layer], setting.tempo, seconds, setting.sharedLfos[layer]);
            }
        }
    }

    private double bendSemitones() {
        double[] block = panel.patchBlock();
        double bend = controllers.get(Controllers.BEND);
        double curve = block[PatchParameters.BEND_CURVE] / 100;
        double bent = curve == 0 ? bend : bend < 0 ? -Bend.at(-bend, curve) : Bend.at(bend, curve);
        return bent * (bendRange >= 0 ? bendRange : block[bend < 0 ? PatchParameters.BEND_DOWN : PatchParameters.BEND_UP]);
    }

    /** Draws a control step of the voices of all layers. @param part its number within the effect step */
    private void drawVoices(int part) {
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            LayerBus bus = buses[layer];
            boolean sounds = pool.sounds(layer);
            if (sounds) {
                bus.wake();
            } else if (!sounding(bus)) {
                continue;
            }
            for (int k = part * factor; k < (part + 1) * factor; k++) {
                if (sounds) {
                    faults += pool.render(layer, setting, panel, bus.voicesLeft, bus.voicesRight);
                }
                bus.keep(k, factor);
            }
        }
    }

    private static boolean sounding(LayerBus bus) {
        return bus.awake() || bus.effects.inUse();
    }

    private void sumLayers() {
        int drawn = 0;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            LayerBus bus = buses[layer];
            if (!sounding(bus)) {
                continue;
            }
            finish(layer, bus);
            drawn++;
            if (drawn == 1) {
                left = bus.left;
                right = bus.right;
            } else {
                sum(left, bus.left, sumLeft);
                sum(right, bus.right, sumRight);
                left = sumLeft;
                right = sumRight;
            }
        }
        if (drawn == 0) {
            left = sumLeft;
            right = sumRight;
            clear(left, right);
        }
    }

    /** Sends what the voices of a layer have drawn through the layer's own effects. */
    private void finish(int layer, LayerBus bus) {
        bus.bringDown(factor);
        if (!panel.effectRouting(layer).empty()) {
            panel.routeEffects(layer, bus.modulation.follow(panel.effectRouting(layer), pool.newest(layer), setting.modulation));
        }
        setting.levels.look(layer, StageLevels.VOICES, bus.left, bus.right, 1);
        if (bus.effects.listens(panel.layerBlock(layer))) {
            bus.effects.follow(pool.newest(layer), (pool.layersHeld() >> layer & 1) == 1);
        }
        bus.effects.process(panel.layerBlock(layer), setting.tempo, bus.left, bus.right);
        setting.levels.look(layer, StageLevels.LAYER, bus.left, bus.right, 1);
    }

    private static void withGain(double[] samples, double gain, double slope) {
        double[] ramp = EffectStep.RAMP;
        for (int i = 0; i < STEP; i++) {
            samples[i] *= gain + slope * ramp[i];
        }
    }

    private static void clear(double[] left, double[] right) {
        for (int i = 0; i < STEP; i++) {
            left[i] = 0;
            right[i] = 0;
        }
    }

    private static void sum(double[] one, double[] other, double[] to) {
        for (int i = 0; i < STEP; i++) {
            to[i] = one[i] + other[i];
        }
    }
}
