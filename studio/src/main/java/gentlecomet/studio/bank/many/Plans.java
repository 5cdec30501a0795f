package gentlecomet.studio.bank.many;

import gentlecomet.craft.curate.Renaming;
import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchPlaces;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;

/** What a form of the desk would do. Planning changes nothing. */
@Service
class Plans {

    /** Work that goes by where patches stand, so an older arrangement on the page would mislead it. */
    private static final Set<String> BY_PLACE = Set.of("shift", "at", "between", "close", "order");

    private final Collections collections;
    private final Patches patches;
    private final PatchPlaces places;
    private final NamingPlans naming;
    private final PlacePlans placing;
    private final LevelPlans levelling;
    private final SuggestionPlans suggesting;

    Plans(Collections collections, Patches patches, PatchPlaces places, NamingPlans naming, PlacePlans placing, LevelPlans levelling, SuggestionPlans suggesting) {
        this.collections = collections;
        this.patches = patches;
        this.places = places;
        this.naming = naming;
        this.placing = placing;
        this.levelling = levelling;
        this.suggesting = suggesting;
    }

    /** @throws RefusedException where a form asks for what cannot be */
    Plan of(long bankId, DeskForm form) {
        CollectionRow collection = collections.ofBank(bankId);
        if (BY_PLACE.contains(form.what())) {
            places.hold(bankId, form.arrangement());
        }
        List<PatchSummary> bank = patches.inBank(bankId);
        Map<Long, PatchSummary> byId = new HashMap<>();
        bank.forEach(p -> byId.put(p.id(), p));
        Map<Long, Long> versions = form.versions();
        List<PatchSummary> chosen = new ArrayList<>();
        versions.keySet().stream().filter(byId::containsKey).forEach(id -> chosen.add(byId.get(id)));
        if (chosen.isEmpty() && !form.what().equals("close")) {
            throw new RefusedException(versions.isEmpty() ? "Choose patches first." : "The chosen patches are no longer in this bank.");
        }
        try {
            return plan(new Chosen(collection, bankId, bank, chosen, versions), form);
        } catch (EditException e) {
            throw new RefusedException(e.getMessage());
        }
    }

    private Plan plan(Chosen chosen, DeskForm form) {
        return switch (form.what()) {
            case "rename" -> rename(chosen, form);
            case "categorise" -> naming.categorise(chosen, form.category());
            case "tag" -> naming.tag(chosen, NamingPlans.tags(form.text()), form.way());
            case "sign" -> naming.sign(chosen, form.text());
            case "paste" -> naming.paste(chosen, form.text(), form.column());
            case "level" -> levelling.level(chosen);
            case "suggest" -> suggesting.suggest(chosen, form.way());
            case "shift" -> placing.shift(chosen, form.way().equals("down"));
            case "at" -> placing.at(chosen, form.toSlot());
            case "between" -> placing.between(chosen, form.before());
            case "close" -> placing.close(chosen);
            case "order" -> placing.order(chosen, form.way());
            case "move" -> placing.toBank(chosen, form.toBank(), false);
            case "copy" -> placing.toBank(chosen, form.toBank() == 0 ? chosen.bankId() : form.toBank(), true);
            case "delete" -> placing.delete(chosen);
            default -> throw new RefusedException("The page is older than this program. Load it again and repeat the last step.");
        };
    }

    private Plan rename(Chosen chosen, DeskForm form) {
        return switch (form.way()) {
            case "pattern" -> naming.rename(chosen, new Renaming.Assembled(form.text(), form.number()), " as " + form.text());
            case "replace" -> naming.rename(chosen, new Renaming.Replaced(form.text(), form.with(), form.anyCase()), ": \"" + form.text() + "\" to \"" + form.with() + "\"");
            case "case" -> naming.rename(chosen, letters(form.text()), ", capitals");
            case "list" -> naming.rename(chosen, new Renaming.Listed(form.text().lines().toList()), " from a list");
            case "one" -> naming.rename(chosen, new Renaming.Listed(List.of(one(form.text()))), " to \"" + form.text().strip() + "\"");
            default -> throw new RefusedException("Choose how the names are made.", "way");
        };
    }

    private static String one(String name) {
        if (name.isBlank()) {
            throw new RefusedException("A patch needs a name.", "name");
        }
        return name;
    }

    private static Renaming letters(String name) {
        try {
            return Renaming.Case.valueOf(name);
        } catch (IllegalArgumentException e) {
            throw new RefusedException("Choose which letters are capitals.", "text");
        }
    }
}
