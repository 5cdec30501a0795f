package gentlecomet.studio.listening;

import gentlecomet.craft.format.Json;
import gentlecomet.craft.listen.Question;
import gentlecomet.craft.listen.RoundOrder;
import gentlecomet.studio.collection.demo.DemoAddition;
import gentlecomet.studio.listening.round.RoundPlace;
import gentlecomet.studio.listening.round.RoundPlan;
import gentlecomet.studio.listening.round.Rounds;
import gentlecomet.studio.listening.say.Answer;
import gentlecomet.studio.listening.say.Answers;
import gentlecomet.studio.listening.say.Reviewer;
import gentlecomet.studio.listening.say.Reviewers;
import gentlecomet.studio.listening.verdict.Verdicts;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Two finished rounds of the demo, of reviewers who are named by their roles. */
@Component
class DemoListening implements DemoAddition {

    private static final String FILE = "demo/saltmarsh-listening.json";

    private final Rounds rounds;
    private final Answers answers;
    private final Reviewers reviewers;
    private final Verdicts verdicts;
    private final Patches patches;

    DemoListening(Rounds rounds, Answers answers, Reviewers reviewers, Verdicts verdicts, Patches patches) {
        this.rounds = rounds;
        this.answers = answers;
        this.reviewers = reviewers;
        this.verdicts = verdicts;
        this.patches = patches;
    }

    /** @param answers by reviewer, then by the patch's name; "rest" stands for all that are not named */
    record DemoRound(String name, String question, String category, boolean blind, Map<String, Map<String, String>> answers, List<DemoNote> notes) {
    }

    record DemoNote(String reviewer, String patch, String words, Double beat, Integer key) {
    }

    record DemoFile(List<String> ready, List<DemoRound> rounds, Map<String, String> finalWords) {
    }

    @Override
    @Transactional
    public void addTo(long collectionId) {
        DemoFile file;
        try (InputStream in = new ClassPathResource(FILE).getInputStream()) {
            file = Json.read(new String(in.readAllBytes(), StandardCharsets.UTF_8), DemoFile.class);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        answers.keepReady(collectionId, String.join("\n", file.ready()));
        file.rounds().forEach(r -> add(collectionId, r));
        Map<String, Long> ids = patches.inCollection(collectionId).stream().collect(Collectors.toMap(PatchSummary::name, PatchSummary::id));
        file.finalWords().forEach((name, verdict) -> verdicts.say(ids.get(name), verdict, ""));
    }

    private void add(long collectionId, DemoRound demo) {
        long round = rounds.start(collectionId, new RoundPlan(demo.name(), Question.find(demo.question()), 0, "", demo.category(), "all", demo.blind() ? RoundOrder.SHUFFLED : RoundOrder.BANK, 7,
                List.of(), false, "", 0, demo.blind()));
        Map<String, RoundPlace> places = rounds.places(round).stream().collect(Collectors.toMap(p -> p.heard().name(), Function.identity()));
        demo.answers().forEach((name, said) -> {
            Reviewer reviewer = reviewers.named(collectionId, name);
            places.forEach((patch, place) -> answers.give(round, new Answer(place.place(), 0, reviewer.id(), said.getOrDefault(patch, said.get("rest"))), "demo " + round + " " + reviewer.id() + " " + place.place()));
        });
        for (DemoNote note : demo.notes()) {
            int place = places.get(note.patch()).place();
            answers.note(round, place, reviewers.named(collectionId, note.reviewer()).id(), note.words(), note.beat(), note.key(), "demo " + round + " " + note.reviewer() + " " + place);
        }
    }
}
