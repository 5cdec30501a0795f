package gentlecomet.studio.service;

import gentlecomet.craft.edit.PatchDifference;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.PatchRules;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.store.LockStore;
import gentlecomet.studio.store.PatchStore;
import gentlecomet.studio.store.PatchStore.PatchRow;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Work on one patch: every edit is a step in its log, so undo and redo survive a crash or a restart. An edit names the
 * version it was made on; a later edit on an old state is refused, never merged in silence.
 */
@Service
public class PatchEditing {

    private final PatchStore patches;
    private final LockStore locks;

    public PatchEditing(PatchStore patches, LockStore locks) {
        this.patches = patches;
        this.locks = locks;
    }

    public PatchRow get(long id) {
        return patches.find(id).orElseThrow(PatchEditing::missing);
    }

    /** What undo and redo would do now, in words; empty when there is nothing. */
    public record Steps(String undo, String redo) {
    }

    public Steps steps(PatchRow row) {
        return new Steps(row.cursor() == 0 ? "" : patches.label(row.id(), row.cursor()), patches.label(row.id(), row.cursor() + 1));
    }

    /**
     * Makes an edit.
     *
     * @param version the version that the page shows, or 0 to edit whatever is there now
     * @param gesture edits in a row with the same gesture, such as a drag, become one step; empty for a step of its own
     */
    @Transactional
    public PatchRow edit(long id, long version, String gesture, PatchEdit edit) {
        PatchRow row = current(id, version);
        Patch changed = edit.apply(row.patch());
        if (changed.equals(row.patch())) {
            return row;
        }
        if (!(edit instanceof PatchEdit.Restore)) {
            keepLocked(id, row.patch(), changed);
        }
        boolean goesOn = !gesture.isEmpty() && row.cursor() > 0 && gesture.equals(patches.gesture(id, row.cursor()));
        int number = goesOn ? row.cursor() : row.cursor() + 1;
        Patch before = goesOn ? patches.stateAt(id, row.cursor() - 1).orElse(row.patch()) : row.patch();
        patches.insertEdit(id, number, goesOn ? told(before, changed, edit) : edit.label(before), gesture, changed);
        patches.moveCursor(id, number);
        return get(id);
    }

    /** The words of a gesture that has moved several values, such as a point of a picture. */
    private static String told(Patch before, Patch changed, PatchEdit last) {
        List<PatchDifference.Line> lines = PatchDifference.between(before, changed);
        return lines.size() < 2 ? last.label(before)
                : String.join("; ", lines.stream().map(l -> l.what() + " " + l.from() + " to " + l.to()).toList());
    }

    /** Parameters that edits and siblings leave alone. Undo, redo and whole versions brought back are not held by them. */
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
        if (row.cursor() > 0) {
            patches.moveCursor(id, row.cursor() - 1);
        }
        return get(id);
    }

    /** @param version the version that the page shows, or 0 for whatever is there now */
    @Transactional
    public PatchRow redo(long id, long version) {
        PatchRow row = current(id, version);
        if (!patches.label(id, row.cursor() + 1).isEmpty()) {
            patches.moveCursor(id, row.cursor() + 1);
        }
        return get(id);
    }

    /** Saves the working state as the next revision; a state that is already saved stays as it is. */
    @Transactional
    public PatchRow save(long id, long version, String note) {
        PatchRow row = current(id, version);
        if (!row.saved()) {
            patches.insertRevision(row, note.length() > 400 ? note.substring(0, 400) : note);
        }
        return get(id);
    }

    private PatchRow current(long id, long version) {
        PatchRow row = patches.findForUpdate(id).orElseThrow(PatchEditing::missing);
        if (version != 0 && row.version() != version) {
            throw new ConflictException("\"" + row.name() + "\" was changed in another tab or window after this page was loaded.");
        }
        return row;
    }

    private static MissingException missing() {
        return new MissingException("This patch is no longer there; it was deleted, perhaps in another tab.");
    }
}
