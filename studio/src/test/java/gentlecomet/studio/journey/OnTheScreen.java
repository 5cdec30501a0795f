package gentlecomet.studio.journey;

import gentlecomet.studio.StudioTest;
import gentlecomet.studio.bank.Banks;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.patch.Patches;
import java.nio.file.Path;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What tests in the real browser need: where the application listens, a folder for the browser, and the services that say what was stored. */
@StudioTest
abstract class OnTheScreen {

    @LocalServerPort
    protected int port;
    @Autowired
    protected Patches patches;
    @Autowired
    protected Collections collections;
    @Autowired
    protected JdbcClient jdbc;
    @Autowired
    protected Banks banks;
    @TempDir
    protected Path folder;

    /** A bank of a new collection. */
    protected long newBank(String collection) {
        return collections.banks(collections.create(collection)).get(0).id();
    }

    /** The first bank of the demo. */
    protected long demoBank() {
        return collections.banks(demo()).get(0).id();
    }

    /** A browser with a profile of its own. */
    protected Browser browser() {
        return new Browser(port, folder, folder);
    }

    /** The demo, the first collection that is loaded. */
    protected long demo() {
        return jdbc.sql("select min(id) from collection").query(Long.class).single();
    }
}
