package gentlecomet.sound.maths;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;

/** Reference: the JDK's {@link StrictMath} (fdlibm). */
class PolynomialsTest {

    @Test
    void sineAgreesWithTheReferenceLibrary() {
        for (double x = -7; x < 7; x += 0.000977) {
            assertEquals(StrictMath.sin(2 * Math.PI * x), Polynomials.sinCycles(x), 2e-12, "at " + x);
            assertEquals(StrictMath.cos(2 * Math.PI * x), Polynomials.cosCycles(x), 2e-12, "at " + x);
        }
    }

    @Test
    void tangentAgreesUpToNearlyHalfTheSampleRate() {
        for (double x = 0.0001; x < 0.49; x += 0.0007) {
            double reference = StrictMath.tan(Math.PI * x);
            assertEquals(reference, Polynomials.tanHalfTurns(x), 1e-10 * (1 + reference * reference), "at " + x);
        }
    }

    @Test
    void powersAndLogarithmsAgreeAndUndoEachOther() {
        for (double x = -40; x < 40; x += 0.00731) {
            assertEquals(1, Polynomials.exp2(x) / StrictMath.pow(2, x), 1e-11, "exp2 at " + x);
            assertEquals(x, Polynomials.log2(StrictMath.pow(2, x)), 1e-11, "log2 at " + x);
        }
    }

    @Test
    void decibelsFollowTwentyTimesTheDecimalLogarithm() {
        assertEquals(0.5011872336272722, Polynomials.gainOfDb(-6), 1e-11);
        assertEquals(-20, Polynomials.dbOfGain(0.1), 1e-10);
    }

    /** g / (1 + g) with g = tan(pi x), from the lowest cutoffs to nearly half the sample rate. */
    @Test
    void thePartOfATrapezoidalFilterAgreesWithTheReferenceLibrary() {
        for (double x = 1e-5; x < 0.4901; x += 1e-4) {
            double g = StrictMath.tan(Math.PI * x);
            assertEquals(g / (1 + g), Polynomials.trapezoidalPart(x), 1e-12, "at " + x);
        }
        assertEquals(0, Polynomials.trapezoidalPart(0), 0);
    }

    /** 1.5 u - 0.5 u cubed with u = x / 1.5: straight for small values, level from 1.5 on, and odd. */
    @Test
    void theSoftClipFollowsItsCubic() {
        for (double x = -3; x <= 3; x += 0.01) {
            double u = Math.max(-1, Math.min(1, x / 1.5));
            assertEquals(1.5 * u - 0.5 * u * u * u, Polynomials.softClip(x), 1e-14, "at " + x);
            assertEquals(-Polynomials.softClip(-x), Polynomials.softClip(x), 1e-15);
        }
    }
}
