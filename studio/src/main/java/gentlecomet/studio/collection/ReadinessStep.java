package gentlecomet.studio.collection;

import gentlecomet.studio.patch.PatchSummary;
import java.util.List;
import java.util.Set;

/** One step of a collection's readiness. The room that does the step declares it, and the home page shows all of them in their order. */
public interface ReadinessStep {

    /** Place in the order of the work, from 1. */
    int order();

    /** What a patch is when it has passed, for example "Levelled". */
    String name();

    /** The page where the step is done. */
    String link(BankRow firstBank);

    /** Ids of the patches that have passed. @param all every patch of the collection */
    Set<Long> passed(CollectionRow collection, List<PatchSummary> all);
}
