package gentlecomet.studio.bank.many;

import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.patch.PatchSummary;
import java.util.List;
import java.util.Map;

/**
 * The patches of a bank that somebody has chosen.
 *
 * @param bank     all patches of the bank by their slots
 * @param chosen   those that were chosen, in the order in which they were
 * @param versions that the page shows
 */
record Chosen(CollectionRow collection, long bankId, List<PatchSummary> bank, List<PatchSummary> chosen, Map<Long, Long> versions) {

    long version(PatchSummary patch) {
        return versions.get(patch.id());
    }

    List<Long> ids() {
        return chosen.stream().map(PatchSummary::id).toList();
    }

    /** For example "12 patches", or the name of the only one in quotation marks. */
    String words() {
        return chosen.size() == 1 ? "\"" + chosen.get(0).name() + "\"" : chosen.size() + " patches";
    }
}
