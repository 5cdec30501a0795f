package gentlecomet.craft.measure;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;

/** Worked by hand. */
class HeardDifferenceTest {

    private static Measurement sound(double lufs, double brightness, double width, Double cents, double attack, double tail) {
        return new Measurement(lufs, lufs, lufs, 0, -3, 60, cents, attack, tail, false, 1, brightness, 0, width);
    }

    private static final Measurement PLAIN = sound(-18, 1000, 0.1, 0.0, 0.01, 1);

    @Test
    void whatIsHeardIsToldAndWhatIsNotIsLeftOut() {
        assertEquals("1.4 LU louder, 1.00 oct darker, 3.0 dB wider, 12 ct lower, attack 90 ms longer, tail 0.50 s shorter",
                HeardDifference.words(sound(-16.6, 500, 0.19953, -12.0, 0.1, 0.5), PLAIN));
        assertEquals("no difference of loudness, brightness, width, pitch or times", HeardDifference.words(sound(-18.2, 1030, 0.11, 1.0, 0.011, 1.04), PLAIN));
    }

    @Test
    void silenceIsSaid() {
        assertEquals("silent", HeardDifference.words(sound(-90, 20, 0, null, 0, 0), PLAIN));
        assertEquals("heard, where the other is silent", HeardDifference.words(PLAIN, sound(-90, 20, 0, null, 0, 0)));
    }
}
