package gentlecomet.studio.collection;

import gentlecomet.craft.format.CollectionFormat;
import java.io.IOException;
import java.io.UncheckedIOException;
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

    private static final String FOLDER = "demo/saltmarsh-field-kit/";

    private final CollectionStore collections;
    private final Intake intake;
    private final boolean wanted;

    public DemoLoader(CollectionStore collections, Intake intake, @Value("${comet.demo}") boolean wanted) {
        this.collections = collections;
        this.intake = intake;
        this.wanted = wanted;
    }

    @Override
    public void afterSingletonsInstantiated() {
        if (wanted && collections.empty()) {
            try {
                load();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** Loads the demo as another collection; answers its id. */
    public long load() throws IOException {
        Map<String, byte[]> files = new TreeMap<>();
        for (Resource resource : new PathMatchingResourcePatternResolver().getResources("classpath*:" + FOLDER + "**/*.*")) {
            String url = resource.getURL().toString();
            files.put(url.substring(url.lastIndexOf(FOLDER) + FOLDER.length()), resource.getContentAsByteArray());
        }
        return intake.take(CollectionFormat.read(files));
    }
}
