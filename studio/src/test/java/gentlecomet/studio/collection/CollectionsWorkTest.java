package gentlecomet.studio.collection;

import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.patch.PatchSummary;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** All collections on one page, and what each says of itself. */
@StudioTest
class CollectionsWorkTest extends WebWork {

    @Autowired
    private JdbcClient jdbc;

    @BeforeEach
    void oneCollection() {
        begin("Shore " + System.nanoTime(), 1);
        patches.edit(id, 0, "", new PatchEdit.Rename("Ebb Bell"));
    }

    private String page() throws Exception {
        return send(get("/collections/{id}/all", collection)).andExpect(status().isOk()).andReturn().getResponse().getContentAsString();
    }

    private List<String> elsewhere(long from, String words) throws Exception {
        String found = web.perform(get("/find/elsewhere").param("collection", "" + from).param("words", words)).andExpect(status().isOk()).andReturn().getResponse().getContentAsString();
        return java.util.stream.StreamSupport.stream(new com.fasterxml.jackson.databind.ObjectMapper().readTree(found).spliterator(), false).map(p -> p.get("text").asText() + " " + p.get("url").asText()).toList();
    }

    /** By the beginnings of words of the name, the tags and the author; neither what is open nor what lies in the trash, and no letter stands for others. */
    @Test
    void patchesOfOtherCollectionsAreFound() throws Exception {
        patches.edit(id, 0, "", new PatchEdit.Rename("Quagmire 100% Thrum"));
        patches.edit(id, 0, "", new PatchEdit.Tag(List.of("zephyrous")));
        long open = collections.create("Open " + System.nanoTime());
        for (String words : List.of("quag", "THR quag", "zephyr thrum", "100%")) {
            assertEquals(List.of("Quagmire 100% Thrum /patches/" + id), elsewhere(open, words), words);
        }
        for (String words : List.of("mire", "quag _hrum", "quag x", " ")) {
            assertEquals(List.of(), elsewhere(open, words), words);
        }
        assertEquals(List.of(), elsewhere(collection, "quag"), "what is open is found by its own list");
        send(post("/collections/{id}/trash", collection).param("on", "true").param("from", "" + open)).andExpect(status().isOk());
        assertEquals(List.of(), elsewhere(open, "quag"));
    }

    @Test
    void aCopyHasTheSamePatchesUnderAnotherNameAndLivesItsOwnLife() throws Exception {
        patches.save(id, 0, "first");
        patches.edit(id, 0, "", new PatchEdit.Tag(List.of("salt")));
        send(post("/collections/{id}/duplicate", collection).param("from", "" + collection)).andExpect(status().isOk())
                .andExpect(content().string(containsString(collections.get(collection).name() + " (2)")));
        CollectionCard copy = collections.cards().stream().filter(c -> c.name().endsWith(" (2)") && c.name().startsWith(collections.get(collection).name())).findFirst().orElseThrow();
        PatchSummary there = patches.inCollection(copy.id()).get(0);
        assertEquals(List.of("Ebb Bell", 1, List.of("salt"), 1, false), List.of(there.name(), there.slot(), there.tags(), there.revision(), there.saved()));
        assertEquals(patches.get(id).patch(), patches.get(there.id()).patch());
        patches.edit(there.id(), 0, "", new PatchEdit.Rename("Other"));
        assertNotEquals("Other", patches.get(id).name());
    }

    @Test
    void aCollectionIsPutAwayAndDeletedAndComesBack() throws Exception {
        long open = collections.create("Open " + System.nanoTime());
        String name = collections.get(collection).name();
        send(post("/collections/{id}/archive", collection).param("on", "true").param("from", "" + open)).andExpect(status().isOk()).andExpect(content().string(containsString("Put away</h2>")));
        assertFalse(collections.bankNames().containsKey(name), "nothing is copied there");
        send(post("/collections/{id}/archive", collection).param("on", "false").param("from", "" + open)).andExpect(status().isOk());
        send(post("/collections/{id}/trash", collection).param("on", "true").param("from", "" + collection)).andExpect(status().isUnprocessableEntity());
        send(post("/collections/{id}/trash", collection).param("on", "true").param("from", "" + open)).andExpect(status().isOk()).andExpect(content().string(containsString("Bring back " + name)));
        assertFalse(collections.bankNames().containsKey(name), "nothing is copied there");
        send(post("/collections/{id}/trash", collection).param("on", "false").param("from", "" + open)).andExpect(status().isOk());
        assertEquals("Ebb Bell", patches.inCollection(collection).get(0).name());
        collections.trash(collection, true);
        jdbc.sql("update collection set trashed_at = now() - interval '31 days' where id = :id").param("id", collection).update();
        collections.purge();
        places.purge();
        assertEquals(0L, jdbc.sql("select count(*) from patch where id = :id").param("id", id).query(Long.class).single());
    }

    @Test
    void whatACollectionSaysOfItselfIsKeptWithinLimits() throws Exception {
        send(post("/collections/{id}/about", collection).param("name", "Shoal <b>").param("author", "Ann").param("licence", "CC0").param("version", "1.2").param("description", "two\nlines")
                .param("contact", "ann at shoal")).andExpect(status().is3xxRedirection());
        assertEquals(new CollectionDetails("Shoal <b>", "Ann", "CC0", "1.2", "two\nlines", "ann at shoal"), collections.get(collection).details());
        assertTrue(page().contains("Shoal &lt;b&gt;"));
        send(get("/collections/{id}/about", collection)).andExpect(content().string(not(containsString("Shoal <b>"))));
        for (Map.Entry<String, String> wrong : Map.of("name", " ", "version", "x".repeat(21), "author", "x".repeat(81), "licence", "x".repeat(20_001)).entrySet()) {
            var request = post("/collections/{id}/about", collection);
            for (String field : List.of("name", "author", "licence", "version", "description", "contact")) {
                request.param(field, field.equals(wrong.getKey()) ? wrong.getValue() : "fine");
            }
            send(request).andExpect(status().isUnprocessableEntity());
        }
        assertEquals("1.2", collections.get(collection).details().version());
    }
}
