package gentlecomet.studio.bank.desk;

import gentlecomet.craft.curate.Arrangement;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.studio.page.ConflictException;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchBatch;
import gentlecomet.studio.patch.PatchPlaces;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.patch.Placement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Work on many patches of a collection at once: each piece is one step that can be read and taken back. What somebody else has changed meanwhile is left as it is and
 * named; everything else is done together or not at all.
 */
@Service
public class Desk {

    private static final int KEPT_STEPS = 400;

    private final DeskStore store;
    private final Patches patches;
    private final PatchPlaces places;
    private final PatchBatch batch;

    Desk(DeskStore store, Patches patches, PatchPlaces places, PatchBatch batch) {
        this.store = store;
        this.patches = patches;
        this.places = places;
        this.batch = batch;
    }

    /**
     * What became of a step.
     *
     * @param id      of the step, 0 where nothing was to be done
     * @param changed patches that are different now, or stand elsewhere
     * @param left    sentences about those that were left as they are
     */
    public record Outcome(long id, String label, Set<Long> changed, List<String> left) {
    }

    /** Does a step that nobody waits for long. @throws ConflictException where everything it was to change has been changed by others */
    @Transactional
    public Outcome perform(long collectionId, String label, List<Deed> deeds) {
        return perform(collectionId, label, deeds, new StepProgress(deeds.size()));
    }

    /** Does a step. @throws ConflictException where everything it was to change has been changed by others @throws RefusedException where it was stopped */
    @Transactional
    public Outcome perform(long collectionId, String label, List<Deed> deeds, StepProgress progress) {
        Set<Long> touched = new LinkedHashSet<>();
        Map<Long, Placement> placed = new LinkedHashMap<>();
        for (Deed deed : deeds) {
            if (deed instanceof Deed.Edit edit) {
                touched.add(edit.patch());
            } else if (deed instanceof Deed.Place place) {
                touched.add(place.patch());
                placed.put(place.patch(), place.to());
            }
        }
        Map<Long, Patches.State> before = patches.hold(touched);
        List<String> left = new ArrayList<>();
        Set<Long> stale = new HashSet<>();
        Map<Long, List<PatchEdit>> edits = new LinkedHashMap<>();
        for (Deed deed : deeds) {
            if (deed instanceof Deed.Edit edit && !stale.contains(edit.patch()) && fits(edit, before.get(edit.patch()), left, stale)) {
                edits.computeIfAbsent(edit.patch(), p -> new ArrayList<>()).add(edit.edit());
            }
        }
        List<PatchBatch.Fresh> fresh = new ArrayList<>();
        for (Deed deed : deeds) {
            if (deed instanceof Deed.Create create) {
                fresh.add(new PatchBatch.Fresh(create.to(), create.content(), create.words()));
            }
        }
        progress.begin(edits.size() + fresh.size());
        if (!edits.isEmpty()) {
            batch.edit(edits, before, progress::passed);
        }
        if (!placed.isEmpty()) {
            places.put(placed);
        }
        touched.addAll(batch.insert(fresh, progress::passed));
        progress.last();
        List<DeskChange> changes = new ArrayList<>();
        Map<Long, Patches.State> after = patches.hold(touched);
        touched.forEach(patch -> {
            Mark was = Mark.of(before.get(patch));
            Mark is = Mark.of(after.get(patch));
            if (!Objects.equals(is, was)) {
                changes.add(new DeskChange(patch, was, is));
            }
        });
        if (changes.isEmpty() && !left.isEmpty()) {
            throw new ConflictException(left.get(0));
        }
        long id = changes.isEmpty() ? 0 : store.insert(collectionId, label, changes);
        store.prune(collectionId, KEPT_STEPS);
        return new Outcome(id, label, ids(changes), left);
    }

    private static boolean fits(Deed.Edit deed, Patches.State now, List<String> left, Set<Long> stale) {
        if (now != null && now.place() != null && (deed.version() == 0 || now.version() == deed.version())) {
            return true;
        }
        stale.add(deed.patch());
        left.add(now == null || now.place() == null ? "A patch was deleted in another tab or window."
                : "\"" + now.name() + "\" was changed in another tab or window after this page was loaded.");
        return false;
    }

    private static Set<Long> ids(List<DeskChange> changes) {
        Set<Long> ids = new LinkedHashSet<>();
        changes.forEach(c -> ids.add(c.patch()));
        return ids;
    }

    /** The newest steps first. */
    public List<DeskStep> history(long collectionId, int most) {
        return store.steps(collectionId, most);
    }

    /** The step that undo would take back. */
    public Optional<DeskStep> next(long collectionId) {
        return store.newest(collectionId);
    }

    /** The step that redo would do again: the first of those that were taken back after all that stand. */
    public Optional<DeskStep> again(long collectionId) {
        return store.firstTakenBack(collectionId);
    }

    /** Takes a step back. Patches that have changed since are left as they are. */
    @Transactional
    public Outcome takeBack(long collectionId, DeskStep step, StepProgress progress) {
        return turn(collectionId, step, true, progress);
    }

    /** Does a step again that was taken back. */
    @Transactional
    public Outcome redo(long collectionId, DeskStep step, StepProgress progress) {
        return turn(collectionId, step, false, progress);
    }

    /** A step of a collection by its id. */
    public DeskStep step(long collectionId, long id) {
        return store.find(collectionId, id).orElseThrow(() -> new MissingException("This step is no longer in the history."));
    }

    private Outcome turn(long collectionId, DeskStep step, boolean back, StepProgress progress) {
        List<DeskChange> changes = store.changes(collectionId, step.id(), !back)
                .orElseThrow(() -> new ConflictException("This step was " + (back ? "taken back" : "done again") + " in another tab or window."));
        List<String> left = new ArrayList<>();
        List<DeskChange> turned = new ArrayList<>();
        Map<Long, Patches.State> now = patches.hold(ids(changes));
        for (DeskChange change : changes) {
            Patches.State state = now.get(change.patch());
            if (state == null) {
                left.add("A patch that was deleted for ever stays as it is.");
            } else if (matches(Mark.of(state), back ? change.after() : change.before())) {
                turned.add(change);
            } else {
                left.add("\"" + state.name() + "\", which has changed since, stays as it is.");
            }
        }
        if (turned.isEmpty()) {
            throw new RefusedException("Everything that this step did has been changed since; nothing was " + (back ? "taken back." : "done again."));
        }
        place(turned, back, now, left);
        progress.begin(turned.size());
        for (DeskChange change : turned) {
            restore(change, back, now);
            progress.passed();
        }
        progress.last();
        store.update(step.id(), changes, back);
        return new Outcome(step.id(), step.label(), ids(turned), left);
    }

    /** A patch before it was made is one that is in the trash. */
    private static boolean matches(Mark now, Mark known) {
        return known == null ? now.place() == null : now.equals(known);
    }

    private void place(List<DeskChange> turned, boolean back, Map<Long, Patches.State> now, List<String> left) {
        Map<Long, Placement> wanted = new LinkedHashMap<>();
        for (DeskChange change : turned) {
            Placement to = placeOf(back ? change.before() : change.after());
            if (!Objects.equals(to, now.get(change.patch()).place())) {
                wanted.put(change.patch(), to);
            }
        }
        if (wanted.isEmpty()) {
            return;
        }
        Map<Long, Map<Integer, Long>> taken = new HashMap<>();
        wanted.values().stream().filter(Objects::nonNull).forEach(p -> taken.computeIfAbsent(p.bankId(), this::inBank));
        taken.values().forEach(bank -> bank.values().removeAll(wanted.keySet()));
        // Those whose own slot is free come first, so that nobody is put into a slot that another comes back to.
        Set<Placement> given = new HashSet<>();
        wanted.values().stream().filter(to -> to != null && !taken.get(to.bankId()).containsKey(to.slot())).forEach(given::add);
        wanted.replaceAll((patch, to) -> {
            if (to == null || given.contains(to)) {
                return to;
            }
            Placement free = free(to, taken.get(to.bankId()), given);
            given.add(free);
            left.add("\"" + now.get(patch).name() + "\" stands in slot " + free.slot() + ", as slot " + to.slot() + " is taken.");
            return free;
        });
        places.put(wanted);
    }

    /** @throws MissingException where the bank is gone */
    private Map<Integer, Long> inBank(long bankId) {
        places.arrangement(bankId);
        return new HashMap<>(places.inBank(bankId));
    }

    private static Placement free(Placement wanted, Map<Integer, Long> taken, Set<Placement> given) {
        return new Arrangement(CollectionFormat.SLOTS, taken).free(wanted.slot()).stream().map(slot -> new Placement(wanted.bankId(), slot)).filter(place -> !given.contains(place)).findFirst()
                .orElseThrow(() -> new RefusedException("The bank is full, so this step cannot be taken back."));
    }

    private static Placement placeOf(Mark standing) {
        return standing == null ? null : standing.place();
    }

    private void restore(DeskChange change, boolean back, Map<Long, Patches.State> now) {
        Mark to = back ? change.before() : change.after();
        Patches.State is = now.get(change.patch());
        if (to != null && !to.contentHash().equals(is.contentHash())) {
            if (!patches.hashAt(change.patch(), to.cursor()).equals(to.contentHash())) {
                throw new RefusedException("\"" + is.name() + "\" no longer has the state in its history that this step would bring back.");
            }
            patches.goTo(change.patch(), 0, to.cursor());
        }
    }
}
