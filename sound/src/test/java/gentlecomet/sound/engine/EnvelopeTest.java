package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.motion.Envelope;
import gentlecomet.sound.parameter.EnvelopeParameters;
import gentlecomet.sound.parameter.LayerParameters;
import org.junit.jupiter.api.Test;

class EnvelopeTest {

    private static final double STEP = 32 / 48000.0;

    private static double[] block(double delay, double attack, double hold, double decay, double sustain, double release) {
        double[] block = new double[LayerParameters.SIZE];
        double[] values = {delay, attack, hold, decay, sustain, release};
        System.arraycopy(values, 0, block, LayerParameters.AMPLITUDE_ENVELOPE, values.length);
        block[LayerParameters.AMPLITUDE_ENVELOPE + EnvelopeParameters.DECAY_CURVE] = 100;
        block[LayerParameters.AMPLITUDE_ENVELOPE + EnvelopeParameters.RELEASE_CURVE] = 100;
        return block;
    }

    private static int stepsUntil(Envelope e, double[] block, java.util.function.DoublePredicate reached) {
        int steps = 1;
        while (!reached.test(e.advance(block, LayerParameters.AMPLITUDE_ENVELOPE, 120, STEP)) && steps < 100000) {
            steps++;
        }
        return steps;
    }

    @Test
    void stagesEndWhenTheyAreSaidTo() {
        double[] block = block(0.1, 0.25, 0.05, 0.5, 40, 0.3);
        Envelope e = new Envelope();
        e.start(false);
        assertEquals((0.1 + 0.25) / STEP, stepsUntil(e, block, v -> v >= 1), 1.01, "attack ends");
        assertEquals((0.05 + 0.5) / STEP, stepsUntil(e, block, v -> v <= 0.4), 2.01, "decay ends");
        e.release();
        assertEquals(0.3 / STEP, stepsUntil(e, block, v -> v <= 0), 1.01, "release ends");
        assertTrue(e.idle());
    }

    @Test
    void releaseFallsBySixtyDecibelsOverItsTime() {
        double[] block = block(0, 0, 0, 0.1, 100, 1);
        Envelope e = new Envelope();
        e.start(false);
        e.advance(block, LayerParameters.AMPLITUDE_ENVELOPE, 120, STEP);
        e.release();
        double level = 0;
        for (int i = 0; i < Math.round(0.5 / STEP); i++) {
            level = e.advance(block, LayerParameters.AMPLITUDE_ENVELOPE, 120, STEP);
        }
        assertEquals(-30, Spectrum.db(level), 0.3, "half way in time is half way in dB");
    }
}
