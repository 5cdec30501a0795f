package gentlecomet.studio.web;

import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.MissingException;
import gentlecomet.studio.service.PatchEditing;
import gentlecomet.studio.service.RefusedException;
import gentlecomet.studio.store.CollectionStore.BankRow;
import gentlecomet.studio.store.CollectionStore.CollectionRow;
import gentlecomet.studio.store.PatchStore.PatchRow;
import gentlecomet.studio.store.RoundStore;
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

    private static final List<String> VERDICTS = List.of("keep", "fix", "cut");
    private static final int LONGEST_NOTE = 1000;

    private final Banks banks;
    private final PatchEditing editing;
    private final RoundStore rounds;
    private final BankRows rows;
    private final Frames frames;

    ListeningController(Banks banks, PatchEditing editing, RoundStore rounds, BankRows rows, Frames frames) {
        this.banks = banks;
        this.editing = editing;
        this.rounds = rounds;
        this.rows = rows;
        this.frames = frames;
    }

    /** A patch of a round with what was said of it. */
    record Heard(BankRows.Row row, String verdict, String note) {
    }

    @GetMapping("/banks/{id}/listening")
    String listening(@PathVariable long id, @RequestParam(required = false) Long at, Model model) {
        BankRow bank = banks.bank(id);
        CollectionRow collection = banks.collection(bank.collectionId());
        RoundStore.RoundRow round = rounds.latest(id).orElse(null);
        List<BankRows.Row> all = rows.of(bank, collection);
        Map<Long, RoundStore.Verdict> verdicts = round == null ? Map.of() : rounds.verdicts(round.id());
        List<Heard> heard = all.stream().map(r -> {
            RoundStore.Verdict v = verdicts.get(r.patch().id());
            return new Heard(r, v == null || v.verdict().equals("none") ? "" : v.verdict(), v == null ? "" : v.note());
        }).toList();
        Heard current = heard.stream().filter(h -> at != null && h.row().patch().id() == at).findFirst()
                .orElse(heard.stream().filter(h -> h.verdict().isEmpty()).findFirst().orElse(null));
        model.addAttribute("frame", frames.of("Listening " + bank.name(), "listening", id, current == null ? 0 : current.row().patch().id()));
        model.addAttribute("bank", bank);
        model.addAttribute("round", round);
        model.addAttribute("heard", heard);
        model.addAttribute("current", round == null ? null : current);
        model.addAttribute("rules", collection.rules());
        for (String verdict : VERDICTS) {
            model.addAttribute(verdict + "Count", heard.stream().filter(h -> h.verdict().equals(verdict)).count());
        }
        model.addAttribute("left", heard.stream().filter(h -> h.verdict().isEmpty()).count());
        if (current != null) {
            int place = heard.indexOf(current);
            model.addAttribute("place", place + 1);
            model.addAttribute("previous", place > 0 ? heard.get(place - 1) : null);
            model.addAttribute("following", place + 1 < heard.size() ? heard.get(place + 1) : null);
            model.addAttribute("playable", Playable.of(current.row().patch(), collection.rules(), current.row().measurement()).json());
        }
        return "listening";
    }

    @PostMapping("/banks/{id}/listening")
    String start(@PathVariable long id) {
        banks.bank(id);
        rounds.start(id);
        return "redirect:/banks/" + id + "/listening";
    }

    /** Keeps a note as it is typed. */
    @PostMapping("/rounds/{id}/notes")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void note(@PathVariable long id, @RequestParam long patch, @RequestParam(defaultValue = "") String note) {
        rounds.find(id).orElseThrow(() -> new MissingException("This listening round is no longer there."));
        if (note.length() > LONGEST_NOTE) {
            throw new RefusedException("A note has at most " + LONGEST_NOTE + " characters.", "note");
        }
        rounds.note(id, patch, editing.get(patch).contentHash(), note);
    }

    /** Gives a verdict and goes on to the next patch that has none. */
    @PostMapping("/rounds/{id}/verdicts")
    String give(@PathVariable long id, @RequestParam long patch, @RequestParam String verdict, @RequestParam(defaultValue = "") String note,
            Model model) {
        RoundStore.RoundRow round = rounds.find(id).orElseThrow(() -> new MissingException("This listening round is no longer there."));
        if (!VERDICTS.contains(verdict) || note.length() > LONGEST_NOTE) {
            throw new RefusedException("A verdict is keep, fix or cut; a note has at most 1000 characters.");
        }
        PatchRow row = editing.get(patch);
        rounds.give(id, new RoundStore.Verdict(patch, row.contentHash(), verdict, note));
        return listening(round.bankId(), null, model) + " :: round";
    }
}
