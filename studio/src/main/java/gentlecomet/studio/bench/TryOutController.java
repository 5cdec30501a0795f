package gentlecomet.studio.bench;

import gentlecomet.craft.quick.QuickLine;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.bench.edit.EditFields;
import gentlecomet.studio.bench.edit.EditKinds;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.player.Playable;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** Edits that are tried out: heard and told, and not stored. Taking one is an edit like any other. */
@Controller
class TryOutController {

    private final Patches patches;
    private final Collections collections;

    TryOutController(Patches patches, Collections collections) {
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

    /** The patch as it would sound after an edit. */
    @PostMapping("/patches/{id}/try")
    @ResponseBody
    Playable edited(@PathVariable long id, @RequestParam Map<String, String> form) {
        PatchRow row = patches.get(id);
        return playable(row, EditKinds.read(new EditFields(form), row.patch()).apply(row.patch()));
    }

    /** What a line means while it is typed. */
    @GetMapping("/patches/{id}/quick-line")
    @ResponseBody
    LineSoFar read(@PathVariable long id, @RequestParam int layer, @RequestParam String line) {
        if (layer < 0 || layer >= Parameters.LAYERS) {
            throw new RefusedException("There is no such layer.");
        }
        PatchRow row = patches.get(id);
        QuickLine.Reading reading = QuickLine.read(row.patch(), layer, line);
        return new LineSoFar(reading.understood(), reading.fault(), reading.suggestions(),
                reading.understood().isEmpty() ? null : playable(row, reading.result()), reading.place());
    }

    private Playable playable(PatchRow row, Patch patch) {
        return Playable.of(row.id(), patch, collections.of(row).rules().phraseFor(row.category()), 0);
    }
}
