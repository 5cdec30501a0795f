package gentlecomet.studio.web;

import gentlecomet.craft.release.ReleaseCheck;
import gentlecomet.craft.rules.Category;
import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.RefusedException;
import gentlecomet.studio.store.CollectionStore;
import gentlecomet.studio.store.CollectionStore.BankRow;
import gentlecomet.studio.store.CollectionStore.CollectionRow;
import gentlecomet.studio.store.ReleaseStore;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** Collections: their home, new ones, and imported ones. */
@Controller
class HomeController {

    private final CollectionStore collections;
    private final Banks banks;
    private final BankRows rows;
    private final ReleaseStore releases;
    private final Frames frames;

    HomeController(CollectionStore collections, Banks banks, BankRows rows, ReleaseStore releases, Frames frames) {
        this.collections = collections;
        this.banks = banks;
        this.rows = rows;
        this.releases = releases;
        this.frames = frames;
    }

    /** A line of the plan. */
    record PlanLine(Category category, long made) {
        public long missing() {
            return Math.max(0, category.planned() - made);
        }
    }

    /** One step of readiness: how many patches have passed it. */
    record Step(String name, long done, long total, String link) {
        public long percent() {
            return total == 0 ? 0 : Math.round(100.0 * done / total);
        }
    }

    /** The collection that was shown last in this browser, or else the one that was worked on last. */
    @GetMapping("/")
    String start(@CookieValue(name = "comet-collection", defaultValue = "") String shown) {
        List<CollectionRow> all = collections.all();
        if (all.isEmpty()) {
            return "first";
        }
        Long last = all.stream().map(CollectionRow::id).filter(id -> String.valueOf(id).equals(shown)).findFirst().orElseGet(collections::workedOnLast);
        return "redirect:/collections/" + last;
    }

    @GetMapping("/collections/{id}")
    String home(@PathVariable long id, Model model) {
        CollectionRow collection = banks.collection(id);
        List<BankRow> inCollection = collections.banks(id);
        List<BankRows.Row> all = new ArrayList<>();
        inCollection.forEach(b -> all.addAll(rows.of(b, collection)));
        String bank = "/banks/" + inCollection.get(0).id();
        List<Step> steps = List.of(
                new Step("Named", all.stream().filter(r -> r.breaches().isEmpty()).count(), all.size(), bank),
                new Step("Levelled", all.stream().filter(BankRows.Row::levelled).count(), all.size(), bank + "/levels"),
                new Step("Checked", all.stream().filter(r -> r.findings() != null && r.faults() == 0).count(), all.size(), bank + "/soundcheck"),
                new Step("Heard and kept", all.stream().filter(r -> r.verdict().equals("keep")).count(), all.size(), bank + "/listening"),
                new Step("Saved", all.stream().filter(r -> r.patch().saved()).count(), all.size(), bank));
        model.addAttribute("frame", frames.ofCollection(collection.name(), "home", id));
        model.addAttribute("plan", collection.rules().categories().stream()
                .map(c -> new PlanLine(c, all.stream().filter(r -> r.patch().category().equals(c.id())).count())).toList());
        model.addAttribute("steps", steps);
        model.addAttribute("next", steps.stream().filter(s -> s.done() < s.total()).findFirst().orElse(null));
        model.addAttribute("rows", all);
        rows.addStanding(inCollection.stream().flatMap(b -> all.stream().map(BankRows.Row::patch).filter(p -> p.bankId() == b.id())).toList(), collection.rules(), model);
        model.addAttribute("releases", releases.of(id).stream().limit(4).toList());
        return "home";
    }

    @PostMapping("/collections")
    String create(@RequestParam String name) {
        return "redirect:/collections/" + banks.create(name);
    }

    @PostMapping("/collections/import")
    String take(@RequestParam MultipartFile file) throws IOException {
        if (file.isEmpty()) {
            throw new RefusedException("Choose a release ZIP first.", "file");
        }
        String name = file.getOriginalFilename() == null ? "the file" : file.getOriginalFilename();
        try (InputStream in = file.getInputStream()) {
            return "redirect:/collections/" + banks.take(ReleaseCheck.read(in, name));
        }
    }
}
