package gentlecomet.studio.page;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.boot.autoconfigure.web.WebProperties;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.http.CacheControl;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Styles, scripts and fonts under an address that has the hash of all of them in it, so that browsers keep them for a year and never mix two versions: modules
 * import one another by relative paths and so stay under the same hash.
 */
@Component
public class StaticFiles implements WebMvcConfigurer {

    private static final Duration KEPT = Duration.ofDays(365);
    private static final int HASH_DIGITS = 12;
    /** Modules that only the audio thread loads, or the page without a collection. */
    private static final Set<String> ELSEWHERE = Set.of("js/player/worklet.js", "js/player/sequences.js", "js/player/beside.js", "js/player/crossfade.js", "js/first.js");

    private final String[] locations;
    private final String prefix;
    private final List<String> modules = new ArrayList<>();

    StaticFiles(WebProperties web) {
        locations = web.getResources().getStaticLocations();
        TreeMap<String, Resource> files = new TreeMap<>();
        try {
            for (String location : locations) {
                String pattern = (location.startsWith("classpath:") ? location.replace("classpath:", "classpath*:") : location) + "**/*.*";
                for (Resource resource : new PathMatchingResourcePatternResolver().getResources(pattern)) {
                    String url = resource.getURL().toString();
                    int js = Math.max(url.lastIndexOf("/js/"), Math.max(url.lastIndexOf("/css/"), Math.max(url.lastIndexOf("/engine/"), url.lastIndexOf("/fonts/"))));
                    if (js >= 0 && !url.contains("/webjars/")) {
                        files.put(url.substring(js + 1), resource);
                    }
                }
            }
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            for (Resource file : files.values()) {
                digest.update(file.getContentAsByteArray());
            }
            prefix = "/files/" + HexFormat.of().formatHex(digest.digest()).substring(0, HASH_DIGITS);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
        files.keySet().stream().filter(f -> f.endsWith(".js") && !ELSEWHERE.contains(f)).forEach(f -> modules.add(at("/" + f)));
    }

    /** The address of a static file, for example of "/css/comet.css". */
    public String at(String path) {
        return prefix + path;
    }

    /** Addresses of all page modules, so that a browser can fetch them at once and not one after another as they import each other. */
    public List<String> modules() {
        return modules;
    }

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler(prefix + "/**").addResourceLocations(locations).setCacheControl(CacheControl.maxAge(KEPT).cachePublic().immutable());
    }
}
