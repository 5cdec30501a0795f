package gentlecomet.studio.listening;

import gentlecomet.craft.backing.Backings;
import gentlecomet.craft.listen.Question;
import gentlecomet.craft.listen.RoundOrder;
import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.listening.round.RoundPlan;
import gentlecomet.studio.listening.round.RoundRow;
import gentlecomet.studio.listening.round.Rounds;
import gentlecomet.studio.listening.say.Answer;
import gentlecomet.studio.listening.say.Answers;
import gentlecomet.studio.listening.say.Reviewer;
import gentlecomet.studio.listening.say.Reviewers;
import gentlecomet.studio.listening.verdict.Verdicts;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.page.RefusedException;
import java.security.SecureRandom;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;

/** The rounds of a collection, and the beginning of new ones. */
@Controller
class ListeningController {

    private final Collections collections;
    private final Rounds rounds;
    private final Answers answers;
    private final Reviewers reviewers;
    private final Verdicts verdicts;
    private final Measures measures;
    private final PageContexts contexts;
    private final SecureRandom seeds = new SecureRandom();

    ListeningController(Collections collections, Rounds rounds, Answers answers, Reviewers reviewers, Verdicts verdicts, Measures measures, PageContexts contexts) {
        this.collections = collections;
        this.rounds = rounds;
        this.answers = answers;
        this.reviewers = reviewers;
        this.verdicts = verdicts;
        this.measures = measures;
        this.contexts = contexts;
    }

    /** A round in the list. @param progress who has answered how much */
    record RoundEntry(RoundRow round, String progress) {
    }

    /** The form of a new round as it comes. */
    record RoundForm(String name, String question, Long bank, String filter, String category, String only, String order, List<String> phrases, String play, String backing, Double pause, Boolean blind) {

        RoundPlan plan(long seed) {
            Question asked = Question.find(question == null ? "" : question);
            return new RoundPlan(name == null ? "" : name.strip(), asked, bank == null ? 0 : bank, filter == null ? "" : filter, category == null ? "" : category, only == null ? "all" : only,
                    RoundOrder.find(order == null ? "bank" : order), seed, "chosen".equals(play) && phrases != null ? phrases : List.of(), "hands".equals(play), backing == null ? "" : backing,
                    pause == null ? 0 : pause, Boolean.TRUE.equals(blind));
        }
    }

    @GetMapping("/banks/{id}/listening")
    String listening(@PathVariable long id, Model model) {
        BankRow bank = collections.bank(id);
        CollectionRow collection = collections.get(bank.collectionId());
        List<RoundRow> all = rounds.all(collection.id());
        Map<Long, String> names = reviewers.all(collection.id()).stream().collect(Collectors.toMap(Reviewer::id, Reviewer::name));
        model.addAttribute("context", contexts.ofBank("Listening", "listening", id, 0));
        model.addAttribute("bank", bank);
        model.addAttribute("collection", collection);
        model.addAttribute("banks", collections.banks(collection.id()));
        model.addAttribute("rounds", all.stream().map(r -> new RoundEntry(r, progress(r, names))).toList());
        model.addAttribute("questions", Question.values());
        model.addAttribute("orders", RoundOrder.values());
        model.addAttribute("phrases", collection.rules().phrases());
        model.addAttribute("backings", Backings.all());
        model.addAttribute("ready", String.join("\n", answers.ready(collection.id())));
        model.addAttribute("suggested", "Round " + (all.size() + 1));
        model.addAttribute("toMend", verdicts.toMend(collection.id()).size());
        return "listening/listening";
    }

    private String progress(RoundRow round, Map<Long, String> names) {
        Map<Long, Long> given = answers.of(round.id()).stream().collect(Collectors.groupingBy(Answer::reviewerId, Collectors.counting()));
        return given.isEmpty() ? "nobody yet" : given.entrySet().stream().map(e -> names.get(e.getKey()) + " " + e.getValue() + (round.question() == Question.ORDER ? " answers" : " of " + round.places()))
                .collect(Collectors.joining(", "));
    }

    /** How many places a round would have, in words. */
    @GetMapping("/collections/{id}/rounds/choice")
    @ResponseBody
    String choice(@PathVariable long id, @ModelAttribute RoundForm form) {
        try {
            RoundPlan plan = form.plan(1);
            int places = rounds.preview(id, plan).size();
            return plan.question() == Question.PAIR ? places + (places == 1 ? " pair" : " pairs") : places + (places == 1 ? " patch" : " patches");
        } catch (RefusedException e) {
            return e.getMessage();
        }
    }

    @PostMapping("/collections/{id}/rounds")
    String start(@PathVariable long id, @ModelAttribute RoundForm form) {
        CollectionRow collection = collections.get(id);
        if (reviewers.all(id).isEmpty()) {
            reviewers.named(id, Reviewers.FIRST);
        }
        long round = rounds.start(id, form.plan(seeds.nextInt(1_000_000)));
        // What is near in sound, and portraits, need measurements.
        collections.banks(id).forEach(b -> measures.askForBank(b.id(), collection.rules()));
        return "redirect:/rounds/" + round;
    }

    @PostMapping("/rounds/{id}/name")
    String rename(@PathVariable long id, @RequestParam String name) {
        RoundRow round = rounds.get(id);
        rounds.rename(id, name);
        return "redirect:/banks/" + collections.banks(round.collectionId()).get(0).id() + "/listening";
    }

    @PostMapping("/rounds/{id}/delete")
    String delete(@PathVariable long id) {
        RoundRow round = rounds.get(id);
        rounds.delete(id);
        return "redirect:/banks/" + collections.banks(round.collectionId()).get(0).id() + "/listening";
    }

    /** What the collection keeps ready to be said. */
    @PostMapping("/collections/{id}/ready-remarks")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void ready(@PathVariable long id, @RequestParam(defaultValue = "") String ready) {
        collections.get(id);
        answers.keepReady(id, ready);
    }

    /** The owner's word on a patch as it sounds now; answers what counts of it from now on. */
    @PostMapping("/patches/{id}/final-word")
    @ResponseBody
    String finalWord(@PathVariable long id, @RequestParam String verdict, @RequestParam(defaultValue = "") String note) {
        return verdicts.say(id, verdict, note);
    }
}
