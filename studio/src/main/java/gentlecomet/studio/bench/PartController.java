package gentlecomet.studio.bench;

import gentlecomet.craft.quick.ReadyPart;
import gentlecomet.craft.quick.ReadyParts;
import gentlecomet.studio.bench.part.KeptPart;
import gentlecomet.studio.bench.part.KeptParts;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.patch.Patches;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;

/** Ready parts: those that come with the program, and those that a collection's people keep. */
@Controller
class PartController {

    private final KeptParts kept;
    private final Patches patches;
    private final Collections collections;

    PartController(KeptParts kept, Patches patches, Collections collections) {
        this.kept = kept;
        this.patches = patches;
        this.collections = collections;
    }

    /**
     * A part that can be taken.
     *
     * @param edit the edit that takes it
     * @param kept its number where people kept it, 0 where it comes with the program
     */
    record Offer(String name, Map<String, String> edit, long kept) {
    }

    @GetMapping("/patches/{id}/parts")
    @ResponseBody
    List<Offer> offers(@PathVariable long id, @RequestParam String part) {
        List<Offer> offers = new ArrayList<>();
        for (KeptPart k : kept.of(collection(id), part)) {
            offers.add(new Offer(k.name(), Map.of("kind", "paste", "content", k.content(), "from", k.part(), "to", part), k.id()));
        }
        for (ReadyPart r : ReadyParts.of(part)) {
            offers.add(new Offer(r.name(), Map.of("kind", "readyPart", "ready", r.id(), "part", part), 0));
        }
        return offers;
    }

    @PostMapping("/patches/{id}/parts")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(@PathVariable long id, @RequestParam String part, @RequestParam String name) {
        kept.keep(collection(id), patches.get(id).patch(), part, name);
    }

    @PostMapping("/patches/{id}/parts/{number}/remove")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long id, @PathVariable long number) {
        kept.remove(collection(id), number);
    }

    private long collection(long patch) {
        return collections.ofBank(patches.summary(patch).bankId()).id();
    }
}
