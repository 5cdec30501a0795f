package gentlecomet.craft.edit;

import gentlecomet.sound.patch.Patch;
import java.util.List;

/** Several edits as one step of the history. @param words what was done, for people */
public record Together(String words, List<PatchEdit> edits) implements PatchEdit {

    public Together {
        edits = List.copyOf(edits);
    }

    @Override
    public Patch apply(Patch patch) {
        Patch changed = patch;
        for (PatchEdit edit : edits) {
            changed = edit.apply(changed);
        }
        return changed;
    }

    @Override
    public String label(Patch before) {
        return words;
    }
}
