package gentlecomet.studio;

import static gentlecomet.studio.Token.token;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import gentlecomet.studio.bank.Banks;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.patch.Patches;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** A patch of a new collection, and requests on it as the pages send them. */
public abstract class WebWork {

    @Autowired
    protected MockMvc web;
    @Autowired
    protected Banks banks;
    @Autowired
    protected Patches patches;
    @Autowired
    protected Collections collections;
    protected long collection;
    protected long bank;
    protected long id;

    @org.junit.jupiter.api.BeforeEach
    protected void takeToken() throws Exception {
        Token.take(web);
    }

    /** Begins a collection with one new patch. */
    protected void begin(String name, int slot) {
        collection = collections.create(name);
        bank = collections.banks(collection).get(0).id();
        id = banks.newPatch(bank, slot);
    }

    /** A request that exchanges a part of a page. */
    protected ResultActions send(MockHttpServletRequestBuilder request) throws Exception {
        return web.perform(request.with(token()).header("HX-Request", "true"));
    }

    /** What the bench posts for its patch, with the version that it shows. */
    protected ResultActions onBench(String path, String... fields) throws Exception {
        MockHttpServletRequestBuilder request = post("/patches/{id}/" + path, id).param("version", String.valueOf(patches.get(id).version())).with(token())
                .header("X-Requested-With", "comet");
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        return web.perform(request);
    }
}
