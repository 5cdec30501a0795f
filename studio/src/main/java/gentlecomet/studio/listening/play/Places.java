package gentlecomet.studio.listening.play;

import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.listen.ListeningLevel;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.portrait.Portrait;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.listening.heard.HeardSound;
import gentlecomet.studio.listening.heard.HeardStates;
import gentlecomet.studio.listening.round.RoundPlace;
import gentlecomet.studio.listening.round.RoundRow;
import gentlecomet.studio.listening.round.Rounds;
import gentlecomet.studio.listening.say.Answers;
import gentlecomet.studio.listening.say.Reviewer;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.player.Playable;
import java.util.Locale;
import org.springframework.stereotype.Service;

/** Makes places of rounds ready to be shown and played. */
@Service
class Places {

    private final Rounds rounds;
    private final HeardStates states;
    private final Answers answers;
    private final Collections collections;
    private final Patches patches;
    private final Measures measures;
    private final HeardLevels levels;

    Places(Rounds rounds, HeardStates states, Answers answers, Collections collections, Patches patches, Measures measures, HeardLevels levels) {
        this.rounds = rounds;
        this.states = states;
        this.answers = answers;
        this.collections = collections;
        this.patches = patches;
        this.measures = measures;
        this.levels = levels;
    }

    PlaceView of(RoundRow round, RoundPlace place, Reviewer reviewer) {
        CollectionRow collection = collections.get(round.collectionId());
        Phrase phrase = rounds.phrase(round, place.heard().category(), collection);
        PlaceView.HeardView heard = of(round, place.heard(), place.rival() == null ? "Sound " + place.place() : "Sound 1", phrase, collection);
        PlaceView.HeardView rival = place.rival() == null ? null : of(round, place.rival(), "Sound 2", phrase, collection);
        return new PlaceView(place, heard, rival, change(place),
                answers.remarks(round.id(), place.place(), reviewer.id()));
    }

    /** Two places of a round that are held against each other where it puts them in order. */
    PlaceView of(RoundRow round, RoundPlace first, RoundPlace second, Reviewer reviewer) {
        return of(round, new RoundPlace(first.place(), first.heard(), second.heard()), reviewer);
    }

    private PlaceView.HeardView of(RoundRow round, HeardSound heard, String blindName, Phrase phrase, CollectionRow collection) {
        Patch state = states.get(heard.contentHash());
        ListeningLevel level = levels.of(state, heard.soundHash(), phrase, collection);
        String name = round.blind() ? blindName : heard.name();
        Measurement measured = measures.of(state, collection.rules()).orElse(null);
        String words = String.format(Locale.ROOT, "%.1f LUFS", level.heardLufs()).replace('-', '\u2212') + (level.held() ? ", held below the others by its peaks" : "");
        return new PlaceView.HeardView(name, round.blind() ? "" : collection.rules().category(heard.category()).map(c -> c.name()).orElse("no category"),
                round.blind() || measured == null ? "" : Portrait.svg(measured), round.blind() ? "" : measured == null ? "not measured yet" : Portrait.words(measured),
                round.blind() ? "" : state.naming().notes(), playable(heard.patchId(), state, name, phrase, level, round.blind()), words);
    }

    /** A state as the player takes it. A blind one says nothing but its sound. */
    private static String playable(long patchId, Patch state, String name, Phrase phrase, ListeningLevel level, boolean blind) {
        Playable playable = Playable.of(patchId, state, phrase, level.gainDb());
        return Json.compact(blind ? playable.unnamed(name) : playable);
    }

    /** A state that a place is held against: under the place's phrase, as loud as the place. */
    Playable against(RoundRow round, RoundPlace place, long patchId, Patch state, String name) {
        CollectionRow collection = collections.get(round.collectionId());
        Phrase phrase = rounds.phrase(round, place.heard().category(), collection);
        return Playable.of(patchId, state, phrase, levels.of(state, Hashes.sound(state), phrase, collection).gainDb()).unnamed(name);
    }

    private String change(RoundPlace place) {
        PatchSummary now;
        try {
            now = patches.summary(place.heard().patchId());
        } catch (MissingException e) {
            return "deleted";
        }
        return now.soundHash().strip().equals(place.heard().soundHash().strip()) ? "" : "changed";
    }
}
