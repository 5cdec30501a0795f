package gentlecomet.studio.patch;

import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.SoundFile;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Which sound files the kept states of patches refer to, so that nobody has to read their content to know. */
@Repository
class AssetUseStore {

    private final JdbcClient jdbc;

    AssetUseStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Notes the files of a state. @param number which of its kind: of an edit, a revision or a variation its number, of a pad 0 for A and 1 for B */
    void note(long patchId, StateKind kind, long number, Patch patch) {
        for (SoundFile file : patch.recordings()) {
            jdbc.sql("insert into patch_asset (patch_id, kind, number, hash) values (:patch, :kind, :number, :hash) on conflict do nothing")
                    .param("patch", patchId).param("kind", kind.id()).param("number", number).param("hash", file.hash()).update();
        }
    }

    void forget(long patchId, StateKind kind, long number) {
        jdbc.sql("delete from patch_asset where patch_id = :patch and kind = :kind and number = :number")
                .param("patch", patchId).param("kind", kind.id()).param("number", number).update();
    }

    void forgetAll(long patchId, StateKind kind) {
        jdbc.sql("delete from patch_asset where patch_id = :patch and kind = :kind").param("patch", patchId).param("kind", kind.id()).update();
    }

    /** Forgets edits outside of a range of numbers. */
    void keepEdits(long patchId, int from, int to) {
        jdbc.sql("delete from patch_asset where patch_id = :patch and kind = 'edit' and not (number between :from and :to)")
                .param("patch", patchId).param("from", from).param("to", to).update();
    }
}
