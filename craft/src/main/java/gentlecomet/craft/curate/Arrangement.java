package gentlecomet.craft.curate;

import gentlecomet.craft.edit.PatchEdit.EditException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;

/**
 * What stands in the slots of a bank, and how it looks when patches move. Nothing is ever lost or placed twice: every method answers all patches of the bank by
 * their slots.
 */
public final class Arrangement {

    private final int slots;
    private final NavigableMap<Integer, Long> taken;

    /** @param slots how many the bank has @param taken patches by their slots, from 1 */
    public Arrangement(int slots, Map<Integer, Long> taken) {
        this.slots = slots;
        this.taken = new TreeMap<>(taken);
    }

    /** Chosen patches one slot up or down: each changes places with what is in its way, free or not; they stay together at the end of the bank. */
    public Map<Integer, Long> shifted(Collection<Long> chosen, boolean down) {
        NavigableMap<Integer, Long> result = new TreeMap<>(taken);
        NavigableMap<Integer, Long> own = new TreeMap<>(taken);
        own.values().retainAll(Set.copyOf(chosen));
        Set<Integer> blocked = new LinkedHashSet<>();
        for (int slot : down ? own.descendingKeySet() : own.keySet()) {
            int to = down ? slot + 1 : slot - 1;
            if (to < 1 || to > slots || blocked.contains(to)) {
                blocked.add(slot);
                continue;
            }
            Long other = result.remove(to);
            Long moving = result.remove(slot);
            result.put(to, moving);
            if (other != null) {
                result.put(slot, other);
            }
            blocked.add(to);
        }
        return result;
    }

    /**
     * Chosen patches between two others: the taken slots stay taken and the free ones free.
     *
     * @param chosen in the order in which they are to stand
     * @param before the patch that comes after them, or null for the end
     */
    public Map<Integer, Long> between(List<Long> chosen, Long before) {
        List<Long> order = new ArrayList<>(taken.values());
        Long anchor = before;
        for (int i = order.indexOf(before); anchor != null && chosen.contains(anchor); i++) {
            anchor = i + 1 < order.size() ? order.get(i + 1) : null;
        }
        order.removeAll(chosen);
        order.addAll(anchor == null ? order.size() : order.indexOf(anchor), chosen);
        return onto(new ArrayList<>(taken.keySet()), order, Map.of());
    }

    /**
     * Chosen patches at a slot and those after it, in the order given; what stands there goes on to the next free ones.
     *
     * @throws EditException where they do not fit
     */
    public Map<Integer, Long> at(List<Long> chosen, int slot) {
        if (slot < 1 || slot > slots) {
            throw new EditException("A bank has slots 1 to " + slots + ".");
        }
        if (slot + chosen.size() - 1 > slots) {
            throw new EditException(chosen.size() + " patches do not fit from slot " + slot + " on: the bank ends at slot " + slots + ".");
        }
        NavigableMap<Integer, Long> rest = new TreeMap<>(taken);
        rest.values().removeAll(Set.copyOf(chosen));
        if (rest.size() + chosen.size() > slots) {
            throw new EditException(chosen.size() + " patches do not fit: this bank has " + (slots - rest.size()) + " free slots.");
        }
        NavigableMap<Integer, Long> result = new TreeMap<>(rest);
        for (int i = 0; i < chosen.size(); i++) {
            pushIn(result, slot + i, chosen.get(i), slot + chosen.size());
        }
        return result;
    }

    /** Puts a patch into a slot; what stood there goes to the next free slot from {@code onward} on, and from slot 1 where the bank ends. */
    private void pushIn(NavigableMap<Integer, Long> result, int slot, Long patch, int onward) {
        Long pushed = result.put(slot, patch);
        for (int to = onward; pushed != null; to++) {
            if (to > slots) {
                to = firstFree(result);
            }
            pushed = result.put(to, pushed);
        }
    }

    /** The free slots in the order in which they are taken: from one on, and then from the beginning of the bank. @param from from 1 */
    public List<Integer> free(int from) {
        return IntStream.range(0, slots).map(i -> (from - 1 + i) % slots + 1).filter(slot -> !taken.containsKey(slot)).boxed().toList();
    }

    private static int firstFree(Map<Integer, Long> result) {
        int free = 1;
        while (result.containsKey(free)) {
            free++;
        }
        return free;
    }

    /** All patches from slot 1 on without a free slot between them. */
    public Map<Integer, Long> closed() {
        Map<Integer, Long> result = new TreeMap<>();
        taken.values().forEach(patch -> result.put(result.size() + 1, patch));
        return result;
    }

    /** Patches in a new order on the slots that they hold now; all others stay. */
    public Map<Integer, Long> ordered(List<Long> order) {
        NavigableMap<Integer, Long> others = new TreeMap<>(taken);
        others.values().removeAll(Set.copyOf(order));
        List<Integer> own = new ArrayList<>(taken.keySet());
        own.removeAll(others.keySet());
        return onto(own, order, others);
    }

    private static Map<Integer, Long> onto(List<Integer> places, List<Long> order, Map<Integer, Long> others) {
        Map<Integer, Long> result = new TreeMap<>(others);
        for (int i = 0; i < order.size(); i++) {
            result.put(places.get(i), order.get(i));
        }
        return result;
    }

    /** The patches that stand elsewhere in another arrangement of the same bank, with their slots there. */
    public Map<Long, Integer> moved(Map<Integer, Long> to) {
        Map<Long, Integer> before = new HashMap<>();
        taken.forEach((slot, patch) -> before.put(patch, slot));
        Map<Long, Integer> moved = new HashMap<>();
        to.forEach((slot, patch) -> {
            if (!slot.equals(before.get(patch))) {
                moved.put(patch, slot);
            }
        });
        return moved;
    }
}
