package gentlecomet.craft.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.performance.Audio;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The true peak tones of EBU Tech 3341, signals 15 to 19 (values from memory); allowed +0.2 and -0.4 dB. */
class TruePeakTest {

    @ParameterizedTest
    @CsvSource({"4, 0, 0.5, -6", "4, 45, 0.5, -6", "6, 60, 0.5, -6", "8, 67.5, 0.5, -6", "4, 45, 1.41, 3"})
    void tonesBetweenTheSamplesAreFound(double samplesInCycle, double phaseDegrees, double amplitude, double expected) {
        float[] x = new float[48000];
        for (int i = 0; i < x.length; i++) {
            // A short fade keeps the ends from ringing, as in the published files.
            double fade = Math.min(1, Math.min(i, x.length - 1 - i) / 2400.0);
            x[i] = (float) (fade * amplitude * Math.sin(2 * Math.PI * i / samplesInCycle + Math.toRadians(phaseDegrees)));
        }
        double measured = TruePeak.db(new Audio(x, new float[x.length], 48000));
        assertTrue(measured <= expected + 0.2 && measured >= expected - 0.4, "measured " + measured);
        assertEquals(20 * Math.log10(amplitude), measured, 0.1);
    }
}
