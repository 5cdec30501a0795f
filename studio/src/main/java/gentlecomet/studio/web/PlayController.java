package gentlecomet.studio.web;

import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.NoteText;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.studio.service.Assets;
import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.Measures;
import gentlecomet.studio.service.PatchEditing;
import gentlecomet.studio.service.RefusedException;
import gentlecomet.studio.store.CollectionStore.CollectionRow;
import gentlecomet.studio.store.PatchStore.PatchRow;
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

    private final PatchEditing editing;
    private final Banks banks;
    private final Measures measures;
    private final Assets assets;

    PlayController(PatchEditing editing, Banks banks, Measures measures, Assets assets) {
        this.assets = assets;
        this.editing = editing;
        this.banks = banks;
        this.measures = measures;
    }

    @GetMapping("/patches/{id}/playable")
    @ResponseBody
    Playable playable(@PathVariable long id) {
        PatchRow row = editing.get(id);
        CollectionRow collection = banks.collectionOf(row);
        return Playable.of(row, collection.rules(), measures.of(row, collection.rules()).orElse(null));
    }

    /** A clip of a patch as WAV: notes in the notation of the command line, or "phrase" for the category's phrase. */
    @GetMapping("/patches/{id}/clip.wav")
    ResponseEntity<byte[]> clip(@PathVariable long id, @RequestParam String notes) {
        PatchRow row = editing.get(id);
        Phrase phrase;
        if (notes.equals("phrase")) {
            phrase = Phrases.get(banks.collectionOf(row).rules().phraseOf(row.category()));
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
