package gentlecomet.sound.effect;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.engine.Played;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.PatchImage;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Echoes of a single sample, against what a delay with feedback is by definition: the n-th one comes n delays later, each with the feedback
 * times the level of the one before. Also for delays shorter than the steps in which effects are worked out.
 */
class EchoTest {

    private static final int RATE = 48000;
    private static final int LENGTH = 60 * EffectStep.SAMPLES;
    private static final int STRUCK = 37;
    private static final double FEEDBACK = 0.5;

    private final double[][] out = new double[2][LENGTH];

    private void strike(int left, int right, double modulation, boolean pingPong) {
        double[] image = PatchImage.of(Played.patch("effect1.type=delay"));
        int at = PatchParameters.effect(0);
        image[at + EffectParameters.DELAY_DIVISION_LEFT] = 0;
        image[at + EffectParameters.DELAY_DIVISION_RIGHT] = 0;
        image[at + EffectParameters.DELAY_TIME_LEFT] = left / (double) RATE;
        image[at + EffectParameters.DELAY_TIME_RIGHT] = right / (double) RATE;
        image[at + EffectParameters.DELAY_FEEDBACK] = 100 * FEEDBACK;
        image[at + EffectParameters.DELAY_LOW_CUT] = 20;
        image[at + EffectParameters.DELAY_HIGH_CUT] = 20000;
        image[at + EffectParameters.DELAY_MODULATION_DEPTH] = modulation;
        image[at + EffectParameters.DELAY_PING_PONG] = pingPong ? 1 : 0;
        StereoDelay delay = new StereoDelay(RATE);
        double[] l = new double[EffectStep.SAMPLES];
        double[] r = new double[EffectStep.SAMPLES];
        for (int start = 0; start < LENGTH; start += l.length) {
            for (int i = 0; i < l.length; i++) {
                l[i] = start + i == STRUCK ? 1 : 0;
                r[i] = l[i];
            }
            delay.process(image, at, 120, l, r);
            System.arraycopy(l, 0, out[0], start, l.length);
            System.arraycopy(r, 0, out[1], start, r.length);
        }
    }

    /** Every sample of a channel: zero but for echoes at {@code first}, {@code first + gap} ... */
    private static void assertEchoes(double[] channel, int first, int gap, double tolerance) {
        double level = 1;
        int next = STRUCK + first;
        for (int i = 0; i < channel.length; i++) {
            assertEquals(i == next ? level : 0, channel[i], tolerance, "sample " + i);
            if (i == next) {
                level *= FEEDBACK;
                next += gap;
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"48, 48", "48, 500", "63, 64", "64, 65", "65, 66", "127, 128", "480, 333"})
    void theyComeAfterEachDelayWhateverItsLength(int left, int right) {
        strike(left, right, 0, false);
        assertEchoes(out[0], left, left, 1e-12);
        assertEchoes(out[1], right, right, 1e-12);
    }

    /** A modulation of a few billionths of a second is none, but takes the way on which the line is read between samples. */
    @ParameterizedTest
    @ValueSource(ints = {48, 64, 66, 333})
    void readBetweenSamplesTheyStayWhereTheyAre(int samples) {
        strike(samples, samples + 7, 1e-9, false);
        assertEchoes(out[0], samples, samples, 1e-3);
        assertEchoes(out[1], samples + 7, samples + 7, 1e-3);
    }

    /** From side to side: left after one delay, right after both, and so on around. */
    @ParameterizedTest
    @CsvSource({"48, 50", "48, 200", "100, 60", "300, 200"})
    void theyGoFromSideToSide(int left, int right) {
        strike(left, right, 0, true);
        assertEchoes(out[0], left, left + right, 1e-12);
        assertEchoes(out[1], left + right, left + right, 1e-12);
    }
}
