package gentlecomet.studio.bench.version;

import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.patch.Patch;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Versions beside a patch: the two pads, and variations that have been made of it. */
@Repository
class VersionStore {

    private static final String VARIATIONS = "select id, patch_id, quality, words, moves, sound_hash from variation ";

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

    long addVariation(long patchId, String quality, String words, List<String> moves, Patch patch) {
        return jdbc.sql("""
                insert into variation (patch_id, quality, words, moves, content, sound_hash)
                values (:id, :quality, :words, :moves, :content, :hash) returning id""")
                .param("id", patchId).param("quality", quality).param("words", words).param("moves", String.join("\n", moves))
                .param("content", PatchFormat.write(patch)).param("hash", Hashes.sound(patch)).query(Long.class).single();
    }

    List<VariationRow> variations(long patchId) {
        return jdbc.sql(VARIATIONS + "where patch_id = :id order by id").param("id", patchId).query(VersionStore::variation).list();
    }

    Optional<VariationRow> variation(long id) {
        return jdbc.sql(VARIATIONS + "where id = :id").param("id", id).query(VersionStore::variation).optional();
    }

    Optional<Patch> variationState(long id) {
        return jdbc.sql("select content from variation where id = :id").param("id", id).query(String.class).optional()
                .map(content -> PatchFormat.read(content, "variation " + id));
    }

    void discard(long id) {
        jdbc.sql("delete from variation where id = :id").param("id", id).update();
    }

    void discardAll(long patchId) {
        jdbc.sql("delete from variation where patch_id = :id").param("id", patchId).update();
    }

    private static VariationRow variation(ResultSet rs, int n) throws SQLException {
        String moves = rs.getString("moves");
        return new VariationRow(rs.getLong("id"), rs.getLong("patch_id"), rs.getString("quality"), rs.getString("words"),
                moves.isEmpty() ? List.of() : List.of(moves.split("\n")), rs.getString("sound_hash"));
    }
}
