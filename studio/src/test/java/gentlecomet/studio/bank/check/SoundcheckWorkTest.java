package gentlecomet.studio.bank.check;

import static org.awaitility.Awaitility.await;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.rules.CheckSettings;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.bank.mend.Mendings;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.soundcheck.CheckResult;
import gentlecomet.studio.soundcheck.SoundcheckFixture;
import gentlecomet.studio.soundcheck.Soundchecks;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.ResultActions;

/** The soundcheck as work: found in the background, waived, mended, judged anew by other limits, and compared with the run before. */
@StudioTest
class SoundcheckWorkTest extends WebWork {

    private static final Finding LOUD = new Finding("level.chord", Finding.Severity.FAULT, "Five notes together reach 4.0 dBTP; the house allows 0.0.", Map.of("true peak", "4.0 dBTP"), "levelTrim",
            "C4+E4:100:1", null);
    private static final Finding DARK = new Finding("expression.wheel", Finding.Severity.WARNING, "The mod wheel changes nothing that can be heard.", Map.of(), "routes", "", null);

    @Autowired
    private Soundchecks soundchecks;
    @Autowired
    private JdbcClient jdbc;

    @BeforeEach
    void aPatch() {
        begin("Soundcheck", 1);
        // A sound of its own, so that no other test has had it checked.
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source1.cents"), id % 90 * 0.1 + 0.0123));
    }

    private void found(Finding... findings) {
        PatchSummary patch = patches.summary(id);
        SoundcheckFixture.save(jdbc, patch.soundHash(), patch.category(), collections.get(collection).rules(), List.of(findings));
    }

    private CheckResult check() {
        return soundchecks.ofBank(bank, collections.get(collection)).getOrDefault(id, CheckResult.NONE);
    }

    private List<String> rules() {
        return check().findings().stream().map(Finding::rule).toList();
    }

    private ResultActions waive(String key, String reason) throws Exception {
        return send(post("/patches/{id}/waivers", id).param("key", key).param("reason", reason).param("person", "designer"));
    }

    private void checked() throws Exception {
        send(post("/banks/{id}/soundcheck", bank)).andExpect(status().isOk());
        await().atMost(Duration.ofSeconds(60)).until(() -> check().checked());
    }

    @Test
    void aFindingStandsUntilTheSoundChanges() throws Exception {
        found(LOUD, DARK);
        waive(LOUD.key(), "  ").andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("Say why")));
        waive(LOUD.key(), "loud on purpose").andExpect(status().isOk()).andExpect(content().string(containsString("loud on purpose"))).andExpect(content().string(containsString("designer")));
        assertEquals(0, check().faults());
        assertEquals(List.of("level.chord"), check().waived().stream().map(Finding::rule).toList());
        assertEquals(Map.of(id, 0), soundchecks.faults(collections.get(collection)), "readiness goes by what is not waived");
        patches.edit(id, 0, "", new PatchEdit.Rename("Other Name"));
        assertEquals(0, check().faults(), "a name changes no sound");
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source1.level"), -15));
        found(LOUD);
        assertEquals(1, check().faults(), "it comes back with another sound");
        web.perform(get("/patches/{id}/finding", id).param("key", LOUD.key())).andExpect(content().string(containsString("the sound has changed since")));
        waive(LOUD.key(), "still").andExpect(status().isOk());
        send(post("/patches/{id}/waivers/back", id).param("key", LOUD.key())).andExpect(status().isOk());
        assertEquals(1, check().faults());
    }

    /** Checked, mended, and then asked for again: what was found of the state before counts. */
    @Test
    void aPatchThatChangedBeforeTheRunIsComparedWithWhatItWas() throws Exception {
        found(LOUD);
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source1.level"), -17));
        send(post("/banks/{id}/soundcheck", bank)).andExpect(status().isOk());
        found(DARK);
        String page = web.perform(get("/banks/{id}/soundcheck", bank)).andExpect(status().isOk()).andReturn().getResponse().getContentAsString();
        assertTrue(page.replaceAll("<[^>]*>", "").matches("(?s).*1 new, 1 gone \\(" + patches.get(id).name() + " 1\\).*"), page.replaceAll("<[^>]*>", "").replaceAll("\\s+", " "));
    }

    @Test
    void theListTellsWhatIsNewSinceTheLastRun() throws Exception {
        found(LOUD);
        send(post("/banks/{id}/soundcheck", bank)).andExpect(status().isOk());
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source1.level"), -16));
        found(DARK);
        String page = web.perform(get("/banks/{id}/soundcheck", bank)).andExpect(status().isOk()).andReturn().getResponse().getContentAsString();
        assertTrue(page.replaceAll("<[^>]*>", "").matches("(?s).*1 new, 1 gone \\(" + patches.get(id).name() + " 1\\).*"), "one has come, one has gone, and from where");
        assertTrue(page.contains("data-key=\"expression.wheel routes\"") && page.contains("data-fresh=\"true\""));
    }

    /** A figure that is put into what was measured stands in what is measured after an edit that cannot change it, and goes with one that can. */
    @Test
    void anEditMeasuresWhatItCanChange() throws Exception {
        checked();
        jdbc.sql("update probe set content = jsonb_set(content::jsonb, '{hold,growthDb}', '-7.25')::json where sound_hash = :hash").param("hash", patches.summary(id).soundHash()).update();
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("performance.bendUp"), 7));
        checked();
        assertEquals(-7.25, growth());
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source1.level"), -14));
        checked();
        assertNotEquals(-7.25, growth());
    }

    private double growth() {
        return soundchecks.probes(patches.get(id), collections.get(collection).rules()).orElseThrow().hold().growthDb();
    }

    /** The whole way, rendered: a patch that clips in chords is mended by a limiter, in one step that is taken back. */
    @Test
    void aRepairIsTriedShownAppliedAndTakenBack() throws Exception {
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), 12));
        checked();
        Finding chord = check().findings().stream().filter(f -> f.rule().equals("level.chord")).findFirst().orElseThrow();
        double before = patches.get(id).patch().value("levelTrim");
        send(post("/patches/{id}/mending", id).param("key", chord.key())).andExpect(status().isOk()).andExpect(content().string(containsString("data-trying=\"true\"")));
        await().atMost(Duration.ofSeconds(60)).untilAsserted(() -> web.perform(get("/patches/{id}/finding", id).param("key", chord.key())).andExpect(content().string(containsString("clears it"))));
        assertEquals(before, patches.get(id).patch().value("levelTrim"), "nothing is changed unasked");
        byte[] wav = web.perform(get("/patches/{id}/mended.wav", id).param("key", chord.key()).param("notes", chord.clip())).andExpect(status().isOk()).andReturn().getResponse().getContentAsByteArray();
        assertEquals("RIFF", new String(wav, 0, 4, java.nio.charset.StandardCharsets.US_ASCII));
        onBench("mending/apply", "key", chord.key()).andExpect(status().isOk()).andExpect(content().string(containsString("not found any more")));
        assertTrue(check().checked(), "what was mended has been checked on the way");
        assertFalse(rules().contains("level.chord"));
        send(post("/banks/{id}/desk/undo", bank)).andExpect(status().isOk()).andExpect(content().string(containsString("Taken back: Mend level.chord")));
        assertTrue(rules().contains("level.chord"));
    }

    /** Two patches of one fault are mended by one step, which takes both back. */
    @Test
    void everyFindingOfARuleIsMendedInOneStep() throws Exception {
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), 12));
        atDesk("copy", List.of(id)).andExpect(status().isOk());
        checked();
        List<Long> both = patches.inBank(bank).stream().map(PatchSummary::id).toList();
        assertEquals(2, both.size());
        send(post("/banks/{id}/mending", bank).param("rule", "level.chord")).andExpect(status().isOk());
        await().atMost(Duration.ofSeconds(60)).untilAsserted(() -> send(post("/banks/{id}/mending/look", bank).param("rule", "level.chord")).andExpect(content().string(containsString("Apply 2 repairs"))));
        send(post("/banks/{id}/mending/apply", bank).param("rule", "level.chord")).andExpect(status().isOk()).andExpect(content().string(containsString("Mend level.chord of 2 patches")));
        for (CheckResult check : soundchecks.ofBank(bank, collections.get(collection)).values()) {
            assertFalse(check.findings().stream().anyMatch(f -> f.rule().equals("level.chord")));
        }
        send(post("/banks/{id}/desk/undo", bank)).andExpect(status().isOk());
        assertEquals(List.of(12.0, 12.0), both.stream().map(p -> patches.get(p).patch().value("levelTrim")).toList());
        send(post("/banks/{id}/mending/look", bank).param("rule", "no.rule")).andExpect(status().isNotFound());
    }

    /** Of chosen findings each patch is mended of the first, all patches in one step; what is left may stand for one reason. */
    @Test
    void chosenFindingsAreMendedInOneStepOrStand() throws Exception {
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), 12));
        atDesk("copy", List.of(id)).andExpect(status().isOk());
        checked();
        List<Long> both = patches.inBank(bank).stream().map(PatchSummary::id).toList();
        String key = check().findings().stream().filter(f -> f.rule().equals("level.chord")).findFirst().orElseThrow().key();
        String other = check().findings().stream().filter(f -> !f.rule().equals("level.chord") && Mendings.hasRepairs(f)).findFirst().orElseThrow().key();
        String chosen = both.get(0) + " " + key + "\n" + both.get(1) + " " + key + "\n" + both.get(1) + " " + other;
        send(post("/banks/{id}/mending/look", bank).param("findings", chosen)).andExpect(status().isOk()).andExpect(content().string(containsString("1 more of the same patches comes after these")));
        send(post("/banks/{id}/mending/look", bank).param("findings", "none")).andExpect(status().isUnprocessableEntity());
        send(post("/banks/{id}/mending/look", bank)).andExpect(status().isUnprocessableEntity());

        String chords = both.get(0) + " " + key + "\n" + both.get(1) + " " + key;
        send(post("/banks/{id}/mending", bank).param("findings", chords)).andExpect(status().isOk());
        await().atMost(Duration.ofSeconds(60)).untilAsserted(() -> send(post("/banks/{id}/mending/look", bank).param("findings", chords)).andExpect(content().string(containsString("Apply 2 repairs"))));
        send(post("/banks/{id}/mending/apply", bank).param("findings", chords)).andExpect(status().isOk()).andExpect(content().string(containsString("Mend level.chord of 2 patches")));
        send(post("/banks/{id}/desk/undo", bank)).andExpect(status().isOk());

        send(post("/banks/{id}/waivers", bank).param("findings", chosen)).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("Say why")));
        send(post("/banks/{id}/waivers", bank).param("findings", chosen).param("reason", "meant").param("person", "Ann")).andExpect(status().isOk()).andExpect(content().string(containsString("3 findings may stand")));
        assertFalse(rules().contains("level.chord"));
        assertEquals(List.of(1L, 2L), both.stream().map(p -> soundchecks.ofBank(bank, collections.get(collection)).get(p).waived().stream().count()).toList());
    }

    @Test
    void aClipThatIsTooLongIsRefused() throws Exception {
        web.perform(get("/patches/{id}/clip.wav", id).param("notes", "C4:100:31")).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("at most 30 s")));
    }

    /** Other limits judge what was measured: nothing is rendered again. */
    @Test
    void anotherLimitRendersNothing() throws Exception {
        patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("levelTrim"), 12));
        checked();
        assertTrue(rules().contains("level.chord"));
        long probes = jdbc.sql("select count(*) from probe").query(Long.class).single();
        HouseRules rules = collections.get(collection).rules();
        collections.changeRules(collection, rules.withConventions(rules.conventions().withChecks(new CheckSettings(Map.of("level.chord peak", 40.0), Map.of()))), "limits");
        await().atMost(Duration.ofSeconds(20)).until(() -> check().checked());
        assertFalse(rules().contains("level.chord"));
        collections.takeRulesBack(collection);
        await().atMost(Duration.ofSeconds(20)).until(() -> check().checked());
        assertTrue(rules().contains("level.chord"));
        assertEquals(probes, jdbc.sql("select count(*) from probe").query(Long.class).single());
    }

    @Test
    void whatWaitsIsCancelledAndAPatchThatGoesTakesItsFindingsAlong() throws Exception {
        PatchSummary patch = patches.summary(id);
        String work = SoundcheckFixture.work(patch.soundHash(), patch.category(), collections.get(collection).rules());
        jdbc.sql("insert into scheduled_tasks (task_name, task_instance, execution_time, picked, version) values ('check', :work, now() + interval '1 hour', false, 1)").param("work", work).update();
        send(post("/banks/{id}/soundcheck/cancel", bank)).andExpect(status().isOk()).andExpect(content().string(not(containsString("data-progress"))));
        assertEquals(0, jdbc.sql("select count(*) from scheduled_tasks where task_instance = :work").param("work", work).query(Long.class).single());
        found(LOUD);
        delete(id);
        web.perform(get("/banks/{id}/soundcheck", bank)).andExpect(status().isOk()).andExpect(content().string(not(containsString("Five notes"))));
        web.perform(get("/patches/{id}/finding", id).param("key", LOUD.key())).andExpect(status().isNotFound());
    }

    @Test
    void theBankAsAWholeAndTheReportAreShown() throws Exception {
        found(LOUD);
        web.perform(get("/banks/{id}/soundcheck/bank", bank)).andExpect(status().isOk()).andExpect(content().string(containsString("bank.plan"))).andExpect(content().string(containsString("Bass: 0 of 3 planned")));
        web.perform(get("/banks/{id}/soundcheck/report", bank)).andExpect(status().isOk()).andExpect(content().string(containsString("Five notes together"))).andExpect(content().string(containsString("bank")));
    }

    @Test
    void theBenchIsToldWhatItsStateWouldHave() throws Exception {
        send(post("/patches/{id}/check", id)).andExpect(status().isOk());
        await().atMost(Duration.ofSeconds(60)).untilAsserted(() -> web.perform(get("/patches/{id}/check", id)).andExpect(content().string(containsString("data-checked=\"true\""))));
        assertTrue(check().findings().stream().map(Finding::rule).collect(Collectors.toSet()).containsAll(List.of("expression.wheel", "macro.few")));
    }

    @Test
    void aClipThatMeansNothingIsRefusedInWords() throws Exception {
        web.perform(get("/patches/{id}/clip.wav", id).param("notes", "macro9=1 C4:100:1")).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("macro9=1")));
        web.perform(get("/patches/{id}/clip.wav", id).param("notes", "sweep=wheel C4:100:1")).andExpect(status().isOk());
        web.perform(get("/patches/{id}/mended.wav", id).param("notes", "C4:100:1").param("key", "no.rule x")).andExpect(status().isNotFound());
    }
}
