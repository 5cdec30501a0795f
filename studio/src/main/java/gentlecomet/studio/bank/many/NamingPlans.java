package gentlecomet.studio.bank.many;

import gentlecomet.craft.curate.NewNames;
import gentlecomet.craft.curate.Renaming;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Naming;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.bank.desk.Deed;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Names, categories, tags and authors of many patches. */
@Component
class NamingPlans {

    private static final List<String> COLUMNS = List.of("name", "category", "tags", "author");

    private static final Patch PLAIN = Patch.neutral("Plain");

    private final Patches patches;

    NamingPlans(Patches patches) {
        this.patches = patches;
    }

    /** New names, told as what they would break together with all others. */
    Plan rename(Chosen chosen, Renaming renaming, String how) {
        HouseRules rules = chosen.collection().rules();
        Map<Long, String> names = new HashMap<>();
        patches.inCollection(chosen.collection().id()).forEach(p -> names.put(p.id(), p.name()));
        List<NewNames.Candidate> candidates = new ArrayList<>();
        for (PatchSummary p : chosen.chosen()) {
            candidates.add(new NewNames.Candidate(p.id(), new Renaming.Subject(p.name(), categoryName(p.category(), rules), p.slot(), candidates.size()), p.category()));
        }
        List<Plan.Line> lines = new ArrayList<>();
        List<Deed> deeds = new ArrayList<>();
        Map<Long, PatchSummary> byId = chosen.chosen().stream().collect(Collectors.toMap(PatchSummary::id, p -> p));
        for (NewNames.NewName name : NewNames.of(candidates, renaming, names, rules)) {
            PatchSummary p = byId.get(name.id());
            boolean left = !name.fault().isEmpty();
            lines.add(new Plan.Line(p.slot(), p.name(), name.from(), name.to(), left ? name.fault() : name.changes() ? String.join(" ", name.breaks()) : "", left));
            if (!left && name.changes()) {
                deeds.add(new Deed.Edit(p.id(), chosen.version(p), new PatchEdit.Rename(name.to())));
            }
        }
        return new Plan("Rename " + chosen.words() + how, lines, deeds);
    }

    private static String categoryName(String id, HouseRules rules) {
        return rules.category(id).map(Category::name).orElse(id);
    }

    Plan categorise(Chosen chosen, String category) {
        HouseRules rules = chosen.collection().rules();
        if (!category.isEmpty() && rules.category(category).isEmpty()) {
            throw new RefusedException("The house rules have no category \"" + category.replaceAll("\\p{Cntrl}", "?") + "\".", "category");
        }
        return each(chosen, "Category of " + chosen.words() + " to " + (category.isEmpty() ? "none" : categoryName(category, rules)),
                p -> new Wanted(named(p.category(), rules), named(category, rules), new PatchEdit.Categorise(category)));
    }

    private static String named(String category, HouseRules rules) {
        return category.isEmpty() ? "none" : categoryName(category, rules);
    }

    /** Tags added to those of each patch, taken away from them, or put in their place. */
    Plan tag(Chosen chosen, List<String> tags, String way) {
        if (tags.isEmpty() && !way.equals("replace")) {
            throw new RefusedException("Type one tag or several with commas between them.", "text");
        }
        String said = String.join(", ", tags);
        String label = switch (way) {
            case "add" -> "Tag " + chosen.words() + ": " + said;
            case "remove" -> "Take tags from " + chosen.words() + ": " + said;
            case "replace" -> "Tags of " + chosen.words() + " to " + (tags.isEmpty() ? "none" : said);
            default -> throw new RefusedException("Tags are added, removed or replaced.", "way");
        };
        return each(chosen, label, p -> {
            List<String> after = new ArrayList<>(way.equals("replace") ? List.of() : p.tags());
            if (way.equals("remove")) {
                after.removeIf(t -> tags.stream().anyMatch(t::equalsIgnoreCase));
            } else {
                tags.stream().filter(t -> after.stream().noneMatch(t::equalsIgnoreCase)).forEach(after::add);
            }
            return new Wanted(told(p.tags()), told(after), new PatchEdit.Tag(after));
        });
    }

    private static String told(List<String> tags) {
        return tags.isEmpty() ? "none" : String.join(", ", tags);
    }

    Plan sign(Chosen chosen, String author) {
        return each(chosen, "Author of " + chosen.words() + " to " + (author.isBlank() ? "none" : author.strip()),
                p -> new Wanted(p.author().isEmpty() ? "none" : p.author(), author.isBlank() ? "none" : author.strip(), new PatchEdit.Sign(author)));
    }

    /**
     * Cells as a spreadsheet copies them, from a column of the first chosen patch on. One line alone goes into all chosen patches; more go down the bank from the first.
     */
    Plan paste(Chosen chosen, String text, String column) {
        int first = COLUMNS.indexOf(column);
        if (first < 0) {
            throw new RefusedException("Cells can be pasted into the columns " + String.join(", ", COLUMNS) + ".");
        }
        List<String> rows = text.replace("\r\n", "\n").replaceAll("\n+$", "").lines().toList();
        if (rows.isEmpty() || rows.size() > Renaming.Listed.MOST) {
            throw new RefusedException(rows.isEmpty() ? "There is nothing to paste." : "There are " + rows.size() + " lines to paste; at most " + Renaming.Listed.MOST + " can be taken.");
        }
        List<PatchSummary> into = rows.size() == 1 ? chosen.chosen() : from(chosen.bank(), chosen.chosen().get(0)).limit(rows.size()).toList();
        Map<Long, Long> versions = new HashMap<>();
        into.forEach(p -> versions.put(p.id(), chosen.versions().getOrDefault(p.id(), p.version())));
        Chosen target = new Chosen(chosen.collection(), chosen.bankId(), chosen.bank(), into, versions);
        Plan plan = new CellEdits(target, first, rows).plan();
        return rows.size() <= into.size() || rows.size() == 1 ? plan : new Plan(plan.label(), plan.lines(), plan.deeds(),
                List.of((rows.size() - into.size()) + " of the lines have no patch below and are left out."));
    }

    private static Stream<PatchSummary> from(List<PatchSummary> bank, PatchSummary first) {
        return bank.stream().dropWhile(p -> p.id() != first.id());
    }

    /** What a patch is and what it is to be, in words, and the edit that makes it so. */
    record Wanted(String from, String to, PatchEdit edit) {
    }

    /** A plan that does the same kind of thing with each; what an edit refuses is left and said. */
    static Plan each(Chosen chosen, String label, Function<PatchSummary, Wanted> wanted) {
        List<Plan.Line> lines = new ArrayList<>();
        List<Deed> deeds = new ArrayList<>();
        for (PatchSummary p : chosen.chosen()) {
            Wanted w = wanted.apply(p);
            String fault = fault(w.edit());
            lines.add(new Plan.Line(p.slot(), p.name(), w.from(), w.to(), fault, !fault.isEmpty()));
            if (fault.isEmpty() && !w.from().equals(w.to())) {
                deeds.add(new Deed.Edit(p.id(), chosen.version(p), w.edit()));
            }
        }
        return new Plan(label, lines, deeds);
    }

    /** Why an edit of what a patch is called cannot be made at all: tried on a patch that has nothing else. */
    static String fault(PatchEdit edit) {
        try {
            edit.apply(PLAIN);
            return "";
        } catch (PatchEdit.EditException e) {
            return e.getMessage();
        }
    }

    /** The edits that pasted cells make. */
    private static final class CellEdits {
        private final Chosen into;
        private final int first;
        private final List<String> rows;

        CellEdits(Chosen into, int first, List<String> rows) {
            this.into = into;
            this.first = first;
            this.rows = rows;
        }

        Plan plan() {
            List<Plan.Line> lines = new ArrayList<>();
            List<Deed> deeds = new ArrayList<>();
            for (int i = 0; i < into.chosen().size(); i++) {
                PatchSummary p = into.chosen().get(i);
                String[] cells = rows.get(rows.size() == 1 ? 0 : i).split("\t", -1);
                Map<String, PatchEdit> edits = new LinkedHashMap<>();
                List<String> from = new ArrayList<>();
                List<String> to = new ArrayList<>();
                List<String> faults = new ArrayList<>();
                for (int c = 0; c < cells.length && first + c < COLUMNS.size(); c++) {
                    Wanted w = wanted(p, COLUMNS.get(first + c), cells[c].strip(), faults);
                    from.add(w.from());
                    to.add(w.to());
                    if (!w.from().equals(w.to())) {
                        edits.put(COLUMNS.get(first + c), w.edit());
                    }
                }
                edits.values().forEach(e -> faults.add(fault(e)));
                faults.removeIf(String::isEmpty);
                lines.add(new Plan.Line(p.slot(), p.name(), String.join(" | ", from), String.join(" | ", to), String.join(" ", faults), !faults.isEmpty()));
                if (faults.isEmpty()) {
                    edits.values().forEach(e -> deeds.add(new Deed.Edit(p.id(), into.version(p), e)));
                }
            }
            return new Plan("Paste " + rows.size() + (rows.size() == 1 ? " line" : " lines") + " into " + into.words(), lines, deeds);
        }

        private Wanted wanted(PatchSummary p, String column, String cell, List<String> faults) {
            return switch (column) {
                case "name" -> new Wanted(p.name(), cell, new PatchEdit.Rename(cell));
                case "category" -> category(p, cell, faults);
                case "tags" -> {
                    List<String> tags = Arrays.stream(cell.split("[;,]")).map(String::strip).filter(t -> !t.isEmpty()).toList();
                    yield new Wanted(told(p.tags()), told(tags), new PatchEdit.Tag(tags));
                }
                default -> new Wanted(p.author(), cell, new PatchEdit.Sign(cell));
            };
        }

        private Wanted category(PatchSummary p, String cell, List<String> faults) {
            HouseRules rules = into.collection().rules();
            Optional<String> id = categoryId(cell, rules);
            if (id.isEmpty()) {
                faults.add("The house rules have no category \"" + cell + "\".");
            }
            return new Wanted(named(p.category(), rules), named(id.orElse(cell), rules), new PatchEdit.Categorise(id.orElse("")));
        }
    }

    /** Id of a category by its name or its id, empty text for none; nothing where the rules have no such category. */
    static Optional<String> categoryId(String typed, HouseRules rules) {
        String wanted = typed.strip().toLowerCase(Locale.ROOT);
        return wanted.isEmpty() || wanted.equals("none") ? Optional.of("") : rules.categories().stream()
                .filter(c -> c.id().equalsIgnoreCase(wanted) || c.name().equalsIgnoreCase(wanted)).map(Category::id).findFirst();
    }

    static List<String> tags(String text) {
        return Arrays.stream(text.split("[,;]")).map(String::strip).filter(t -> !t.isEmpty()).distinct().limit(Naming.MOST_TAGS + 1L).toList();
    }
}
