package gentlecomet.studio.patch;

import gentlecomet.craft.edit.PatchDifference;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.PatchRules;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.page.ConflictException;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Patches and work on them: every edit is a step in a log, so undo and redo survive a crash or a restart. An edit names the
 * version it was made on; a later edit on an old state is refused, never merged in silence. Undo goes back {@value #UNDO_STEPS} steps at least.
 */
@Service
public class Patches {

    /** Steps that can always be undone; older ones are forgotten in batches. */
    public static final int UNDO_STEPS = 500;
    private static final int PRUNED_EVERY = 50;
    private static final int LONGEST_NOTE = 400;

    private final PatchStore store;
    private final LockStore locks;
    private final AssetUseStore uses;

    Patches(PatchStore store, LockStore locks, AssetUseStore uses) {
        this.store = store;
        this.locks = locks;
        this.uses = uses;
    }

    /** What undo and redo would do now, in words; empty when there is nothing. */
    public record Steps(String undo, String redo) {
    }

    /** A working state. @param place null in the trash @param cursor number of the edit that it comes from */
    public record State(String name, long version, Placement place, int cursor, String contentHash) {
    }

    /** A patch with its content. @throws MissingException when it is not there */
    public PatchRow get(long id) {
        return store.find(id).orElseThrow(Patches::missing);
    }

    /** A patch without its content. @throws MissingException when it is not there */
    public PatchSummary summary(long id) {
        return store.summary(id).orElseThrow(Patches::missing);
    }

    /** The working states of patches wherever they are, in the trash too; nobody else can change them until the transaction ends. */
    @Transactional
    public Map<Long, State> hold(Collection<Long> ids) {
        return store.hold(ids);
    }

    /** Hash of the state that a step of the log led to, empty when there is none. */
    public String hashAt(long id, int step) {
        return store.hashAt(id, step);
    }

    /** The patches of a bank by their slots, without their content. */
    public List<PatchSummary> inBank(long bankId) {
        return store.inBank(bankId);
    }

    /** Patches of all collections but one. @param words with each of which a word of the name, a tag or the author begins */
    public List<FoundPatch> elsewhere(long collectionId, List<String> words, int most) {
        return store.elsewhere(collectionId, words, most);
    }

    /** The patches of a collection by bank and slot, without their content. */
    public List<PatchSummary> inCollection(long collectionId) {
        return store.inCollection(collectionId);
    }

    /** Level trims of a bank's patches in dB, by patch. */
    public Map<Long, Double> trims(long bankId) {
        return store.trims(bankId).stream().collect(Collectors.toMap(PatchTrim::patchId, PatchTrim::db));
    }

    /** Playing notes of a collection's patches that have any, by patch. */
    public Map<Long, String> notes(long collectionId) {
        return store.notes(collectionId);
    }

    /** Patches of a collection that were made within some days. */
    public int madeWithin(long collectionId, int days) {
        return store.madeWithin(collectionId, days);
    }

    public List<Integer> takenSlots(long bankId) {
        return store.slots(bankId);
    }

    public List<String> names(long collectionId) {
        return store.names(collectionId);
    }

    /** Names of the other patches of a collection that are equal to this one's but for capitals and spaces. */
    public List<String> namesLike(long collectionId, PatchSummary patch) {
        return store.namesLike(collectionId, patch.id(), patch.name());
    }

    public Steps steps(PatchRow row) {
        Map<Integer, String> labels = store.labels(row.id(), row.cursor() - 1, row.cursor() + 1);
        return new Steps(labels.containsKey(row.cursor() - 1) ? labels.getOrDefault(row.cursor(), "") : "", labels.getOrDefault(row.cursor() + 1, ""));
    }

    public List<EditRow> history(long id, int most) {
        return store.history(id, most);
    }

    public List<RevisionRow> revisions(long id) {
        return store.revisions(id);
    }

    /** The state that was saved as a revision. */
    public Optional<Patch> revision(long id, int number) {
        return store.revision(id, number);
    }

    /** Whether any patch of a collection has been saved. */
    public boolean anyRevision(long collectionId) {
        return store.anyRevision(collectionId);
    }

    /** The latest revision of every patch of a collection, in order of bank and slot. */
    public List<ShippedPatch> latestRevisions(long collectionId) {
        return store.latestRevisions(collectionId);
    }

    /** Puts a new patch into a free slot; answers its id. @param label its first line in the history */
    @Transactional
    public long insert(long bankId, int slot, Patch patch, String label) {
        long id = store.insert(bankId, slot, patch, label);
        uses.note(id, StateKind.EDIT, 0, patch);
        return id;
    }

    /**
     * Makes an edit.
     *
     * @param version the version that the page shows, or 0 to edit whatever is there now
     * @param gesture edits in a row with the same gesture, such as a drag, become one step; empty for a step of its own
     */
    @Transactional
    public PatchRow edit(long id, long version, String gesture, PatchEdit edit) {
        return edit(id, version, gesture, patch -> edit);
    }

    /** The same with an edit that is read from a form once the patch is known. */
    @Transactional
    public PatchRow edit(long id, long version, String gesture, Function<Patch, PatchEdit> reader) {
        PatchRow row = current(id, version);
        PatchEdit edit = reader.apply(row.patch());
        Patch changed = edit.apply(row.patch());
        if (changed.equals(row.patch())) {
            return row;
        }
        if (!(edit instanceof PatchEdit.Restore)) {
            keepLocked(id, row.patch(), changed);
        }
        boolean goesOn = !gesture.isEmpty() && row.cursor() > 0 && gesture.equals(store.gesture(id, row.cursor()));
        int number = goesOn ? row.cursor() : row.cursor() + 1;
        Patch before = goesOn ? store.stateAt(id, row.cursor() - 1).orElse(row.patch()) : row.patch();
        store.insertEdit(id, number, goesOn ? told(before, changed, edit) : edit.label(before), gesture, changed);
        store.moveCursor(id, number);
        uses.keepEdits(id, 0, number - 1);
        pruneAt(id, number);
        uses.note(id, StateKind.EDIT, number, changed);
        // Read back as it was written: a state that could not be opened again is never kept.
        return get(id);
    }

    /** Forgets what lies too far back, every few steps. @param number of the newest step */
    void pruneAt(long id, int number) {
        int oldest = number % PRUNED_EVERY == 0 ? number - UNDO_STEPS : 0;
        if (oldest > 0) {
            store.prune(id, oldest);
            uses.keepEdits(id, oldest, number);
        }
    }

    /** The words of a gesture that has moved several values, such as a point of a picture. */
    private static String told(Patch before, Patch changed, PatchEdit last) {
        List<PatchDifference.Line> lines = PatchDifference.between(before, changed);
        return lines.size() < 2 ? last.label(before)
                : String.join("; ", lines.stream().map(l -> l.what() + " " + l.from() + " to " + l.to()).toList());
    }

    /** Parameters that edits and variations leave alone. Undo, redo and whole versions brought back are not held by them. */
    public Set<Parameter> locked(long id) {
        return locks.locked(id);
    }

    /** Locks or unlocks a parameter of a patch. It changes no sound and is no step of the history. */
    @Transactional
    public void lock(long id, Parameter parameter, boolean on) {
        current(id, 0);
        if (on) {
            locks.lock(id, parameter);
        } else {
            locks.unlock(id, parameter);
        }
    }

    private void keepLocked(long id, Patch before, Patch after) {
        for (Parameter p : locks.locked(id)) {
            if (before.value(p.index()) != after.value(p.index()) || !ends(before, p).equals(ends(after, p))) {
                throw new RefusedException(PatchRules.name(p) + " is locked. Unlock it with L on its bar or in the bar's menu.");
            }
        }
    }

    private static List<MacroTarget> ends(Patch patch, Parameter p) {
        return patch.macros().stream().flatMap(m -> m.targets().stream()).filter(t -> t.target().equals(p)).toList();
    }

    /** @param version the version that the page shows, or 0 for whatever is there now */
    @Transactional
    public PatchRow undo(long id, long version) {
        PatchRow row = current(id, version);
        if (row.cursor() > 0 && !store.label(id, row.cursor() - 1).isEmpty()) {
            store.moveCursor(id, row.cursor() - 1);
        }
        return get(id);
    }

    /** @param version the version that the page shows, or 0 for whatever is there now */
    @Transactional
    public PatchRow redo(long id, long version) {
        PatchRow row = current(id, version);
        if (!store.label(id, row.cursor() + 1).isEmpty()) {
            store.moveCursor(id, row.cursor() + 1);
        }
        return get(id);
    }

    /**
     * Goes to a step of the log, as undo and redo do one by one.
     *
     * @param version the version that is known, or 0 for whatever is there now
     * @throws RefusedException where the log no longer has that step
     */
    @Transactional
    public void goTo(long id, long version, int step) {
        current(id, version);
        if (store.label(id, step).isEmpty()) {
            throw new RefusedException("The history of this patch no longer has the step.");
        }
        store.moveCursor(id, step);
    }

    /** Saves the working state as the next revision; a state that is already saved stays as it is. */
    @Transactional
    public PatchRow save(long id, long version, String note) {
        PatchRow row = current(id, version);
        if (!row.saved()) {
            store.insertRevision(row, row.revision() + 1, note.length() > LONGEST_NOTE ? note.substring(0, LONGEST_NOTE) : note);
            uses.note(id, StateKind.REVISION, row.revision() + 1, row.patch());
        }
        return get(id);
    }

    /** Notes which sound files a state beside the log refers to, such as a pad's. @param number which of its kind */
    public void noteAssets(long patchId, StateKind kind, long number, Patch state) {
        uses.forget(patchId, kind, number);
        uses.note(patchId, kind, number, state);
    }

    /** The state is no longer kept. */
    public void forgetAssets(long patchId, StateKind kind, long number) {
        uses.forget(patchId, kind, number);
    }

    /** No state of a kind is kept any more. */
    public void forgetAssets(long patchId, StateKind kind) {
        uses.forgetAll(patchId, kind);
    }

    private PatchRow current(long id, long version) {
        PatchRow row = store.findForUpdate(id).orElseThrow(Patches::missing);
        if (version != 0 && row.version() != version) {
            throw new ConflictException("\"" + row.name() + "\" was changed in another tab or window after this page was loaded.");
        }
        return row;
    }

    private static MissingException missing() {
        return new MissingException("This patch is no longer there; it was deleted, perhaps in another tab.");
    }
}
