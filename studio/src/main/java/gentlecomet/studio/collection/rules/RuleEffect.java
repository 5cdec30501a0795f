package gentlecomet.studio.collection.rules;

import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.patch.PatchSummary;
import java.util.List;

/** What the house rules say of patches as they are, beyond their names. The room that knows declares it, and the rules page shows it. */
public interface RuleEffect {

    /** A patch that breaks a rule. @param how in a word or a number, for example "+1.20" */
    record Broken(PatchSummary patch, String how) {
    }

    /** What the patches have in common, for example "outside the loudness tolerance". */
    String name();

    /** @param all every patch of the collection */
    List<Broken> broken(CollectionRow collection, List<PatchSummary> all);
}
