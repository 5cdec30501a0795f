package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.filter.StateVariable;
import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.parameter.FilterParameters;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Reference: the magnitude of a fourth-order Butterworth low-pass, 1/sqrt(1 + (f/fc)^8), as in any filter handbook. */
class FilterTest {

    private static double measuredDb(double hz, double cutoff, double resonanceDb, double rate) {
        StateVariable filter = new StateVariable();
        int steps = 3000;
        double[] out = new double[steps * ControlStep.SAMPLES];
        double[] left = new double[ControlStep.SAMPLES];
        double[] right = new double[ControlStep.SAMPLES];
        for (int s = 0; s < steps; s++) {
            for (int i = 0; i < ControlStep.SAMPLES; i++) {
                left[i] = Math.sin(2 * Math.PI * hz * (s * ControlStep.SAMPLES + i) / rate);
                right[i] = left[i];
            }
            filter.process(left, right, ControlStep.SAMPLES, FilterParameters.LOW_PASS_24, cutoff, resonanceDb, rate);
            System.arraycopy(left, 0, out, s * ControlStep.SAMPLES, ControlStep.SAMPLES);
        }
        int period = (int) (Math.round(rate / hz * 100) / 100);
        int whole = Math.max(1, 48000 / Math.max(1, period)) * period;
        return Spectrum.db(Played.rms(out, out.length - whole, out.length) * Math.sqrt(2));
    }

    @ParameterizedTest
    @CsvSource({"100,48000", "1000,48000", "1000,44100", "5000,48000", "10000,96000"})
    void isThreeDecibelsDownAtTheCutoff(double cutoff, double rate) {
        assertEquals(-3.01, measuredDb(cutoff, cutoff, 0, rate), 0.1);
    }

    @ParameterizedTest
    @CsvSource({"200,48000", "500,48000", "400,44100"})
    void fallsByTwentyFourDecibelsInAnOctave(double cutoff, double rate) {
        double slope = measuredDb(cutoff * 4, cutoff, 0, rate) - measuredDb(cutoff * 2, cutoff, 0, rate);
        assertEquals(-24.08 + 0.017, slope, 0.5);
    }

    @Test
    void thePictureShowsWhatTheFilterDoes() {
        for (double hz : new double[] {200, 900, 1500, 4000}) {
            assertEquals(measuredDb(hz, 1000, 12, 48000), StateVariable.responseDb(FilterParameters.LOW_PASS_24, hz, 1000, 12, 48000), 0.1, hz + " Hz");
        }
    }

    @Test
    void fastSweepsAtFullResonanceStayStable() {
        StateVariable filter = new StateVariable();
        double[] left = new double[ControlStep.SAMPLES];
        double[] right = new double[ControlStep.SAMPLES];
        double peak = 0;
        for (int s = 0; s < 20000; s++) {
            for (int i = 0; i < ControlStep.SAMPLES; i++) {
                left[i] = ((s * 31 + i * 17) % 64) / 32.0 - 1;
                right[i] = left[i];
            }
            filter.process(left, right, ControlStep.SAMPLES, FilterParameters.LOW_PASS_24, s % 2 == 0 ? 20 : 20000, 36, 48000);
            for (double v : left) {
                peak = Math.max(peak, Math.abs(v));
            }
        }
        assertTrue(peak < 200, "peak " + peak);
    }
}
