package gentlecomet.studio.listening;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.collection.NameChecks;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.measure.SoundView;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.player.Playable;
import gentlecomet.studio.soundcheck.Soundchecks;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;

/** Listening rounds: the patches of a bank one after another, by ear. */
@Controller
class ListeningController {

    private final Collections collections;
    private final Patches patches;
    private final Rounds rounds;
    private final Measures measures;
    private final NameChecks names;
    private final Soundchecks soundchecks;
    private final PageContexts contexts;

    ListeningController(Collections collections, Patches patches, Rounds rounds, Measures measures, NameChecks names, Soundchecks soundchecks,
            PageContexts contexts) {
        this.collections = collections;
        this.patches = patches;
        this.rounds = rounds;
        this.measures = measures;
        this.names = names;
        this.soundchecks = soundchecks;
        this.contexts = contexts;
    }

    /** A patch of a round with what was said of it. */
    record RoundEntry(PatchSummary patch, String verdict, String note) {
    }

    @GetMapping("/banks/{id}/listening")
    String listening(@PathVariable long id, @RequestParam(required = false) Long at, Model model) {
        PatchSummary current = fill(id, at, model);
        model.addAttribute("context", contexts.ofBank("Listening " + collections.bank(id).name(), "listening", id, current == null ? 0 : current.id()));
        return "listening/listening";
    }

    @PostMapping("/banks/{id}/listening")
    String start(@PathVariable long id) {
        collections.bank(id);
        rounds.start(id);
        return "redirect:/banks/" + id + "/listening";
    }

    /** Keeps a note as it is typed. */
    @PostMapping("/rounds/{id}/notes")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void note(@PathVariable long id, @RequestParam long patch, @RequestParam(defaultValue = "") String note) {
        rounds.note(id, patch, note);
    }

    /** Gives a verdict and goes on to the next patch that has none. */
    @PostMapping("/rounds/{id}/verdicts")
    String give(@PathVariable long id, @RequestParam long patch, @RequestParam String verdict, @RequestParam(defaultValue = "") String note, Model model) {
        rounds.give(id, patch, verdict, note);
        fill(rounds.get(id).bankId(), null, model);
        return "listening/listening :: round";
    }

    /** Answers the patch that is heard now, null when every patch has its verdict. */
    private PatchSummary fill(long id, Long at, Model model) {
        BankRow bank = collections.bank(id);
        CollectionRow collection = collections.get(bank.collectionId());
        RoundRow round = rounds.latest(id).orElse(null);
        Map<Long, Verdict> verdicts = round == null ? Map.of() : rounds.verdicts(round.id());
        List<RoundEntry> heard = patches.inBank(id).stream().map(p -> heard(p, verdicts.get(p.id()))).toList();
        RoundEntry current = heard.stream().filter(h -> at != null && h.patch().id() == at).findFirst()
                .orElse(heard.stream().filter(h -> h.verdict().isEmpty()).findFirst().orElse(null));
        model.addAttribute("bank", bank);
        model.addAttribute("round", round);
        model.addAttribute("heard", heard);
        model.addAttribute("current", round == null ? null : current);
        for (String verdict : Rounds.VERDICTS) {
            model.addAttribute(verdict + "Count", heard.stream().filter(h -> h.verdict().equals(verdict)).count());
        }
        model.addAttribute("left", heard.stream().filter(h -> h.verdict().isEmpty()).count());
        if (current == null) {
            return null;
        }
        int place = heard.indexOf(current);
        PatchRow row = patches.get(current.patch().id());
        Measurement measurement = measures.of(row.summary(), collection.rules()).orElse(null);
        model.addAttribute("place", place + 1);
        model.addAttribute("previous", place > 0 ? heard.get(place - 1) : null);
        model.addAttribute("following", place + 1 < heard.size() ? heard.get(place + 1) : null);
        model.addAttribute("notes", row.patch().naming().notes());
        model.addAttribute("sound", new SoundView(row.category(), measurement, collection.rules()));
        model.addAttribute("check", soundchecks.of(row.summary(), collection, names.of(row.summary(), collection)));
        model.addAttribute("playable", Playable.of(row, collection.rules(), measurement).json());
        return current.patch();
    }

    private static RoundEntry heard(PatchSummary patch, Verdict v) {
        return new RoundEntry(patch, v == null || v.verdict().equals("none") ? "" : v.verdict(), v == null ? "" : v.note());
    }
}
