package gentlecomet.studio.page;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.Test;

/** The way that is gone right after the start: by links of the pages themselves, and never by anything but GET. */
class FirstVisitTest {

    private static List<String> visited(Map<String, String> pages) throws IOException {
        List<String> asked = new CopyOnWriteArrayList<>();
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", exchange -> {
            String path = exchange.getRequestURI().getPath();
            asked.add(exchange.getRequestMethod() + " " + path);
            byte[] body = pages.getOrDefault(path, "").getBytes(StandardCharsets.UTF_8);
            if (path.equals("/")) {
                exchange.getResponseHeaders().add("Location", "/collections/3");
            }
            exchange.sendResponseHeaders(path.equals("/") ? 302 : 200, body.length == 0 ? -1 : body.length);
            exchange.getResponseBody().write(body);
            exchange.close();
        });
        server.start();
        try {
            FirstVisit.visit("http://127.0.0.1:" + server.getAddress().getPort());
        } finally {
            server.stop(0);
        }
        return asked;
    }

    @Test
    void theFirstBankAndItsFirstPatchAreRead() throws IOException {
        assertEquals(List.of("GET /", "GET /collections/3", "GET /banks/7", "GET /patches/12"), visited(Map.of("/collections/3", "<a href=\"/rules\"></a><a href=\"/banks/7\">A</a><a href=\"/banks/8\">B</a>",
                "/banks/7", "<a href=\"/patches/12\">One</a><a href=\"/patches/13\">Two</a>")));
    }

    @Test
    void withoutAPatchItEndsThere() throws IOException {
        assertEquals(List.of("GET /", "GET /collections/3"), visited(Map.of("/collections/3", "<p>empty</p>")));
    }
}
