package gentlecomet.studio.service;

import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.studio.store.CollectionStore;
import java.io.IOException;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;

/** Loads the demo collection into an empty database, and only there. */
@Component
public class DemoLoader implements ApplicationRunner {

    private static final String FOLDER = "demo/saltmarsh-field-kit/";

    private final CollectionStore collections;
    private final Banks banks;
    private final boolean wanted;

    public DemoLoader(CollectionStore collections, Banks banks, @Value("${comet.demo}") boolean wanted) {
        this.collections = collections;
        this.banks = banks;
        this.wanted = wanted;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        if (wanted && collections.empty()) {
            load();
        }
    }

    /** Loads the demo as another collection; answers its id. */
    public long load() throws IOException {
        Map<String, byte[]> files = new TreeMap<>();
        for (Resource resource : new PathMatchingResourcePatternResolver().getResources("classpath*:" + FOLDER + "**/*.*")) {
            String url = resource.getURL().toString();
            files.put(url.substring(url.lastIndexOf(FOLDER) + FOLDER.length()), resource.getContentAsByteArray());
        }
        return banks.take(CollectionFormat.read(files));
    }
}
