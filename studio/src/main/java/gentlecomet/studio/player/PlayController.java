package gentlecomet.studio.player;

import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.NoteText;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** Patches for the player of the page, and clips as sound files. */
@Controller
class PlayController {

    private static final double LONGEST_CLIP_SECONDS = 30;

    private final Patches patches;
    private final Collections collections;
    private final Measures measures;
    private final Assets assets;

    PlayController(Patches patches, Collections collections, Measures measures, Assets assets) {
        this.assets = assets;
        this.patches = patches;
        this.collections = collections;
        this.measures = measures;
    }

    @GetMapping("/patches/{id}/playable")
    @ResponseBody
    Playable playable(@PathVariable long id) {
        PatchRow row = patches.get(id);
        CollectionRow collection = collections.of(row);
        return Playable.of(row, collection.rules(), measures.of(row.summary(), collection.rules()).orElse(null));
    }

    /** A clip of a patch as WAV: notes in the notation of the command line, or "phrase" for the category's phrase. */
    @GetMapping("/patches/{id}/clip.wav")
    ResponseEntity<byte[]> clip(@PathVariable long id, @RequestParam String notes) {
        PatchRow row = patches.get(id);
        Phrase phrase;
        if (notes.equals("phrase")) {
            phrase = Phrases.get(collections.of(row).rules().phraseOf(row.category())).as(row.patch());
        } else {
            NoteText.Notes parsed;
            try {
                parsed = NoteText.parse(notes);
            } catch (IllegalArgumentException e) {
                throw new RefusedException(e.getMessage());
            }
            phrase = new Phrase("clip", "Clip", 60, parsed.end(), parsed.notes());
        }
        if (phrase.seconds() > LONGEST_CLIP_SECONDS) {
            throw new RefusedException("A clip has at most 30 s.");
        }
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("audio/wav"))
                .body(WavFormat.write24(new Rendering(Measuring.RATE, assets).render(row.patch(), phrase)));
    }
}
