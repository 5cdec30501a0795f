package gentlecomet.sound.parameter;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Key 60 is middle C in MIDI 1.0; which octave it is called by is not part of it, and C3, C4 and C5 are all in use (common practice). */
class KeyNameTest {

    @ParameterizedTest
    @CsvSource({"0,C-1", "21,A0", "60,C4", "61,C#4", "69,A4", "108,C8", "127,G9"})
    void keysHaveNamesAndNamesHaveKeys(int key, String name) {
        assertEquals(name, KeyName.of(key));
        assertEquals(key, KeyName.parse(name));
    }

    @ParameterizedTest
    @CsvSource({"Split at C4,3,Split at C3", "Split at C4,5,Split at C5", "Split at C4,4,Split at C4",
            "Hole: D#3 to C-1 is silent.,3,Hole: D#2 to C-2 is silent.", "F3 to F#3: +2.1 dB,5,F4 to F#4: +2.1 dB"})
    void sentencesAreToldInAnotherCount(String sentence, int middle, String told) {
        assertEquals(told, KeyName.retold(sentence, middle));
    }

    @ParameterizedTest
    @CsvSource({"EQ4 C", "Fade A12", "macro B", "D-", "3C4", "H2 and A", "C", "G10"})
    void whatIsNoKeyNameStays(String sentence) {
        assertEquals(sentence, KeyName.retold(sentence, 3));
    }

    @Test
    void namesThatSomebodyGaveStay() {
        assertEquals("Name \"Pad C4\" to \"Pad D4\" at E3", KeyName.retold("Name \"Pad C4\" to \"Pad D4\" at E4", 3));
    }

    @ParameterizedTest
    @CsvSource({"C3,3,C4", "c#3,3,C#4", "Db5,5,C#4", "C4,4,C4", "60,3,60", "1.2k,3,1.2k", "G8,3,G9", "C-2,3,C-1", "off,5,off", "bend,5,bend"})
    void whatIsTypedIsKeptInTheStandardCount(String typed, int middle, String kept) {
        assertEquals(kept, KeyName.standard(typed, middle));
    }

    @Test
    void keysOutsideOfMidiAreNone() {
        assertEquals("", KeyName.standard("G9", 3), "key 139");
        assertEquals("", KeyName.standard("C-1", 5), "key -12");
    }

    @Test
    void toldAndTypedAgain() {
        for (int middle = 3; middle <= 5; middle++) {
            for (int key = 0; key <= 127; key++) {
                assertEquals(KeyName.of(key), KeyName.standard(KeyName.retold(KeyName.of(key), middle), middle));
            }
        }
    }
}
