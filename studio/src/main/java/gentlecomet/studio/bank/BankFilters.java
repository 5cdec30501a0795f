package gentlecomet.studio.bank;

import gentlecomet.craft.curate.KnownSound;
import gentlecomet.craft.curate.PatchFilter;
import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Finds the patches of a bank that fit a typed line. */
@Service
class BankFilters {

    private static final int LONGEST_NAME = 60;

    private final FilterStore store;
    private final KnownSounds sounds;
    private final Collections collections;

    BankFilters(FilterStore store, KnownSounds sounds, Collections collections) {
        this.store = store;
        this.sounds = sounds;
        this.collections = collections;
    }

    /** Ids of what fits, in order. @param than the patches that comparisons go by @throws RefusedException where the line cannot be read */
    List<Long> find(long bankId, String line, List<Long> than) {
        CollectionRow collection = collections.ofBank(bankId);
        List<KnownSound> bank = sounds.ofBank(bankId, collection);
        Map<Long, KnownSound> byId = bank.stream().collect(Collectors.toMap(KnownSound::id, Function.identity()));
        try {
            return PatchFilter.of(line, collection.rules(), than.stream().map(byId::get).filter(Objects::nonNull).toList()).of(bank).stream().map(KnownSound::id).toList();
        } catch (EditException e) {
            throw new RefusedException(e.getMessage(), "filter");
        }
    }

    List<KeptFilter> kept(long collectionId) {
        return store.all(collectionId);
    }

    @Transactional
    public void keep(long collectionId, String name, String line) {
        if (name.isBlank() || name.strip().length() > LONGEST_NAME) {
            throw new RefusedException("A filter is kept under a name of up to " + LONGEST_NAME + " characters.", "name");
        }
        if (line.isBlank() || line.length() > PatchFilter.LONGEST) {
            throw new RefusedException("Type a filter first.", "filter");
        }
        store.keep(collectionId, new KeptFilter(name.strip(), line.strip()));
    }

    @Transactional
    public void forget(long collectionId, String name) {
        store.forget(collectionId, name);
    }
}
