package gentlecomet.studio.security;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Answers only to the names it is bound to, so that no page of another site reaches it under a name of its own (DNS rebinding), and refuses
 * what another site's page sends: a foreign Origin (RFC 6454), and requests that the browser marks as coming from elsewhere (W3C Fetch Metadata).
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class OwnAddress extends OncePerRequestFilter {

    private static final Set<String> NAMES = Set.of("127.0.0.1", "localhost", "[::1]", "::1", "0:0:0:0:0:0:0:1", "[0:0:0:0:0:0:0:1]");
    private static final int MISDIRECTED = 421;
    private static final int HTTP_PORT = 80;

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        if (!NAMES.contains(request.getServerName().toLowerCase(Locale.ROOT)) || request.getServerPort() != request.getLocalPort()) {
            refuse(response, MISDIRECTED, "This address does not belong to Gentle Comet. Open it as http://127.0.0.1:" + request.getLocalPort() + "/.");
        } else if (foreign(request)) {
            refuse(response, HttpServletResponse.SC_FORBIDDEN, "A page of another site asked for this, so nothing was changed and nothing is told.");
        } else {
            chain.doFilter(request, response);
        }
    }

    private static boolean foreign(HttpServletRequest request) {
        String origin = request.getHeader("Origin");
        if (origin != null && !origin.equalsIgnoreCase(own(request))) {
            return true;
        }
        String site = request.getHeader("Sec-Fetch-Site");
        if (site == null || site.equals("same-origin") || site.equals("none")) {
            return false;
        }
        // A link on another page may lead here: a read that opens a page of its own and changes nothing.
        boolean link = request.getMethod().equals("GET") && "navigate".equals(request.getHeader("Sec-Fetch-Mode"))
                && "document".equals(request.getHeader("Sec-Fetch-Dest"));
        return !link;
    }

    private static String own(HttpServletRequest request) {
        String port = request.getServerPort() == HTTP_PORT ? "" : ":" + request.getServerPort();
        return request.getScheme() + "://" + request.getServerName() + port;
    }

    private static void refuse(HttpServletResponse response, int status, String words) throws IOException {
        response.setStatus(status);
        response.setContentType("text/plain;charset=UTF-8");
        response.getOutputStream().write(words.getBytes(StandardCharsets.UTF_8));
    }
}
