package gentlecomet.studio.journey;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeEach;

/** Tests of the page's own modules, each asked in a real browser for what it answers. */
abstract class InModules extends OnTheScreen {

    protected static Browser shared;

    @BeforeEach
    void openAPageOnce() throws IOException {
        if (shared == null) {
            Path profile = Files.createTempDirectory("modules");
            shared = new Browser(port, profile, profile);
            shared.open("/collections/" + demo() + "/assets");
        }
    }

    @AfterAll
    static void close() {
        if (shared != null) {
            shared.close();
            shared = null;
        }
    }

    /** What an expression of a module answers. @param names what is imported @param module below js/ */
    protected static Object in(String module, String names, String body, Object... arguments) {
        return shared.jsLater("const done = arguments[arguments.length - 1]; const given = [...arguments].slice(0, -1); import('@js/" + module + "').then(async " + names
                + " => { " + body + " }).then(done, e => done('failed: ' + e.stack))", arguments);
    }
}
