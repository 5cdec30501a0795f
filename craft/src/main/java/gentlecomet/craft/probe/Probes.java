package gentlecomet.craft.probe;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.response.SplitStep;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Everything that rules of the soundcheck ask of a sound, as figures: kept with the sound, so that other limits or other house rules render nothing again.
 *
 * @param measurement of its phrase and its probe note
 * @param phrase      more of the phrase
 * @param keys        every sixth key of its range at velocity 100, both ends with them
 * @param touch       the middle key and one on each side of it, soft to hard
 * @param hands       macros that move something, wheel, pressure, bend; pedal and release velocity where the patch has a route from them
 * @param hold        of the middle key
 * @param starts      click where a note starts
 * @param ends        click where a note is let go
 * @param changes     clicks at glides, at a voice that is taken away and at a key that is struck again, as far as the patch has them
 * @param repeatDb    spread of the loudness of ten strikes
 * @param repeatOctaves spread of their brightness
 * @param random      whether anything in the patch is drawn anew for each note, or runs on between notes
 * @param repeats     whether the same note rendered twice is the same
 * @param chordPeakDbtp true peak of five notes together
 * @param chordClip   these notes
 * @param loudPeakDbtp true peak of one note with every hand where it makes the sound loudest
 * @param loudClip    this note
 * @param aliasingDb  power that the highest key has and a rendering at four times the rate has not, against all of it
 * @param highestKey  that was probed
 * @param parts       each source, layer, effect and route, taken away
 * @param splits      steps where layers meet
 * @param cost        of a voice in plain voices, a count
 * @param heard       digest of what each piece of all this depends on, by the name of the piece
 */
public record Probes(Measurement measurement, PhraseProbe phrase, List<KeyProbe> keys, List<KeyProbe> touch, List<HandProbe> hands, HoldProbe hold, ClickProbe starts, ClickProbe ends,
        List<ClickProbe> changes, double repeatDb, double repeatOctaves, boolean random, boolean repeats, double chordPeakDbtp, String chordClip, double loudPeakDbtp, String loudClip,
        double aliasingDb, int highestKey, List<PartProbe> parts, List<SplitStep> splits, double cost, Map<String, String> heard) {

    public Probes {
        keys = List.copyOf(keys);
        touch = List.copyOf(touch);
        hands = List.copyOf(hands);
        changes = List.copyOf(changes);
        parts = List.copyOf(parts);
        splits = List.copyOf(splits);
        // What was kept before digests were has none.
        heard = heard == null ? Map.of() : Map.copyOf(heard);
    }

    /** What a hand does, where it was probed. */
    public Optional<HandProbe> hand(String hand) {
        return hands.stream().filter(h -> h.hand().equals(hand)).findFirst();
    }

    /** The middle key, soft to hard. */
    public List<KeyProbe> middleTouch() {
        return touch.stream().filter(t -> t.key() == measurement.probeKey()).toList();
    }
}
