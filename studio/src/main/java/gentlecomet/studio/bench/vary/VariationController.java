package gentlecomet.studio.bench.vary;

import gentlecomet.craft.vary.Quality;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** Variations of the patch on the bench. Every change answers with the list of them. */
@Controller
class VariationController {

    private final PatchVariations variations;
    private final Patches patches;
    private final Collections collections;

    VariationController(PatchVariations variations, Patches patches, Collections collections) {
        this.variations = variations;
        this.patches = patches;
        this.collections = collections;
    }

    @GetMapping("/patches/{id}/variations")
    String list(@PathVariable long id, Model model) {
        model.addAttribute("variations", variations.cards(id, phrase(patches.summary(id))));
        model.addAttribute("making", variations.progress(id));
        return "bench/versions :: variations";
    }

    /** How far their making is, and the portraits of those that have been measured, by id. */
    record Portraits(VariationProgress progress, Map<Long, String> portraits) {
    }

    @GetMapping("/patches/{id}/variations/portraits")
    @ResponseBody
    Portraits portraits(@PathVariable long id) {
        return new Portraits(variations.progress(id), variations.cards(id, phrase(patches.summary(id))).stream().filter(VariationCard::measured)
                .collect(Collectors.toMap(v -> v.row().id(), VariationCard::portrait)));
    }

    private String phrase(PatchSummary patch) {
        return collections.ofBank(patch.bankId()).rules().phraseOf(patch.category());
    }

    @PostMapping("/patches/{id}/variations")
    String vary(@PathVariable long id, @RequestParam(required = false) List<String> quality, @RequestParam double octaves, @RequestParam double decibels,
            @RequestParam int count, @RequestParam int seed, Model model) {
        List<Quality> qualities = quality == null ? List.of() : quality.stream().map(PatchVariations::quality).toList();
        variations.vary(id, qualities, octaves, decibels, count, seed);
        return list(id, model);
    }

    @PostMapping("/patches/{id}/variations/map")
    String map(@PathVariable long id, @RequestParam String across, @RequestParam double acrossStep, @RequestParam String up, @RequestParam double upStep,
            @RequestParam int seed, Model model) {
        variations.map(id, across, acrossStep, up, upStep, seed);
        return list(id, model);
    }

    @PostMapping("/patches/{id}/variations/row")
    String row(@PathVariable long id, @RequestParam String quality, @RequestParam double step, @RequestParam int count, @RequestParam int seed, Model model) {
        variations.row(id, PatchVariations.quality(quality), step, count, seed);
        return list(id, model);
    }

    @PostMapping("/patches/{id}/variations/stop")
    String stop(@PathVariable long id, Model model) {
        variations.stop(id);
        return list(id, model);
    }

    @PostMapping("/patches/{id}/variations/{variation}/keep")
    String keep(@PathVariable long id, @PathVariable long variation, Model model) {
        PatchRow kept = patches.get(variations.keep(variation));
        model.addAttribute("said", "Kept as \"" + kept.name() + "\" in slot " + kept.slot() + ".");
        return list(id, model);
    }

    @PostMapping("/patches/{id}/variations/{variation}/discard")
    String discard(@PathVariable long id, @PathVariable long variation, Model model) {
        variations.discard(id, variation);
        return list(id, model);
    }

    @PostMapping("/patches/{id}/variations/discard")
    String discardAll(@PathVariable long id, Model model) {
        variations.discardAll(id);
        return list(id, model);
    }
}
