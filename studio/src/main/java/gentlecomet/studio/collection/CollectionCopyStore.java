package gentlecomet.studio.collection;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Copies of whole collections, made within the database: of each patch its working state and its latest revision. */
@Repository
class CollectionCopyStore {

    private final JdbcClient jdbc;

    CollectionCopyStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Answers the id of the copy. */
    long copy(long id, String name) {
        long copy = jdbc.sql("""
                insert into collection (name, author, licence, version, description, contact, house_rules)
                select :name, author, licence, version, description, contact, house_rules from collection where id = :id returning id""")
                .param("name", name).param("id", id).query(Long.class).single();
        jdbc.sql("insert into bank (collection_id, position, name, msb, lsb) select :copy, position, name, msb, lsb from bank where collection_id = :id").param("copy", copy).param("id", id).update();
        jdbc.sql("""
                insert into patch (bank_id, slot) select n.id, p.slot from patch p join bank b on b.id = p.bank_id join bank n on n.collection_id = :copy and n.position = b.position
                where b.collection_id = :id""").param("copy", copy).param("id", id).update();
        String pairs = """
                with pair as (select p.id as old, p.cursor, q.id as fresh from patch p join bank b on b.id = p.bank_id
                  join bank n on n.collection_id = :copy and n.position = b.position join patch q on q.bank_id = n.id and q.slot = p.slot where b.collection_id = :id)
                """;
        for (String insert : new String[] {"""
                insert into edit (patch_id, number, label, content, name, name_key, category, tags, author, notes, level_trim, pattern, content_hash, sound_hash)
                select fresh, 0, 'Copied', content, name, name_key, category, tags, author, notes, level_trim, pattern, content_hash, sound_hash from pair join edit on patch_id = old and number = cursor""", """
                insert into revision (patch_id, number, content, content_hash, sound_hash, note)
                select fresh, 1, content, content_hash, sound_hash, 'Copied' from pair join lateral (select * from revision where patch_id = old order by number desc limit 1) r on true""", """
                insert into patch_asset (patch_id, kind, number, hash) select fresh, 'edit', 0, hash from pair join patch_asset a on a.patch_id = old and a.kind = 'edit' and a.number = cursor""", """
                insert into patch_asset (patch_id, kind, number, hash) select fresh, 'revision', 1, hash from pair
                join patch_asset a on a.patch_id = old and a.kind = 'revision' and a.number = (select max(number) from revision where patch_id = old)""", """
                insert into category_start (collection_id, category, patch_id) select :copy, category, fresh from pair join category_start on patch_id = old and collection_id = :id"""}) {
            jdbc.sql(pairs + insert).param("copy", copy).param("id", id).update();
        }
        jdbc.sql("insert into collection_asset (collection_id, hash, name) select :copy, hash, name from collection_asset where collection_id = :id").param("copy", copy).param("id", id).update();
        return copy;
    }
}
