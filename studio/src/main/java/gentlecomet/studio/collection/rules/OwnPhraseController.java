package gentlecomet.studio.collection.rules;

import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.MidiFormat;
import gentlecomet.craft.phrase.NoteText;
import gentlecomet.craft.phrase.OwnPhrase;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.phrase.MidiUpload;
import gentlecomet.studio.phrase.PlayablePhrase;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Phrases of a house: those that it has, and new ones on their way into its rules. */
@RestController
class OwnPhraseController {

    private final Collections collections;

    OwnPhraseController(Collections collections) {
        this.collections = collections;
    }

    /** A phrase that can be added to the rules. @param content as the form of the rules sends it back */
    record Made(PlayablePhrase phrase, String content) {
    }

    @GetMapping("/collections/{id}/phrases")
    List<PlayablePhrase> own(@PathVariable long id) {
        return collections.get(id).rules().conventions().phrases().stream().map(p -> PlayablePhrase.of(p.phrase())).toList();
    }

    /** Notes in letters, where there is no file. Nothing is kept: the rules are changed by their form. */
    @PostMapping("/phrases/typed")
    Made typed(@RequestParam String name, @RequestParam double tempo, @RequestParam String notes) {
        NoteText.Notes parsed;
        try {
            parsed = NoteText.parse(notes);
        } catch (IllegalArgumentException e) {
            throw new RefusedException(e.getMessage(), "notes");
        }
        return made(new OwnPhrase(name.strip(), tempo, parsed.end(), parsed.notes(), List.of()), List.of());
    }

    /** What was played on the page. @param played as {@link OwnPhrase} */
    @PostMapping("/phrases/played")
    Made played(@RequestParam String played) {
        return made(Json.read(played, OwnPhrase.class), List.of());
    }

    /** A Standard MIDI File. @param name empty for that of the file */
    @PostMapping("/phrases/file")
    Made file(@RequestParam String name, @RequestParam MultipartFile file) throws IOException {
        MidiFormat.Read read = MidiUpload.read(file);
        List<String> remarks = new ArrayList<>(read.remarks());
        if (!read.phrase().tempoChanges().isEmpty()) {
            remarks.add("Its changes of tempo are left out.");
        }
        String plain = Assets.name(file).replaceFirst("\\.[^.]*$", "");
        return made(OwnPhrase.of(name.isBlank() ? plain.substring(0, Math.min(40, plain.length())) : name.strip(), read.phrase()), remarks);
    }

    private static Made made(OwnPhrase phrase, List<String> remarks) {
        if (!phrase.fault().isEmpty()) {
            throw new RefusedException(phrase.fault(), "phraseName");
        }
        return new Made(PlayablePhrase.of(phrase.phrase(), remarks), Json.compact(phrase));
    }
}
