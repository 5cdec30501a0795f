package gentlecomet.craft.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.performance.Audio;
import java.util.Random;
import java.util.function.IntToDoubleFunction;
import org.junit.jupiter.api.Test;

/** Held against closed forms: the spectrum of a step falls by 6 dB an octave, that of a sine that begins at its zero by 12. */
class ClickFinderTest {

    private static final int RATE = 48000;
    private static final double HZ = 200;
    private static final int CUT = RATE / 2;

    private static Audio audio(IntToDoubleFunction wave) {
        float[] x = new float[RATE];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) wave.applyAsDouble(i);
        }
        return new Audio(x, x.clone(), RATE);
    }

    private static double sine(int i, double phase) {
        return 0.5 * Math.sin(2 * Math.PI * HZ * i / RATE + phase);
    }

    private static ClickFinder.Click at(Audio audio, double seconds) {
        return new ClickFinder(audio).between(seconds - 0.002, seconds + 0.008);
    }

    @Test
    void aSineThatIsCutAtItsCrestClicks() {
        ClickFinder.Click click = at(audio(i -> i < CUT ? sine(i, Math.PI / 2) : 0), 0.5);
        assertTrue(click.excessDb() > 40, "stands out by " + click.excessDb());
        // Of a step the first sample out of a filter is its first coefficient: (1 + cos w) / 2 / (1 + alpha) for each high pass of the audio EQ cookbook (W3C note).
        double w = 2 * Math.PI * 6000 / RATE;
        double first = 1;
        for (double q : new double[] {0.5412, 1.3066}) {
            first *= (1 + Math.cos(w)) / 2 / (1 + Math.sin(w) / (2 * q));
        }
        assertEquals(20 * Math.log10(first), click.levelDb(), 1);
    }

    @Test
    void smallerStepsAreSmallerClicks() {
        double whole = at(audio(i -> i < CUT ? sine(i, Math.PI / 2) : 0), 0.5).levelDb();
        double tenth = at(audio(i -> sine(i, Math.PI / 2) * (i < CUT ? 1 : 0.9)), 0.5).levelDb();
        assertEquals(-20, tenth - whole, 0.5, "a tenth of the height is 20 dB less");
    }

    @Test
    void aSineThatFadesDoesNotClick() {
        ClickFinder.Click click = at(audio(i -> sine(i, 0) * (i < CUT ? 1 : Math.max(0, 0.5 + 0.5 * Math.cos(Math.PI * Math.min(1, (i - CUT) / 960.0))))), 0.5);
        assertTrue(click.levelDb() < -60, "level " + click.levelDb());
    }

    /** What is bright all the time covers a step of its own size. */
    @Test
    void aSawCoversItsOwnSteps() {
        ClickFinder.Click click = at(audio(i -> i < CUT ? i * HZ / RATE % 1 - 0.5 : 0), 0.5);
        assertTrue(click.excessDb() < 6, "stands out by " + click.excessDb());
    }

    /** Thirty milliseconds of noise are a transient, not a click. */
    @Test
    void aBurstOfNoiseIsATransient() {
        Random random = new Random(3);
        ClickFinder.Click click = at(audio(i -> sine(i, 0) + (i >= CUT && i < CUT + 1440 ? 0.3 * random.nextGaussian() : 0)), 0.5);
        assertTrue(click.excessDb() < 12, "stands out by " + click.excessDb());
    }

    @Test
    void silenceHasNone() {
        assertEquals(ClickFinder.Click.NONE, at(audio(i -> 0), 0.5));
    }
}
