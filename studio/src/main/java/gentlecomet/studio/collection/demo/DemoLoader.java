package gentlecomet.studio.collection.demo;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.collection.Intake;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;

/** Loads the demo collection into an empty database, and only there; before the first page can be asked for, which would begin a collection of its own. */
@Component
public class DemoLoader implements SmartInitializingSingleton {

    private static final String FIRST = "demo/saltmarsh-field-kit/";
    private static final String SECOND = "demo/glasshouse-hours/";
    /** Of broken patches, one fault each, to try the soundcheck on. */
    private static final String BROKEN = "demo/weather-station-nine/";

    private final Collections collections;
    private final Intake intake;
    private final List<DemoAddition> additions;
    private final boolean wanted;
    private final boolean second;
    private final boolean large;

    /** @param second whether the other demos come along @param large whether the large one is to be there */
    public DemoLoader(Collections collections, Intake intake, List<DemoAddition> additions, @Value("${comet.demo}") boolean wanted, @Value("${comet.demo.second}") boolean second, @Value("${comet.demo.large}") boolean large) {
        this.collections = collections;
        this.intake = intake;
        this.additions = additions;
        this.wanted = wanted;
        this.second = second;
        this.large = large;
    }

    @Override
    public void afterSingletonsInstantiated() {
        try {
            if (wanted && collections.cards().isEmpty()) {
                // The one that is to be opened is worked on last.
                if (second) {
                    intake.take(read(BROKEN));
                    intake.take(read(SECOND));
                }
                long id = load();
                if (second) {
                    additions.forEach(a -> a.addTo(id));
                }
            }
            if (large && collections.cards().stream().noneMatch(c -> c.name().equals(LargeDemo.NAME))) {
                intake.take(LargeDemo.of(read(FIRST)));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Loads the demo as another collection; answers its id. */
    public long load() throws IOException {
        return intake.take(read(FIRST));
    }

    private static CollectionFile read(String folder) throws IOException {
        Map<String, byte[]> files = new TreeMap<>();
        for (Resource resource : new PathMatchingResourcePatternResolver().getResources("classpath*:" + folder + "**/*.*")) {
            String url = resource.getURL().toString();
            files.put(url.substring(url.lastIndexOf(folder) + folder.length()), resource.getContentAsByteArray());
        }
        return CollectionFormat.read(files);
    }
}
