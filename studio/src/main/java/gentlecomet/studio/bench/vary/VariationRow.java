package gentlecomet.studio.bench.vary;

import gentlecomet.craft.vary.Place;
import java.util.List;

/**
 * A variation, without its content.
 *
 * @param quality the directions it went, "darker, longer"
 * @param words   how their measures changed
 * @param moves   what was moved, one to a line
 * @param place   where it measures, or null where it could not be made
 * @param origin  where the sound measured that it was made from, or null
 */
public record VariationRow(long id, long patchId, String quality, String words, List<String> moves, String soundHash, Place place, Place origin) {
}
