package gentlecomet.studio.patch;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Slots of banks, and the trash: a patch stands in one of them. */
@Repository
class PlaceStore {

    private final JdbcClient jdbc;

    PlaceStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Where patches stand; those in the trash, and those that are gone, are left out. */
    Map<Long, Placement> of(Collection<Long> patches) {
        Map<Long, Placement> places = new HashMap<>();
        jdbc.sql("select id, bank_id, slot from patch where id = any(:ids) and bank_id is not null").param("ids", patches.toArray(Long[]::new)).query(rs -> {
            places.put(rs.getLong("id"), new Placement(rs.getLong("bank_id"), rs.getInt("slot")));
        });
        return places;
    }

    /** What stands in the slots of a bank. */
    Map<Integer, Long> inBank(long bankId) {
        Map<Integer, Long> taken = new HashMap<>();
        jdbc.sql("select id, slot from patch where bank_id = :bank").param("bank", bankId).query(rs -> {
            taken.put(rs.getInt("slot"), rs.getLong("id"));
        });
        return taken;
    }

    /** Holds banks so that nobody else rearranges them until the transaction ends. */
    void hold(Collection<Long> banks) {
        jdbc.sql("select id from bank where id = any(:ids) order by id for update").param("ids", banks.toArray(Long[]::new)).query(Long.class).list();
    }

    Optional<Long> arrangement(long bankId) {
        return jdbc.sql("select arrangement from bank where id = :bank").param("bank", bankId).query(Long.class).optional();
    }

    void rearranged(Collection<Long> banks) {
        jdbc.sql("update bank set arrangement = arrangement + 1 where id = any(:ids)").param("ids", banks.toArray(Long[]::new)).update();
    }

    /** Puts patches where they are to stand; slots may be exchanged among them. */
    void put(Map<Long, Placement> places) {
        jdbc.sql("set constraints patch_bank_id_slot_key deferred").update();
        jdbc.sql("""
                update patch p set bank_id = n.bank, slot = n.slot
                from unnest(:ids::bigint[], :banks::bigint[], :slots::int[]) as n(id, bank, slot) where p.id = n.id""")
                .param("ids", places.keySet().toArray(Long[]::new)).param("banks", places.values().stream().map(Placement::bankId).toArray(Long[]::new))
                .param("slots", places.values().stream().map(Placement::slot).toArray(Integer[]::new)).update();
        jdbc.sql("delete from trashed_patch where patch_id = any(:ids)").param("ids", places.keySet().toArray(Long[]::new)).update();
    }

    /** Puts patches into the trash; each remembers where it stood. */
    void trash(Collection<Long> patches) {
        Long[] ids = patches.toArray(Long[]::new);
        jdbc.sql("""
                insert into trashed_patch (patch_id, collection_id, bank_id, slot)
                select p.id, b.collection_id, b.id, p.slot from patch p join bank b on b.id = p.bank_id where p.id = any(:ids)""").param("ids", ids).update();
        jdbc.sql("update patch set bank_id = null, slot = null where id = any(:ids)").param("ids", ids).update();
    }

    /** What a collection's trash holds, the newest first. */
    List<TrashedPatch> trashed(long collectionId) {
        return jdbc.sql("""
                select t.patch_id, e.name, e.category, e.sound_hash, coalesce(t.bank_id, 0) as bank_id, t.slot, t.trashed_at
                from trashed_patch t join patch p on p.id = t.patch_id join edit e on e.patch_id = p.id and e.number = p.cursor
                where t.collection_id = :collection order by t.trashed_at desc, t.slot""").param("collection", collectionId)
                .query((rs, n) -> new TrashedPatch(rs.getLong("patch_id"), rs.getString("name"), rs.getString("category"), rs.getString("sound_hash"),
                        rs.getLong("bank_id"), rs.getInt("slot"), rs.getTimestamp("trashed_at").toInstant())).list();
    }

    /** Deletes patches of a collection's trash for ever. */
    void deleteForever(long collectionId, Collection<Long> patches) {
        jdbc.sql("delete from patch where id in (select patch_id from trashed_patch where collection_id = :collection and patch_id = any(:ids))")
                .param("collection", collectionId).param("ids", patches.toArray(Long[]::new)).update();
    }

    /** Deletes for ever what has been in the trash for longer, and patches of collections that are gone. */
    void purge(int days) {
        jdbc.sql("""
                delete from patch p where p.bank_id is null and not exists
                (select 1 from trashed_patch t where t.patch_id = p.id and t.trashed_at > now() - make_interval(days => :days))""").param("days", days).update();
    }
}
