package gentlecomet.launcher;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The launcher in a folder of its own, with stand-ins for Java, Maven and PostgreSQL that tell what they were asked: what goes wrong is a sentence, and leaves nothing behind. */
class LauncherTest {

    @TempDir
    Path folder;
    private Path home;
    private Path tools;

    /** What the launcher printed, and how it ended. */
    private record Ended(int code, String text) {
    }

    @BeforeEach
    void standIns() throws IOException {
        home = Files.createDirectory(folder.resolve("checkout"));
        tools = Files.createDirectory(folder.resolve("tools"));
        Files.copy(Path.of("..", "comet"), home.resolve("comet"));
        home.resolve("comet").toFile().setExecutable(true);
        Files.createDirectories(home.resolve("studio/target"));
        Files.createDirectories(home.resolve("craft/target"));
        Files.writeString(home.resolve("pom.xml"), "<project/>");
        tool("javac", "echo 'javac 17.0.15'");
        tool("java", "exec sleep 60");
        tool("mvn", "exit 0");
        tool("apt-get", "echo asked-apt \"$@\" >>\"$COMET_TEST_LOG\"; exit 100");
        tool("sudo", "exit 1");
        tool("curl", "exit 7");
        tool("postgres", "exit 0");
        tool("initdb", "mkdir -p \"$2\"; echo 15 >\"$2/PG_VERSION\"");
        tool("pg_ctl", "echo pg_ctl \"$@\" >>\"$COMET_TEST_LOG\"; d=\"$2\"; case \"$*\" in *status*) [ -f \"$d/running\" ];; *stop*) rm -f \"$d/running\" \"$d/postmaster.pid\";; *start*) touch \"$d/running\" \"$d/postmaster.pid\";; esac");
        tool("psql", "cat >/dev/null 2>&1 </dev/null; echo 1");
        tool("createdb", "exit 0");
        tool("runuser", "while [ \"$1\" != -- ]; do shift; done; shift; exec \"$@\"");
        tool("setpriv", "while [ \"${1#--}\" != \"$1\" ]; do shift; done; exec \"$@\"");
        tool("chown", "exit 0");
        // Newer than every source, so that nothing is built.
        Files.writeString(home.resolve("studio/target/gentle-comet.jar"), "");
        Files.writeString(home.resolve("craft/target/craft-0.1.0.jar"), "");
    }

    private void tool(String name, String script) throws IOException {
        Path file = tools.resolve(name);
        Files.writeString(file, "#!/bin/bash\n" + script + "\n");
        Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rwxr-xr-x"));
    }

    private Ended run(Map<String, String> environment, Path from, String... words) throws Exception {
        List<String> command = new ArrayList<>(List.of(home.resolve("comet").toString()));
        command.addAll(List.of(words));
        ProcessBuilder builder = new ProcessBuilder(command).directory(from.toFile()).redirectErrorStream(true);
        Path out = Files.createTempFile(folder, "out", ".txt");
        builder.redirectOutput(out.toFile());
        builder.environment().put("PATH", tools + ":" + System.getenv("PATH"));
        builder.environment().put("COMET_PORT", String.valueOf(freePort()));
        builder.environment().put("COMET_PG_BIN", tools.toString());
        builder.environment().put("COMET_TEST_LOG", folder.resolve("asked.log").toString());
        builder.environment().putAll(environment);
        Process process = builder.start();
        assertTrue(process.waitFor(100, TimeUnit.SECONDS), "it ends");
        return new Ended(process.exitValue(), Files.readString(out, StandardCharsets.UTF_8));
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    private Ended run(String... words) throws Exception {
        return run(Map.of(), home, words);
    }

    private void nothingIsLeft() {
        assertFalse(Files.exists(home.resolve(".comet/app.pid")), "no process id is left");
        assertFalse(Files.exists(home.resolve(".comet/postgres/running")), "no database is left running");
    }

    @ParameterizedTest
    @ValueSource(strings = {"0", "99999", "65536", "abc", "-1", "99999999999999999999"})
    void aPortThatIsNoneIsASentence(String port) throws Exception {
        Ended ended = run(Map.of("COMET_PORT", port), home, "start");
        assertEquals(1, ended.code());
        assertTrue(ended.text().startsWith("comet: COMET_PORT is ") && ended.text().contains("expected a number from 1 to 65535"), ended.text());
        assertEquals(1, ended.text().lines().count(), ended.text());
        nothingIsLeft();
    }

    @Test
    void aFolderThatCannotBeMadeIsASentence() throws Exception {
        Files.writeString(home.resolve(".comet"), "a file in the way");
        Ended ended = run("start");
        assertEquals(1, ended.code());
        assertTrue(ended.text().contains("cannot be made"), ended.text());
        assertEquals(1, ended.text().lines().count(), ended.text());
    }

    @Test
    void aFullDiskIsASentence() throws Exception {
        // /dev/full answers every write as a full disk does.
        Files.createDirectory(home.resolve(".comet"));
        Files.createSymbolicLink(home.resolve(".comet/.room"), Path.of("/dev/full"));
        Ended ended = run("start");
        assertEquals(1, ended.code());
        assertTrue(ended.text().contains("is full or cannot be written to"), ended.text());
        assertEquals(1, ended.text().lines().count(), ended.text());
    }

    @Test
    void theLogOfAnEarlierRunIsKept() throws Exception {
        Files.createDirectory(home.resolve(".comet"));
        Files.writeString(home.resolve(".comet/app.log"), "what went wrong yesterday\n");
        tool("java", "echo today >>\"$LOGGING_FILE_NAME\"; exit 1");
        assertEquals(1, run("start").code());
        assertEquals("what went wrong yesterday\ntoday\n", Files.readString(home.resolve(".comet/app.log")));
    }

    /** A release that was half made when the program was killed does not stay. */
    @Test
    void whatAKilledProgramLeftGoes() throws Exception {
        Path left = Files.createDirectories(home.resolve(".comet/tmp/release123")).resolve("part.wav");
        Files.writeString(left, "half");
        tool("java", "echo \"$@\" >\"$COMET_TEST_LOG.java\"; exit 1");
        assertEquals(1, run("start").code());
        assertFalse(Files.exists(left));
        assertTrue(Files.readString(folder.resolve("asked.log.java")).contains("-Djava.io.tmpdir=" + home.resolve(".comet/tmp")));
    }

    /** What the environment makes every Java say does not hide the JDK that is there, and nothing is asked of apt. */
    @Test
    void javaToolOptionsDoNotHideTheJdk() throws Exception {
        tool("javac", "[ -z \"${JAVA_TOOL_OPTIONS:-}\" ] || echo \"Picked up JAVA_TOOL_OPTIONS: $JAVA_TOOL_OPTIONS\" >&2; echo 'javac 17.0.15'");
        tool("java", "echo ran \"$@\"");
        Ended ended = run(Map.of("JAVA_TOOL_OPTIONS", "-Dx=8"), home, "schema");
        assertEquals(0, ended.code(), ended.text());
        assertFalse(Files.exists(folder.resolve("asked.log")), "apt was asked");
    }

    @Test
    void aJavaThatDiesWhileStartingIsToldAndLeavesNothing() throws Exception {
        tool("java", "echo 'Error: Could not create the Java Virtual Machine.'; exit 1");
        Ended ended = run("start");
        assertEquals(1, ended.code());
        assertTrue(ended.text().contains("Could not create the Java Virtual Machine") && ended.text().contains("ended while it was starting"), ended.text());
        nothingIsLeft();
        tool("java", "exit 3");
        ended = run("start");
        assertEquals(1, ended.code());
        assertTrue(ended.text().contains("ended while it was starting"), "a silent end is told too: " + ended.text());
        nothingIsLeft();
    }

    @Test
    void aStaleProcessIdIsNoFault() throws Exception {
        Files.createDirectories(home.resolve(".comet"));
        for (String stale : List.of("999999999", "nonsense", "", String.valueOf(ProcessHandle.current().pid()))) {
            Files.writeString(home.resolve(".comet/app.pid"), stale);
            Ended ended = run("stop");
            assertEquals(0, ended.code(), ended.text());
            assertEquals("Gentle Comet is not running.", ended.text().strip());
        }
    }

    /** A stand-in that knows neither SIGTERM nor an end: stop says "Stopped." only when it is gone. */
    @Test
    void stopSaysStoppedWhenBothHaveEnded() throws Exception {
        Files.createDirectories(home.resolve(".comet"));
        Process stubborn = new ProcessBuilder("bash", "-c", "exec -a 'java -jar studio/target/gentle-comet.jar' bash -c 'trap \"\" TERM; while :; do sleep 1; done'").start();
        try {
            Files.writeString(home.resolve(".comet/app.pid"), String.valueOf(stubborn.pid()));
            Ended ended = run("stop");
            assertEquals(0, ended.code(), ended.text());
            assertTrue(ended.text().contains("Stopped."), ended.text());
            assertTrue(stubborn.waitFor(5, TimeUnit.SECONDS), "it has ended");
            nothingIsLeft();
        } finally {
            stubborn.destroyForcibly();
        }
    }

    @Test
    void aDatabaseThatHasDiedUnderTheApplicationIsStartedAgain() throws Exception {
        Files.createDirectories(home.resolve(".comet/postgres"));
        Files.writeString(home.resolve(".comet/postgres/PG_VERSION"), "15");
        Files.writeString(home.resolve(".comet/password"), "x");
        Files.writeString(home.resolve(".comet/pg_port"), "54399");
        Files.writeString(home.resolve(".comet/address"), "http://127.0.0.1:8099");
        tool("curl", "[ -f \"" + home.resolve(".comet/postgres/running") + "\" ]");
        Process app = new ProcessBuilder("bash", "-c", "exec -a 'java -jar studio/target/gentle-comet.jar' sleep 60").start();
        try {
            Files.writeString(home.resolve(".comet/app.pid"), String.valueOf(app.pid()));
            Ended ended = run("start");
            assertEquals(0, ended.code(), ended.text());
            assertTrue(ended.text().contains("its database had stopped") && ended.text().contains("already running at http://127.0.0.1:8099"), ended.text());
            assertTrue(Files.readString(folder.resolve("asked.log")).contains("-p 54399"), "at the port that the application knows");
        } finally {
            app.destroyForcibly();
        }
    }

    @Test
    void filesAreNamedFromWhereTheCallerStands() throws Exception {
        Path elsewhere = Files.createDirectory(folder.resolve("elsewhere"));
        tool("java", "pwd; echo \"$@\"");
        Ended ended = run(Map.of(), elsewhere, "measure", "sounds/a.wav", "--json");
        assertTrue(ended.text().lines().anyMatch(l -> l.equals(elsewhere.toString())), ended.text());
        assertTrue(ended.text().contains(home + "/craft/target/craft-0.1.0.jar") && ended.text().contains("sounds/a.wav --json"), ended.text());
    }

    @Test
    void packagesThatAreMissingAreNamedToWhoCannotInstallThem() throws Exception {
        tool("javac", "echo 'javac 11.0.2'");
        tool("id", "case \"$1\" in -u) echo 1000;; *) echo designer;; esac");
        Ended ended = run("schema");
        assertEquals(1, ended.code());
        assertTrue(ended.text().contains("apt-get install openjdk-17-jdk-headless"), ended.text());
        assertFalse(Files.exists(folder.resolve("asked.log")));
    }
}
