package gentlecomet.studio.collection;

import static gentlecomet.studio.Token.token;
import static org.awaitility.Awaitility.await;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.hasSize;
import static org.hamcrest.Matchers.not;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.ObjectMapper;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.phrase.OwnPhrase;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.CheckSettings;
import gentlecomet.craft.rules.Expectations;
import gentlecomet.craft.rules.GateStep;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.MacroPurpose;
import gentlecomet.craft.rules.NameParts;
import gentlecomet.craft.rules.TagGroup;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.measure.MeasureFixture;
import java.io.ByteArrayOutputStream;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;

/** House rules from the screen: what a change breaks is told before, and it is taken back. */
@StudioTest
class RulesWorkTest extends WebWork {

    @Autowired
    private JdbcClient jdbc;

    @BeforeEach
    void onePatch() {
        begin("Rules", 1);
        patches.edit(id, 0, "", new PatchEdit.Rename("Ebb Bell"));
        patches.edit(id, 0, "", new PatchEdit.Categorise("bell"));
    }

    private HouseRules rules() {
        return collections.get(collection).rules();
    }

    /** The fields of the page as it stands. */
    private MultiValueMap<String, String> form() {
        HouseRules r = rules();
        MultiValueMap<String, String> form = new LinkedMultiValueMap<>();
        NameParts parts = r.conventions().parts();
        form.add("namesBy", parts == null ? "pattern" : "parts");
        form.add("fewestWords", "2");
        form.add("mostWords", "4");
        form.add("capitals", "EVERY_WORD");
        form.add("digits", "on");
        form.add("others", "");
        form.add("namePattern", r.namePattern());
        form.add("namePatternHint", r.namePatternHint());
        form.add("nameMaxLength", String.valueOf(r.nameMaxLength()));
        for (String field : List.of("targetLufs", "toleranceLu", "ceilingDbtp", "tuningCents")) {
            form.add(field, String.valueOf(switch (field) {
                case "targetLufs" -> r.targetLufs();
                case "toleranceLu" -> r.toleranceLu();
                case "ceilingDbtp" -> r.ceilingDbtp();
                default -> r.tuningCents();
            }));
        }
        form.add("fewestMacros", String.valueOf(r.fewestMacros()));
        form.add("bendRange", "0");
        form.add("velocityMoves", "on");
        form.add("touchMoves", "on");
        for (int m = 0; m < 8; m++) {
            form.add("macroName", r.macroNames().get(m));
            form.add("macroDefault", "");
            form.add("macroChange", "ANY");
            form.add("macroLeast", "0");
        }
        r.categories().forEach(c -> category(form, c.id(), c.name(), c));
        return form;
    }

    private static void category(MultiValueMap<String, String> form, String id, String name, Category like) {
        form.add("categoryId", id);
        form.add("categoryName", name);
        form.add("categoryPhrase", like.phrase());
        form.add("categoryMeasure", like.measure().name());
        form.add("categoryTail", String.format(Locale.ROOT, "%.1f", like.tailLimitSeconds()));
        form.add("categoryPlanned", String.valueOf(like.planned()));
        form.add("categoryMark", like.mark());
        form.add("categoryOffset", String.valueOf(like.offsetLu()));
    }

    /** Leaves a category out of a form. */
    private static void remove(MultiValueMap<String, String> form, String id) {
        int at = form.get("categoryId").indexOf(id);
        for (String field : List.of("categoryId", "categoryName", "categoryPhrase", "categoryMeasure", "categoryTail", "categoryPlanned", "categoryMark", "categoryOffset")) {
            form.get(field).remove(at);
        }
    }

    private ResultActions send(String path, MultiValueMap<String, String> form) throws Exception {
        return send(post("/collections/{id}/rules" + path, collection).params(form));
    }

    @Test
    void limitsOfTheSoundcheckAndWhatACategorySoundsLikeAreSet() throws Exception {
        MultiValueMap<String, String> form = form();
        form.add("checkRule", "level.chord");
        form.add("checkWeight", "LOOK");
        form.add("checkRule", "space.mono");
        form.add("checkWeight", "USUAL");
        form.add("checkLimit", "space.mono loss");
        form.add("checkValue", "2,5");
        form.add("checkLimit", "level.chord peak");
        form.add("checkValue", "");
        form.add("expectId", "bell");
        form.add("expectLow", "C2");
        form.add("expectHigh", "C7");
        form.add("expectAttack", "0.02");
        form.add("expectDark", "0");
        form.add("expectBright", "9000");
        form.add("expectWidth", "");
        form.add("expectVoices", "6");
        form.add("expectOctaves", "1");
        send("", form).andExpect(status().isOk());
        assertEquals(new CheckSettings(Map.of("space.mono loss", 2.5), Map.of("level.chord", CheckSettings.Weight.LOOK)), rules().conventions().checks());
        assertEquals(new Expectations(36, 96, 0.02, 0, 9000, Expectations.ANY_WIDTH, 6, 1), rules().expectationsOf("bell"));
        assertEquals(Expectations.of("bass"), rules().expectationsOf("bass"), "a form without a category's row leaves it as it is");
        form.set("expectHigh", "Z9");
        send("", form).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("is not a key")));
        form.set("expectHigh", "C1");
        send("", form).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("keys go up")));
    }

    private String made(ResultActions answer) throws Exception {
        return new ObjectMapper().readTree(answer.andExpect(status().isOk()).andReturn().getResponse().getContentAsString()).get("content").asText();
    }

    /** Typed, played and read from a file; chosen for a category its patches are measured by it, and the rules go back in one step. */
    @Test
    void aPhraseOfTheHouseIsWhatACategoryIsHeardBy() throws Exception {
        String typed = made(send(post("/phrases/typed").param("name", "Rising call").param("tempo", "90").param("notes", "D4:80:1 -:.5 A4:110:2.5")));
        String played = made(send(post("/phrases/played").param("played", "{\"name\": \"By hand\", \"tempo\": 100, \"beats\": 2, \"notes\": [{\"key\": 60, \"velocity\": 90, \"start\": 0, \"length\": 1.5, \"release\": 64}], \"moves\": []}")));
        Sequence sequence = new Sequence(Sequence.PPQ, 480);
        Track track = sequence.createTrack();
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, 64, 100), 0));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, 1, 90), 240));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, 0, 64, 64), 960));
        ByteArrayOutputStream midi = new ByteArrayOutputStream();
        MidiSystem.write(sequence, 0, midi);
        String read = made(web.perform(multipart("/phrases/file").file(new MockMultipartFile("file", "Low tide.mid", "audio/midi", midi.toByteArray())).param("name", "").with(token())));
        assertTrue(read.contains("\"Low tide\"") && read.contains("\"status\":176"), read);

        MultiValueMap<String, String> form = form();
        OwnPhrase call = Json.read(typed, OwnPhrase.class);
        form.add("phrasesAsked", "on");
        for (String content : List.of(typed, played, read)) {
            form.add("phraseContent", content);
            form.add("phraseName", Json.read(content, OwnPhrase.class).name());
        }
        form.get("categoryPhrase").set(form.get("categoryId").indexOf("bell"), call.id());
        send("", form).andExpect(status().isOk()).andExpect(content().string(containsString("Rising call")));
        assertEquals(List.of("Rising call", "By hand", "Low tide"), rules().conventions().phrases().stream().map(OwnPhrase::name).toList());
        assertEquals(call.notes(), rules().phraseFor("bell").notes());
        send(post("/banks/{id}/measure", bank)).andExpect(status().isNoContent());
        await().atMost(Duration.ofSeconds(30)).until(() -> MeasureFixture.find(jdbc, patches.get(id).soundHash(), call.id()).isPresent());
        web.perform(get("/patches/{id}/playable", id)).andExpect(jsonPath("$.phrase.name").value("Rising call"));
        web.perform(get("/collections/{id}/phrases", collection)).andExpect(jsonPath("$", hasSize(3)));

        form.set("phraseContent", "{\"name\": \"x\", \"tempo\": 9e9, \"beats\": 2}");
        send("", form).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("The tempo of Rising call is from 20")));
        assertEquals(3, rules().conventions().phrases().size(), "nothing is half changed");
        send(post("/phrases/typed").param("name", "x").param("tempo", "90").param("notes", "H4:1:1")).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("H4")));
        send(post("/collections/{id}/rules/undo", collection)).andExpect(status().isOk());
        assertEquals(List.of(), rules().conventions().phrases());
        assertEquals("wide-steps", rules().phraseOf("bell"));
    }

    /** What blocks a release is the house's to say, and one step takes it back. */
    @Test
    void whatHoldsAReleaseBackIsSet() throws Exception {
        patches.save(id, 0, "");
        assertTrue(releasePage().contains("fault-tag\">blocks</span> <span>The collection has no licence"));
        MultiValueMap<String, String> form = form();
        form.add("gateAsked", "1");
        form.add("gate", "NOT_HEARD");
        send("", form).andExpect(status().isOk());
        assertEquals(List.of(GateStep.NOT_HEARD), rules().conventions().gate());
        assertTrue(releasePage().contains("warn-tag\">warns</span> <span>The collection has no licence"));
        assertTrue(releasePage().contains("fault-tag\">blocks</span> <span>1 patch has not been heard"));
        send("/undo", new LinkedMultiValueMap<>()).andExpect(status().isOk());
        assertEquals(GateStep.usual(), rules().conventions().gate());
        form.set("gate", "EDITED");
        send("", form).andExpect(status().isOk());
        send("", form()).andExpect(status().isOk());
        assertEquals(List.of(GateStep.EDITED), rules().conventions().gate(), "a form without that part leaves it as it is");
    }

    private String releasePage() throws Exception {
        return web.perform(get("/collections/" + collection + "/releases")).andReturn().getResponse().getContentAsString();
    }

    @Test
    void thePageSendsBackWhatItShows() throws Exception {
        HouseRules before = rules();
        send("", form()).andExpect(status().isOk());
        assertEquals(before, rules());
    }

    @Test
    void aPreviewTellsWhatBreaksAndChangesNothing() throws Exception {
        MultiValueMap<String, String> form = form();
        form.set("nameMaxLength", "6");
        send("/preview", form).andExpect(status().isOk()).andExpect(content().string(containsString("<b class=\"num\">1</b>"))).andExpect(content().string(containsString("the house allows 6")));
        assertEquals(24, rules().nameMaxLength());
        form.set("nameMaxLength", "3");
        send("/preview", form).andExpect(status().isUnprocessableEntity()).andExpect(header().string("X-Field", "nameMaxLength"));
        form.set("nameMaxLength", "many");
        send("/preview", form).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("\"many\" is no number")));
    }

    @Test
    void everyRuleIsKeptAndOneStepTakesItBack() throws Exception {
        HouseRules before = rules();
        MultiValueMap<String, String> form = form();
        form.set("capitals", "ALL");
        form.set("others", "-");
        form.add("forbidden", "awesome, epic");
        form.add("preferred", "lo > low");
        form.add("ownWords", "samphire");
        form.add("spelling", "on");
        form.add("fitsSmall", "on");
        form.add("groupName", "Character");
        form.add("groupTags", "bright, dark");
        form.add("groupLeast", "1");
        form.add("groupMost", "2");
        form.set("bendRange", "12");
        form.get("macroChange").set(0, "BRIGHTER");
        form.get("macroLeast").set(0, "0,5");
        form.get("macroDefault").set(0, "40 %");
        form.get("categoryOffset").set(0, "-2");
        form.get("categoryMark").set(0, "B");
        send("", form).andExpect(status().isOk()).andExpect(content().string(containsString("is not two to four words, all capitals, digits allowed, also -")));
        HouseRules after = rules();
        assertEquals(new NameParts(2, 4, NameParts.Capitals.ALL, true, "-"), after.conventions().parts());
        assertEquals(List.of(new TagGroup("Character", List.of("bright", "dark"), 1, 2)), after.conventions().tagGroups());
        assertEquals(new MacroPurpose(MacroPurpose.Change.BRIGHTER, 0.5), after.conventions().purpose(0));
        assertEquals(List.of(12.0, 40.0, -20.0), List.of(after.conventions().bendRange(), after.macroDefault(0), after.targetOf("bass")));
        assertEquals("low", after.conventions().words().preferred().get("lo"));
        send(post("/collections/{id}/rules/undo", collection)).andExpect(status().isOk());
        assertEquals(before, rules());
        send(post("/collections/{id}/rules/undo", collection)).andExpect(status().isUnprocessableEntity());
    }

    @Test
    void categoriesAreAddedOrderedRenamedAndMergedWithTheirPatches() throws Exception {
        MultiValueMap<String, String> form = form();
        Category like = rules().categories().get(0);
        category(form, "", "Bell Tower", like);
        category(form, "", "Bell  Tower", like);
        remove(form, "bell");
        form.add("mergeFrom", "bell");
        form.add("mergeInto", "keys");
        form.get("categoryName").set(0, "Low End");
        send("/preview", form).andExpect(status().isOk());
        assertEquals("bell", patches.get(id).category());
        send("", form).andExpect(status().isOk());
        assertEquals("keys", patches.get(id).category());
        assertTrue(rules().category("bell").isEmpty());
        assertEquals("Low End", rules().category("bass").orElseThrow().name());
        assertEquals("Bell Tower", rules().category("belltower").orElseThrow().name());
        assertTrue(rules().category("belltower2").isPresent(), "two names that make the same id");
        send(post("/banks/{id}/desk/undo", bank)).andExpect(status().isOk());
        assertEquals("bell", patches.get(id).category());
    }

    @Test
    void whatCannotBeIsRefusedWithItsField() throws Exception {
        MultiValueMap<String, String> form = form();
        form.add("preferred", "only one side");
        send("", form).andExpect(status().isUnprocessableEntity()).andExpect(header().string("X-Field", "preferred"));
        form = form();
        form.get("categoryPhrase").set(0, "no such phrase");
        send("", form).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("There is no phrase")));
        form = form();
        form.set("capitals", "SOME");
        send("", form).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("older than this program")));
        form = form();
        form.set("namesBy", "pattern");
        form.set("namePattern", "[unclosed");
        send("", form).andExpect(status().isUnprocessableEntity()).andExpect(header().string("X-Field", "namePattern"));
        form.set("namePattern", "[A-Z].*");
        form.set("namePatternHint", "<b>");
        send("", form).andExpect(status().isOk());
        assertNull(rules().conventions().parts());
        send(get("/collections/{id}/rules", collection)).andExpect(content().string(not(containsString("<b>\""))));
    }
}
