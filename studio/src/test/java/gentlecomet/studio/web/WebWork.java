package gentlecomet.studio.web;

import static gentlecomet.studio.web.Token.token;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.PatchEditing;
import gentlecomet.studio.store.CollectionStore;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** A patch of a new collection, and requests on it as the pages send them. */
abstract class WebWork {

    @Autowired
    protected MockMvc web;
    @Autowired
    protected Banks banks;
    @Autowired
    protected PatchEditing editing;
    @Autowired
    protected CollectionStore collections;
    protected long collection;
    protected long bank;
    protected long id;

    @org.junit.jupiter.api.BeforeEach
    void takeToken() throws Exception {
        Token.take(web);
    }

    /** Begins a collection with one new patch. */
    void begin(String name, int slot) {
        collection = banks.create(name);
        bank = collections.banks(collection).get(0).id();
        id = banks.newPatch(bank, slot);
    }

    /** A request that exchanges a part of a page. */
    ResultActions send(MockHttpServletRequestBuilder request) throws Exception {
        return web.perform(request.with(token()).header("HX-Request", "true"));
    }

    /** What the bench posts for its patch, with the version that it shows. */
    ResultActions onBench(String path, String... fields) throws Exception {
        MockHttpServletRequestBuilder request = post("/patches/{id}/" + path, id).param("version", String.valueOf(editing.get(id).version())).with(token())
                .header("X-Requested-With", "comet");
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        return web.perform(request);
    }
}
