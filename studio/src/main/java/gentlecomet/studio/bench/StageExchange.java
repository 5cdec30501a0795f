package gentlecomet.studio.bench;

import gentlecomet.craft.format.Hashes;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * An answer of the bench carries the stages that have changed. Every stage goes out with a hash; a page says which ones it has in the header {@code X-Stages}
 * ("sources:1a2b layer1.source2.:3c4d"), and in place of a stage that is still the same it gets an empty one, marked {@code data-kept}. Within a stage that has changed
 * the same goes for its parts, such as each source.
 */
@Component
class StageExchange extends OncePerRequestFilter {

    private static final String HEADER = "X-Stages";
    private static final int HASH_DIGITS = 12;
    /** A stage from its first tag to its last; stages stand side by side and have no sections in them. */
    private static final Pattern STAGE = Pattern.compile("<section class=\"stage\"([^>]*) data-stage-panel=\"([a-z]+)\"([^>]*)>(.*?)</section>", Pattern.DOTALL);

    /** A part of a stage; a comment says where it ends, since parts have elements of the same kind in them. */
    private static final Pattern PART = Pattern.compile("<div([^>]*) data-keep=\"([\\w.]+)\"([^>]*)>((?:(?!<!--/keep-->).)*)</div><!--/keep-->", Pattern.DOTALL);

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
        String stages = request.getHeader(HEADER);
        String html = new String(wrapped.getContentAsByteArray(), StandardCharsets.UTF_8);
        byte[] answer = exchanged(html, stages == null ? Set.of() : Set.of(stages.strip().split("\\s+"))).getBytes(StandardCharsets.UTF_8);
        response.setContentLength(answer.length);
        response.getOutputStream().write(answer);
    }

    /** The page with hashes on its stages and their parts, and without those that are known. @param known "name:hash" */
    static String exchanged(String html, Set<String> known) {
        return replaced(html, STAGE, stage -> {
            String hash = hash(stage.group());
            boolean same = known.contains(stage.group(2) + ":" + hash);
            return "<section class=\"stage\"" + stage.group(1) + " data-stage-panel=\"" + stage.group(2) + marks(hash, same) + stage.group(3) + ">"
                    + (same ? "" : parts(stage.group(4), known)) + "</section>";
        });
    }

    private static String parts(String stage, Set<String> known) {
        return replaced(stage, PART, part -> {
            String hash = hash(part.group());
            boolean same = known.contains(part.group(2) + ":" + hash);
            return "<div" + part.group(1) + " data-keep=\"" + part.group(2) + marks(hash, same) + part.group(3) + ">" + (same ? "" : part.group(4)) + "</div>";
        });
    }

    private static String marks(String hash, boolean same) {
        return "\" data-hash=\"" + hash + "\"" + (same ? " data-kept" : "");
    }

    private static String replaced(String html, Pattern pattern, Function<MatchResult, String> by) {
        Matcher found = pattern.matcher(html);
        StringBuilder out = new StringBuilder(html.length());
        int at = 0;
        while (found.find()) {
            out.append(html, at, found.start()).append(by.apply(found));
            at = found.end();
        }
        return out.append(html, at, html.length()).toString();
    }

    private static String hash(String stage) {
        return Hashes.of(stage.getBytes(StandardCharsets.UTF_8)).substring(0, HASH_DIGITS);
    }
}
