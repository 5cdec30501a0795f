package gentlecomet.studio.collection;

import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchPlaces;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** All collections: begun, copied, put away, deleted and brought back; and what each says of itself. */
@Controller
class CollectionsController {

    /** Short notices of well-known licences; the text of others is typed. */
    private static final List<String> LICENCES = List.of("CC0 1.0 Universal (public domain): https://creativecommons.org/publicdomain/zero/1.0/legalcode",
            "Creative Commons Attribution 4.0 International: https://creativecommons.org/licenses/by/4.0/legalcode",
            "Creative Commons Attribution-ShareAlike 4.0 International: https://creativecommons.org/licenses/by-sa/4.0/legalcode",
            "All rights reserved. Who has been given this collection may use its sounds in music of their own, published or not, without further payment. The patches themselves may not be sold or passed on.");

    private final Collections collections;
    private final Intake intake;
    private final PageContexts contexts;

    CollectionsController(Collections collections, Intake intake, PageContexts contexts) {
        this.collections = collections;
        this.intake = intake;
        this.contexts = contexts;
    }

    /** @param from the collection that was shown before, around which the page is built */
    @GetMapping("/collections/{from}/all")
    String all(@PathVariable long from, Model model) {
        model.addAttribute("context", contexts.ofCollection("Collections", "collections", from));
        fill(from, model);
        return "collection/all";
    }

    private void fill(long from, Model model) {
        List<CollectionCard> cards = collections.cards();
        model.addAttribute("from", from);
        model.addAttribute("inUse", cards.stream().filter(c -> c.trashedAt() == null && !c.archived()).toList());
        model.addAttribute("archived", cards.stream().filter(c -> c.trashedAt() == null && c.archived()).toList());
        model.addAttribute("trashed", cards.stream().filter(c -> c.trashedAt() != null).toList());
        model.addAttribute("days", PatchPlaces.TRASH_DAYS);
    }

    @PostMapping("/collections")
    String create(@RequestParam String name) {
        return "redirect:/collections/" + collections.create(name);
    }

    @PostMapping("/collections/{id}/duplicate")
    String duplicate(@PathVariable long id, @RequestParam long from, Model model) {
        intake.duplicate(collections.get(id));
        return cards(from, model);
    }

    @PostMapping("/collections/{id}/archive")
    String archive(@PathVariable long id, @RequestParam boolean on, @RequestParam long from, Model model) {
        collections.archive(id, on);
        return cards(from, model);
    }

    /** @param from the collection whose page asks, 0 for the page that is shown while there is none */
    @PostMapping("/collections/{id}/trash")
    String trash(@PathVariable long id, @RequestParam boolean on, @RequestParam long from, Model model) {
        if (on && id == from) {
            throw new RefusedException("This collection is the one that is open. Open another one first, then delete it.");
        }
        collections.trash(id, on);
        if (from == 0) {
            return "redirect:/collections/" + id;
        }
        return cards(from, model);
    }

    private String cards(long from, Model model) {
        fill(from, model);
        return "collection/all :: cards";
    }

    @GetMapping("/collections/{id}/about")
    String about(@PathVariable long id, Model model) {
        CollectionRow collection = collections.get(id);
        model.addAttribute("context", contexts.ofCollection("About " + collection.name(), "about", id));
        model.addAttribute("details", collection.details());
        model.addAttribute("licences", LICENCES);
        return "collection/about";
    }

    @PostMapping("/collections/{id}/about")
    String describe(@PathVariable long id, @RequestParam String name, @RequestParam String author, @RequestParam String licence, @RequestParam String version,
            @RequestParam String description, @RequestParam String contact) {
        collections.describe(id, CollectionDetails.typed(name, author, licence, version, description, contact));
        return "redirect:/collections/" + id;
    }
}
