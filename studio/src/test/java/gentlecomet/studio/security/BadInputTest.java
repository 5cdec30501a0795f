package gentlecomet.studio.security;

import static gentlecomet.studio.Token.token;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.format.ZipFormat;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Whatever comes in, the answer is a clear message, nothing is changed, and no stack trace is shown. */
@StudioTest
class BadInputTest extends WebWork {

    @Autowired
    private JdbcClient jdbc;

    @BeforeEach
    void newPatch() {
        begin("Bad input", 0);
    }

    private void refused(MockHttpServletRequestBuilder request, int status, String message) throws Exception {
        web.perform(request.with(token()).header("HX-Request", "true")).andExpect(status().is(status))
                .andExpect(content().string(containsString(message))).andExpect(content().string(not(containsString("Exception"))));
    }

    private static MockHttpServletRequestBuilder upload(byte[] content) {
        return multipart("/imports").file(new MockMultipartFile("file", "kit.zip", "application/zip", content));
    }

    @Test
    void namesThatCannotBeKept() throws Exception {
        refused(renamed("x".repeat(500)), 422, "500 characters");
        refused(renamed("  "), 422, "needs a name");
        refused(post("/banks/" + bank + "/desk").param("what", "at").param("patch", id + ".0").param("toSlot", "one"), 400, "not complete");
        refused(post("/banks/" + bank + "/desk").param("what", "explode").param("patch", id + ".0"), 422, "older than this program");
        assertEquals("New Patch", patches.get(id).name());
    }

    private MockHttpServletRequestBuilder renamed(String name) {
        return post("/banks/" + bank + "/desk").param("what", "rename").param("way", "one").param("patch", id + ".0").param("text", name);
    }

    @Test
    void valuesOutOfRange() throws Exception {
        for (String value : List.of("99999", "-1", "1e400")) {
            web.perform(post("/patches/" + id + "/values").with(token()).header("X-Requested-With", "comet").contentType(MediaType.APPLICATION_JSON)
                            .content("{\"version\":0,\"gesture\":\"\",\"parameter\":\"layer1.filter1.cutoff\",\"value\":" + value + "}"))
                    .andExpect(status().is4xxClientError()).andExpect(content().string(not(containsString("Exception"))));
        }
        web.perform(post("/patches/" + id + "/values").with(token()).header("X-Requested-With", "comet").contentType(MediaType.APPLICATION_JSON)
                .content("{\"version\":0,\"parameter\":\"no.such.thing\",\"value\":1}")).andExpect(status().isUnprocessableEntity());
        web.perform(post("/patches/" + id + "/values").with(token()).header("X-Requested-With", "comet").contentType(MediaType.APPLICATION_JSON)
                .content("{nonsense")).andExpect(status().isBadRequest());
        assertEquals(0, patches.get(id).cursor());
    }

    private static int cutoff() {
        return gentlecomet.sound.parameter.Parameters.find("layer1.filter1.cutoff").index();
    }

    @Test
    void patchesThatAreGone() throws Exception {
        delete(id);
        refused(post("/patches/" + id + "/edits").param("version", "1").param("kind", "rename").param("name", "A B"), 404, "no longer there");
        web.perform(get("/patches/" + id)).andExpect(status().isNotFound()).andExpect(content().string(containsString("no longer there")))
                .andExpect(content().string(containsString("To the collection")));
    }

    @Test
    void editsOnAnOldState() throws Exception {
        refused(post("/patches/" + id + "/edits").param("version", "99").param("kind", "rename").param("name", "A B"), 409, "another tab");
    }

    @Test
    void formsThatMakeNoSense() throws Exception {
        for (Map<String, String> form : List.of(Map.of("kind", "explode"), Map.of("kind", "addRoute", "source", "moon", "target", "effect2.mix", "depth", "1"),
                Map.of("kind", "addRoute", "source", "lfo1", "target", "cutoff", "depth", "1"),
                Map.of("kind", "addRoute", "source", "lfo1", "target", "layer1.filter1.cutoff", "depth", "lots"),
                Map.of("kind", "setDepth", "route", "7", "depth", "1"), Map.of("kind", "split", "key", "H2"),
                Map.of("kind", "nameMacro", "macro", "12"), Map.of("kind", "setEnd", "macro", "1", "target", "effect2.mix", "value", "x"))) {
            MockHttpServletRequestBuilder request = post("/patches/" + id + "/edits").param("version", "0");
            form.forEach(request::param);
            refused(request, 422, "");
        }
        refused(post("/patches/" + id + "/edits").param("kind", "split"), 400, "not complete");
        refused(post("/patches/abc/undo").param("version", "0"), 400, "not complete");
    }

    @Test
    void brokenAndHostileArchivesLeaveNothingBehind() throws Exception {
        long before = countCollections();
        Map<String, byte[]> good = CollectionFormat.write(new CollectionFile("Kit", "", "", HouseRules.DEFAULT,
                List.of(new CollectionFile.Bank("A", List.of(new CollectionFile.Slot(1, Patch.neutral("One")), new CollectionFile.Slot(2, Patch.neutral("Two")))))));
        Map<String, byte[]> broken = new TreeMap<>(good);
        broken.put("patches/a002-two.json", "{\"format\":\"gentle-comet-patch\",\"version\":1,\"name\":\"Two\",\"parameters\":{\"levelTrim\":900}}".getBytes(StandardCharsets.UTF_8));
        Map<String, byte[]> missing = new TreeMap<>(good);
        missing.remove("patches/a001-one.json");
        byte[] zip = ZipFormat.write(good);
        refused(upload(ZipFormat.write(broken)), 422, "patches/a002-two.json.parameters.levelTrim");
        refused(upload(ZipFormat.write(missing)), 422, "the file is missing");
        refused(upload(ZipFormat.write(Map.of("../../etc/passwd", new byte[3]))), 422, "not allowed");
        refused(upload(java.util.Arrays.copyOf(zip, zip.length / 3)), 422, "kit.zip");
        refused(upload("hello".getBytes(StandardCharsets.UTF_8)), 422, "kit.zip: is an empty or broken ZIP");
        refused(upload(new byte[0]), 422, "Choose a release");
        assertEquals(before, countCollections());
        web.perform(upload(zip).with(token())).andExpect(status().isOk()).andExpect(content().string(containsString("2 patches")));
        assertEquals(before, countCollections(), "the same without what is wrong is looked at");
    }

    @Test
    void clipsAndPagesThatDoNotExist() throws Exception {
        refused(get("/patches/" + id + "/clip.wav").param("notes", "Q9:1:1"), 422, "Q9");
        refused(get("/patches/" + id + "/clip.wav").param("notes", "C3:1:500"), 422, "30 s");
        web.perform(get("/nowhere")).andExpect(status().isNotFound());
        refused(get("/releases/999999/archive.zip"), 404, "no longer there");
    }

    @Test
    void requestsFromElsewhereAreRefused() throws Exception {
        web.perform(post("/patches/" + id + "/undo")).andExpect(status().isForbidden());
        web.perform(get("/patches/" + id)).andExpect(header().string("Content-Security-Policy", containsString("script-src 'self'")))
                .andExpect(header().string("Content-Security-Policy", not(containsString("unsafe-inline"))));
    }

    @Test
    void whatPeopleTypeIsEscaped() throws Exception {
        web.perform(renamed("<script>alert(1)</script>").with(token())).andExpect(status().isOk()).andExpect(content().string(not(containsString("<script>alert"))));
        web.perform(get("/patches/" + id)).andExpect(content().string(not(containsString("<script>alert"))));
    }

    private long countCollections() {
        return jdbc.sql("select count(*) from collection").query(Long.class).single();
    }
}
