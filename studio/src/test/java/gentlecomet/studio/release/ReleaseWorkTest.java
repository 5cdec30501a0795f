package gentlecomet.studio.release;

import static org.awaitility.Awaitility.await;
import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.format.ZipFormat;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.SoundFile;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import java.io.ByteArrayInputStream;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;

/** The building of releases on the real database: shared, taken up again, cancelled. */
@StudioTest
class ReleaseWorkTest extends WebWork {

    @Autowired
    private Releases releases;
    @Autowired
    private ReleaseWork work;
    @Autowired
    private ReleasePieceStore pieces;
    @Autowired
    private ReleaseStore store;
    @Autowired
    private JdbcClient jdbc;
    @Autowired
    private TransactionTemplate transaction;

    @BeforeEach
    void twoSavedPatches() {
        begin("Parts", 0);
        for (long patch : List.of(id, banks.newPatch(bank, 5))) {
            patches.edit(patch, 0, "", new PatchEdit.SetValue(Parameters.find("layer1.source1.level"), -13 - patch % 7));
            patches.save(patch, 0, "");
        }
    }

    /** What was made of a patch before a crash is there afterwards and is not made again; edits, deleted patches and changed rules do not reach into a release that was begun. */
    @Test
    void aReleaseGoesOnWithThePartsThatAreThere() {
        List<Long> rows = new ArrayList<>();
        long release = transaction.execute(nobodyElse -> {
            long begun = releases.start(collection, "1.0.0", "tried out", ReleaseChoice.of("midi"));
            assertFalse(work.part(begun, 0), "one of two");
            rows.addAll(written(begun));
            assertFalse(work.part(begun, 0));
            assertEquals(rows, written(begun), "the part is left as it is");
            return begun;
        });
        patches.edit(id, 0, "", new PatchEdit.Rename("Later Name"));
        delete(patches.inBank(bank).get(1).id());
        jdbc.sql("update collection set name = 'Another Name', author = 'Somebody' where id = :id").param("id", collection).update();
        ReleaseRow built = built(release);
        assertEquals("verified", built.state(), built.report());
        assertEquals(2, built.patches());
        assertTrue(built.report().contains("New Patch") && !built.report().contains("Later Name"), built.report());
        assertEquals(0, pieces.parts(release), "nothing is left of them");
    }

    private List<Long> written(long release) {
        return jdbc.sql("select xmin::text::bigint from release_part where release_id = :id order by place, number").param("id", release).query(Long.class).list();
    }

    private ReleaseRow built(long release) {
        return await().atMost(Duration.ofSeconds(60)).until(() -> releases.get(release), r -> !r.state().equals("building"));
    }

    /** Where new patches of a category begin is told in the archive, so that it is there again when somebody takes the release in. */
    @Test
    void theStartOfACategoryGoesAlong() throws Exception {
        patches.edit(id, 0, "", new PatchEdit.Categorise("bell"));
        patches.save(id, 0, "");
        send(post("/patches/{id}/start", id)).andExpect(status().isOk());
        ReleaseRow built = built(releases.start(collection, "1.0.0", "tried out", ReleaseChoice.of()));
        byte[] archive = web.perform(get("/releases/{id}/archive.zip", built.id())).andExpect(status().isOk()).andReturn().getResponse().getContentAsByteArray();
        List<CollectionFile.Slot> slots = CollectionFormat.read(ZipFormat.read(archive, "release")).banks().get(0).slots();
        assertEquals(List.of(true, false), slots.stream().map(CollectionFile.Slot::start).toList());
    }

    /** Cancelling takes back what waits and what was made; a part that comes too late is not kept. */
    @Test
    void aCancelledReleaseLeavesNothing() throws Exception {
        long release = transaction.execute(nobodyElse -> {
            long begun = releases.start(collection, "1.0.0", "tried out", ReleaseChoice.of());
            work.part(begun, 0);
            releases.cancel(begun);
            return begun;
        });
        assertEquals("failed", releases.get(release).state());
        assertEquals("FAULT: cancelled", releases.get(release).report());
        assertFalse(work.part(release, 1));
        pieces.keepPart(release, 1, new ByteArrayInputStream(new byte[10]));
        assertEquals(0, pieces.parts(release));
        assertEquals(0L, jdbc.sql("select count(*) from scheduled_tasks where task_name = 'release-part' and task_instance like :of").param("of", release + ":%").query(Long.class).single());
    }

    /** A recording that has gone is told with the patch that wants it, and nothing is called verified. */
    @Test
    void aRecordingThatIsMissingIsTold() {
        Patch wants = patches.get(id).patch().withRecording(0, 0, new SoundFile(0, "ab".repeat(32), "gone.wav"))
                .withValue(Parameters.find("layer1.source1.wave"), SourceParameters.WAVE_RECORDING);
        long release = transaction.execute(nobodyElse -> {
            long begun = releases.start(collection, "1.0.0", "tried out", ReleaseChoice.of());
            jdbc.sql("update release_patch set content = cast(:content as json) where release_id = :id and patch_id = :patch").param("content", PatchFormat.write(wants)).param("id", begun)
                    .param("patch", id).update();
            return begun;
        });
        ReleaseRow built = built(release);
        assertEquals("failed", built.state());
        assertTrue(built.report().contains("gone.wav") && built.report().contains("New Patch"), built.report());
    }

    @Test
    void whatCannotBeMadeIsRefusedInWords() throws Exception {
        for (String[] wrong : new String[][] {{"held", "60"}, {"robins", "9"}, {"bits", "20"}, {"rate", "8000"}, {"reelSeconds", "1"}}) {
            send(post("/collections/" + collection + "/releases").param("version", "1.0.0").param("reason", "tried out").param("formats", "reel").param(wrong[0], wrong[1]))
                    .andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("expected")));
        }
        send(post("/collections/" + collection + "/releases").param("version", "1.0.0").param("reason", "tried out").param("held", "long")).andExpect(status().isBadRequest());
        assertTrue(store.of(collection).isEmpty());
    }
}
