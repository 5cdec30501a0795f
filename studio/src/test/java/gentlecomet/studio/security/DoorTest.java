package gentlecomet.studio.security;

import static gentlecomet.studio.Token.token;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.measure.MeasureFixture;
import gentlecomet.studio.page.ProgressStream;
import java.io.BufferedReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.catalina.connector.Request;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.mock.web.MockMultipartFile;

/** Who is let in, over the real socket: names, origins, tokens, streams that nobody follows any more, and what would fill the heap. */
@StudioTest
class DoorTest extends WebWork {

    @LocalServerPort
    private int port;
    @Autowired
    private ProgressStream streams;

    @BeforeEach
    void newPatch() {
        begin("Door", 0);
        patches.edit(id, 0, "", new gentlecomet.craft.edit.PatchEdit.SetValue(gentlecomet.sound.parameter.Parameters.find("layer1.source1.cents"), System.nanoTime() % 99_999_999 * 1e-6));
        measuredBefore = MeasureFixture.find(jdbc, patches.get(id).soundHash(), "line").isPresent();
    }

    /** What the server says to a request, byte for byte. */
    private String say(String request) throws IOException {
        try (Socket socket = new Socket("127.0.0.1", port)) {
            socket.setSoTimeout(10_000);
            socket.getOutputStream().write(request.replace("\n", "\r\n").getBytes(StandardCharsets.US_ASCII));
            return new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8)).lines().collect(Collectors.joining("\n"));
        }
    }

    private String request(String method, String path, String host, String... headers) throws IOException {
        String more = headers.length == 0 ? "" : String.join("\n", headers) + "\n";
        return say(method + " " + path + " HTTP/1.1\nHost: " + host + "\n" + more + "Content-Length: 0\nConnection: close\n\n");
    }

    private String here() {
        return "127.0.0.1:" + port;
    }

    @Test
    void onlyTheNamesItIsBoundToAreServed() throws Exception {
        for (String host : List.of(here(), "localhost:" + port, "[::1]:" + port)) {
            assertTrue(request("GET", "/banks/" + bank, host).startsWith("HTTP/1.1 200"), host);
        }
        for (String host : List.of("evil.example", "evil.example:" + port, "127.0.0.1.evil.example:" + port, "127.0.0.1:1", "localhost.:" + port)) {
            String answer = request("GET", "/banks/" + bank, host);
            assertTrue(answer.startsWith("HTTP/1.1 421"), host + ": " + answer.lines().findFirst().orElse(""));
            assertFalse(answer.contains("Door"), host);
        }
    }

    @Test
    void pagesOfOtherSitesChangeAndReadNothing() throws Exception {
        String[] good = taken(request("GET", "/banks/" + bank, here()));
        for (String foreign : List.of("Origin: http://evil.example", "Origin: null", "Origin: http://127.0.0.1:1", "Sec-Fetch-Site: cross-site", "Sec-Fetch-Site: same-site")) {
            assertTrue(request("POST", "/patches/" + id + "/undo?version=0", here(), good[0], good[1], foreign).startsWith("HTTP/1.1 403"), foreign);
            assertTrue(request("GET", "/patches/" + id + "/content", here(), foreign).startsWith("HTTP/1.1 403"), foreign);
        }
        assertTrue(request("GET", "/banks/" + bank, here(), "Sec-Fetch-Site: cross-site", "Sec-Fetch-Mode: navigate", "Sec-Fetch-Dest: document").startsWith("HTTP/1.1 200"),
                "a link on another page leads here");
        assertTrue(request("POST", "/patches/" + id + "/undo?version=0", here(), good[0], good[1], "Origin: http://" + here(), "Sec-Fetch-Site: same-origin").startsWith("HTTP/1.1 200"));
    }

    @Test
    void aTokenThatIsNotOursCountsForNothing() throws Exception {
        String[] good = taken(request("GET", "/banks/" + bank, here()));
        assertTrue(request("POST", "/patches/" + id + "/undo?version=0", here(), good).startsWith("HTTP/1.1 200"));
        String value = good[1].substring(good[1].indexOf(' ') + 1);
        for (String forged : List.of("aaaa", "aaaa.bbbb", value.substring(0, value.length() - 1) + (value.endsWith("A") ? "B" : "A"), "." + value)) {
            assertTrue(request("POST", "/patches/" + id + "/undo?version=0", here(), "Cookie: XSRF-TOKEN=" + forged, "X-XSRF-TOKEN: " + forged).startsWith("HTTP/1.1 403"), forged);
        }
        assertTrue(request("GET", "/banks/" + bank, here()).contains("SameSite=Strict"));
    }

    /** The cookie and the header that a page sends. */
    private static String[] taken(String answer) {
        String value = answer.lines().filter(l -> l.startsWith("Set-Cookie: XSRF-TOKEN=")).map(l -> l.substring(l.indexOf('=') + 1, l.indexOf(';'))).findFirst().orElseThrow();
        return new String[] {"Cookie: XSRF-TOKEN=" + value, "X-XSRF-TOKEN: " + value};
    }

    @Test
    void noPageOfTheServersOwnMakerIsShown() throws Exception {
        for (String path : List.of("/nowhere", "/%2e%2e/etc", "//banks", "/banks/%00", "/banks/{x}", "/banks;x=1/")) {
            String answer = request("GET", path, here());
            assertTrue(answer.startsWith("HTTP/1.1 4"), path + ": " + answer);
            assertFalse(answer.toLowerCase().contains("tomcat") || answer.contains("HTTP Status") || answer.contains("Whitelabel") || answer.contains("at org."), path + ": " + answer);
        }
        for (String path : List.of("/nowhere", "/banks/x")) {
            assertTrue(request("GET", path, here()).contains("To the collection"), "a page of ours for " + path);
        }
    }

    /** A page that is gone is found out by the heartbeats, and one that is still there is kept; one query serves all. */
    @Test
    void streamsOfPagesThatAreGoneEnd() throws Exception {
        List<Socket> pages = IntStream.rangeClosed(1, 40).mapToObj(this::watch).toList();
        for (Socket page : pages.subList(0, 39)) {
            page.close();
        }
        until(() -> streams.watchers("measuring " + bank) == 1);
        pages.get(39).close();
        until(() -> streams.watchers("measuring " + bank) == 0);
    }

    /** The next page that watches; a busy database may refuse one ("try again"), so it is asked for until it counts. */
    private Socket watch(int count) {
        AtomicReference<Socket> page = new AtomicReference<>();
        until(() -> {
            try {
                if (page.get() == null || page.get().getInputStream().available() > 0 && streams.watchers("measuring " + bank) < count) {
                    page.set(open());
                }
            } catch (IOException e) {
                throw new AssertionError(e);
            }
            return streams.watchers("measuring " + bank) == count;
        });
        return page.get();
    }

    private Socket open() throws IOException {
        Socket socket = new Socket("127.0.0.1", port);
        socket.getOutputStream().write(("GET /banks/" + bank + "/measuring HTTP/1.1\r\nHost: " + here() + "\r\n\r\n").getBytes(StandardCharsets.US_ASCII));
        return socket;
    }

    private static void until(java.util.function.BooleanSupplier condition) {
        new org.openqa.selenium.support.ui.FluentWait<>(condition).withTimeout(Duration.ofSeconds(30)).pollingEvery(Duration.ofMillis(20)).until(java.util.function.BooleanSupplier::getAsBoolean);
    }

    @Test
    void readingAsksForNoWorkAndCreatesNothing() throws Exception {
        long collections = count("collection");
        for (String path : List.of("/", "/collections/" + collection, "/collections/" + collection + "/rules", "/banks/" + bank, "/banks/" + bank + "/rows",
                "/banks/" + bank + "/levels", "/banks/" + bank + "/soundcheck", "/banks/" + bank + "/listening", "/collections/" + collection + "/releases",
                "/patches/" + id, "/patches/" + id + "/bench", "/patches/" + id + "/measured", "/patches/" + id + "/playable", "/patches/" + id + "/variations/portraits")) {
            web.perform(get(path)).andExpect(status().is(path.equals("/") ? 302 : 200));
        }
        assertEquals(0L, (long) jdbc.sql("select count(*) from scheduled_tasks where task_instance like :sound || '%'").param("sound", patches.get(id).soundHash().strip())
                .query(Long.class).single());
        assertEquals(collections, count("collection"));
        assertTrue(MeasureFixture.find(jdbc, patches.get(id).soundHash(), "line").isEmpty() || measuredBefore, "nothing was measured by looking");
    }

    @Autowired
    private org.springframework.jdbc.core.simple.JdbcClient jdbc;
    /** Other tests may have measured the neutral sound. */
    private boolean measuredBefore;

    private long count(String table) {
        return jdbc.sql("select count(*) from " + table).query(Long.class).single();
    }

    /** 1.4 GB of zeros in 1.4 MB: refused while it is read, long before it fills the heap. */
    @Test
    void anArchiveThatUnpacksToFarMoreThanItsSizeIsRefused() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            byte[] zeros = new byte[1 << 20];
            for (String name : List.of("collection.json", "demos/a.wav")) {
                zip.putNextEntry(new ZipEntry(name));
                for (int i = 0; i < 700; i++) {
                    zip.write(zeros);
                }
            }
        }
        assertTrue(out.size() < 1_500_000);
        web.perform(multipart("/imports").file(new MockMultipartFile("file", "bomb.zip", "application/zip", out.toByteArray())).with(token()).header("HX-Request", "true"))
                .andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("bomb.zip")));
    }

    /** Hostile files at the real address: each is a sentence, never a failure of the server. */
    @Test
    void hostileFilesAreAnsweredInWords() throws Exception {
        for (Map.Entry<String, byte[]> file : Map.of("high.mid", midi(0, 0x90, 0xC8, 0x64), "tempo.mid", midi(0, 0xFF, 0x51, 2, 7, 0xA1), "text.mid", "hello".getBytes(StandardCharsets.UTF_8),
                "cut.mid", java.util.Arrays.copyOf(midi(0, 0x90, 60, 100), 20)).entrySet()) {
            web.perform(multipart("/phrases").file(new MockMultipartFile("file", file.getKey(), "audio/midi", file.getValue())).with(token()).header("X-Requested-With", "comet"))
                    .andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString(file.getKey()))).andExpect(content().string(not(containsString("Exception"))));
        }
        for (String scale : List.of("x\n1\n1.e400", "x\n1\n0x1.8p1", "x\n1\n1.5f")) {
            web.perform(multipart("/patches/" + id + "/tuning").file(new MockMultipartFile("scale", "bad.scl", "text/plain", scale.getBytes(StandardCharsets.UTF_8)))
                    .param("version", "0").with(token()).header("X-Requested-With", "comet")).andExpect(status().isUnprocessableEntity())
                    .andExpect(content().string(containsString("bad.scl, line 3")));
        }
    }

    private static byte[] midi(int... events) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(new byte[] {'M', 'T', 'h', 'd', 0, 0, 0, 6, 0, 0, 0, 1, 0, 96, 'M', 'T', 'r', 'k', 0, 0, 0, (byte) events.length});
        for (int e : events) {
            out.write(e);
        }
        return out.toByteArray();
    }

    /** Many edits of one patch at once: each arrives or is told that another was faster; none is told that the patch is gone. */
    @Test
    void whoLosesARaceIsNotToldThatThePatchIsGone() throws Exception {
        ExecutorService hands = Executors.newFixedThreadPool(8);
        try {
            List<Future<Integer>> answers = IntStream.range(0, 64).mapToObj(i -> hands.submit(() -> web.perform(
                    org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post("/patches/" + id + "/edits").param("version", i % 2 == 0 ? "0" : String.valueOf(patches.get(id).version()))
                            .param("kind", "rename").param("name", "Racing " + i).with(token()).header("X-Requested-With", "comet")).andReturn().getResponse().getStatus())).toList();
            for (Future<Integer> answer : answers) {
                int status = answer.get(60, TimeUnit.SECONDS);
                assertTrue(status == 200 || status == 409, "answered " + status);
            }
        } finally {
            hands.shutdownNow();
        }
    }
}
