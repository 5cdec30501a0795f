package gentlecomet.studio.journey;

import gentlecomet.studio.StudioTest;
import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.PatchEditing;
import gentlecomet.studio.store.CollectionStore;
import gentlecomet.studio.store.PatchStore;
import java.nio.file.Path;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** What tests in the real browser need: where the application listens, a folder for the browser, and the services that say what was stored. */
@StudioTest
abstract class OnTheScreen {

    @LocalServerPort
    protected int port;
    @Autowired
    protected PatchEditing editing;
    @Autowired
    protected PatchStore patches;
    @Autowired
    protected CollectionStore collections;
    @Autowired
    protected Banks banks;
    @TempDir
    protected Path folder;

    /** A bank of a new collection. */
    protected long newBank(String collection) {
        return collections.banks(banks.create(collection)).get(0).id();
    }

    /** The first bank of the demo. */
    protected long demoBank() {
        return collections.banks(collections.all().get(0).id()).get(0).id();
    }

    /** A browser with a profile of its own. */
    protected Browser browser() {
        return new Browser(port, folder, folder);
    }
}
