package gentlecomet.studio.bench;

import gentlecomet.craft.measure.HeardDifference;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.bench.version.Versions;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.player.Playable;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;

/** Versions of a patch: pads, differences, what stands between two. */
@Controller
class VersionController {

    private final Versions versions;
    private final Patches patches;
    private final Collections collections;
    private final Measures measures;
    private final BenchModel bench;

    VersionController(Versions versions, Patches patches, Collections collections, Measures measures, BenchModel bench) {
        this.versions = versions;
        this.patches = patches;
        this.collections = collections;
        this.measures = measures;
        this.bench = bench;
    }

    /** A version to be heard in place of the present state; {@code matchedDb} brings it to the house loudness and {@code difference} says how it
     * sounds against that state; both are null while something is not measured. {@code jumps} is what has nothing between two versions. */
    record HeardVersion(String reference, String words, Playable playable, Double matchedDb, String difference, List<String> jumps) {
    }

    @GetMapping("/patches/{id}/versions/{reference}")
    @ResponseBody
    HeardVersion heard(@PathVariable long id, @PathVariable String reference) {
        Versions.Ends ends = versions.ends(id, reference);
        Versions.Version version = ends == null ? versions.find(id, reference) : ends.version();
        HouseRules rules = collections.ofBank(patches.summary(id).bankId()).rules();
        Patch patch = version.patch();
        Measurement m = measures.of(patch, rules).orElse(null);
        Double matched = ends == null || m != null ? matched(m, patch, rules) : matched(ends, rules);
        return new HeardVersion(reference, version.words(), Playable.of(id, patch, rules.phraseFor(patch.naming().category()),
                matched == null ? 0 : matched), matched, m == null ? null : measures.of(patches.get(id).patch(), rules).map(now -> HeardDifference.words(m, now)).orElse(null),
                ends == null ? List.of() : ends.morph().jumps());
    }

    private static Double matched(Measurement m, Patch patch, HouseRules rules) {
        return m == null || m.silent() ? null : rules.targetOf(patch.naming().category()) - rules.measureOf(patch.naming().category()).of(m);
    }

    /** What stands between two measured versions is matched by what lies between their two gains. */
    private Double matched(Versions.Ends ends, HouseRules rules) {
        Double from = matched(measures.of(ends.from().patch(), rules).orElse(null), ends.from().patch(), rules);
        Double to = matched(measures.of(ends.to().patch(), rules).orElse(null), ends.to().patch(), rules);
        return from == null || to == null ? null : Double.valueOf(from + ends.place() * (to - from));
    }

    @PostMapping("/patches/{id}/versions/{reference}/keep")
    String keepBetween(@PathVariable long id, @PathVariable String reference, Model model) {
        PatchRow kept = patches.get(versions.keepBetween(id, reference));
        model.addAttribute("said", "Kept as \"" + kept.name() + "\" in slot " + kept.slot() + ".");
        return bench.part(patches.get(id), model);
    }

    /** Asks for the measures of a version. */
    @PostMapping("/patches/{id}/versions/{reference}/measure")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void measure(@PathVariable long id, @PathVariable String reference) {
        measures.ask(versions.find(id, reference).patch(), collections.ofBank(patches.summary(id).bankId()).rules());
    }

    @PostMapping("/patches/{id}/pads/{letter}")
    String putPad(@PathVariable long id, @PathVariable String letter, @RequestParam(defaultValue = "") String from, Model model) {
        versions.putPad(id, letter, from);
        return bench.part(patches.get(id), model);
    }

    @GetMapping("/patches/{id}/differences")
    String differences(@PathVariable long id, @RequestParam String with, Model model) {
        model.addAttribute("version", versions.find(id, with));
        model.addAttribute("lines", versions.differences(id, with));
        return "bench/versions :: differences";
    }

    @PostMapping("/patches/{id}/take-back")
    String takeBack(@PathVariable long id, @RequestParam long version, @RequestParam String with, @RequestParam int line, Model model) {
        return bench.part(versions.takeBack(id, version, with, line), model);
    }

    @PostMapping("/patches/{id}/bring-back")
    String bringBack(@PathVariable long id, @RequestParam long version, @RequestParam String with, Model model) {
        return bench.part(versions.bringBack(id, version, with), model);
    }
}
