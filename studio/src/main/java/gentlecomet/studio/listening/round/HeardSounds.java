package gentlecomet.studio.listening.round;

import gentlecomet.craft.curate.KnownSound;
import gentlecomet.studio.collection.CollectionRow;
import java.util.List;

/** What is known of the patches that a round can choose from. The room of banks knows. */
public interface HeardSounds {

    /** The patches of a bank by their slots. */
    List<KnownSound> ofBank(long bankId, CollectionRow collection);

    /** The patches of a collection by bank and slot. */
    List<KnownSound> ofCollection(CollectionRow collection);
}
