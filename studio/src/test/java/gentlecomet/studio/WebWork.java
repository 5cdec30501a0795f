package gentlecomet.studio;

import static gentlecomet.studio.Token.token;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import gentlecomet.studio.bank.Banks;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.patch.PatchPlaces;
import gentlecomet.studio.patch.Patches;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
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
    @Autowired
    protected PatchPlaces places;
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
        return followed(web.perform(request.with(token()).header("HX-Request", "true")));
    }

    private static final Pattern RUNNING = Pattern.compile("id=\"desk-running\" data-at=\"([^\"]+)\"");

    /** What a step of the desk answers when it is done, however long it takes. */
    private ResultActions followed(ResultActions answer) throws Exception {
        Matcher running = RUNNING.matcher(answer.andReturn().getResponse().getContentAsString());
        return running.find() ? followed(web.perform(get(running.group(1)))) : answer;
    }

    /** Work at the desk of the bank on some patches, as its page sends it: with the versions and the arrangement that are there now. */
    protected ResultActions atDesk(String what, List<Long> chosen, String... fields) throws Exception {
        return followed(atDeskAtOnce(what, chosen, fields));
    }

    /** The first answer to work at the desk, which may be that it is still being done. */
    protected ResultActions atDeskAtOnce(String what, List<Long> chosen, String... fields) throws Exception {
        MockHttpServletRequestBuilder request = post("/banks/{id}/desk", bank).param("what", what).param("arrangement", String.valueOf(places.arrangement(bank)));
        chosen.forEach(patch -> request.param("patch", patch + "." + patches.get(patch).version()));
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        return web.perform(request.with(token()).header("X-Requested-With", "comet"));
    }

    /** Puts a patch into the trash. */
    protected void delete(long patch) {
        places.put(java.util.Collections.singletonMap(patch, null));
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
