package gentlecomet.studio.collection;

import java.util.Optional;
import org.springframework.stereotype.Service;

/** Which collection the start page opens. */
@Service
class HomeStart {

    private final CollectionStore store;

    HomeStart(CollectionStore store) {
        this.store = store;
    }

    /** @param shown id of the collection that was shown last in this browser, or anything else */
    Optional<Long> collection(String shown) {
        return shown.matches("\\d{1,18}") && store.exists(Long.parseLong(shown)) ? Optional.of(Long.parseLong(shown)) : store.workedOnLast();
    }
}
