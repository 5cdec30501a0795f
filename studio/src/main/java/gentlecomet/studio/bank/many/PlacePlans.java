package gentlecomet.studio.bank.many;

import gentlecomet.craft.curate.Arrangement;
import gentlecomet.craft.curate.KnownSound;
import gentlecomet.craft.curate.SoundOrder;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.rules.FreeName;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.bank.KnownSounds;
import gentlecomet.studio.bank.desk.Deed;
import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchBatch;
import gentlecomet.studio.patch.PatchPlaces;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.patch.Placement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.stereotype.Component;

/** Where patches stand: moved, ordered, copied, deleted. */
@Component
class PlacePlans {

    private static final int SLOTS = CollectionFormat.SLOTS;

    private final Collections collections;
    private final Patches patches;
    private final PatchPlaces places;
    private final KnownSounds sounds;
    private final PatchBatch batch;

    PlacePlans(Collections collections, Patches patches, PatchPlaces places, KnownSounds sounds, PatchBatch batch) {
        this.batch = batch;
        this.collections = collections;
        this.patches = patches;
        this.places = places;
        this.sounds = sounds;
    }

    private static Arrangement arrangement(List<PatchSummary> bank) {
        return new Arrangement(SLOTS, taken(bank));
    }

    private static Map<Integer, Long> taken(List<PatchSummary> bank) {
        Map<Integer, Long> taken = new TreeMap<>();
        bank.forEach(p -> taken.put(p.slot(), p.id()));
        return taken;
    }

    /** One slot up or down. */
    Plan shift(Chosen chosen, boolean down) {
        return moved(chosen, "Move " + chosen.words() + (down ? " down" : " up"), arrangement(chosen.bank()).shifted(chosen.ids(), down));
    }

    /** From a slot on. */
    Plan at(Chosen chosen, int slot) {
        return moved(chosen, "Move " + chosen.words() + " to slot " + slot, arrangement(chosen.bank()).at(chosen.ids(), slot));
    }

    /** Between two others. @param before the patch after them, 0 for the end */
    Plan between(Chosen chosen, long before) {
        PatchSummary next = chosen.bank().stream().filter(p -> p.id() == before).findFirst().orElse(null);
        return moved(chosen, "Move " + chosen.words() + (next == null ? " to the end" : " before \"" + next.name() + "\""),
                arrangement(chosen.bank()).between(chosen.ids(), next == null ? null : next.id()));
    }

    Plan close(Chosen chosen) {
        return moved(chosen, "Close the gaps between patches", arrangement(chosen.bank()).closed());
    }

    /** The chosen patches in a new order on the slots that they hold. */
    Plan order(Chosen chosen, String by) {
        SoundOrder order = Arrays.stream(SoundOrder.values()).filter(o -> o.name().equalsIgnoreCase(by)).findFirst()
                .orElseThrow(() -> new RefusedException("Choose what to order by.", "way"));
        Set<Long> ids = new HashSet<>(chosen.ids());
        List<KnownSound> known = sounds.ofBank(chosen.bankId(), chosen.collection()).stream().filter(s -> ids.contains(s.id())).toList();
        List<Long> ordered = order.of(known, chosen.collection().rules()).stream().map(KnownSound::id).toList();
        return moved(chosen, "Order " + chosen.words() + " by " + order.words(), arrangement(chosen.bank()).ordered(ordered));
    }

    private static Plan moved(Chosen chosen, String label, Map<Integer, Long> to) {
        Map<Long, Integer> moved = arrangement(chosen.bank()).moved(to);
        List<Plan.Line> lines = new ArrayList<>();
        List<Deed> deeds = new ArrayList<>();
        Map<Long, PatchSummary> byId = new HashMap<>();
        chosen.bank().forEach(p -> byId.put(p.id(), p));
        new TreeMap<>(to).forEach((slot, id) -> {
            if (moved.containsKey(id)) {
                PatchSummary p = byId.get(id);
                lines.add(new Plan.Line(slot, p.name(), "slot " + p.slot(), "slot " + slot, "", false));
                deeds.add(new Deed.Place(id, new Placement(chosen.bankId(), slot)));
            }
        });
        return new Plan(label, lines, deeds);
    }

    /** Into the free slots of another bank of the same collection, or as copies into any bank. */
    Plan toBank(Chosen chosen, long toBank, boolean copies) {
        BankRow target = collections.bank(toBank);
        CollectionRow to = collections.get(target.collectionId());
        boolean same = to.id() == chosen.collection().id();
        if (!copies && (!same || toBank == chosen.bankId())) {
            throw new RefusedException(same ? "The patches are in this bank already." : "Patches are copied into another collection, not moved: the notes and verdicts on them stay here.", "toBank");
        }
        List<Integer> free = free(toBank, chosen.chosen().size(), copies && toBank == chosen.bankId() ? chosen.chosen().get(chosen.chosen().size() - 1).slot() : 1, target.name());
        FreeName names = new FreeName(patches.names(to.id()), to.rules());
        List<Plan.Line> lines = new ArrayList<>();
        List<Deed> deeds = new ArrayList<>();
        Map<Long, Patch> contents = copies ? batch.patches(chosen.chosen().stream().map(PatchSummary::id).toList()) : Map.of();
        for (int i = 0; i < chosen.chosen().size(); i++) {
            PatchSummary p = chosen.chosen().get(i);
            Placement place = new Placement(toBank, free.get(i));
            String name = copies ? names.next(p.name()) : p.name();
            lines.add(new Plan.Line(p.slot(), p.name(), "slot " + p.slot(), target.name() + " slot " + place.slot(), name.equals(p.name()) ? "" : "It will be called \"" + name + "\".", false));
            if (copies) {
                Patch content = contents.get(p.id());
                deeds.add(new Deed.Create(place, content.withNaming(content.naming().withName(name)), "Copy of \"" + p.name() + "\""));
            } else {
                deeds.add(new Deed.Place(p.id(), place));
            }
        }
        String where = same ? target.name() : target.name() + " of " + to.name();
        return new Plan((copies ? "Copy " : "Move ") + chosen.words() + (copies && toBank == chosen.bankId() ? "" : " to " + where), lines, deeds);
    }

    private List<Integer> free(long bank, int count, int from, String name) {
        List<Integer> free = places.free(bank, from);
        if (free.size() < count) {
            throw new RefusedException(count + " patches do not fit into " + name + ": it has " + free.size() + (free.size() == 1 ? " free slot." : " free slots.") + " Nothing was changed.");
        }
        return free;
    }

    Plan delete(Chosen chosen) {
        List<Plan.Line> lines = new ArrayList<>();
        List<Deed> deeds = new ArrayList<>();
        for (PatchSummary p : chosen.chosen()) {
            lines.add(new Plan.Line(p.slot(), p.name(), "slot " + p.slot(), "trash", p.saved() ? "" : "It has changes that were never saved; they come back with it.", false));
            deeds.add(new Deed.Place(p.id(), null));
        }
        return new Plan("Delete " + chosen.words(), lines, deeds);
    }
}
