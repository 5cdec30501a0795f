package gentlecomet.studio.player;

import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.measure.Measures;
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

    private static final double TAIL_SECONDS = 12;

    private final Patches patches;
    private final Collections collections;
    private final Measures measures;
    private final Assets assets;
    private final PatchClips clips;

    PlayController(Patches patches, Collections collections, Measures measures, Assets assets, PatchClips clips) {
        this.clips = clips;
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

    /** A clip of a patch as WAV. @param notes in the notation of {@link gentlecomet.craft.phrase.Clip} */
    @GetMapping("/patches/{id}/clip.wav")
    ResponseEntity<byte[]> clip(@PathVariable long id, @RequestParam String notes) {
        PatchRow row = patches.get(id);
        Audio audio = clips.read(row, notes).render(row.patch(), new Rendering(Measuring.RATE, assets), TAIL_SECONDS);
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("audio/wav")).body(WavFormat.write24(audio));
    }
}
