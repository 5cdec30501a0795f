package gentlecomet.studio.web;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.vary.Quality;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.PatchEditing;
import gentlecomet.studio.service.Versions;
import gentlecomet.studio.store.PatchStore.PatchRow;
import gentlecomet.studio.store.VersionStore;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;

/** Versions of a patch: pads, differences, siblings. */
@Controller
class VersionController {

    private final Versions versions;
    private final VersionStore store;
    private final PatchEditing editing;
    private final Banks banks;
    private final BenchModel bench;

    VersionController(Versions versions, VersionStore store, PatchEditing editing, Banks banks, BenchModel bench) {
        this.versions = versions;
        this.store = store;
        this.editing = editing;
        this.banks = banks;
        this.bench = bench;
    }

    /** A version to be heard in place of the present state; {@code matchedDb} brings it to the house loudness, null while it is not measured. */
    record Heard(String reference, String words, Playable playable, Double matchedDb) {
    }

    @GetMapping("/patches/{id}/versions/{reference}")
    @ResponseBody
    Heard heard(@PathVariable long id, @PathVariable String reference) {
        Versions.Version version = versions.find(id, reference);
        HouseRules rules = banks.collectionOf(editing.get(id)).rules();
        Patch patch = version.patch();
        Measurement m = versions.measured(patch, rules).orElse(null);
        Double matched = m == null || m.silent() ? null : rules.targetLufs() - rules.measureOf(patch.naming().category()).of(m);
        return new Heard(reference, version.words(), Playable.of(id, patch, Phrases.get(rules.phraseOf(patch.naming().category())),
                matched == null ? 0 : matched), matched);
    }

    /** Asks for the measures of a version. */
    @PostMapping("/patches/{id}/versions/{reference}/measure")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void measure(@PathVariable long id, @PathVariable String reference) {
        versions.ask(versions.find(id, reference).patch(), banks.collectionOf(editing.get(id)).rules());
    }

    @PostMapping("/patches/{id}/pads/{letter}")
    String putPad(@PathVariable long id, @PathVariable String letter, @RequestParam(defaultValue = "") String from, Model model) {
        versions.putPad(id, letter, from);
        return bench.part(editing.get(id), model);
    }

    @GetMapping("/patches/{id}/differences")
    String differences(@PathVariable long id, @RequestParam String with, Model model) {
        model.addAttribute("version", versions.find(id, with));
        model.addAttribute("lines", versions.differences(id, with));
        return "versions :: differences";
    }

    @PostMapping("/patches/{id}/take-back")
    String takeBack(@PathVariable long id, @RequestParam long version, @RequestParam String with, @RequestParam int line, Model model) {
        return bench.part(versions.takeBack(id, version, with, line), model);
    }

    @PostMapping("/patches/{id}/bring-back")
    String bringBack(@PathVariable long id, @RequestParam long version, @RequestParam String with, Model model) {
        return bench.part(versions.bringBack(id, version, with), model);
    }

    @PostMapping("/patches/{id}/siblings")
    String vary(@PathVariable long id, @RequestParam(required = false) List<String> quality, @RequestParam double strength, @RequestParam int count,
            @RequestParam int seed, Model model) {
        List<Quality> qualities = quality == null ? List.of() : Arrays.stream(Quality.values())
                .filter(q -> quality.contains(q.name().toLowerCase(Locale.ROOT))).toList();
        versions.vary(id, qualities, strength, count, seed);
        return bench.part(editing.get(id), model);
    }

    @GetMapping("/patches/{id}/siblings/portraits")
    @ResponseBody
    Map<Long, String> portraits(@PathVariable long id) {
        return bench.portraits(editing.get(id));
    }

    @PostMapping("/patches/{id}/siblings/{sibling}/keep")
    String keep(@PathVariable long id, @PathVariable long sibling, Model model) {
        PatchRow kept = editing.get(versions.keep(sibling));
        model.addAttribute("said", "Kept as \"" + kept.name() + "\" in slot " + kept.slot() + ".");
        return bench.part(editing.get(id), model);
    }

    @PostMapping("/patches/{id}/siblings/{sibling}/discard")
    String discard(@PathVariable long id, @PathVariable long sibling, Model model) {
        store.discard(sibling);
        return bench.part(editing.get(id), model);
    }

    @PostMapping("/patches/{id}/siblings/discard")
    String discardAll(@PathVariable long id, Model model) {
        store.discardAll(id);
        return bench.part(editing.get(id), model);
    }
}
