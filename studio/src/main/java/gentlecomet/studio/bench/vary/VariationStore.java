package gentlecomet.studio.bench.vary;

import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.vary.Place;
import gentlecomet.sound.patch.Patch;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Variations of patches that wait to be kept or discarded. */
@Repository
class VariationStore {

    private static final String VARIATIONS = "select id, patch_id, quality, words, moves, sound_hash, place, origin from variation ";

    private final JdbcClient jdbc;

    VariationStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param place null where there is none */
    long add(long patchId, String quality, String words, List<String> moves, Patch patch, Place place, Place origin) {
        return jdbc.sql("""
                insert into variation (patch_id, quality, words, moves, content, sound_hash, place, origin)
                values (:id, :quality, :words, :moves, :content, :hash, :place, :origin) returning id""")
                .param("id", patchId).param("quality", quality).param("words", words).param("moves", String.join("\n", moves))
                .param("content", PatchFormat.write(patch)).param("hash", Hashes.sound(patch)).param("place", place == null ? null : Json.compact(place))
                .param("origin", Json.compact(origin)).query(Long.class).single();
    }

    List<VariationRow> of(long patchId) {
        return jdbc.sql(VARIATIONS + "where patch_id = :id order by id").param("id", patchId).query(VariationStore::row).list();
    }

    Optional<VariationRow> find(long id) {
        return jdbc.sql(VARIATIONS + "where id = :id").param("id", id).query(VariationStore::row).optional();
    }

    Optional<Patch> state(long id) {
        return jdbc.sql("select content from variation where id = :id").param("id", id).query(String.class).optional()
                .map(content -> PatchFormat.read(content, "variation " + id));
    }

    void discard(long id) {
        jdbc.sql("delete from variation where id = :id").param("id", id).update();
    }

    void discardAll(long patchId) {
        jdbc.sql("delete from variation where patch_id = :id").param("id", patchId).update();
    }

    private static VariationRow row(ResultSet rs, int n) throws SQLException {
        String moves = rs.getString("moves");
        return new VariationRow(rs.getLong("id"), rs.getLong("patch_id"), rs.getString("quality"), rs.getString("words"),
                moves.isEmpty() ? List.of() : List.of(moves.split("\n")), rs.getString("sound_hash"), place(rs.getString("place")), place(rs.getString("origin")));
    }

    private static Place place(String json) {
        return json == null ? null : Json.read(json, Place.class);
    }
}
