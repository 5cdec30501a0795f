package gentlecomet.studio.bench.version;

import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.patch.Patch;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The two pads of a patch. */
@Repository
class VersionStore {

    private final JdbcClient jdbc;

    VersionStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    void putPad(long patchId, String letter, String words, Patch patch) {
        jdbc.sql("""
                insert into pad (patch_id, letter, words, content, sound_hash) values (:id, :letter, :words, :content, :hash)
                on conflict (patch_id, letter) do update set words = excluded.words, content = excluded.content,
                    sound_hash = excluded.sound_hash, kept_at = now()""")
                .param("id", patchId).param("letter", letter).param("words", words.length() > 120 ? words.substring(0, 120) : words)
                .param("content", PatchFormat.write(patch)).param("hash", Hashes.sound(patch)).update();
    }

    /** What the pads hold, without its content. */
    List<PadRow> pads(long patchId) {
        return jdbc.sql("select letter, words from pad where patch_id = :id order by letter").param("id", patchId)
                .query((rs, n) -> new PadRow(rs.getString("letter"), rs.getString("words"))).list();
    }

    Optional<Patch> pad(long patchId, String letter) {
        return jdbc.sql("select content from pad where patch_id = :id and letter = :letter").param("id", patchId).param("letter", letter)
                .query(String.class).optional().map(content -> PatchFormat.read(content, "pad " + letter));
    }
}
