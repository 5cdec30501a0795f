package gentlecomet.studio.page;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.web.context.WebServerApplicationContext;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Visits the first pages that somebody will visit, right after the start: templates are read and code is loaded then, which would make the first person wait for over a second. Only reads, as every
 * GET does; where it fails, nothing is lost.
 */
@Component
@ConditionalOnProperty(name = "comet.first-visit", matchIfMissing = true)
class FirstVisit {

    private static final Logger LOG = LoggerFactory.getLogger(FirstVisit.class);
    private static final Duration LONGEST = Duration.ofSeconds(20);
    /** From page to page: a bank, and its first patch. */
    private static final List<Pattern> WAY = List.of(Pattern.compile("href=\"(/banks/\\d+)\""), Pattern.compile("href=\"(/patches/\\d+)\""));

    @EventListener
    void started(ApplicationReadyEvent event) {
        if (event.getApplicationContext() instanceof WebServerApplicationContext web) {
            Thread visit = new Thread(() -> visit("http://127.0.0.1:" + web.getWebServer().getPort()), "first-visit");
            visit.setDaemon(true);
            visit.start();
        }
    }

    static void visit(String address) {
        HttpClient client = HttpClient.newBuilder().followRedirects(HttpClient.Redirect.NORMAL).connectTimeout(LONGEST).build();
        try {
            String page = get(client, address + "/");
            for (Pattern link : WAY) {
                Matcher found = link.matcher(page);
                if (!found.find()) {
                    return;
                }
                page = get(client, address + found.group(1));
            }
        } catch (IOException e) {
            LOG.info("the first pages were not visited: {}", e.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static String get(HttpClient client, String url) throws IOException, InterruptedException {
        return client.send(HttpRequest.newBuilder(URI.create(url)).timeout(LONGEST).build(), HttpResponse.BodyHandlers.ofString()).body();
    }
}
