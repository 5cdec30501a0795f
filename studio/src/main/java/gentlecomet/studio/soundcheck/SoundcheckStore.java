package gentlecomet.studio.soundcheck;

import gentlecomet.craft.check.Analysis;
import gentlecomet.craft.check.Finding;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.probe.Probes;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What the soundcheck has measured and found about sounds: figures by sound and phrase, findings by sound, category, house rules, and everything that checked them. */
@Repository
class SoundcheckStore {

    /** Engine, analysis, phrases and rules together: what was found by others is not found. */
    private static final String MADE_BY = Analysis.VERSION;
    private static final String OF_PATCHES = """
            from patch p join edit e on e.patch_id = p.id and e.number = p.cursor join bank b on b.id = p.bank_id
            join sound_check c on c.sound_hash = e.sound_hash and c.category = e.category and c.rules_hash = :rules and c.engine_version = :madeBy""";
    /** What somebody lets stand counts for nothing. */
    private static final String FAULTS = """
            (select count(*) from unnest(c.fault_keys) k where not exists
                (select 1 from waiver w where w.patch_id = p.id and w.finding = k and w.sound_hash = e.sound_hash)) as faults""";

    private final JdbcClient jdbc;

    SoundcheckStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Findings about a sound, wrapped for JSON. */
    record Findings(List<Finding> findings) {
    }

    /** What was found about a patch's working state. */
    record Checked(long patchId, List<Finding> findings) {
    }

    Optional<List<Finding>> find(String soundHash, String category, String rulesHash) {
        return jdbc.sql("""
                select findings from sound_check
                where sound_hash = :hash and category = :category and rules_hash = :rules and engine_version = :madeBy""")
                .param("hash", soundHash).param("category", category).param("rules", rulesHash).param("madeBy", MADE_BY)
                .query(String.class).optional().map(text -> Json.read(text, Findings.class).findings());
    }

    List<Checked> ofBank(long bankId, String rulesHash) {
        return checked("p.bank_id = :id", bankId, rulesHash);
    }

    /** Of patches that have changed since they were checked: what was found of the latest state before that was. */
    List<Checked> before(long bankId, String rulesHash) {
        return jdbc.sql("""
                select distinct on (p.id) p.id, c.findings from patch p join edit e on e.patch_id = p.id and e.number < p.cursor
                join sound_check c on c.sound_hash = e.sound_hash and c.category = e.category and c.rules_hash = :rules and c.engine_version = :madeBy
                where p.bank_id = :id order by p.id, e.number desc""").param("rules", rulesHash).param("madeBy", MADE_BY)
                .param("id", bankId).query((rs, n) -> new Checked(rs.getLong("id"), Json.read(rs.getString("findings"), Findings.class).findings())).list();
    }

    List<Checked> ofCollection(long collectionId, String rulesHash) {
        return checked("b.collection_id = :id", collectionId, rulesHash);
    }

    private List<Checked> checked(String where, long id, String rulesHash) {
        return jdbc.sql("select p.id, c.findings " + OF_PATCHES + " where " + where).param("rules", rulesHash).param("madeBy", MADE_BY)
                .param("id", id).query((rs, n) -> new Checked(rs.getLong("id"), Json.read(rs.getString("findings"), Findings.class).findings())).list();
    }

    /** How many faults that nobody has waived the patches of a bank have; what has not been checked is left out. */
    Map<Long, Integer> faultsInBank(long bankId, String rulesHash) {
        return faults("p.bank_id = :id", bankId, rulesHash);
    }

    /** The same of a collection. */
    Map<Long, Integer> faultsInCollection(long collectionId, String rulesHash) {
        return faults("b.collection_id = :id", collectionId, rulesHash);
    }

    private Map<Long, Integer> faults(String where, long id, String rulesHash) {
        Map<Long, Integer> faults = new HashMap<>();
        jdbc.sql("select p.id, " + FAULTS + " " + OF_PATCHES + " where " + where).param("rules", rulesHash).param("madeBy", MADE_BY).param("id", id)
                .query(rs -> {
                    faults.put(rs.getLong("id"), rs.getInt("faults"));
                });
        return faults;
    }

    void save(String soundHash, String category, String rulesHash, List<Finding> findings) {
        List<String> faults = findings.stream().filter(f -> f.severity() == Finding.Severity.FAULT).map(Finding::key).distinct().toList();
        jdbc.sql("""
                insert into sound_check (sound_hash, category, rules_hash, engine_version, findings, faults, fault_keys)
                values (:hash, :category, :rules, :madeBy, cast(:content as json), :faults, :keys) on conflict do nothing""")
                .param("hash", soundHash).param("category", category).param("rules", rulesHash).param("madeBy", MADE_BY)
                .param("content", Json.compact(new Findings(findings))).param("faults", faults.size()).param("keys", faults.toArray(String[]::new)).update();
    }

    /** What was measured of a sound by a phrase. */
    Optional<Probes> probes(String soundHash, String phrase) {
        return jdbc.sql("select content from probe where sound_hash = :hash and phrase = :phrase and engine_version = :madeBy").param("hash", soundHash).param("phrase", phrase)
                .param("madeBy", Analysis.MEASURES).query(String.class).optional().map(text -> Json.read(text, Probes.class));
    }

    /** What was measured by a phrase of the latest state of a patch that anything was measured of. */
    Optional<Probes> latestProbes(long patchId, String phrase) {
        return jdbc.sql("""
                select r.content from edit e join probe r on r.sound_hash = e.sound_hash and r.phrase = :phrase and r.engine_version = :madeBy
                where e.patch_id = :patch order by e.number desc limit 1""").param("phrase", phrase).param("madeBy", Analysis.MEASURES).param("patch", patchId)
                .query(String.class).optional().map(text -> Json.read(text, Probes.class));
    }

    void saveProbes(String soundHash, String phrase, Probes probes) {
        jdbc.sql("insert into probe (sound_hash, phrase, engine_version, content) values (:hash, :phrase, :madeBy, cast(:content as json)) on conflict do nothing")
                .param("hash", soundHash).param("phrase", phrase).param("madeBy", Analysis.MEASURES).param("content", Json.compact(probes)).update();
    }

    /** Cost of a voice by patch of a bank. */
    Map<Long, Double> costs(long bankId) {
        Map<Long, Double> costs = new HashMap<>();
        jdbc.sql("""
                select distinct p.id, (r.content ->> 'cost')::float8 as cost from patch p join edit e on e.patch_id = p.id and e.number = p.cursor
                join probe r on r.sound_hash = e.sound_hash and r.engine_version = :madeBy where p.bank_id = :id""").param("madeBy", Analysis.MEASURES).param("id", bankId).query(rs -> {
                    costs.put(rs.getLong("id"), rs.getDouble("cost"));
                });
        return costs;
    }

    /** Patches of a collection whose sound has been measured, by some phrase. */
    List<Long> probed(long collectionId) {
        return jdbc.sql("""
                select distinct p.id from patch p join edit e on e.patch_id = p.id and e.number = p.cursor join bank b on b.id = p.bank_id
                join probe r on r.sound_hash = e.sound_hash and r.engine_version = :madeBy where b.collection_id = :id""").param("madeBy", Analysis.MEASURES).param("id", collectionId)
                .query(Long.class).list();
    }
}
