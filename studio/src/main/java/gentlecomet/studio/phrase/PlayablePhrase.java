package gentlecomet.studio.phrase;

import gentlecomet.sound.performance.Phrase;
import java.util.List;

/**
 * A phrase as the player of a page knows it.
 *
 * @param id           by which the server knows it too
 * @param notes        key, velocity, start and length in beats, release velocity
 * @param moves        start in beats, then a MIDI message of three bytes
 * @param tempoChanges start in beats, ratio to the phrase's own tempo
 * @param remarks      sentences about what of it is not played
 */
public record PlayablePhrase(String id, String name, double tempo, double beats, List<double[]> notes, List<double[]> moves, List<double[]> tempoChanges,
        List<String> remarks) {
    public static PlayablePhrase of(Phrase phrase) {
        return of(phrase, List.of());
    }

    public static PlayablePhrase of(Phrase phrase, List<String> remarks) {
        return new PlayablePhrase(phrase.id(), phrase.name(), phrase.tempo(), phrase.beats(), phrase.notes().stream()
                .map(n -> new double[] {n.key(), n.velocity(), n.start(), n.length(), n.release()}).toList(),
                phrase.moves().stream().map(m -> new double[] {m.start(), m.status(), m.first(), m.second()}).toList(),
                phrase.tempoChanges().stream().map(t -> new double[] {t.start(), t.ratio()}).toList(), remarks);
    }
}
