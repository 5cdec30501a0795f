package gentlecomet.studio.measure;

import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.ProgressStream;
import gentlecomet.studio.work.Standing;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Measuring of a bank: asked for, and followed. */
@Controller
class MeasureController {

    private final Collections collections;
    private final Measures measures;
    private final ProgressStream progress;

    MeasureController(Collections collections, Measures measures, ProgressStream progress) {
        this.collections = collections;
        this.measures = measures;
        this.progress = progress;
    }

    /** How many patches have been measured. */
    @GetMapping("/banks/{id}/measuring")
    @ResponseBody
    SseEmitter follow(@PathVariable long id) {
        CollectionRow collection = collections.ofBank(id);
        return progress.follow("measuring " + id, () -> {
            Standing standing = measures.standing(id, collection.rules());
            return new ProgressStream.Progress(standing.done(), standing.total(), standing.failed().size());
        });
    }

    /** Asks for everything that has not been measured in its present state. */
    @PostMapping("/banks/{id}/measure")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void ask(@PathVariable long id) {
        measures.askForBank(id, collections.ofBank(id).rules());
    }
}
