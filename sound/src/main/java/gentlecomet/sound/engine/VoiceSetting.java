package gentlecomet.sound.engine;

import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Modulator;

/** What all voices hear of the engine in one control step. Filled by the engine, read by the voices. */
final class VoiceSetting {

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

    /** Sets a modulator that all voices share. */
    void put(int modulator, double value) {
        if (modulation[modulator] != value) {
            modulation[modulator] = value;
            handsMoved++;
        }
    }
}
