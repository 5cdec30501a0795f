package gentlecomet.studio.web;

import static gentlecomet.studio.web.Token.token;
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
import gentlecomet.craft.edit.SetRecording;
import gentlecomet.craft.format.SoundAsset;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.patch.SoundFile;
import gentlecomet.sound.performance.Audio;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.jobs.Jobs;
import gentlecomet.studio.service.Assets;
import gentlecomet.studio.service.Measures;
import gentlecomet.studio.service.Releases;
import gentlecomet.studio.store.AssetStore;
import gentlecomet.studio.store.MeasureStore;
import gentlecomet.studio.store.VersionStore;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;

/** Work in the background as pages see it: asked for, waiting, failed for good, taken back with its transaction; and what measures it makes of a bank. */
@StudioTest
class BackgroundWorkTest extends WebWork {

    @Autowired
    private Measures measures;
    @Autowired
    private MeasureStore measureStore;
    @Autowired
    private Releases releases;
    @Autowired
    private Assets assets;
    @Autowired
    private AssetStore assetStore;
    @Autowired
    private VersionStore versions;
    @Autowired
    private JdbcClient jdbc;
    @Autowired
    private TransactionTemplate transaction;

    @BeforeEach
    void newPatch() {
        begin("Background", 0);
    }

    private long count(String sql, Object value) {
        return jdbc.sql("select count(*) from " + sql).param("value", value).query(Long.class).single();
    }

    /** A category whose phrase has gone cannot be measured: after three tries the page says so, and asking again begins anew. */
    @Test
    void workThatFailedThreeTimesIsToldAsFailedWithTryAgain() throws Exception {
        HouseRules d = HouseRules.DEFAULT;
        collections.updateRules(collection, new HouseRules(d.namePattern(), d.namePatternHint(), d.nameMaxLength(),
                List.of(new Category("bass", "Bass", "a-phrase-that-has-gone", d.categories().get(0).measure(), 3, 1)), -18, 0.5, -1, 12, d.macroNames(), 3, List.of()));
        editing.edit(id, 0, "", new gentlecomet.craft.edit.PatchEdit.Categorise("bass"));
        long second = banks.newPatch(bank, 2);
        editing.edit(second, 0, "", new gentlecomet.craft.edit.PatchEdit.Categorise("bass"));
        send(post("/banks/{id}/measure", bank)).andExpect(status().isNoContent());
        await().atMost(Duration.ofSeconds(60)).untilAsserted(() -> web.perform(get("/banks/{id}", bank)).andExpect(content().string(containsString("2 patches could not be measured")))
                .andExpect(content().string(containsString("Try again"))).andExpect(content().string(not(containsString("data-progress")))));
        send(post("/banks/{id}/measure", bank)).andExpect(status().isNoContent());
        web.perform(get("/banks/{id}", bank)).andExpect(content().string(containsString("data-progress")));
    }

    @Test
    void aReleaseAndItsWorkAreRecordedTogetherOrNotAtAll() {
        editing.save(id, 0, "");
        long before = count("scheduled_tasks where task_name = :value", "release");
        Long started = transaction.execute(t -> {
            long release = releases.start(collection, "9.9");
            t.setRollbackOnly();
            return release;
        });
        assertEquals(0, count("release where id = :value", started));
        assertEquals(before, count("scheduled_tasks where task_name = :value", "release"));
        assertEquals(0, count("scheduled_tasks where task_instance = :value", String.valueOf(started)));
    }

    @Test
    void comingBackDuringASoundcheckShowsItsProgress() throws Exception {
        var row = editing.get(id);
        HouseRules rules = collections.find(collection).orElseThrow().rules();
        web.perform(get("/banks/{id}/soundcheck", bank)).andExpect(content().string(not(containsString("data-progress"))));
        // A check that waits its turn, as behind another bank.
        String instance = Jobs.checking(row.soundHash(), row.category(), Measures.rulesHash(rules));
        jdbc.sql("insert into scheduled_tasks (task_name, task_instance, execution_time, picked, version) values ('check', :instance, now() + interval '1 hour', false, 1)")
                .param("instance", instance).update();
        web.perform(get("/banks/{id}/soundcheck", bank)).andExpect(content().string(containsString("data-progress")));
        jdbc.sql("delete from scheduled_tasks where task_instance = :instance").param("instance", instance).update();
    }

    /** What the ceiling breaks is chosen for levelling; what the ceiling holds below the target is not chosen for ever. */
    @Test
    void levelsChooseWhatLevellingWouldChange() {
        assertTrue(row(-18.0, 0.4).toLevel(), "over the ceiling, though at the target");
        assertTrue(row(-21.0, -6).toLevel(), "off the target, with room");
        assertFalse(row(-21.0, -1.0).toLevel(), "off the target, and the ceiling holds it");
        assertFalse(row(-18.2, -6).toLevel(), "within the tolerance");
        assertFalse(row(-120, -120).toLevel(), "silent");
    }

    private BankRows.Row row(double lufs, double peak) {
        return new BankRows.Row(editing.get(id), HouseRules.DEFAULT, new Measurement(lufs, lufs + 2, lufs + 1, 3, peak, 60, 0.0, 0.01, 1, false, 2, 900, 0.1, 0), List.of(), null, "");
    }

    @Test
    void aRecordingOnAPadAloneStays() throws Exception {
        float[] noise = new float[4800];
        for (int i = 0; i < noise.length; i++) {
            noise[i] = (float) Math.sin(i * (1 + id % 7) * 0.1);
        }
        SoundAsset asset = assets.add(collection, WavFormat.write24(new Audio(noise, noise.clone(), 48000)), "pad.wav");
        versions.putPad(id, "A", "with a recording", editing.get(id).patch().withRecording(0, 0, new SoundFile(SoundFile.place(0, 0), asset.hash(), "pad")));
        send(post("/collections/{id}/assets/{hash}/remove", collection, asset.hash())).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("is used by")));
        assertTrue(assetStore.content(asset.hash()).isPresent());
        versions.addVariation(id, "darker", "words", List.of(), editing.get(id).patch().withRecording(0, 0, new SoundFile(SoundFile.place(0, 0), asset.hash(), "pad")));
        versions.putPad(id, "A", "without", editing.get(id).patch());
        send(post("/collections/{id}/assets/{hash}/remove", collection, asset.hash())).andExpect(status().isUnprocessableEntity());
        versions.discardAll(id);
        web.perform(post("/collections/{id}/assets/{hash}/remove", collection, asset.hash()).with(token())).andExpect(status().is3xxRedirection());
        assertFalse(assetStore.content(asset.hash()).isPresent());
    }

    @Test
    void startPatchesAndCopiesFromThePageObeyTheHouse() throws Exception {
        for (Category category : HouseRules.DEFAULT.categories()) {
            send(post("/banks/{id}/patches", bank).param("start", category.id())).andExpect(status().is3xxRedirection());
        }
        for (int i = 0; i < 30; i++) {
            send(post("/patches/{id}/duplicate", id)).andExpect(status().isOk());
        }
        web.perform(get("/collections/{id}/rules", collection)).andExpect(content().string(not(containsString("is not two to four words")))).andExpect(content().string(not(containsString("same name"))));
    }

    /** The engine's version and a hash of the analysis; what another analysis has made is not found. */
    @Test
    void resultsAreKeptByWhoMadeThem() {
        assertTrue(Analysis.VERSION.matches(Engine.VERSION + "\\+[0-9a-f]{8}"), Analysis.VERSION);
        Measurement m = row(-18, -3).measurement();
        String sound = "f".repeat(56) + String.format("%08x", (int) id);
        measureStore.save(sound, "line", m);
        assertTrue(measureStore.measurement(sound, "line").isPresent());
        jdbc.sql("update measurement set engine_version = :other where sound_hash = :sound").param("other", Engine.VERSION + "+00000000").param("sound", sound).update();
        assertTrue(measureStore.measurement(sound, "line").isEmpty());
    }

    @Test
    void theApplicationIsNoSuperuserOfTheDatabase() {
        assertFalse(jdbc.sql("select rolsuper or rolcreaterole or rolcreatedb from pg_roles where rolname = current_user").query(Boolean.class).single());
    }
}
