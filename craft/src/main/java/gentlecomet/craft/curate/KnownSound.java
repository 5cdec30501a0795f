package gentlecomet.craft.curate;

import gentlecomet.craft.measure.Fingerprint;
import gentlecomet.craft.measure.Measurement;
import java.util.List;

/**
 * A patch with all that is known about it, as filters and orders ask for it.
 *
 * @param category    id of its category, empty for none
 * @param state       saved, edited, or new when it has never been saved
 * @param verdict     keep, fix, cut, split where reviewers differ, or empty
 * @param findings    rule ids of what the soundcheck found; null while it has not been checked
 * @param faulty      whether one of them is a fault
 * @param sound       null while it has not been measured
 * @param loudness    by the measure of its category, in LUFS; NaN while it has not been measured
 * @param fingerprint null while it has not been measured
 */
public record KnownSound(long id, String name, String category, List<String> tags, String author, String notes, String state, String verdict,
        List<String> findings, boolean faulty, Measurement sound, double loudness, Fingerprint fingerprint) {

    private static final double LEAST_TAIL_SECONDS = 0.001;

    /** How bright, in Hz; NaN while it has not been measured or is silent. */
    public double brightness() {
        return heard() ? sound.brightnessHz() : Double.NaN;
    }

    /** From the attack's end to silence after the key is let go, in s. */
    public double tail() {
        return heard() ? Math.max(LEAST_TAIL_SECONDS, sound.tailSeconds()) : Double.NaN;
    }

    public double attack() {
        return heard() ? sound.attackSeconds() : Double.NaN;
    }

    public double width() {
        return heard() ? sound.sideToMid() : Double.NaN;
    }

    public double noise() {
        return heard() ? sound.noisiness() : Double.NaN;
    }

    public double peak() {
        return heard() ? sound.truePeakDbtp() : Double.NaN;
    }

    private boolean heard() {
        return sound != null && !sound.silent();
    }
}
