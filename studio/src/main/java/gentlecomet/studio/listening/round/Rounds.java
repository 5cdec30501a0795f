package gentlecomet.studio.listening.round;

import gentlecomet.craft.backing.Backings;
import gentlecomet.craft.curate.KnownSound;
import gentlecomet.craft.curate.PatchFilter;
import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.craft.listen.AlikePairs;
import gentlecomet.craft.listen.Question;
import gentlecomet.craft.phrase.JoinedPhrase;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.listening.heard.HeardSound;
import gentlecomet.studio.listening.heard.HeardStates;
import gentlecomet.studio.listening.verdict.Verdicts;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Listening rounds: which patches, in what order, by what phrase. What is heard is the state at the beginning, whatever becomes of the patch. */
@Service
public class Rounds {

    private static final int LONGEST_NAME = 80;
    private static final int MOST_PLACES = 2000;
    /** More than this cannot be put in order by asking which of two. */
    private static final int MOST_IN_ORDER = 64;
    private static final double LONGEST_PAUSE = 10;

    private final RoundStore store;
    private final Patches patches;
    private final Collections collections;
    private final HeardSounds sounds;
    private final Verdicts verdicts;
    private final HeardStates states;

    Rounds(RoundStore store, Patches patches, Collections collections, HeardSounds sounds, Verdicts verdicts, HeardStates states) {
        this.states = states;
        this.store = store;
        this.patches = patches;
        this.collections = collections;
        this.sounds = sounds;
        this.verdicts = verdicts;
    }

    /** @throws MissingException when it is not there */
    public RoundRow get(long id) {
        return store.find(id).orElseThrow(() -> new MissingException("This listening round is no longer there."));
    }

    /** Rounds of a collection, the newest first. */
    public List<RoundRow> all(long collectionId) {
        return store.all(collectionId);
    }

    public List<RoundPlace> places(long roundId) {
        return store.places(roundId);
    }

    /** @throws MissingException when the round has no such place */
    public RoundPlace place(long roundId, int place) {
        return store.place(roundId, place).orElseThrow(() -> new MissingException("This round has no place " + place + "."));
    }

    /** What a place plays. */
    public Phrase phrase(RoundRow round, String category, CollectionRow collection) {
        return round.phrases().isEmpty() ? collection.rules().phraseFor(category) : JoinedPhrase.of(round.phrases().stream().map(collection.rules()::phrase).toList());
    }

    /** What a plan would bring, place by place; no ids of a round yet. @throws RefusedException with the field that cannot be */
    public List<RoundPlace> preview(long collectionId, RoundPlan plan) {
        CollectionRow collection = collections.get(collectionId);
        check(plan, collection.rules());
        List<KnownSound> all = plan.bankId() == 0 ? sounds.ofCollection(collection) : sounds.ofBank(plan.bankId(), collection);
        List<KnownSound> chosen = chosen(all, plan, collection);
        Map<Long, PatchSummary> summaries = patches.inCollection(collectionId).stream().collect(Collectors.toMap(PatchSummary::id, Function.identity()));
        List<RoundPlace> places = new ArrayList<>();
        if (plan.question() == Question.PAIR) {
            for (AlikePairs.Pair pair : AlikePairs.of(chosen)) {
                places.add(new RoundPlace(places.size() + 1, HeardSound.of(summaries.get(pair.first().id())), HeardSound.of(summaries.get(pair.second().id()))));
            }
        } else {
            for (KnownSound sound : plan.order().of(chosen, collection.rules(), plan.seed())) {
                places.add(new RoundPlace(places.size() + 1, HeardSound.of(summaries.get(sound.id())), null));
            }
        }
        if (plan.question() == Question.ORDER && places.size() > MOST_IN_ORDER) {
            throw new RefusedException("At most " + MOST_IN_ORDER + " patches can be put in order by asking which of two; these are " + places.size() + ". Narrow the choice.", "filter");
        }
        return places;
    }

    private List<KnownSound> chosen(List<KnownSound> all, RoundPlan plan, CollectionRow collection) {
        List<KnownSound> fit;
        try {
            fit = PatchFilter.of(plan.filter(), collection.rules(), List.of()).of(all);
        } catch (EditException e) {
            throw new RefusedException(e.getMessage(), "filter");
        }
        Map<Long, Verdicts.Said> said = plan.only().equals("all") ? Map.of() : verdicts.newest(collection.id());
        return fit.stream().filter(s -> plan.category().isEmpty() || s.category().equals(plan.category())).filter(s -> switch (plan.only()) {
            case "fix" -> said.containsKey(s.id()) && said.get(s.id()).verdict().equals("fix");
            case "changed" -> said.containsKey(s.id()) && !said.get(s.id()).present();
            case "unheard" -> !said.containsKey(s.id());
            default -> true;
        }).toList();
    }

    /** Begins a round; answers its id. @throws RefusedException with the field that cannot be, or where nothing is left to hear */
    @Transactional
    public long start(long collectionId, RoundPlan plan) {
        List<RoundPlace> places = preview(collectionId, plan);
        return start(collectionId, plan, places);
    }

    /** The same with places that are known already. */
    @Transactional
    public long start(long collectionId, RoundPlan plan, List<RoundPlace> places) {
        check(plan, collections.get(collectionId).rules());
        if (places.isEmpty()) {
            throw new RefusedException(plan.question() == Question.PAIR ? "No two patches of this choice have been measured, so none can be said to sound alike."
                    : "No patch fits this choice, so there is nothing to hear.", "filter");
        }
        if (places.size() > MOST_PLACES) {
            throw new RefusedException("A round has at most " + MOST_PLACES + " places; this one would have " + places.size() + ".", "filter");
        }
        long id = store.insert(collectionId, plan);
        for (RoundPlace place : places) {
            states.keep(place.heard(), id);
            if (place.rival() != null) {
                states.keep(place.rival(), id);
            }
            store.insert(id, place);
        }
        return id;
    }

    /** A place takes over the present state of its patch; what was said of the old one stands beside the old round's answers no longer. */
    @Transactional
    public void renew(long roundId, int place) {
        RoundPlace old = place(roundId, place);
        PatchRow row = patches.get(old.heard().patchId());
        RoundPlace fresh = new RoundPlace(place, HeardSound.of(row.summary()), old.rival());
        states.keep(fresh.heard(), roundId);
        store.insert(roundId, fresh);
    }

    /** Gives a round another name. */
    @Transactional
    public void rename(long id, String name) {
        checkName(name);
        store.rename(get(id).id(), name.strip());
    }

    /** Deletes a round with all that was said in it. */
    @Transactional
    public void delete(long id) {
        for (RoundPlace place : places(id)) {
            for (HeardSound heard : place.rival() == null ? List.of(place.heard()) : List.of(place.heard(), place.rival())) {
                states.letGo(heard, id);
            }
        }
        store.delete(id);
        states.forgetUnused();
    }

    private static void checkName(String name) {
        if (name.isBlank() || name.length() > LONGEST_NAME) {
            throw new RefusedException("A round has a name of 1 to " + LONGEST_NAME + " characters.", "name");
        }
    }

    private static void check(RoundPlan plan, HouseRules rules) {
        checkName(plan.name());
        if (plan.question() == null) {
            throw new RefusedException("A round asks for a verdict, a rating, which of two, or an order.", "question");
        }
        if (plan.order() == null) {
            throw new RefusedException("A round goes as the bank, shuffled, by category or by likeness.", "order");
        }
        if (!(plan.pause() >= 0 && plan.pause() <= LONGEST_PAUSE)) {
            throw new RefusedException("The pause between patches is 0 to 10 s.", "pause");
        }
        if (!plan.phrases().stream().allMatch(rules::knowsPhrase)) {
            throw new RefusedException("One of these phrases is not known.", "phrases");
        }
        if (!plan.backing().isEmpty() && Backings.all().stream().noneMatch(b -> b.id().equals(plan.backing()))) {
            throw new RefusedException("This backing is not known.", "backing");
        }
    }
}
