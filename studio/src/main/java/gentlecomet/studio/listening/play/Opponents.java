package gentlecomet.studio.listening.play;

import gentlecomet.craft.edit.PatchDifference;
import gentlecomet.craft.measure.Fingerprint;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.listening.heard.HeardSound;
import gentlecomet.studio.listening.heard.HeardStates;
import gentlecomet.studio.listening.round.RoundPlace;
import gentlecomet.studio.listening.round.RoundRow;
import gentlecomet.studio.listening.round.Rounds;
import gentlecomet.studio.listening.verdict.Verdicts;
import gentlecomet.studio.measure.Fingerprints;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.player.Playable;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;

/** What a place of a round can be held against. */
@Service
class Opponents {

    private final Rounds rounds;
    private final HeardStates states;
    private final Places places;
    private final Patches patches;
    private final Verdicts verdicts;
    private final Fingerprints fingerprints;

    Opponents(Rounds rounds, HeardStates states, Places places, Patches patches, Verdicts verdicts, Fingerprints fingerprints) {
        this.rounds = rounds;
        this.states = states;
        this.places = places;
        this.patches = patches;
        this.verdicts = verdicts;
        this.fingerprints = fingerprints;
    }

    /** @param name as it may be said @param differences what has changed from it to the place, in words; only of the same patch */
    record Opponent(String name, List<String> differences, String contentHash, Playable playable) {
    }

    /**
     * Finds what a place is to be held against.
     *
     * @param what {@code previous} place, {@code nearest} in sound, {@code approved} state of the same patch, {@code best} of its category, or the place's own {@code rival}
     * @throws RefusedException where there is none
     */
    Opponent find(RoundRow round, RoundPlace place, String what) {
        return switch (what) {
            case "previous" -> previous(round, place);
            case "nearest" -> ofPatch(round, place, nearest(round, place), "the nearest in sound");
            case "approved" -> approved(round, place);
            case "best" -> ofPatch(round, place, best(round, place), "the best of its category");
            case "rival" -> rival(round, place);
            default -> throw new RefusedException("A patch is held against the previous, the nearest, the approved or the best.");
        };
    }

    private Opponent previous(RoundRow round, RoundPlace place) {
        if (place.place() == 1) {
            throw new RefusedException("This is the first place of the round; nothing was heard before it.");
        }
        return ofHeard(round, place, rounds.place(round.id(), place.place() - 1).heard(), "the one before");
    }

    private Opponent rival(RoundRow round, RoundPlace place) {
        if (place.rival() == null) {
            throw new RefusedException("This place is held against nothing.");
        }
        return ofHeard(round, place, place.rival(), "Sound 2");
    }

    private Opponent ofHeard(RoundRow round, RoundPlace place, HeardSound other, String blindName) {
        String name = round.blind() ? blindName : other.name();
        Patch state = states.get(other.contentHash());
        return new Opponent(name, other.patchId() == place.heard().patchId() ? differences(round, state, place) : List.of(), other.contentHash(),
                places.against(round, place, other.patchId(), state, name));
    }

    private Opponent ofPatch(RoundRow round, RoundPlace place, long patchId, String blindName) {
        PatchRow row = patches.get(patchId);
        String name = round.blind() ? blindName : row.name();
        return new Opponent(name, List.of(), row.contentHash(), places.against(round, place, patchId, row.patch(), name));
    }

    private Opponent approved(RoundRow round, RoundPlace place) {
        Verdicts.Said kept = verdicts.approvedBefore(place.heard().patchId(), place.heard().soundHash())
                .orElseThrow(() -> new RefusedException("No earlier sound of this patch has been kept."));
        Patch state = states.get(kept.contentHash());
        String name = round.blind() ? "the approved one" : place.heard().name() + " as approved";
        return new Opponent(name, differences(round, state, place), kept.contentHash(), places.against(round, place, place.heard().patchId(), state, name));
    }

    private List<String> differences(RoundRow round, Patch earlier, RoundPlace place) {
        return round.blind() ? List.of() : PatchDifference.between(earlier, states.get(place.heard().contentHash())).stream()
                .map(l -> l.what() + ": " + l.from() + " to " + l.to()).toList();
    }

    private long nearest(RoundRow round, RoundPlace place) {
        List<PatchSummary> others = patches.inCollection(round.collectionId()).stream().filter(p -> p.id() != place.heard().patchId()).toList();
        Map<String, Fingerprint> prints = fingerprints.of(Stream.concat(others.stream().map(PatchSummary::soundHash), Stream.of(place.heard().soundHash()))
                .distinct().toList());
        Fingerprint own = prints.get(place.heard().soundHash());
        if (own == null) {
            throw new RefusedException("This sound has not been measured yet, so nothing can be found that is near to it.");
        }
        return others.stream().filter(p -> prints.containsKey(p.soundHash())).min(Comparator.comparingDouble(p -> prints.get(p.soundHash()).distance(own))).map(PatchSummary::id)
                .orElseThrow(() -> new RefusedException("No other patch has been measured yet."));
    }

    private long best(RoundRow round, RoundPlace place) {
        Map<Long, String> standing = verdicts.standingInCollection(round.collectionId());
        Map<Long, Double> ratings = verdicts.ratings(round.collectionId());
        return patches.inCollection(round.collectionId()).stream().filter(p -> p.id() != place.heard().patchId() && p.category().equals(place.heard().category()))
                .filter(p -> ratings.containsKey(p.id()) || standing.getOrDefault(p.id(), "").equals("keep"))
                .max(Comparator.comparingDouble((PatchSummary p) -> ratings.getOrDefault(p.id(), 0.0)).thenComparing(p -> standing.getOrDefault(p.id(), "").equals("keep")))
                .map(PatchSummary::id).orElseThrow(() -> new RefusedException("No other patch of this category has been kept or rated yet."));
    }
}
