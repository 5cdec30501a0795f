package gentlecomet.studio.bank.start;

import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

/** Which patches new ones begin as. */
@RestController
class CategoryStartController {

    private final CategoryStarts starts;

    CategoryStartController(CategoryStarts starts) {
        this.starts = starts;
    }

    @PostMapping("/patches/{id}/start")
    CategoryStarts.Starts toggle(@PathVariable long id) {
        return starts.toggle(id);
    }
}
