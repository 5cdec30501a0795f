package gentlecomet.craft.rules;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class NamePatternTest {

    /** Patterns that take a backtracking matcher longer than anybody waits (OWASP, "Regular expression Denial of Service"). */
    @ParameterizedTest
    @ValueSource(strings = {"(([a-zA-Z ]+)+)+#", "(a+)+$", "([a-zA-Z]+)*X", "(a|aa)+!", "(.*a){20}#"})
    void noPatternHoldsACollectionUp(String evil) {
        assertTimeoutPreemptively(Duration.ofSeconds(5), () -> {
            NamePattern pattern = NamePattern.of(evil);
            assertFalse(pattern.matches("a".repeat(63) + "?"));
        });
    }

    @ParameterizedTest
    @ValueSource(strings = {"(", "[a-", "a**", "(?=x)x", "(a)\\1", "(((x{100}){100}){100})"})
    void whatCannotBeTakenIsRefusedInWords(String bad) {
        String message = assertThrows(IllegalArgumentException.class, () -> NamePattern.of(bad)).getMessage();
        assertTrue(message.startsWith("The name pattern "), message);
    }

    @Test
    void aWholeNameHasToMatch() {
        NamePattern pattern = NamePattern.of("[A-Z][a-z]+( [A-Z0-9][a-z0-9]*){1,3}");
        assertTrue(pattern.matches("Heron Glass"));
        assertFalse(pattern.matches("Heron Glass!"));
        assertFalse(pattern.matches("heron glass"));
    }
}
