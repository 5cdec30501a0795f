package gentlecomet.studio.bank.mend;

import gentlecomet.craft.check.Finding;
import java.util.List;

/**
 * What came of trying to mend a finding of a sound.
 *
 * @param words of the repair that works, empty where none does
 * @param patch mended, as JSON; null where none does
 * @param told  what the others came to, one line each
 * @param left  what is found about the mended patch
 */
public record MendingRow(long patchId, String finding, String words, String patch, List<String> told, List<Finding> left) {

    public boolean works() {
        return patch != null;
    }
}
