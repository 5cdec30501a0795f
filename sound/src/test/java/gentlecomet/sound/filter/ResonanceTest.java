package gentlecomet.sound.filter;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.engine.Spectrum;
import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.parameter.FilterParameters;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The resonance in dB is the height of the peak above what a filter lets through, and the peak stands on the cutoff: read from the answer to one sample. */
class ResonanceTest {

    private static final int LENGTH = 1 << 17;
    private static final double RATE = 48000;

    private static double[] answer(int type, double cutoff, double resonance) {
        StateVariable filter = new StateVariable();
        Ladder ladder = new Ladder();
        double[] out = new double[LENGTH];
        double[] left = new double[ControlStep.SAMPLES];
        double[] right = new double[ControlStep.SAMPLES];
        for (int at = 0; at < LENGTH; at += ControlStep.SAMPLES) {
            for (int i = 0; i < left.length; i++) {
                left[i] = at + i == 0 ? 1e-4 : 0;
                right[i] = left[i];
            }
            if (type == FilterParameters.LADDER_24) {
                ladder.aim(cutoff, resonance, false, RATE);
                ladder.process(left, right, left.length);
            } else {
                filter.process(left, right, left.length, type, cutoff, resonance, RATE);
            }
            System.arraycopy(left, 0, out, at, left.length);
        }
        return out;
    }

    @ParameterizedTest
    @CsvSource({"lowPass12,2", "lowPass24,1", "highPass12,3", "highPass24,4", "bandPass12,5", "bandPass24,6", "ladder24,9"})
    void theNumberIsTheHeightOfThePeakAndThePeakStandsOnTheCutoff(String name, int type) {
        for (double cutoff : new double[] {300, 1000, 5000}) {
            for (double resonance : new double[] {0.5, 1, 2, 3, 6, 12, 24, 40}) {
                double[] power = Spectrum.powers(answer(type, cutoff, resonance), 0, LENGTH);
                int highest = 1;
                for (int k = 1; k < power.length; k++) {
                    highest = power[k] > power[highest] ? k : highest;
                }
                boolean high = type == FilterParameters.HIGH_PASS_12 || type == FilterParameters.HIGH_PASS_24;
                boolean band = type == FilterParameters.BAND_PASS_12 || type == FilterParameters.BAND_PASS_24;
                double through = band ? 1e-8 : high ? power[power.length - 1] : power[1];
                String what = name + " at " + cutoff + " Hz, " + resonance + " dB";
                assertEquals(resonance, 10 * Math.log10(power[highest] / through), 0.5, what);
                if (resonance >= 3) {
                    assertEquals(cutoff, highest * RATE / LENGTH, 0.02 * cutoff, what);
                }
            }
        }
    }

    /** Without resonance nothing is moved: any filter handbook: a Butterworth filter is at -3 dB at its cutoff. */
    @ParameterizedTest
    @ValueSource(ints = {FilterParameters.LOW_PASS_12, FilterParameters.LOW_PASS_24, FilterParameters.HIGH_PASS_12, FilterParameters.HIGH_PASS_24})
    void withoutResonanceTheCutoffIsAtThreeDecibels(int type) {
        double[] power = Spectrum.powers(answer(type, 1000, 0), 0, LENGTH);
        assertEquals(-3.01, 10 * Math.log10(power[(int) Math.round(1000 * LENGTH / RATE)] / 1e-8), 0.05);
    }
}
