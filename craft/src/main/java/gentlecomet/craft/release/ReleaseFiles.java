package gentlecomet.craft.release;

import java.util.Map;
import java.util.TreeMap;

/** The files of a release while it is being built, and what the manifest says of demos. */
public final class ReleaseFiles {

    private final Map<String, byte[]> files = new TreeMap<>();
    private final Map<String, String> samples = new TreeMap<>();

    /** @throws IllegalStateException when there is such a file already */
    void put(String path, byte[] content) {
        if (files.putIfAbsent(path, content) != null) {
            throw new IllegalStateException("two exporters write " + path);
        }
    }

    /** Notes the hash of a demo's samples before they were cut to 24 bits. @param path of the demo */
    void noteSamples(String path, String hash) {
        samples.put(path, hash);
    }

    /** The hash of a demo's samples, empty when the release has no such demo. */
    String samples(String path) {
        return samples.getOrDefault(path, "");
    }

    /** Content by path, sorted. */
    Map<String, byte[]> all() {
        return files;
    }
}
