package gentlecomet.sound.engine;

import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Modulator;

/** What all voices hear of the engine in one control step. Filled by the engine, read by the voices. */
final class VoiceContext {

    final double[] modulation = new double[Modulator.COUNT];
    final double[][] sharedLfos = new double[Parameters.LAYERS][LayerParameters.LFOS];
    final Tuning tuning = new Tuning();
    final StageLevels levels = new StageLevels();
    double[] keyPressure;
    double[] keyBend;
    double[] keySlide;
    double sampleRate;
    double stepSeconds;
    double tempo;
    double bendSemitones;
    /** Goes up whenever a modulator that all voices share has moved. */
    int handsMoved;

    /** Takes over where wheels, pressure, pedals and macros stand now. */
    void takeHands(Controllers controllers, ParameterState panel) {
        put(Modulator.AFTERTOUCH.ordinal(), controllers.get(Controllers.AFTERTOUCH));
        put(Modulator.MOD_WHEEL.ordinal(), controllers.get(Controllers.MOD_WHEEL));
        put(Modulator.BEND.ordinal(), controllers.get(Controllers.BEND));
        put(Modulator.BREATH.ordinal(), controllers.get(Controllers.BREATH));
        put(Modulator.EXPRESSION.ordinal(), controllers.get(Controllers.EXPRESSION));
        put(Modulator.PEDAL.ordinal(), controllers.get(Controllers.PEDAL));
        put(Modulator.CONSTANT.ordinal(), 1);
        int first = Modulator.MACRO_1.ordinal();
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            put(first + m, panel.eased(PatchParameters.MACRO + m) / 100);
        }
        keyPressure = controllers.keyPressures();
        keyBend = controllers.keyBends();
        keySlide = controllers.keySlides();
    }

    private void put(int modulator, double value) {
        if (modulation[modulator] != value) {
            modulation[modulator] = value;
            handsMoved++;
        }
    }
}
