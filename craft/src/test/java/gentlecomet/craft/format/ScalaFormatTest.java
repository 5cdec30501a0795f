package gentlecomet.craft.format;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Scala tunings against intervals of just and equal tunings that any handbook lists. */
class ScalaFormatTest {

    private static final String JUST = """
            ! just.scl
            !
            A just major scale
             7
            !
             9/8
             5/4
             4/3
             3/2
             5/3
             15/8
             2/1
            """;
    /** White keys alone carry the seven notes; A4 is 440 Hz. */
    private static final String WHITE_KEYS = """
            ! white.kbm
            12
            0
            127
            60
            69
            440.0
            7
            0
            x
            1
            x
            2
            3
            x
            4
            x
            5
            x
            6
            """;

    /** Just intervals in cents (any handbook of tuning): 9/8 203.910, 5/4 386.314, 4/3 498.045, 3/2 701.955, 5/3 884.359, 15/8 1088.269. */
    @ParameterizedTest
    @CsvSource({"62, 203.910", "64, 386.314", "65, 498.045", "67, 701.955", "69, 884.359", "71, 1088.269", "72, 1200"})
    void ratiosBecomeCents(int key, double cents) {
        double[] offsets = ScalaFormat.offsets(JUST, "just.scl", WHITE_KEYS, "white.kbm");
        double above = 100 * key + offsets[key] - (6000 + offsets[60]);
        assertEquals(cents, above, 0.001);
        assertEquals(0, offsets[69], 1e-6, "the reference key has its frequency");
    }

    @Test
    void equalTemperamentLeavesEveryKeyWhereItIs() {
        StringBuilder scale = new StringBuilder("Twelve equal steps\n12\n");
        for (int n = 1; n <= 12; n++) {
            scale.append(100.0 * n).append('\n');
        }
        for (double offset : ScalaFormat.offsets(scale.toString(), "equal.scl", null, "")) {
            assertEquals(0, offset, 1e-6);
        }
    }

    /** Nineteen equal steps to the octave: 63.158 cents each; without a map neighbouring keys are neighbouring notes from C4 on. */
    @Test
    void nineteenStepsFollowTheKeys() {
        StringBuilder scale = new StringBuilder("19 equal\n19\n");
        for (int n = 1; n <= 19; n++) {
            scale.append(1200.0 * n / 19).append('\n');
        }
        double[] offsets = ScalaFormat.offsets(scale.toString(), "19.scl", null, "");
        assertEquals(0, offsets[60], 1e-6);
        assertEquals(63.158 - 100, offsets[61], 0.001);
        assertEquals(1200 - 1900, offsets[79], 0.001);
    }

    @ParameterizedTest
    @CsvSource({"'x\n1\n1.e400', line 3", "'x\n1\n0x1.8p1', line 3", "'x\n1\n1.5f', line 3", "'x\n1\n1e5.', line 3", "'x\n1\nNaN', line 3", "'x\n3\n100.\n200.', says it has 3 notes", "'x\n1\nfifth', line 3", "'x\nmany', line 2", "'x\n1\n0/1', above 0", "'', expected a description"})
    void badScalesAreRefusedWithTheirLine(String text, String words) {
        FormatException refusal = assertThrows(FormatException.class, () -> ScalaFormat.offsets(text, "bad.scl", null, ""));
        assertTrue(refusal.getMessage().contains(words) && refusal.getMessage().contains("bad.scl"), refusal.getMessage());
    }

    @Test
    void aMapWithoutItsNumbersIsRefused() {
        assertThrows(FormatException.class, () -> ScalaFormat.offsets(JUST, "just.scl", "12\n0\n127\n60\n69\nloud\n7", "bad.kbm"));
        assertThrows(FormatException.class, () -> ScalaFormat.offsets(JUST, "just.scl", "12\n0", "bad.kbm"));
    }
}
