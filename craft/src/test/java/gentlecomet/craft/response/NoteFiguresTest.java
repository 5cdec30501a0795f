package gentlecomet.craft.response;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;

import gentlecomet.sound.performance.Audio;
import java.util.function.IntToDoubleFunction;
import org.junit.jupiter.api.Test;

/** Sounds made of known parts. */
class NoteFiguresTest {

    private static final int RATE = 48000;

    private static Audio mono(double seconds, IntToDoubleFunction sample) {
        float[] both = new float[(int) (seconds * RATE)];
        for (int i = 0; i < both.length; i++) {
            both[i] = (float) sample.applyAsDouble(i);
        }
        return new Audio(both, both.clone(), RATE);
    }

    private static double sine(double hz, int i) {
        return Math.sin(2 * Math.PI * hz * i / RATE);
    }

    /** BS.1770-4: a sine of 997 Hz at 0 dBFS in one channel reads -3.01 LKFS; in both channels 3.01 dB more. */
    @Test
    void aSineMeasuresItsOwnLoudnessAndPitch() {
        NoteFigures n = NoteFigures.of(mono(1, i -> 0.1 * sine(997, i)), 83, 1);
        assertEquals(-20, n.loudness(), 0.1);
        assertEquals(-20, n.peakDbtp(), 0.1);
        assertEquals(997, n.brightnessHz(), 20);
        assertEquals(0, n.sideToMid(), 1e-9);
        assertEquals(1200 * Math.log(997 / 987.767) / Math.log(2), n.cents(), 1, "B5 is 987.767 Hz in handbook tables");
    }

    /** A straight attack of 200 ms passes 0.1 % at 0.2 ms and 90 % at 180 ms; a tail of 60 dB in 300 ms. */
    @Test
    void attackAndTailAreTimedFromTheirEnds() {
        NoteFigures n = NoteFigures.of(mono(2, i -> {
            double t = (double) i / RATE;
            double level = Math.min(1, t / 0.2) * (t < 0.8 ? 1 : Math.pow(10, -3 * (t - 0.8) / 0.3));
            return 0.5 * level * sine(440, i);
        }), 69, 0.8);
        assertEquals(0.18, n.attackSeconds(), 0.006);
        assertEquals(0.3, n.tailSeconds(), 0.008);
    }

    @Test
    void silenceIsSaidToBeSilent() {
        NoteFigures n = NoteFigures.of(mono(1, i -> 0), 60, 0.5);
        assertFalse(n.heard());
        assertNull(n.cents());
        assertEquals(0, n.brightnessHz());
    }
}
