package gentlecomet.studio.patch;

import gentlecomet.craft.format.Json;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.pattern.Patterns;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Edits of many patches, written in a few statements. */
@Repository
class BatchStore {

    private static final int LONGEST_LABEL = 300;

    private final JdbcClient jdbc;

    BatchStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** An edit to be written. @param content of the state that it leads to, as JSON */
    record Written(long patchId, int number, String label, Patch patch, String content, String contentHash, String soundHash) {
    }

    /** Contents of working states, by patch. */
    Map<Long, String> contents(Collection<Long> ids) {
        Map<Long, String> contents = new HashMap<>();
        jdbc.sql("select p.id, e.content from patch p join edit e on e.patch_id = p.id and e.number = p.cursor where p.id = any(:ids)").param("ids", ids.toArray(Long[]::new)).query(rs -> {
            contents.put(rs.getLong("id"), rs.getString("content"));
        });
        return contents;
    }

    /** Patches that have a locked parameter. */
    Set<Long> locked(Collection<Long> ids) {
        return new HashSet<>(jdbc.sql("select distinct patch_id from parameter_lock where patch_id = any(:ids)").param("ids", ids.toArray(Long[]::new)).query(Long.class).list());
    }

    /** Writes edits behind the cursors of their patches, in place of what could be done again, and moves the cursors on. @param edits of each patch in their order */
    void write(List<Written> edits, Map<Long, Integer> cursors) {
        Long[] patches = cursors.keySet().toArray(Long[]::new);
        Integer[] before = cursors.values().toArray(Integer[]::new);
        for (String table : List.of("edit where patch_id = n.id and number > n.at", "patch_asset where patch_id = n.id and kind = 'edit' and number > n.at")) {
            jdbc.sql("delete from " + table.replace(" where", " using unnest(:ids::bigint[], :at::int[]) as n(id, at) where")).param("ids", patches).param("at", before).update();
        }
        insert(edits);
        Map<Long, Integer> after = new HashMap<>();
        edits.forEach(e -> after.merge(e.patchId(), e.number(), Math::max));
        jdbc.sql("update patch p set cursor = n.at, version = version + 1 from unnest(:ids::bigint[], :at::int[]) as n(id, at) where p.id = n.id")
                .param("ids", after.keySet().toArray(Long[]::new)).param("at", after.values().toArray(Integer[]::new)).update();
    }

    /** Puts new patches into free slots; their first edits are still to be written. @return ids, by place */
    Map<Placement, Long> insertPatches(List<Placement> places) {
        Map<Placement, Long> ids = new HashMap<>();
        Long[] banks = places.stream().map(Placement::bankId).toArray(Long[]::new);
        jdbc.sql("insert into patch (bank_id, slot) select bank, slot from unnest(:banks::bigint[], :slots::int[]) as n(bank, slot) returning id, bank_id, slot")
                .param("banks", banks).param("slots", places.stream().map(Placement::slot).toArray(Integer[]::new)).query(rs -> {
                    ids.put(new Placement(rs.getLong("bank_id"), rs.getInt("slot")), rs.getLong("id"));
                });
        jdbc.sql("update bank set arrangement = arrangement + 1 where id = any(:banks)").param("banks", banks).update();
        return ids;
    }

    /** Writes edits where there are none. */
    void insert(List<Written> edits) {
        jdbc.sql("""
                insert into edit (patch_id, number, label, gesture, content, name, name_key, category, tags, author, notes, level_trim, pattern, content_hash, sound_hash)
                select id, number, label, '', content, name, key, category, array(select jsonb_array_elements_text(tags::jsonb)), author, notes, trim, pattern, content_hash, sound_hash
                from unnest(:ids::bigint[], :numbers::int[], :labels::text[], :contents::text[], :names::text[], :keys::text[], :categories::text[], :tags::text[], :authors::text[], :notes::text[],
                            :trims::double precision[], :patterns::text[], :contentHashes::text[], :soundHashes::text[])
                     as n(id, number, label, content, name, key, category, tags, author, notes, trim, pattern, content_hash, sound_hash)""")
                .param("ids", edits.stream().map(Written::patchId).toArray(Long[]::new)).param("numbers", edits.stream().map(Written::number).toArray(Integer[]::new))
                .param("labels", texts(edits, e -> e.label().length() > LONGEST_LABEL ? e.label().substring(0, LONGEST_LABEL - 1) + "…" : e.label())).param("contents", texts(edits, Written::content))
                .param("names", texts(edits, e -> e.patch().name())).param("keys", texts(edits, e -> NameRules.key(e.patch().name()))).param("categories", texts(edits, e -> e.patch().naming().category()))
                .param("tags", texts(edits, e -> Json.compact(e.patch().naming().tags()))).param("authors", texts(edits, e -> e.patch().naming().author()))
                .param("notes", texts(edits, e -> e.patch().naming().notes()))
                .param("trims", edits.stream().map(e -> e.patch().value(PatchParameters.LEVEL_TRIM)).toArray(Double[]::new)).param("patterns", texts(edits, e -> Patterns.words(e.patch()))).param("contentHashes", texts(edits, Written::contentHash))
                .param("soundHashes", texts(edits, Written::soundHash)).update();
    }

    private static String[] texts(List<Written> edits, Function<Written, String> text) {
        return edits.stream().map(text).toArray(String[]::new);
    }
}
