package gentlecomet.studio.bench;

import gentlecomet.craft.level.ChainLoudness;
import gentlecomet.craft.level.GainMatch;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** Levels along the chains of effects, by rendering the phrase that is played. */
@Controller
class ChainController {

    private final Patches patches;
    private final BenchModel bench;
    private final Collections collections;
    private final Assets assets;

    ChainController(Patches patches, BenchModel bench, Collections collections, Assets assets) {
        this.patches = patches;
        this.bench = bench;
        this.collections = collections;
        this.assets = assets;
    }

    /** @param lufs null where nothing is heard */
    record LoudnessView(Double lufs) {
    }

    /** Brings the output of an effect, or of a layer's filters, to the loudness of what goes into it. @param phrase to measure with, or empty for the category's */
    @PostMapping("/patches/{id}/match")
    String match(@PathVariable long id, @RequestParam long version, @RequestParam int layer, @RequestParam int slot,
            @RequestParam(defaultValue = "") String phrase, Model model) {
        PatchRow row = patches.get(id);
        refuseOther(layer, slot, layer < 0 ? 0 : GainMatch.FILTERS);
        try {
            GainMatch.Result found = new GainMatch(assets).match(row.patch(), phrase(row, phrase), layer, slot);
            model.addAttribute("said", found.words());
            return bench.part(patches.edit(id, version, "", found.edit()), model);
        } catch (IllegalArgumentException e) {
            throw new RefusedException("Nothing is heard before or after it, so there is nothing to match.");
        }
    }

    /** How loud the phrase is behind an effect, or before the first one. */
    @GetMapping("/patches/{id}/loudness-after")
    @ResponseBody
    LoudnessView loudnessAfter(@PathVariable long id, @RequestParam int layer, @RequestParam int slot, @RequestParam(defaultValue = "") String phrase) {
        refuseOther(layer, slot, ChainLoudness.BEFORE);
        PatchRow row = patches.get(id);
        double lufs = new ChainLoudness(assets).after(row.patch(), phrase(row, phrase), layer, slot);
        return new LoudnessView(lufs <= Loudness.SILENT ? null : lufs);
    }

    private static void refuseOther(int layer, int slot, int first) {
        if (layer < -1 || layer >= Parameters.LAYERS || slot < first || slot >= (layer < 0 ? PatchParameters.EFFECTS : LayerParameters.EFFECTS)) {
            throw new RefusedException("There is no such effect.");
        }
    }

    private Phrase phrase(PatchRow row, String wanted) {
        HouseRules rules = collections.of(row).rules();
        return rules.phrase(rules.knowsPhrase(wanted) ? wanted : rules.phraseOf(row.category()));
    }
}
