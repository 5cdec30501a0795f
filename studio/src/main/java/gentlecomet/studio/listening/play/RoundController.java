package gentlecomet.studio.listening.play;

import gentlecomet.craft.format.Json;
import gentlecomet.craft.listen.Preference;
import gentlecomet.craft.listen.Question;
import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.listening.round.RoundPlace;
import gentlecomet.studio.listening.round.RoundRow;
import gentlecomet.studio.listening.round.Rounds;
import gentlecomet.studio.listening.say.Answer;
import gentlecomet.studio.listening.say.Answers;
import gentlecomet.studio.listening.say.Reviewer;
import gentlecomet.studio.listening.say.Reviewers;
import gentlecomet.studio.page.PageContexts;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;

/** A round as one goes through it: its places, answers and notes. */
@Controller
class RoundController {

    private static final String REVIEWER = "comet-reviewer";
    /** What a pad can do: its key on the computer, and its words. */
    private static final List<Deed> DEEDS = List.of(new Deed("k", "keep"), new Deed("f", "fix"), new Deed("c", "cut"), new Deed("1", "rate 1, or the first"), new Deed("2", "rate 2, or the second"),
            new Deed("3", "rate 3"), new Deed("4", "rate 4"), new Deed("5", "rate 5"), new Deed("ArrowRight", "skip"), new Deed("ArrowLeft", "back"), new Deed("u", "take back"),
            new Deed("v", "hear the other"), new Deed(" ", "play or stop"));
    private static final int A_YEAR = 365 * 24 * 3600;

    private final Rounds rounds;
    private final Answers answers;
    private final Reviewers reviewers;
    private final Places places;
    private final Collections collections;
    private final PageContexts contexts;

    RoundController(Rounds rounds, Answers answers, Reviewers reviewers, Places places, Collections collections, PageContexts contexts) {
        this.rounds = rounds;
        this.answers = answers;
        this.reviewers = reviewers;
        this.places = places;
        this.collections = collections;
        this.contexts = contexts;
    }

    /** @param key of the computer that does the same */
    record Deed(String key, String words) {
    }

    /** A place in the list under the round. */
    record PlaceEntry(int place, String name, String answer) {
    }

    /** What the page is told when an answer was taken back. */
    record TakenBack(int place, String answer, String before) {
    }

    @GetMapping("/rounds/{id}")
    String round(@PathVariable long id, @RequestParam(required = false) Integer at, @CookieValue(name = REVIEWER, defaultValue = "") String known, Model model) {
        RoundRow round = rounds.get(id);
        List<Reviewer> all = reviewers.all(round.collectionId());
        String wanted = URLDecoder.decode(known, StandardCharsets.UTF_8);
        Reviewer reviewer = all.stream().filter(r -> r.name().equals(wanted)).findFirst().orElse(all.isEmpty() ? null : all.get(0));
        BankRow bank = collections.banks(round.collectionId()).get(0);
        model.addAttribute("context", contexts.ofBank(round.name(), "listening", bank.id(), 0));
        model.addAttribute("round", round);
        model.addAttribute("bank", bank);
        model.addAttribute("reviewers", all);
        model.addAttribute("reviewer", reviewer);
        model.addAttribute("deeds", DEEDS);
        model.addAttribute("ready", answers.ready(round.collectionId()));
        if (reviewer == null) {
            return "listening/round";
        }
        List<RoundPlace> of = rounds.places(id);
        Map<Integer, String> given = Answers.byPlace(answers.of(id), reviewer.id());
        model.addAttribute("page", Json.compact(new RoundPage(id, reviewer.id(), round.question().id(), round.question().answers(), of.size(), round.blind(), round.byHand(), round.pause(),
                round.backing(), given, answers.drafts(id, reviewer.id()))));
        model.addAttribute("entries", of.stream().map(p -> new PlaceEntry(p.place(), round.blind() ? (round.question().ofTwo() ? "Pair " : "Sound ") + p.place() : name(p), given.getOrDefault(p.place(), ""))).toList());
        if (round.question() == Question.ORDER) {
            fillOrder(round, of, reviewer, model);
        } else {
            int first = at != null ? Math.max(1, Math.min(of.size(), at)) : of.stream().map(RoundPlace::place).filter(p -> !given.containsKey(p)).findFirst().orElse(of.size());
            fill(round, of.get(first - 1), reviewer, model);
        }
        return "listening/round";
    }

    private static String name(RoundPlace p) {
        return p.rival() == null || p.rival().name().equals(p.heard().name()) ? p.heard().name() : p.heard().name() + " or " + p.rival().name();
    }

    private void fill(RoundRow round, RoundPlace place, Reviewer reviewer, Model model) {
        model.addAttribute("round", round);
        model.addAttribute("ready", answers.ready(round.collectionId()));
        model.addAttribute("view", places.of(round, place, reviewer));
        model.addAttribute("rivalPlace", 0);
    }

    private void fillOrder(RoundRow round, List<RoundPlace> of, Reviewer reviewer, Model model) {
        Preference preference = Answers.preference(answers.of(round.id()), reviewer.id(), of.size());
        model.addAttribute("round", round);
        model.addAttribute("ready", answers.ready(round.collectionId()));
        model.addAttribute("ranked", preference.ranking().size());
        model.addAttribute("most", Preference.most(of.size()));
        if (preference.next() == null) {
            model.addAttribute("ranking", preference.ranking().stream().map(p -> of.get(p - 1)).toList());
        } else {
            RoundPlace second = of.get(preference.next().second() - 1);
            model.addAttribute("view", places.of(round, of.get(preference.next().first() - 1), second, reviewer));
            model.addAttribute("rivalPlace", second.place());
        }
    }

    /** One place, to be fetched before it is needed. */
    @GetMapping("/rounds/{id}/places/{place}")
    String place(@PathVariable long id, @PathVariable int place, @RequestParam long reviewer, Model model) {
        RoundRow round = rounds.get(id);
        fill(round, rounds.place(id, place), reviewers.get(reviewer, round.collectionId()), model);
        return "listening/round :: place";
    }

    /** The next two that are held against each other where a round puts its places in order. */
    @GetMapping("/rounds/{id}/pair")
    String pair(@PathVariable long id, @RequestParam long reviewer, Model model) {
        RoundRow round = rounds.get(id);
        fillOrder(round, rounds.places(id), reviewers.get(reviewer, round.collectionId()), model);
        return "listening/round :: place";
    }

    @PostMapping("/rounds/{id}/answers")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void answer(@PathVariable long id, @RequestParam int place, @RequestParam(defaultValue = "0") int rival, @RequestParam long reviewer, @RequestParam String answer, @RequestParam String token) {
        answers.give(id, new Answer(place, rival, reviewer, answer), token);
    }

    /** Takes the newest answer of a reviewer back. */
    @PostMapping("/rounds/{id}/answers/back")
    @ResponseBody
    TakenBack back(@PathVariable long id, @RequestParam long reviewer) {
        return answers.takeBack(id, reviewer).map(a -> new TakenBack(a.place(), a.answer(), Answers.byPlace(answers.of(id), reviewer).getOrDefault(a.place(), "")))
                .orElse(new TakenBack(0, "", ""));
    }

    /** Keeps a note as it is typed. */
    @PostMapping("/rounds/{id}/drafts")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void draft(@PathVariable long id, @RequestParam int place, @RequestParam long reviewer, @RequestParam(defaultValue = "") String note) {
        answers.draft(id, place, reviewer, note);
    }

    @PostMapping("/rounds/{id}/notes")
    String note(@PathVariable long id, @RequestParam int place, @RequestParam long reviewer, @RequestParam String note, @RequestParam(required = false) Double beat,
            @RequestParam(required = false) Integer key, @RequestParam String token, Model model) {
        answers.note(id, place, reviewer, note, beat, key, token);
        return notes(id, place, reviewer, model);
    }

    @PostMapping("/rounds/{id}/notes/{note}/delete")
    String forget(@PathVariable long id, @PathVariable long note, @RequestParam int place, @RequestParam long reviewer, Model model) {
        answers.forget(id, note);
        return notes(id, place, reviewer, model);
    }

    private String notes(long id, int place, long reviewer, Model model) {
        model.addAttribute("round", rounds.get(id));
        model.addAttribute("remarks", answers.remarks(id, place, reviewer));
        return "listening/round :: notes";
    }

    /** A place takes over the present state of its patch. */
    @PostMapping("/rounds/{id}/places/{place}/present")
    String renew(@PathVariable long id, @PathVariable int place) {
        rounds.renew(id, place);
        return "redirect:/rounds/" + id + "?at=" + place;
    }

    /** Who listens at this browser from now on. */
    @PostMapping("/rounds/{id}/reviewer")
    String reviewer(@PathVariable long id, @RequestParam String reviewer, @RequestParam(required = false) Integer at, HttpServletResponse response) {
        Reviewer named = reviewers.named(rounds.get(id).collectionId(), reviewer);
        Cookie cookie = new Cookie(REVIEWER, URLEncoder.encode(named.name(), StandardCharsets.UTF_8));
        cookie.setPath("/");
        cookie.setMaxAge(A_YEAR);
        cookie.setAttribute("SameSite", "Strict");
        response.addCookie(cookie);
        return "redirect:/rounds/" + id + (at == null ? "" : "?at=" + at);
    }
}
