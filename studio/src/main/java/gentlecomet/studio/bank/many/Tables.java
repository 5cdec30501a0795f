package gentlecomet.studio.bank.many;

import gentlecomet.craft.curate.PatchTable;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Naming;
import gentlecomet.studio.bank.desk.Deed;
import gentlecomet.studio.bank.desk.Desk;
import gentlecomet.studio.bank.desk.StepProgress;
import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.patch.Placement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The patches of a collection as a table: out, and back in as one step of the desk. */
@Service
class Tables {

    private final Collections collections;
    private final Patches patches;
    private final Desk desk;

    Tables(Collections collections, Patches patches, Desk desk) {
        this.collections = collections;
        this.patches = patches;
        this.desk = desk;
    }

    /** The whole collection as CSV, by bank and slot. */
    String write(long collectionId) {
        CollectionRow collection = collections.get(collectionId);
        Map<Long, String> banks = collections.banks(collectionId).stream().collect(Collectors.toMap(BankRow::id, BankRow::name));
        Map<Long, String> notes = patches.notes(collectionId);
        return PatchTable.write(patches.inCollection(collectionId).stream().map(p -> PatchTable.line(p.id(), banks.get(p.bankId()), p.slot(),
                new Naming(p.name(), p.category(), p.tags(), p.author(), notes.getOrDefault(p.id(), "")), categoryName(p.category(), collection.rules()))).toList());
    }

    private static String categoryName(String id, HouseRules rules) {
        return rules.category(id).map(Category::name).orElse(id);
    }

    /** What a table would change. Lines that cannot be read, and those that cannot be followed, are remarks. */
    Plan plan(long collectionId, byte[] content) {
        PatchTable.Contents contents = PatchTable.read(content);
        return new Reader(collectionId).plan(contents);
    }

    /** @throws RefusedException where nothing of it changes anything, or it was stopped */
    @Transactional
    public Desk.Outcome take(long collectionId, byte[] content, StepProgress progress) {
        Plan plan = plan(collectionId, content);
        if (plan.deeds().isEmpty()) {
            throw new RefusedException("Nothing of the table is to be changed." + (plan.remarks().isEmpty() ? "" : " " + plan.remarks().get(0)), "file");
        }
        Desk.Outcome done = desk.perform(collectionId, plan.label(), plan.deeds(), progress);
        List<String> left = new ArrayList<>(plan.remarks());
        plan.lines().stream().filter(Plan.Line::left).forEach(l -> left.add("\"" + l.name() + "\" stays as it is: " + l.remark()));
        left.addAll(done.left());
        return new Desk.Outcome(done.id(), done.label(), done.changed(), left);
    }

    /** Holds a table against the patches that are there. */
    private final class Reader {
        private final CollectionRow collection;
        private final Map<String, Long> banks = new HashMap<>();
        private final Map<Long, String> bankNames = new HashMap<>();
        private final Map<Long, String> notes;
        private final Map<Long, PatchSummary> byId;
        private final List<Plan.Line> lines = new ArrayList<>();
        private final List<Deed> deeds = new ArrayList<>();
        private final List<String> remarks;

        Reader(long collectionId) {
            collection = collections.get(collectionId);
            collections.banks(collectionId).forEach(b -> {
                banks.putIfAbsent(b.name().strip().toLowerCase(Locale.ROOT), b.id());
                bankNames.put(b.id(), b.name());
            });
            notes = patches.notes(collectionId);
            byId = patches.inCollection(collectionId).stream().collect(Collectors.toMap(PatchSummary::id, Function.identity(), (a, b) -> a, LinkedHashMap::new));
            remarks = new ArrayList<>();
        }

        Plan plan(PatchTable.Contents contents) {
            remarks.addAll(contents.refused());
            Map<Long, Placement> wanted = new LinkedHashMap<>();
            for (PatchTable.Line line : contents.lines()) {
                PatchSummary p = byId.get(line.patch());
                if (p == null) {
                    remarks.add("Line " + line.line() + ": this collection has no patch " + line.patch() + ".");
                } else {
                    Cells cells = new Cells();
                    cells(line, p, cells);
                    // A line that cannot be followed leaves its patch where it is.
                    wanted.put(p.id(), cells.faults.isEmpty() ? place(line, p) : new Placement(p.bankId(), p.slot()));
                }
            }
            Map<Long, String> stuck = stuck(wanted);
            contents.lines().stream().filter(l -> byId.containsKey(l.patch())).forEach(l -> line(l, byId.get(l.patch()), wanted.get(l.patch()), stuck.get(l.patch())));
            return new Plan("Take a table for " + (lines.size() == 1 ? "one patch" : lines.size() + " patches"), lines, deeds, remarks);
        }

        /** Patches that cannot go where their lines want them, with the reason: each that stays may be in the way of another. */
        private Map<Long, String> stuck(Map<Long, Placement> wanted) {
            Map<Long, String> stuck = new HashMap<>();
            for (boolean again = true; again;) {
                again = false;
                Map<Placement, PatchSummary> standing = new HashMap<>();
                byId.values().stream().filter(p -> wanted.get(p.id()) == null || stuck.containsKey(p.id()) || wanted.get(p.id()).equals(new Placement(p.bankId(), p.slot())))
                        .forEach(p -> standing.put(new Placement(p.bankId(), p.slot()), p));
                for (Map.Entry<Long, Placement> w : wanted.entrySet()) {
                    PatchSummary own = byId.get(w.getKey());
                    if (w.getValue() == null || stuck.containsKey(w.getKey())) {
                        continue;
                    }
                    PatchSummary other = standing.putIfAbsent(w.getValue(), own);
                    if (other != null && other.id() != own.id()) {
                        stuck.put(own.id(), "Slot " + w.getValue().slot() + " of " + bankNames.get(w.getValue().bankId()) + " is taken by \"" + other.name() + "\".");
                        again = true;
                    }
                }
            }
            return stuck;
        }

        /** Where a line wants its patch; null where there is no such place. */
        private Placement place(PatchTable.Line line, PatchSummary p) {
            Long bank = line.bank() == null || line.bank().isBlank() ? Long.valueOf(p.bankId()) : banks.get(line.bank().strip().toLowerCase(Locale.ROOT));
            int slot = line.slot() == 0 ? p.slot() : line.slot();
            return bank == null || slot > CollectionFormat.SLOTS ? null : new Placement(bank, slot);
        }

        /** What the cells of a line would change. */
        private static final class Cells {
            private final List<String> from = new ArrayList<>();
            private final List<String> then = new ArrayList<>();
            private final List<String> faults = new ArrayList<>();
            private final List<Deed> deeds = new ArrayList<>();

            void change(PatchSummary p, String was, String is, PatchEdit edit) {
                String fault = NamingPlans.fault(edit);
                if (!fault.isEmpty()) {
                    faults.add(fault);
                }
                told(was, is);
                deeds.add(new Deed.Edit(p.id(), 0, edit));
            }

            void told(String was, String is) {
                from.add(was.isEmpty() ? "none" : was);
                then.add(is.isEmpty() ? "none" : is);
            }
        }

        private void line(PatchTable.Line line, PatchSummary p, Placement to, String stuck) {
            Cells cells = new Cells();
            cells(line, p, cells);
            Placement now = new Placement(p.bankId(), p.slot());
            if (to == null) {
                cells.faults.add("There is no bank \"" + line.bank() + "\" with a slot " + line.slot() + ".");
            } else if (stuck != null) {
                cells.faults.add(stuck);
            } else if (!to.equals(now)) {
                cells.told(bankNames.get(now.bankId()) + " slot " + now.slot(), bankNames.get(to.bankId()) + " slot " + to.slot());
                cells.deeds.add(new Deed.Place(p.id(), to));
            }
            if (cells.faults.isEmpty()) {
                deeds.addAll(cells.deeds);
            }
            if (!cells.from.isEmpty() || !cells.faults.isEmpty()) {
                lines.add(new Plan.Line(p.slot(), p.name(), String.join(" | ", cells.from), String.join(" | ", cells.then), String.join(" ", cells.faults), !cells.faults.isEmpty()));
            }
        }

        private void cells(PatchTable.Line line, PatchSummary p, Cells cells) {
            if (line.name() != null && !line.name().strip().equals(p.name())) {
                cells.change(p, p.name(), line.name().strip(), new PatchEdit.Rename(line.name()));
            }
            if (line.category() != null) {
                String id = NamingPlans.categoryId(line.category(), collection.rules()).orElse(null);
                if (id == null && !line.category().strip().equals(p.category())) {
                    cells.faults.add("The house rules have no category \"" + line.category().strip() + "\".");
                } else if (id != null && !id.equals(p.category())) {
                    cells.change(p, categoryName(p.category(), collection.rules()), categoryName(id, collection.rules()), new PatchEdit.Categorise(id));
                }
            }
            if (line.tags() != null && !line.tags().equals(p.tags())) {
                cells.change(p, String.join(", ", p.tags()), String.join(", ", line.tags()), new PatchEdit.Tag(line.tags()));
            }
            if (line.author() != null && !line.author().strip().equals(p.author())) {
                cells.change(p, p.author(), line.author().strip(), new PatchEdit.Sign(line.author()));
            }
            if (line.notes() != null && !line.notes().strip().replace("\r\n", "\n").equals(notes.getOrDefault(p.id(), ""))) {
                cells.change(p, "notes", "other notes", new PatchEdit.Note(line.notes()));
            }
        }
    }
}
