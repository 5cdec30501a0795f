package gentlecomet.craft.release;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Held against Semantic Versioning 2.0.0 (semver.org): its examples of precedence, and what is no version. */
class VersionTest {

    private static Version v(String text) {
        return Version.parse(text).orElseThrow();
    }

    /** The two rows of section 11. */
    @Test
    void precedenceIsThatOfTheStandard() {
        List<String> ascending = List.of("1.0.0-alpha", "1.0.0-alpha.1", "1.0.0-alpha.beta", "1.0.0-beta", "1.0.0-beta.2", "1.0.0-beta.11", "1.0.0-rc.1", "1.0.0", "2.0.0", "2.1.0", "2.1.1");
        List<Version> shuffled = new ArrayList<>(ascending.stream().map(VersionTest::v).toList());
        Collections.shuffle(shuffled, new Random(7));
        Collections.sort(shuffled);
        assertEquals(ascending, shuffled.stream().map(Version::toString).toList());
    }

    @ParameterizedTest
    @ValueSource(strings = {"1", "01.0.0", "1.02.0", "1.0.0.0", "1.0.0-", "1.0.0-a..b", "one", "", "1.0/2", "1.0.0-a_b", "999999999.0.0"})
    void whatIsNoVersion(String text) {
        assertTrue(Version.parse(text).isEmpty());
    }

    @ParameterizedTest
    @CsvSource({"1.2.3, PATCH, 1.2.4", "1.2.3, MINOR, 1.3.0", "1.2.3, MAJOR, 2.0.0", "0.4.1, MAJOR, 0.5.0", "1.0.0-beta, PATCH, 1.0.0", "1.1, PATCH, 1.1.1"})
    void theNextOne(String from, Version.Step step, String to) {
        assertEquals(to, v(from).next(step).toString());
    }
}
