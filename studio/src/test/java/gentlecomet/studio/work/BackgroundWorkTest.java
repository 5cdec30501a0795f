package gentlecomet.studio.work;

import static org.awaitility.Awaitility.await;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.check.Analysis;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.edit.SetRecording;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.SoundAsset;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.SoundFile;
import gentlecomet.sound.performance.Audio;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.bench.vary.PatchVariations;
import gentlecomet.studio.bench.version.Versions;
import gentlecomet.studio.measure.MeasureFixture;
import gentlecomet.studio.patch.StateKind;
import gentlecomet.studio.release.ReleaseChoice;
import gentlecomet.studio.release.Releases;
import gentlecomet.studio.soundcheck.SoundcheckFixture;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.transaction.support.TransactionTemplate;

/** Work in the background as pages see it: asked for, waiting, failed for good, taken back with its transaction; and what measures it makes of a bank. */
@StudioTest
class BackgroundWorkTest extends WebWork {

    @Autowired
    private Releases releases;
    @Autowired
    private Assets assets;
    @Autowired
    private Versions versions;
    @Autowired
    private PatchVariations variations;
    @Autowired
    private WorkQueue queue;
    @Autowired
    private CountingTask counting;
    @Autowired
    private JdbcClient jdbc;
    @Autowired
    private TransactionTemplate transaction;

    @BeforeEach
    void newPatch() {
        begin("Background", 0);
    }

    /** Puts rules in place as an older version may have kept them: with a phrase that is no longer there. */
    private void replaceRules(long of, HouseRules rules) {
        jdbc.sql("update collection set house_rules = cast(:rules as jsonb) where id = :id").param("rules", Json.write(rules)).param("id", of).update();
    }

    private long count(String sql, Object value) {
        return jdbc.sql("select count(*) from " + sql).param("value", value).query(Long.class).single();
    }

    /** A category whose phrase has gone cannot be measured: after three tries the page says so, and asking again begins anew. */
    @Test
    void workThatFailedThreeTimesIsToldAsFailedWithTryAgain() throws Exception {
        HouseRules d = HouseRules.DEFAULT;
        replaceRules(collection, new HouseRules(d.namePattern(), d.namePatternHint(), d.nameMaxLength(),
                List.of(new Category("bass", "Bass", "a-phrase-that-has-gone", d.categories().get(0).measure(), 3, 1)), -18, 0.5, -1, 12, d.macroNames(), 3, List.of()));
        patches.edit(id, 0, "", new gentlecomet.craft.edit.PatchEdit.Categorise("bass"));
        long second = banks.newPatch(bank, 2);
        patches.edit(second, 0, "", new gentlecomet.craft.edit.PatchEdit.Categorise("bass"));
        send(post("/banks/{id}/measure", bank)).andExpect(status().isNoContent());
        await().atMost(Duration.ofSeconds(60)).untilAsserted(() -> web.perform(get("/banks/{id}", bank)).andExpect(content().string(containsString("2 patches could not be measured")))
                .andExpect(content().string(containsString("Try again"))).andExpect(content().string(not(containsString("data-progress")))));
        send(post("/banks/{id}/measure", bank)).andExpect(status().isNoContent());
        web.perform(get("/banks/{id}", bank)).andExpect(content().string(containsString("data-progress")));
    }

    @Test
    void workAskedForTwiceIsDoneOnceAndWhatFailsIsTriedAgain() {
        String once = "once " + id;
        String twice = "twice " + id;
        transaction.executeWithoutResult(t -> {
            for (int i = 0; i < 3; i++) {
                queue.ask(counting, List.of(new WorkQueue.Item<>(once, new CountingTask.Data(once)), new WorkQueue.Item<>(twice, new CountingTask.Data(twice))));
            }
        });
        await().atMost(Duration.ofSeconds(30)).until(() -> counting.runs(twice) == 2 && counting.runs(once) == 1);
        await().atMost(Duration.ofSeconds(10)).until(() -> count("scheduled_tasks where task_name = :value", "counting") == 0);
        assertEquals(1, counting.runs(once));
        assertEquals(Map.of(), queue.standing(counting, Map.of(1L, twice), 1).failed(), "a try that succeeds is no failure");
    }

    /** A worker that was killed leaves its work picked and its heart still; another one takes it up. */
    @Test
    void workOfAProgramThatWasKilledIsTakenUpAgain() {
        String orphan = "orphan " + id;
        jdbc.sql("""
                insert into scheduled_tasks (task_name, task_instance, task_data, execution_time, picked, picked_by, last_heartbeat, version)
                values ('counting', :name, :data, now() - interval '10 minutes', true, 'killed', now() - interval '10 minutes', 5)""")
                .param("name", orphan).param("data", ("{\"name\": \"" + orphan + "\"}").getBytes(StandardCharsets.UTF_8)).update();
        await().atMost(Duration.ofSeconds(60)).until(() -> counting.runs(orphan) == 1);
    }

    @Test
    void aReleaseAndItsWorkAreRecordedTogetherOrNotAtAll() {
        patches.save(id, 0, "");
        long before = count("scheduled_tasks where task_name = :value", "release");
        Long started = transaction.execute(t -> {
            long release = releases.start(collection, "9.9", "tried out", ReleaseChoice.of());
            t.setRollbackOnly();
            return release;
        });
        assertEquals(0, count("release where id = :value", started));
        assertEquals(before, count("scheduled_tasks where task_name = :value", "release"));
        assertEquals(0, count("scheduled_tasks where task_instance = :value", String.valueOf(started)));
    }

    @Test
    void comingBackDuringASoundcheckShowsItsProgress() throws Exception {
        // A sound of its own, which no other test has had checked.
        var row = patches.edit(id, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source1.cents"), id % 90 + 0.123));
        HouseRules rules = collections.get(collection).rules();
        web.perform(get("/banks/{id}/soundcheck", bank)).andExpect(content().string(not(containsString("data-progress"))));
        // A check that waits its turn, as behind another bank.
        String instance = SoundcheckFixture.work(row.soundHash(), row.category(), rules);
        jdbc.sql("insert into scheduled_tasks (task_name, task_instance, execution_time, picked, version) values ('check', :instance, now() + interval '1 hour', false, 1)")
                .param("instance", instance).update();
        web.perform(get("/banks/{id}/soundcheck", bank)).andExpect(content().string(containsString("data-progress")));
        jdbc.sql("delete from scheduled_tasks where task_instance = :instance").param("instance", instance).update();
    }

    @Test
    void aRecordingOnAPadAloneStays() throws Exception {
        float[] noise = new float[4800];
        for (int i = 0; i < noise.length; i++) {
            noise[i] = (float) Math.sin(i * (1 + id % 7) * 0.1);
        }
        SoundAsset asset = assets.add(collection, WavFormat.write24(new Audio(noise, noise.clone(), 48000)), "pad.wav");
        Patch recorded = patches.edit(id, 0, "", new SetRecording(0, 0, new SoundFile(SoundFile.place(0, 0), asset.hash(), "pad"))).patch();
        versions.putPad(id, "A", "");
        patches.undo(id, 0);
        patches.edit(id, 0, "", new PatchEdit.Rename("Without It"));
        send(remove(asset)).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("is used by")));
        patches.noteAssets(id, StateKind.VARIATION, 1, recorded);
        versions.putPad(id, "A", "");
        send(remove(asset)).andExpect(status().isUnprocessableEntity());
        variations.discardAll(id);
        send(remove(asset)).andExpect(status().is3xxRedirection());
        assertEquals(0, count("asset where hash = :value", asset.hash()));
    }

    private MockHttpServletRequestBuilder remove(SoundAsset asset) {
        return post("/collections/{id}/assets/{hash}/remove", collection, asset.hash());
    }

    @Test
    void startPatchesAndCopiesFromThePageObeyTheHouse() throws Exception {
        for (Category category : HouseRules.DEFAULT.categories()) {
            send(post("/banks/{id}/patches", bank).param("start", category.id())).andExpect(status().is3xxRedirection());
        }
        for (int i = 0; i < 30; i++) {
            atDesk("copy", List.of(id)).andExpect(status().isOk());
        }
        web.perform(get("/collections/{id}/rules", collection)).andExpect(content().string(not(containsString("is not two to four words")))).andExpect(content().string(not(containsString("same name"))));
    }

    /** The engine's version and a hash of the analysis; what another analysis has made is not found. */
    @Test
    void resultsAreKeptByWhoMadeThem() {
        assertTrue(Analysis.MEASURES.matches(Engine.VERSION + "\\+[0-9a-f]{8}"), Analysis.MEASURES);
        assertTrue(Analysis.VERSION.matches(Engine.VERSION + "\\+[0-9a-f]{8}\\+[0-9a-f]{8}"), "rules measure nothing anew");
        Measurement m = new Measurement(-18, -16, -17, 3, -3, 60, 0.0, 0.01, 1, false, 2, 900, 0.1, 0);
        String sound = "f".repeat(56) + String.format("%08x", (int) id);
        MeasureFixture.save(jdbc, sound, "line", m);
        assertTrue(MeasureFixture.find(jdbc, sound, "line").isPresent());
        jdbc.sql("update measurement set engine_version = :other where sound_hash = :sound").param("other", Engine.VERSION + "+00000000").param("sound", sound).update();
        assertTrue(MeasureFixture.find(jdbc, sound, "line").isEmpty());
    }

    @Test
    void theApplicationIsNoSuperuserOfTheDatabase() {
        assertFalse(jdbc.sql("select rolsuper or rolcreaterole or rolcreatedb from pg_roles where rolname = current_user").query(Boolean.class).single());
    }
}
