package gentlecomet.studio.patch;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.patch.Patch;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Edits of many patches at once: each leads to the same step in its patch's log as {@link Patches#edit} makes, in a few statements for all of them. */
@Service
public class PatchBatch {

    private final BatchStore store;
    private final Patches patches;
    private final AssetUseStore uses;

    PatchBatch(BatchStore store, Patches patches, AssetUseStore uses) {
        this.store = store;
        this.patches = patches;
        this.uses = uses;
    }

    /** Where a patch is led. */
    private record Led(long id, int cursor, List<BatchStore.Written> edits) {
    }

    /**
     * Makes edits.
     *
     * @param wanted edits of each patch in their order
     * @param held   states of the patches, which nobody else can change
     */
    @Transactional
    public void edit(Map<Long, List<PatchEdit>> wanted, Map<Long, Patches.State> held) {
        Set<Long> locked = store.locked(wanted.keySet());
        Map<Long, List<PatchEdit>> free = new LinkedHashMap<>(wanted);
        free.keySet().removeAll(locked);
        // What has locks goes the long way, which asks them.
        locked.forEach(id -> wanted.get(id).forEach(edit -> patches.edit(id, 0, "", edit)));
        Map<Long, String> contents = store.contents(free.keySet());
        List<Led> led = free.entrySet().parallelStream().map(e -> led(e.getKey(), e.getValue(), contents.get(e.getKey()), held.get(e.getKey()).cursor())).filter(l -> !l.edits().isEmpty()).toList();
        if (led.isEmpty()) {
            return;
        }
        Map<Long, Integer> cursors = new LinkedHashMap<>();
        led.forEach(l -> cursors.put(l.id(), l.cursor()));
        store.write(led.stream().flatMap(l -> l.edits().stream()).toList(), cursors);
        for (Led l : led) {
            l.edits().forEach(e -> uses.note(l.id(), StateKind.EDIT, e.number(), e.patch()));
            patches.pruneAt(l.id(), l.edits().get(l.edits().size() - 1).number());
        }
    }

    private static Led led(long id, List<PatchEdit> edits, String content, int cursor) {
        Patch patch = PatchFormat.read(content, "patch " + id);
        List<BatchStore.Written> written = new ArrayList<>();
        for (PatchEdit edit : edits) {
            Patch changed = edit.apply(patch);
            if (!changed.equals(patch)) {
                String text = PatchFormat.write(changed);
                // Read as it will be read: a state that could not be opened again is never kept.
                PatchFormat.read(text, "patch " + id);
                written.add(new BatchStore.Written(id, cursor + written.size() + 1, edit.label(patch), changed, text, Hashes.of(text.getBytes(StandardCharsets.UTF_8)), Hashes.sound(changed)));
                patch = changed;
            }
        }
        return new Led(id, cursor, written);
    }
}
