package gentlecomet.studio.bench.version;

import java.util.List;

/** A variation, without its content. @param words how its quality's measure changed @param moves what was moved, one to a line */
public record VariationRow(long id, long patchId, String quality, String words, List<String> moves, String soundHash) {
}
