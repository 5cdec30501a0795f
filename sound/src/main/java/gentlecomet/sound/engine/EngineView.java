package gentlecomet.sound.engine;

import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Modulator;

/** What can be seen of an engine while it plays: levels around effects, where modulation has taken parameters, and the newest note. */
public final class EngineView {

    private final VoicePool pool;
    private final ParameterState panel;
    private final LayerBus[] buses;
    private final EffectChain effects;
    private final StageLevels levels;

    EngineView(VoicePool pool, ParameterState panel, LayerBus[] buses, EffectChain effects, StageLevels levels) {
        this.levels = levels;
        this.pool = pool;
        this.panel = panel;
        this.buses = buses;
        this.effects = effects;
    }

    /** How far a slot holds the level down now, in dB from 0 up. @param layer from 0, or -1 for the chain that all layers share */
    public double reductionDb(int layer, int slot) {
        return chain(layer).slot(slot).reductionDb();
    }

    /** Greatest level before a slot since the last call. */
    public double takePeakBefore(int layer, int slot) {
        return chain(layer).slot(slot).takePeakBefore();
    }

    /** Greatest level after a slot since the last call. */
    public double takePeakAfter(int layer, int slot) {
        return chain(layer).slot(slot).takePeakAfter();
    }

    /** Begins or ends measuring the levels between stages. */
    public void measureStages(boolean on) {
        levels.measure(on);
    }

    /**
     * Greatest level behind a stage since the last call, 1 is full scale.
     *
     * @param layer from 0
     * @param stage 0 sources and 1 filters of the loudest voice, 2 all voices of the layer, 3 the layer behind its own effects, 4 the
     *     effects of all layers, 5 the output; the last two are the same for every layer
     */
    public double takeStageLevel(int layer, int stage) {
        return stage == 4 ? levels.takeEffects() : stage == 5 ? levels.takeOutput() : levels.take(layer, stage);
    }

    private EffectChain chain(int layer) {
        return layer < 0 ? effects : buses[layer].effects;
    }

    /** Where a parameter stands now in the newest voice, macros and routes included. */
    public double soundingValue(int index) {
        int layer = Parameters.layerOf(index);
        if (layer < 0) {
            return panel.patchBlock()[index];
        }
        int place = index - Parameters.ofLayer(layer, 0);
        if (place >= LayerParameters.VOICE_SIZE) {
            return panel.layerBlock(layer)[place];
        }
        Voice newest = pool.newest(layer);
        return newest != null ? newest.parameter(place) : panel.eased(index);
    }

    /** What a modulator of a layer's newest voice says, or NaN while none sounds. */
    public double modulation(int layer, Modulator modulator) {
        Voice newest = pool.newest(layer);
        return newest == null ? Double.NaN : newest.modulation()[modulator.ordinal()];
    }

    /**
     * How far the newest voice of a layer has come in an envelope: 1000 x its stage (1 delay, 2 attack, 3 hold, 4 decay and sustain, 5
     * release) + seconds within it; NaN while none sounds.
     */
    public double envelopePlace(int layer, int envelope) {
        Voice newest = pool.newest(layer);
        return newest == null ? Double.NaN : newest.envelopePlace(envelope);
    }

    /** Seconds since the newest voice of a layer began, or NaN while none sounds. */
    public double noteSeconds(int layer) {
        Voice newest = pool.newest(layer);
        return newest == null ? Double.NaN : newest.seconds();
    }
}
