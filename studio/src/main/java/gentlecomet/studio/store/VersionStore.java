package gentlecomet.studio.store;

import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.patch.Patch;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Versions beside a patch: the two pads, and siblings that have been made of it. */
@Repository
public class VersionStore {

    private final JdbcClient jdbc;

    public VersionStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** What a pad holds. @param words where it came from */
    public record PadRow(String letter, String words, Patch patch, String soundHash) {
    }

    /** A sibling. @param words how its quality's measure changed @param moves what was moved, one to a line */
    public record VariationRow(long id, long patchId, String quality, String words, List<String> moves, Patch patch, String soundHash) {
    }

    public void putPad(long patchId, String letter, String words, Patch patch) {
        jdbc.sql("""
                insert into pad (patch_id, letter, words, content, sound_hash) values (:id, :letter, :words, :content, :hash)
                on conflict (patch_id, letter) do update set words = excluded.words, content = excluded.content,
                    sound_hash = excluded.sound_hash, kept_at = now()""")
                .param("id", patchId).param("letter", letter).param("words", words.length() > 120 ? words.substring(0, 120) : words)
                .param("content", PatchFormat.write(patch)).param("hash", Hashes.sound(patch)).update();
    }

    public List<PadRow> pads(long patchId) {
        return jdbc.sql("select * from pad where patch_id = :id order by letter").param("id", patchId)
                .query((rs, n) -> new PadRow(rs.getString("letter"), rs.getString("words"), PatchFormat.read(rs.getString("content"), "pad"),
                        rs.getString("sound_hash"))).list();
    }

    public Optional<PadRow> pad(long patchId, String letter) {
        return pads(patchId).stream().filter(p -> p.letter().equals(letter)).findFirst();
    }

    public void addVariation(long patchId, String quality, String words, List<String> moves, Patch patch) {
        jdbc.sql("""
                insert into variation (patch_id, quality, words, moves, content, sound_hash)
                values (:id, :quality, :words, :moves, :content, :hash)""")
                .param("id", patchId).param("quality", quality).param("words", words).param("moves", String.join("\n", moves))
                .param("content", PatchFormat.write(patch)).param("hash", Hashes.sound(patch)).update();
    }

    public List<VariationRow> variations(long patchId) {
        return jdbc.sql("select * from variation where patch_id = :id order by id").param("id", patchId).query(VersionStore::variation).list();
    }

    public Optional<VariationRow> variation(long id) {
        return jdbc.sql("select * from variation where id = :id").param("id", id).query(VersionStore::variation).optional();
    }

    public void discard(long id) {
        jdbc.sql("delete from variation where id = :id").param("id", id).update();
    }

    public void discardAll(long patchId) {
        jdbc.sql("delete from variation where patch_id = :id").param("id", patchId).update();
    }

    private static VariationRow variation(ResultSet rs, int n) throws SQLException {
        String moves = rs.getString("moves");
        return new VariationRow(rs.getLong("id"), rs.getLong("patch_id"), rs.getString("quality"), rs.getString("words"),
                moves.isEmpty() ? List.of() : List.of(moves.split("\n")), PatchFormat.read(rs.getString("content"), "variation"), rs.getString("sound_hash"));
    }
}
