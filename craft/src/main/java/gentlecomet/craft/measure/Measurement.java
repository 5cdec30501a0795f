package gentlecomet.craft.measure;

/**
 * What a patch measures: its category's phrase, and one probe note held for a second; where the phrase plays layers that the probe does not, a note of each of them too.
 *
 * @param integratedLufs    gated loudness of the phrase
 * @param momentaryMaxLufs  loudest 400 ms of the phrase
 * @param shortTermMaxLufs  loudest 3 s of the phrase
 * @param rangeLu           loudness range of the phrase
 * @param truePeakDbtp      true peak of the phrase
 * @param probeKey          key of the probe note
 * @param pitchCents        distance of the probe from its key or the nearest octave; null without a clear pitch
 * @param attackSeconds     from the first sound of the probe to nine tenths of its peak level; of several notes, of the one with the highest peak
 * @param tailSeconds       from the key's release until the probe stays 60 dB below its peak; of several notes the longest
 * @param endless           whether the probe, or another of the notes, never fell silent
 * @param soundingSeconds   from the start of the probe to the end of its tail
 * @param brightnessHz      spectral centroid of the phrase: of all layers that it plays, wherever their keys are
 * @param noisiness         of the phrase, 0 tone to 1 noise
 * @param sideToMid         width of the phrase, 0 mono to 1 and above
 */
public record Measurement(double integratedLufs, double momentaryMaxLufs, double shortTermMaxLufs, double rangeLu,
        double truePeakDbtp, int probeKey, Double pitchCents, double attackSeconds, double tailSeconds, boolean endless,
        double soundingSeconds, double brightnessHz, double noisiness, double sideToMid) {

    /** Whether anything was heard at all. */
    public boolean silent() {
        return momentaryMaxLufs <= -70;
    }
}
