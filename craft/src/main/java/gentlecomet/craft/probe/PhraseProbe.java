package gentlecomet.craft.probe;

import gentlecomet.craft.measure.StereoImage;
import java.util.List;

/**
 * What the category's phrase measures beside its loudness.
 *
 * @param over       samples beyond full scale
 * @param faults     numbers that were none, or runaway, which the engine caught
 * @param stereo     while it is played
 * @param octaves    level in dB of each octave from 20 Hz on, against all of them
 * @param rumbleDb   what lies below 30 Hz against all
 * @param tailMudDb  what lies below 150 Hz in the tail against all of the tail; {@code null} where there is hardly a tail
 * @param crestDb    peak against root mean square
 */
public record PhraseProbe(int over, int faults, StereoImage stereo, List<Double> octaves, double rumbleDb, Double tailMudDb, double crestDb) {

    public PhraseProbe {
        octaves = List.copyOf(octaves);
    }
}
