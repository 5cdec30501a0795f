package gentlecomet.studio.bench;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * An answer of the bench carries the {@link PagePieces} that have changed: a page says in the header {@code X-Pieces} which ones it has ("sources.layer1:1a2b33c4d5e6 ...").
 */
@Component
class PieceExchange extends OncePerRequestFilter {

    private static final String HEADER = "X-Pieces";

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String accept = request.getHeader("Accept");
        String path = request.getRequestURI();
        return !path.startsWith("/patches/") || path.endsWith(".wav") || accept != null && accept.contains("text/event-stream");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
        ContentCachingResponseWrapper wrapped = new ContentCachingResponseWrapper(response);
        chain.doFilter(request, wrapped);
        String type = wrapped.getContentType();
        if (type == null || !type.startsWith("text/html") || wrapped.getContentSize() == 0) {
            wrapped.copyBodyToResponse();
            return;
        }
        String known = request.getHeader(HEADER);
        String html = new String(wrapped.getContentAsByteArray(), StandardCharsets.UTF_8);
        byte[] answer = PagePieces.exchanged(html, known == null ? Set.of() : Set.of(known.strip().split("\\s+"))).getBytes(StandardCharsets.UTF_8);
        response.setContentLength(answer.length);
        response.getOutputStream().write(answer);
    }
}
