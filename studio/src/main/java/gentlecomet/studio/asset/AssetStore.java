package gentlecomet.studio.asset;

import gentlecomet.craft.format.SoundAsset;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Sound files by the hash of their content, and the collections that have them. */
@Repository
class AssetStore {

    private final JdbcClient jdbc;

    AssetStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Keeps a file and gives it to a collection; what is there already stays as it is. */
    void add(long collectionId, SoundAsset asset) {
        boolean mono = asset.audio().left() == asset.audio().right();
        jdbc.sql("""
                insert into asset (hash, key, content, frames, channels, rate)
                values (:hash, :key, :content, :frames, :channels, :rate) on conflict do nothing""")
                .param("hash", asset.hash()).param("key", (long) asset.key()).param("content", asset.content())
                .param("frames", asset.audio().frames()).param("channels", mono ? 1 : 2).param("rate", asset.audio().sampleRate()).update();
        jdbc.sql("insert into collection_asset (collection_id, hash, name) values (:collection, :hash, :name) on conflict do nothing")
                .param("collection", collectionId).param("hash", asset.hash()).param("name", asset.name()).update();
    }

    Optional<byte[]> content(String hash) {
        return jdbc.sql("select content from asset where hash = :hash").param("hash", hash).query(byte[].class).optional();
    }

    /** Content by the number that patch images know it by. */
    Optional<byte[]> contentByKey(double key) {
        return jdbc.sql("select content from asset where key = :key").param("key", (long) key).query(byte[].class).optional();
    }

    /** Files of a collection with the patches that use them in their working state, a saved revision, a pad or a variation. */
    List<AssetRow> of(long collectionId) {
        return jdbc.sql("""
                select c.hash, c.name, a.frames, a.channels, a.rate, c.added_at,
                       array(select distinct e.name from patch_asset u join patch p on p.id = u.patch_id join bank b on b.id = p.bank_id
                             join edit e on e.patch_id = p.id and e.number = p.cursor
                             where u.hash = c.hash and b.collection_id = c.collection_id and (u.kind <> 'edit' or u.number = p.cursor)
                             order by e.name) as users
                from collection_asset c join asset a on a.hash = c.hash where c.collection_id = :collection order by c.name""")
                .param("collection", collectionId).query((rs, n) -> new AssetRow(rs.getString("hash"), rs.getString("name"), rs.getInt("frames"),
                        rs.getInt("channels"), rs.getInt("rate"), rs.getTimestamp("added_at").toInstant(),
                        Arrays.stream((String[]) rs.getArray("users").getArray()).toList())).list();
    }

    /** Files of a collection by name, to choose one. */
    List<AssetName> names(long collectionId) {
        return jdbc.sql("select c.hash, c.name, a.frames, a.rate from collection_asset c join asset a on a.hash = c.hash where c.collection_id = :collection order by c.name")
                .param("collection", collectionId).query((rs, n) -> new AssetName(rs.getString("hash"), rs.getString("name"), (double) rs.getInt("frames") / rs.getInt("rate")))
                .list();
    }

    /** Name under which a collection has a file. */
    Optional<String> name(long collectionId, String hash) {
        return jdbc.sql("select name from collection_asset where collection_id = :collection and hash = :hash")
                .param("collection", collectionId).param("hash", hash).query(String.class).optional();
    }

    /** Takes a file out of a collection; its content goes too unless a step of some patch's history or another collection needs it. */
    void remove(long collectionId, String hash) {
        jdbc.sql("delete from collection_asset where collection_id = :collection and hash = :hash")
                .param("collection", collectionId).param("hash", hash).update();
        jdbc.sql("""
                delete from asset a where a.hash = :hash and not exists (select 1 from collection_asset c where c.hash = a.hash)
                and not exists (select 1 from patch_asset u where u.hash = a.hash)""").param("hash", hash).update();
    }
}
