package gentlecomet.studio.collection;

import gentlecomet.craft.rules.Category;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.io.IOException;
import java.io.InputStream;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
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

    private final HomeStart start;
    private final Collections collections;
    private final Intake intake;
    private final Patches patches;
    private final List<ReadinessStep> steps;
    private final PageContexts contexts;

    HomeController(HomeStart start, Collections collections, Intake intake, Patches patches, List<ReadinessStep> steps, PageContexts contexts) {
        this.start = start;
        this.collections = collections;
        this.intake = intake;
        this.patches = patches;
        this.steps = steps.stream().sorted(Comparator.comparingInt(ReadinessStep::order)).toList();
        this.contexts = contexts;
    }

    /** A line of the plan. */
    record PlanLine(Category category, long made) {
        public long missing() {
            return Math.max(0, category.planned() - made);
        }
    }

    /** A step of readiness: how many patches have passed it. */
    record StepLine(String name, long done, long total, String link) {
        public long percent() {
            return total == 0 ? 0 : Math.round(100.0 * done / total);
        }
    }

    /** The collection that was shown last in this browser, or else the one that was worked on last. */
    @GetMapping("/")
    String start(@CookieValue(name = "comet-collection", defaultValue = "") String shown) {
        return start.collection(shown).map(id -> "redirect:/collections/" + id).orElse("collection/first");
    }

    @GetMapping("/collections/{id}")
    String home(@PathVariable long id, Model model) {
        CollectionRow collection = collections.get(id);
        List<BankRow> banks = collections.banks(id);
        List<PatchSummary> all = patches.inCollection(id);
        Map<String, Long> made = all.stream().collect(Collectors.groupingBy(PatchSummary::category, Collectors.counting()));
        List<StepLine> lines = steps.stream().map(s -> new StepLine(s.name(), s.passed(collection, all).size(), all.size(), s.link(banks.get(0)))).toList();
        model.addAttribute("context", contexts.ofCollection(collection.name(), "home", id));
        model.addAttribute("plan", collection.rules().categories().stream().map(c -> new PlanLine(c, made.getOrDefault(c.id(), 0L))).toList());
        model.addAttribute("steps", lines);
        model.addAttribute("next", lines.stream().filter(s -> s.done() < s.total()).findFirst().orElse(null));
        model.addAttribute("count", all.size());
        return "collection/home";
    }

    @PostMapping("/collections")
    String create(@RequestParam String name) {
        return "redirect:/collections/" + collections.create(name);
    }

    @PostMapping("/collections/import")
    String take(@RequestParam MultipartFile file) throws IOException {
        if (file.isEmpty()) {
            throw new RefusedException("Choose a release ZIP first.", "file");
        }
        try (InputStream in = file.getInputStream()) {
            return "redirect:/collections/" + intake.take(in, Assets.name(file));
        }
    }
}
