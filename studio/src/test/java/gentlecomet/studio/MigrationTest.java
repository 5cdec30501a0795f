package gentlecomet.studio;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.sound.patch.Patch;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.SingleConnectionDataSource;

/** A database as each older version of the program left it, with something in every table, comes up to date with everything in it. */
@StudioTest
class MigrationTest {

    private static final String HASH = "ab".repeat(32);

    @Value("${spring.datasource.url}")
    private String url;
    @Value("${spring.datasource.username}")
    private String user;
    @Value("${spring.datasource.password}")
    private String password;
    @Autowired
    private Flyway current;

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void aDatabaseOfAnOlderVersionComesUpToDate(int version) throws Exception {
        String schema = "migration_from_" + version;
        try (Connection connection = DriverManager.getConnection(url, user, password)) {
            run(connection, "drop schema if exists " + schema + " cascade", "create schema " + schema, "set search_path to " + schema);
            migrate(schema, String.valueOf(version));
            connection.setAutoCommit(false);
            fill(connection, version);
            connection.commit();
            connection.setAutoCommit(true);
            migrate(schema, current.info().current().getVersion().getVersion());
            look(new JdbcClientOf(connection).client(), version);
            assertThrows(SQLException.class, () -> run(connection, "update patch set cursor = 99"), "the working state is an edit that is there");
            run(connection, "drop schema " + schema + " cascade");
        }
    }

    /** Without a transaction of its own, so that constraints that wait for its end are asked at once. */
    private record JdbcClientOf(Connection connection) {
        JdbcClient client() {
            return JdbcClient.create(new SingleConnectionDataSource(connection, true));
        }
    }

    private void migrate(String schema, String target) {
        Flyway.configure().dataSource(url, user, password).schemas(schema).defaultSchema(schema).locations("classpath:db/migration").target(target).load().migrate();
    }

    private static void run(Connection connection, String... statements) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            for (String sql : statements) {
                statement.execute(sql);
            }
        }
    }

    /** One of everything that there was then; the patch refers to a sound file. */
    private static void fill(Connection connection, int version) throws Exception {
        String content = Files.readString(Path.of("../craft/src/test/resources/patch-version-2.json"))
                .replace("\"routes\"", "\"recordings\": {\"layer1.source1\": {\"hash\": \"" + HASH + "\", \"name\": \"Bell\"}}, \"routes\"")
                .replace("\"layer1.source1.wave\": \"saw\"", "\"layer1.source1.wave\": \"saw\", \"levelTrim\": -4.5");
        JdbcClient jdbc = new JdbcClientOf(connection).client();
        run(connection, "insert into collection (name, house_rules) values ('Old', '{}')", "insert into bank (collection_id, position, name) values (1, 0, 'A')",
                "insert into patch (bank_id, slot) values (1, 3)");
        String edit = version < 7 ? "insert into edit (patch_id, number, label, content, name, category, content_hash, sound_hash) values (1, 0, 'x', :content, 'Tide  Bell', 'pad', :h, :h)"
                : "insert into edit (patch_id, number, label, content, name, name_key, category, level_trim, content_hash, sound_hash) "
                        + "values (1, 0, 'x', :content, 'Tide  Bell', 'tidebell', 'pad', -4.5, :h, :h)";
        jdbc.sql(edit).param("content", content).param("h", HASH).update();
        jdbc.sql("insert into revision (patch_id, number, content, content_hash, sound_hash) values (1, 1, :content, :h, :h)").param("content", content).param("h", HASH).update();
        jdbc.sql("insert into measurement (sound_hash, phrase, engine_version, content) values (:h, 'line', 'e', cast(:content as jsonb))").param("h", HASH)
                .param("content", "{\"integratedLufs\": -18.25, \"momentaryMaxLufs\": -16.5, \"truePeakDbtp\": -3.5}").update();
        String check = version < 7 ? "insert into sound_check (sound_hash, category, rules_hash, engine_version, findings) values (:h, 'pad', :h, 'e', cast(:f as json))"
                : "insert into sound_check (sound_hash, category, rules_hash, engine_version, findings, faults) values (:h, 'pad', :h, 'e', cast(:f as json), 2)";
        jdbc.sql(check).param("h", HASH).param("f", "{\"findings\": [{\"severity\": \"FAULT\"}, {\"severity\": \"WARNING\"}, {\"severity\": \"FAULT\"}]}").update();
        run(connection, "insert into round (bank_id) values (1)", "insert into verdict (round_id, patch_id, content_hash, verdict, note) values (1, 1, '" + HASH + "', 'keep', 'of a state that is gone')",
                "insert into release (collection_id, version, state) values (1, '1.0', 'building'), (1, '0.9', 'verified')",
                "insert into scheduled_tasks (task_name, task_instance, execution_time, picked, version) values ('measure', 'm', now(), false, 1)");
        if (version >= 3) {
            jdbc.sql("insert into pad (patch_id, letter, words, content, sound_hash) values (1, 'B', 'w', :content, :h)").param("content", content).param("h", HASH).update();
            jdbc.sql("insert into variation (patch_id, quality, words, moves, content, sound_hash) values (1, 'darker', 'w', '', :content, :h)").param("content", content).param("h", HASH).update();
        }
        if (version >= 4) {
            run(connection, version < 8
                    ? "insert into parameter_lock (patch_id, parameter) values (1, 'layer1.source1.copies'), (1, 'effect1.bands.down'), (1, 'layer1.filter1.cutoff')"
                    : "insert into parameter_lock (patch_id, parameter) values (1, 'layer1.source1.unisonVoices'), (1, 'effect1.multiband.downThreshold'), (1, 'layer1.filter1.cutoff')");
        }
    }

    private static void look(JdbcClient jdbc, int version) throws Exception {
        String name = jdbc.sql("select name from edit").query(String.class).single();
        assertEquals(NameRules.key(name), jdbc.sql("select name_key from edit").query(String.class).single(), "the key that the program would have written");
        assertEquals(-4.5, jdbc.sql("select level_trim from edit").query(Double.class).single());
        Patch patch = PatchFormat.read(jdbc.sql("select content from edit").query(String.class).single(), "edit");
        assertEquals(5, patch.value("layer1.source1.unisonVoices"));
        assertEquals(-4.5, patch.value("levelTrim"));
        assertEquals(List.of(-18.25, -16.5, -3.5), jdbc.sql("select integrated_lufs, momentary_max_lufs, true_peak_dbtp from measurement")
                .query((rs, n) -> List.of(rs.getDouble(1), rs.getDouble(2), rs.getDouble(3))).single());
        assertEquals(2, jdbc.sql("select faults from sound_check").query(Integer.class).single());
        assertEquals(List.of(version < 7 ? "failed" : "building", "verified"), jdbc.sql("select state from release order by id").query(String.class).list());
        if (version < 7) {
            assertEquals(version >= 3 ? List.of("edit 0", "pad 1", "revision 1", "variation 1") : List.of("edit 0", "revision 1"),
                    jdbc.sql("select kind || ' ' || number from patch_asset where hash = :h order by 1").param("h", HASH).query(String.class).list());
            assertEquals(0L, jdbc.sql("select count(*) from scheduled_tasks").query(Long.class).single());
        }
        if (version >= 4) {
            assertEquals(List.of("effect1.multiband.downThreshold", "layer1.filter1.cutoff", "layer1.source1.unisonVoices"),
                    jdbc.sql("select parameter from parameter_lock order by 1").query(String.class).list());
        }
        assertEquals("keep", jdbc.sql("select answer from answer").query(String.class).single());
        assertEquals("of a state that is gone", jdbc.sql("select words from remark").query(String.class).single());
        assertEquals(1, jdbc.sql("select count(*) from round_place p join heard_state s on s.content_hash = p.content_hash where p.sound_hash = '" + HASH + "'").query(Integer.class).single());
    }
}
