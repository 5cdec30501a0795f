package gentlecomet.studio.measure;

import gentlecomet.craft.measure.Fingerprint;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Service;

/** What sounds are like. They never change once they are made, so those that were asked for stay at hand. */
@Service
public class Fingerprints {

    /** About 300 bytes each. */
    private static final int MOST_AT_HAND = 50_000;

    private final FingerprintStore store;
    private final Map<String, Fingerprint> atHand = new ConcurrentHashMap<>();

    Fingerprints(FingerprintStore store) {
        this.store = store;
    }

    /** Fingerprints of sounds by their hashes; those that have not been made are left out. */
    public Map<String, Fingerprint> of(Collection<String> soundHashes) {
        Map<String, Fingerprint> found = new HashMap<>();
        List<String> missing = new ArrayList<>();
        for (String hash : soundHashes) {
            Fingerprint known = atHand.get(hash);
            if (known == null) {
                missing.add(hash);
            } else {
                found.put(hash, known);
            }
        }
        if (!missing.isEmpty()) {
            Map<String, Fingerprint> read = store.find(missing);
            if (atHand.size() + read.size() > MOST_AT_HAND) {
                atHand.clear();
            }
            atHand.putAll(read);
            found.putAll(read);
        }
        return found;
    }
}
