package gentlecomet.studio.bank.shelf;

import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.patch.PatchPlaces;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** All banks of a collection, and its trash. */
@Controller
class ShelfController {

    private final Shelf shelf;
    private final Collections collections;
    private final PatchPlaces places;
    private final PageContexts contexts;

    ShelfController(Shelf shelf, Collections collections, PatchPlaces places, PageContexts contexts) {
        this.shelf = shelf;
        this.collections = collections;
        this.places = places;
        this.contexts = contexts;
    }

    @GetMapping("/collections/{id}/banks")
    String banks(@PathVariable long id, Model model) {
        fill(id, List.of(), model);
        model.addAttribute("context", contexts.ofCollection("Banks", "banks", id));
        return "bank/shelf";
    }

    @PostMapping("/collections/{id}/banks")
    String add(@PathVariable long id, @RequestParam String name, Model model) {
        collections.addBank(collections.get(id).id(), name);
        return part(id, List.of(), model);
    }

    @PostMapping("/banks/{id}/rename")
    String rename(@PathVariable long id, @RequestParam String name, @RequestParam int msb, @RequestParam int lsb, Model model) {
        collections.renameBank(id, name, msb, lsb);
        return part(collections.bank(id).collectionId(), List.of(), model);
    }

    @PostMapping("/banks/{id}/shift")
    String shift(@PathVariable long id, @RequestParam boolean down, Model model) {
        collections.moveBank(id, down);
        return part(collections.bank(id).collectionId(), List.of(), model);
    }

    @PostMapping("/banks/{id}/merge")
    String merge(@PathVariable long id, @RequestParam long into, Model model) {
        long collection = collections.bank(id).collectionId();
        shelf.merge(id, into);
        return part(collection, List.of(), model);
    }

    @PostMapping("/banks/{id}/split")
    String split(@PathVariable long id, Model model) {
        shelf.split(id);
        return part(collections.bank(id).collectionId(), List.of(), model);
    }

    @PostMapping("/banks/{id}/delete")
    String delete(@PathVariable long id, Model model) {
        long collection = collections.bank(id).collectionId();
        shelf.delete(id);
        return part(collection, List.of(), model);
    }

    @PostMapping("/collections/{id}/trash/restore")
    String restore(@PathVariable long id, @RequestParam(defaultValue = "") Set<Long> patch, Model model) {
        return part(id, shelf.restore(id, patch), model);
    }

    @PostMapping("/collections/{id}/trash/empty")
    String empty(@PathVariable long id, @RequestParam(defaultValue = "") Set<Long> patch, Model model) {
        places.deleteForever(id, patch);
        return part(id, List.of(), model);
    }

    private String part(long id, List<String> said, Model model) {
        fill(id, said, model);
        return "bank/shelf :: shelf";
    }

    private void fill(long id, List<String> said, Model model) {
        CollectionRow collection = collections.get(id);
        model.addAttribute("collectionId", id);
        model.addAttribute("rules", collection.rules());
        model.addAttribute("banks", collections.banks(id));
        model.addAttribute("trash", places.trashed(id));
        model.addAttribute("days", PatchPlaces.TRASH_DAYS);
        model.addAttribute("said", said);
    }
}
