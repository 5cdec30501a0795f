package gentlecomet.studio.collection;

import gentlecomet.craft.rules.Category;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.patch.PatchPlaces;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The home of a collection, and the page that is shown while there is none. */
@Controller
class HomeController {

    private static final int PACE_DAYS = 7;
    private static final int MOST_TAGS = 40;

    private final HomeStart start;
    private final Collections collections;
    private final Patches patches;
    private final List<ReadinessStep> steps;
    private final PageContexts contexts;

    HomeController(HomeStart start, Collections collections, Patches patches, List<ReadinessStep> steps, PageContexts contexts) {
        this.start = start;
        this.collections = collections;
        this.patches = patches;
        this.steps = steps.stream().sorted(Comparator.comparingInt(ReadinessStep::order)).toList();
        this.contexts = contexts;
    }

    /** A line of the plan. @param passed how many of those that are made have passed each step of readiness */
    record PlanLine(Category category, long made, List<Long> passed) {
        public long missing() {
            return Math.max(0, category.planned() - made);
        }
    }

    /** How many patches have a tag. */
    record TagLine(String tag, long made) {
    }

    /** A step of readiness: how many patches have passed it. */
    record StepLine(String name, long done, long total, String link) {
        public long percent() {
            return total == 0 ? 0 : Math.round(100.0 * done / total);
        }
    }

    /** The collection that was shown last in this browser, or else the one that was worked on last. */
    @GetMapping("/")
    String start(@CookieValue(name = "comet-collection", defaultValue = "") String shown, Model model) {
        Optional<Long> there = start.collection(shown);
        if (there.isPresent()) {
            return "redirect:/collections/" + there.get();
        }
        model.addAttribute("trashed", collections.cards());
        model.addAttribute("days", PatchPlaces.TRASH_DAYS);
        return "collection/first";
    }

    @GetMapping("/collections/{id}")
    String home(@PathVariable long id, Model model) {
        CollectionRow collection = collections.get(id);
        List<BankRow> banks = collections.banks(id);
        List<PatchSummary> all = patches.inCollection(id);
        Map<String, List<PatchSummary>> made = all.stream().collect(Collectors.groupingBy(PatchSummary::category));
        List<Set<Long>> passed = steps.stream().map(s -> s.passed(collection, all)).toList();
        List<StepLine> lines = lines(passed, all.size(), banks.get(0));
        List<PlanLine> plan = collection.rules().categories().stream().map(c -> {
            List<PatchSummary> own = made.getOrDefault(c.id(), List.of());
            return new PlanLine(c, own.size(), passed.stream().map(p -> own.stream().filter(patch -> p.contains(patch.id())).count()).toList());
        }).toList();
        model.addAttribute("context", contexts.ofCollection(collection.name(), "home", id));
        model.addAttribute("plan", plan);
        model.addAttribute("pace", pace(id, plan));
        model.addAttribute("tags", all.stream().flatMap(p -> p.tags().stream()).collect(Collectors.groupingBy(t -> t, Collectors.counting())).entrySet().stream()
                .sorted(Map.Entry.<String, Long>comparingByValue().reversed().thenComparing(Map.Entry.comparingByKey())).limit(MOST_TAGS).map(t -> new TagLine(t.getKey(), t.getValue())).toList());
        model.addAttribute("steps", lines);
        model.addAttribute("next", lines.stream().filter(s -> s.done() < s.total()).findFirst().orElse(null));
        model.addAttribute("details", collection.details());
        model.addAttribute("count", all.size());
        return "collection/home";
    }

    private List<StepLine> lines(List<Set<Long>> passed, int all, BankRow first) {
        return IntStream.range(0, steps.size()).mapToObj(i -> new StepLine(steps.get(i).name(), passed.get(i).size(), all, steps.get(i).link(first))).toList();
    }

    /** How far a collection is, for its card. */
    @GetMapping("/collections/{id}/standing")
    String standing(@PathVariable long id, Model model) {
        CollectionRow collection = collections.get(id);
        List<PatchSummary> all = patches.inCollection(id);
        model.addAttribute("steps", lines(steps.stream().map(s -> s.passed(collection, all)).toList(), all.size(), collections.banks(id).get(0)));
        return "collection/all :: standing";
    }

    /** How far the plan is, in one line: what is to be made, and when it will be at the pace of the last days. */
    private String pace(long id, List<PlanLine> plan) {
        long missing = plan.stream().mapToLong(PlanLine::missing).sum();
        int planned = plan.stream().mapToInt(p -> p.category().planned()).sum();
        int lately = patches.madeWithin(id, PACE_DAYS);
        if (planned == 0) {
            return "Nothing is planned yet; the rules say how many patches each category is to have.";
        }
        return missing == 0 ? "All " + planned + " planned patches are made." : missing + " of " + planned + " planned patches are to be made"
                + (lately == 0 ? "." : "; at the pace of the last " + PACE_DAYS + " days (" + lately + ") that takes " + (missing * PACE_DAYS + lately - 1) / lately + " more days.");
    }
}
