package gentlecomet.studio.bank;

import gentlecomet.studio.collection.Collections;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Which rows of a bank are shown. */
@RestController
class FilterController {

    private final BankFilters filters;
    private final Collections collections;

    FilterController(BankFilters filters, Collections collections) {
        this.filters = filters;
        this.collections = collections;
    }

    /** Ids of the patches that fit. @param than patches that comparisons go by */
    @GetMapping("/banks/{id}/filter")
    List<Long> find(@PathVariable long id, @RequestParam String line, @RequestParam(defaultValue = "") List<Long> than) {
        return filters.find(id, line, than);
    }

    @PostMapping("/banks/{id}/filters")
    List<KeptFilter> keep(@PathVariable long id, @RequestParam String name, @RequestParam String line) {
        long collection = collections.ofBank(id).id();
        filters.keep(collection, name, line);
        return filters.kept(collection);
    }

    @PostMapping("/banks/{id}/filters/forget")
    List<KeptFilter> forget(@PathVariable long id, @RequestParam String name) {
        long collection = collections.ofBank(id).id();
        filters.forget(collection, name);
        return filters.kept(collection);
    }
}
