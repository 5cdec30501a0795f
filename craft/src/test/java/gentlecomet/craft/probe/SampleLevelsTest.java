package gentlecomet.craft.probe;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.performance.Audio;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;

/** Root mean square, crest and direct current of waves whose figures are known in closed form. */
class SampleLevelsTest {

    private static Audio audio(DoubleUnaryOperator wave) {
        float[] x = new float[48000];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) wave.applyAsDouble(i / 48000.0);
        }
        return new Audio(x, x.clone(), 48000);
    }

    @Test
    void aFullScaleSineLiesThreeDecibelsBelowItsPeak() {
        Audio sine = audio(t -> Math.sin(2 * Math.PI * 440 * t));
        assertEquals(10 * Math.log10(0.5), SampleLevels.dbfs(sine, 0, 1), 1e-3);
        assertEquals(0, SampleLevels.peakDb(sine), 1e-2);
        assertEquals(0, SampleLevels.dcPercent(sine, 0, 1), 1e-3);
    }

    @Test
    void aSquareHasNoCrest() {
        Audio square = audio(t -> Math.sin(2 * Math.PI * 100 * t + 0.01) >= 0 ? 0.5 : -0.5);
        assertEquals(20 * Math.log10(0.5), SampleLevels.dbfs(square, 0, 1), 1e-3);
        assertEquals(0, SampleLevels.peakDb(square) - SampleLevels.dbfs(square, 0, 1), 1e-3);
    }

    @Test
    void aConstantIsToldInPerCentOfFullScale() {
        assertEquals(0.4, SampleLevels.dcPercent(audio(t -> 0.004 + 0.3 * Math.sin(2 * Math.PI * 65.4 * t)), 0, 1), 2e-3);
        assertEquals(1, SampleLevels.dcPercent(audio(t -> -0.01), 0, 1), 1e-4);
    }
}
