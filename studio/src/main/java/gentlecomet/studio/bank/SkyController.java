package gentlecomet.studio.bank;

import gentlecomet.craft.curate.KnownSound;
import gentlecomet.craft.curate.Likeness;
import gentlecomet.craft.portrait.Portrait;
import gentlecomet.craft.rules.Category;
import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseBody;

/** All sounds of a collection in a plane of two measures. */
@Controller
class SkyController {

    /** Pairs that are told, and collections in which they are looked for: beyond that it would take too long to wait for. */
    private static final int PAIRS = 12;
    private static final int MOST_FOR_PAIRS = 700;

    private final KnownSounds sounds;
    private final Collections collections;
    private final Patches patches;
    private final Measures measures;
    private final PageContexts contexts;

    SkyController(KnownSounds sounds, Collections collections, Patches patches, Measures measures, PageContexts contexts) {
        this.sounds = sounds;
        this.collections = collections;
        this.patches = patches;
        this.measures = measures;
        this.contexts = contexts;
    }

    /** A sound as the sky places it. @param mark of its category, or its first letter */
    record Star(long id, String name, long bank, int slot, String category, String mark, double brightness, double tail, double attack, double loudness, double width, double noise) {
    }

    /** A category against its plan. */
    record PlanPart(String id, String name, int planned, long made) {
    }

    /** Two sounds that are alike. @param distance in dB */
    record Pair(long one, long other, double distance) {
    }

    /** @param unmeasured how many have no place yet */
    record Sky(List<Star> stars, List<PlanPart> plan, List<Pair> pairs, long unmeasured) {
    }

    @GetMapping("/collections/{id}/sky")
    String page(@PathVariable long id, Model model) {
        model.addAttribute("context", contexts.ofCollection("Sky", "banks", id));
        model.addAttribute("rules", collections.get(id).rules());
        return "bank/sky";
    }

    @GetMapping("/collections/{id}/sky/stars")
    @ResponseBody
    Sky stars(@PathVariable long id) {
        CollectionRow collection = collections.get(id);
        List<PatchSummary> summaries = patches.inCollection(id);
        Map<Long, PatchSummary> places = summaries.stream().collect(Collectors.toMap(PatchSummary::id, Function.identity()));
        boolean pairs = summaries.size() <= MOST_FOR_PAIRS;
        List<KnownSound> all = pairs ? sounds.of(summaries, collection) : sounds.measured(summaries, collection);
        Map<String, Long> made = all.stream().collect(Collectors.groupingBy(KnownSound::category, Collectors.counting()));
        Map<String, Category> categories = new HashMap<>();
        collection.rules().categories().forEach(c -> categories.put(c.id(), c));
        List<KnownSound> placed = all.stream().filter(s -> !Double.isNaN(s.brightness())).toList();
        List<Star> stars = placed.stream().map(s -> star(s, places.get(s.id()), categories.get(s.category()))).toList();
        return new Sky(stars, collection.rules().categories().stream().map(c -> new PlanPart(c.id(), c.name(), c.planned(), made.getOrDefault(c.id(), 0L))).toList(),
                pairs ? Likeness.nearestPairs(placed, PAIRS).stream().map(p -> new Pair(p.one().id(), p.other().id(), p.distance())).toList() : List.of(), all.size() - placed.size());
    }

    private static Star star(KnownSound s, PatchSummary place, Category category) {
        String mark = category == null ? "?" : category.mark().isEmpty() ? category.name().substring(0, 1) : category.mark();
        return new Star(s.id(), s.name(), place.bankId(), place.slot(), s.category(), mark, s.brightness(), s.tail(), Math.max(0.0005, s.attack()), s.loudness(), 100 * s.width(), 100 * s.noise());
    }

    /** The portrait of a patch alone. */
    @GetMapping(value = "/patches/{id}/portrait", produces = MediaType.TEXT_HTML_VALUE)
    @ResponseBody
    String portrait(@PathVariable long id) {
        PatchSummary patch = patches.summary(id);
        BankRow bank = collections.bank(patch.bankId());
        return measures.of(patch, collections.get(bank.collectionId()).rules()).map(Portrait::svg).orElse("");
    }
}
