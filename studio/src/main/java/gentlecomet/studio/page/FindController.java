package gentlecomet.studio.page;

import java.util.Arrays;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Everything that the command finder can lead to: what the rooms have to offer. */
@RestController
class FindController {

    private static final int MOST_WORDS = 8;

    private final List<Findable> rooms;

    FindController(List<Findable> rooms) {
        this.rooms = rooms;
    }

    /** Pages and patches, and the parameters of the patch on the bench. */
    record Known(List<Findable.Place> places, List<Findable.Place> parameters) {
    }

    /** Patches of other collections than the one that is open. */
    @GetMapping("/find/elsewhere")
    List<Findable.Place> elsewhere(@RequestParam long collection, @RequestParam String words) {
        List<String> asked = Arrays.stream(words.strip().split("\\s+")).filter(w -> !w.isEmpty()).limit(MOST_WORDS).toList();
        return asked.isEmpty() ? List.of() : rooms.stream().flatMap(r -> r.elsewhere(collection, asked).stream()).toList();
    }

    @GetMapping("/find")
    Known find(@RequestParam long collection, @RequestParam(defaultValue = "0") long patch) {
        return new Known(rooms.stream().flatMap(r -> r.places(collection).stream()).toList(),
                patch == 0 ? List.of() : rooms.stream().flatMap(r -> r.parameters(patch).stream()).toList());
    }
}
