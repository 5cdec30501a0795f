package gentlecomet.studio.listening.play;

import gentlecomet.craft.listen.ListeningLevel;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.measure.Measures;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Service;

/** How loud sounds are heard in a round, so that all are as loud as each other under the phrase that it plays. */
@Service
class HeardLevels {

    private static final int MOST_AT_HAND = 20_000;

    private final Measures measures;
    private final Assets assets;
    private final Map<String, ListeningLevel> atHand = new ConcurrentHashMap<>();

    HeardLevels(Measures measures, Assets assets) {
        this.measures = measures;
        this.assets = assets;
    }

    /** By the measurement where the phrase is the category's own and it has been made, otherwise by rendering now: some tens of milliseconds. */
    ListeningLevel of(Patch state, String soundHash, Phrase phrase, CollectionRow collection) {
        double ceiling = collection.rules().ceilingDbtp();
        String key = soundHash.strip() + " " + phrase.id() + " " + state.rides(phrase.id()).hashCode() + " " + ceiling;
        ListeningLevel known = atHand.get(key);
        if (known != null) {
            return known;
        }
        // A measurement is made with the hands at rest; where they ride under the phrase, that is heard.
        boolean ridden = !state.rides(phrase.id()).isEmpty();
        Measurement measured = ridden ? null : measures.of(List.of(soundHash), phrase.id()).values().stream().findFirst().orElse(null);
        ListeningLevel level = measured != null ? ListeningLevel.of(measured.integratedLufs(), measured.truePeakDbtp(), ceiling)
                : ListeningLevel.of(state, phrase.as(state), assets, ceiling);
        if (atHand.size() >= MOST_AT_HAND) {
            atHand.clear();
        }
        atHand.put(key, level);
        return level;
    }
}
