package gentlecomet.studio.page;

import java.util.List;

/**
 * What every page shows around its own content: the title, the rail and where it leads.
 *
 * @param title   of the page
 * @param place   id of the rail's entry that is lit
 * @param bank    the bank that the entries of the rail lead to
 * @param patchId the patch that "Bench" leads to, 0 when the bank is empty
 */
public record PageContext(String title, String place, Directory.Entry collection, Directory.Entry bank, long patchId,
        List<Directory.Entry> collections, List<Directory.Entry> banks) {
}
