package gentlecomet.studio.asset;

import java.time.Instant;
import java.util.List;

/**
 * A sound file of a collection.
 *
 * @param users names of the patches that use it in their working state, in a saved revision, on a pad or in a variation
 */
public record AssetRow(String hash, String name, int frames, int channels, int rate, Instant addedAt, List<String> users) {
    public double seconds() {
        return (double) frames / rate;
    }

    public boolean unused() {
        return users.isEmpty();
    }
}
