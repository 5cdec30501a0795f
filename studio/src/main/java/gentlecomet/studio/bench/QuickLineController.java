package gentlecomet.studio.bench;

import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.quick.QuickLine;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.player.Playable;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** What a line means while it is typed. Taking it is an edit like any other. */
@Controller
class QuickLineController {

    private final Patches patches;
    private final Collections collections;

    QuickLineController(Patches patches, Collections collections) {
        this.patches = patches;
        this.collections = collections;
    }

    /**
     * A line so far.
     *
     * @param fault    why the rest means nothing, empty when all of it does
     * @param playable the patch as it would sound, null where nothing was understood
     * @param place    id of the parameter that was set last, empty for none
     */
    record LineSoFar(List<String> understood, String fault, List<QuickLine.Suggestion> suggestions, Playable playable, String place) {
    }

    @GetMapping("/patches/{id}/quick-line")
    @ResponseBody
    LineSoFar read(@PathVariable long id, @RequestParam int layer, @RequestParam String line) {
        if (layer < 0 || layer >= Parameters.LAYERS) {
            throw new RefusedException("There is no such layer.");
        }
        PatchRow row = patches.get(id);
        HouseRules rules = collections.of(row).rules();
        QuickLine.Reading reading = QuickLine.read(row.patch(), layer, line);
        Patch result = reading.result();
        Playable playable = reading.understood().isEmpty() ? null : Playable.of(id, result, Phrases.get(rules.phraseOf(row.category())), 0);
        return new LineSoFar(reading.understood(), reading.fault(), reading.suggestions(), playable, reading.place());
    }
}
