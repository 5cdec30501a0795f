package gentlecomet.studio.listening.result;

import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.listening.round.Rounds;
import gentlecomet.studio.page.PageContexts;
import java.nio.charset.StandardCharsets;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** What rounds have brought, on the screen and as files. */
@Controller
class ResultsController {

    private final RoundResults results;
    private final Rounds rounds;
    private final Collections collections;
    private final PageContexts contexts;

    ResultsController(RoundResults results, Rounds rounds, Collections collections, PageContexts contexts) {
        this.results = results;
        this.rounds = rounds;
        this.collections = collections;
        this.contexts = contexts;
    }

    @GetMapping("/rounds/{id}/results")
    String results(@PathVariable long id, @RequestParam(name = "with", defaultValue = "0") long other, Model model) {
        RoundResults.Results found = results.of(id, other);
        model.addAttribute("others", rounds.all(found.round().collectionId()).stream().filter(r -> r.id() != id).toList());
        model.addAttribute("other", other);
        BankRow bank = collections.banks(found.round().collectionId()).get(0);
        model.addAttribute("context", contexts.ofBank(found.round().name() + ", results", "listening", bank.id(), 0));
        model.addAttribute("bank", bank);
        model.addAttribute("results", found);
        return "listening/results";
    }

    @GetMapping("/rounds/{id}/results.csv")
    ResponseEntity<String> csv(@PathVariable long id) {
        return file("listening-" + id + ".csv", new MediaType("text", "csv", StandardCharsets.UTF_8), results.table(id).csv());
    }

    /** One page that needs nothing else. */
    @GetMapping("/rounds/{id}/results.html")
    ResponseEntity<String> html(@PathVariable long id) {
        return file("listening-" + id + ".html", new MediaType("text", "html", StandardCharsets.UTF_8), results.table(id).html());
    }

    private static ResponseEntity<String> file(String name, MediaType type, String content) {
        return ResponseEntity.ok().contentType(type).header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"").body(content);
    }
}
