package gentlecomet.studio.patch;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.patch.Patch;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Many patches at once: their edits lead to the same steps in their logs as {@link Patches#edit} makes, new ones begin as {@link Patches#insert} has it, in a few statements for all of them. */
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
     * @param passed told after each patch, from several threads; what it throws ends the work
     */
    @Transactional
    public void edit(Map<Long, List<PatchEdit>> wanted, Map<Long, Patches.State> held, Runnable passed) {
        Set<Long> locked = store.locked(wanted.keySet());
        Map<Long, List<PatchEdit>> free = new LinkedHashMap<>(wanted);
        free.keySet().removeAll(locked);
        // What has locks goes the long way, which asks them.
        locked.forEach(id -> {
            wanted.get(id).forEach(edit -> patches.edit(id, 0, "", edit));
            passed.run();
        });
        Map<Long, String> contents = store.contents(free.keySet());
        List<Led> led = free.entrySet().parallelStream().map(e -> {
            Led one = led(e.getKey(), e.getValue(), contents.get(e.getKey()), held.get(e.getKey()).cursor());
            passed.run();
            return one;
        }).filter(l -> !l.edits().isEmpty()).toList();
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

    /** A patch that is to come into a slot. @param label its first line in the history */
    public record Fresh(Placement place, Patch patch, String label) {
    }

    /** Puts new patches into free slots, as {@link Patches#insert} does one. @param passed told after each, from several threads; what it throws ends the work @return their ids, in the same order */
    @Transactional
    public List<Long> insert(List<Fresh> all, Runnable passed) {
        if (all.isEmpty()) {
            return List.of();
        }
        Map<Placement, Long> ids = store.insertPatches(all.stream().map(Fresh::place).toList());
        List<BatchStore.Written> edits = all.parallelStream().map(f -> {
            BatchStore.Written one = written(ids.get(f.place()), 0, f.label(), f.patch());
            passed.run();
            return one;
        }).toList();
        store.insert(edits);
        edits.forEach(e -> uses.note(e.patchId(), StateKind.EDIT, 0, e.patch()));
        return edits.stream().map(BatchStore.Written::patchId).toList();
    }

    /** The patches themselves, by id. */
    public Map<Long, Patch> patches(Collection<Long> ids) {
        return store.contents(ids).entrySet().parallelStream().collect(Collectors.toMap(Map.Entry::getKey, e -> PatchFormat.read(e.getValue(), "patch " + e.getKey())));
    }

    /** A state as it is kept. Read as it will be read: one that could not be opened again never is. */
    private static BatchStore.Written written(long id, int number, String label, Patch patch) {
        String text = PatchFormat.write(patch);
        PatchFormat.read(text, "patch " + id);
        return new BatchStore.Written(id, number, label, patch, text, Hashes.of(text.getBytes(StandardCharsets.UTF_8)), Hashes.sound(patch));
    }

    private static Led led(long id, List<PatchEdit> edits, String content, int cursor) {
        Patch patch = PatchFormat.read(content, "patch " + id);
        List<BatchStore.Written> written = new ArrayList<>();
        for (PatchEdit edit : edits) {
            Patch changed = edit.apply(patch);
            if (!changed.equals(patch)) {
                written.add(written(id, cursor + written.size() + 1, edit.label(patch), changed));
                patch = changed;
            }
        }
        return new Led(id, cursor, written);
    }
}
