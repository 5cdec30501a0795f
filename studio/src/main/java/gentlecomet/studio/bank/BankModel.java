package gentlecomet.studio.bank;

import gentlecomet.craft.format.Json;
import gentlecomet.studio.bank.desk.Desk;
import gentlecomet.studio.bank.desk.DeskStep;
import gentlecomet.studio.bank.start.CategoryStarts;
import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.patch.PatchPlaces;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Fills in what the page of a bank shows: all of it, or the rows that work at the desk has changed. */
@Component
public class BankModel {

    /** So many rows are read one by one; more are read as a bank. */
    private static final int FEW = 6;

    private final Collections collections;
    private final Patches patches;
    private final PatchPlaces places;
    private final Measures measures;
    private final BankRows rows;
    private final Desk desk;
    private final BankFilters filters;
    private final CategoryStarts starts;

    BankModel(Collections collections, Patches patches, PatchPlaces places, Measures measures, BankRows rows, Desk desk, BankFilters filters, CategoryStarts starts) {
        this.starts = starts;
        this.collections = collections;
        this.patches = patches;
        this.places = places;
        this.measures = measures;
        this.rows = rows;
        this.desk = desk;
        this.filters = filters;
    }

    BankRow whole(long bankId, Model model) {
        BankRow bank = collections.bank(bankId);
        CollectionRow collection = collections.get(bank.collectionId());
        common(bank, collection, model);
        model.addAttribute("rows", rows.of(bankId, collection));
        model.addAttribute("starts", starts.names(collection.id()));
        model.addAttribute("filtersText", Json.compact(filters.kept(collection.id())));
        model.addAttribute("targets", collections.bankNames());
        model.addAttribute("standing", measures.standing(bankId, collection.rules()));
        return bank;
    }

    /** What has become of a bank, as an answer to work at its desk. @param said a sentence about it */
    public void answer(long bankId, Desk.Outcome outcome, String said, Model model) {
        BankRow bank = collections.bank(bankId);
        CollectionRow collection = collections.get(bank.collectionId());
        common(bank, collection, model);
        List<PatchSummary> all = patches.inBank(bankId);
        model.addAttribute("order", all.stream().map(p -> p.id() + ":" + p.slot()).collect(Collectors.joining(",")));
        model.addAttribute("rows", changed(all, outcome.changed(), collection));
        model.addAttribute("said", said);
        model.addAttribute("left", outcome.left());
        model.addAttribute("step", outcome.id());
    }

    private List<BankRowView> changed(List<PatchSummary> all, Collection<Long> ids, CollectionRow collection) {
        Set<Long> wanted = new HashSet<>(ids);
        List<PatchSummary> some = all.stream().filter(p -> wanted.contains(p.id())).toList();
        if (some.size() <= FEW) {
            List<BankRowView> views = some.stream().map(p -> rows.of(p, collection)).toList();
            views.stream().filter(r -> !r.sound().measured()).forEach(r -> measures.ask(patches.get(r.patch().id()), collection.rules()));
            return views;
        }
        return rows.of(all.get(0).bankId(), collection).stream().filter(r -> wanted.contains(r.patch().id())).toList();
    }

    private void common(BankRow bank, CollectionRow collection, Model model) {
        model.addAttribute("bank", bank);
        model.addAttribute("rules", collection.rules());
        model.addAttribute("arrangement", places.arrangement(bank.id()));
        model.addAttribute("undo", desk.next(collection.id()).map(DeskStep::label).orElse(""));
        model.addAttribute("redo", desk.again(collection.id()).map(DeskStep::label).orElse(""));
    }
}
