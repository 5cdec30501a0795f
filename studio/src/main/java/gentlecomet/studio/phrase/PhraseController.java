package gentlecomet.studio.phrase;

import gentlecomet.craft.backing.Backings;
import gentlecomet.craft.format.MidiFormat;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.page.RefusedException;
import java.io.IOException;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Phrases and backing loops for the player of every page. */
@RestController
class PhraseController {

    private static final double LONGEST_BEATS = 2000;

    /** Everything that the player offers beside the patch in focus. */
    record Offer(List<PlayablePhrase> phrases, List<PlayablePhrase> backings, double[] kit) {
    }

    @GetMapping("/phrases")
    Offer offer() {
        return new Offer(Phrases.all().stream().map(PlayablePhrase::of).toList(),
                Backings.all().stream().map(PlayablePhrase::of).toList(), PatchImage.of(Backings.kit()));
    }

    /** A Standard MIDI File as a phrase for this page; it is not kept. */
    @PostMapping("/phrases")
    PlayablePhrase read(@RequestParam MultipartFile file) throws IOException {
        MidiFormat.Read read = MidiUpload.read(file);
        String name = Assets.name(file);
        Phrase phrase = read.phrase();
        if (phrase.beats() > LONGEST_BEATS) {
            throw new RefusedException(name + ": expected at most " + (int) LONGEST_BEATS + " beats, found " + (int) phrase.beats() + ".");
        }
        return PlayablePhrase.of(phrase, read.remarks());
    }
}
