package gentlecomet.craft.listen;

import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.measure.TruePeak;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;

/**
 * The gain at which a sound is heard in a round: everything as loud as everything else, at the programme level of EBU R 128 (-23 LUFS), where peaks have
 * room; lower where a peak would still pass the ceiling.
 *
 * @param gainDb   from the sound as it is to the sound as it is heard
 * @param heardLufs integrated loudness (ITU-R BS.1770-4) as it is heard
 * @param held     whether its peaks kept it below the others
 */
public record ListeningLevel(double gainDb, double heardLufs, boolean held) {

    /** Programme level of EBU R 128. */
    public static final double LUFS = -23;
    /** Most that a quiet sound is brought up; beyond it is taken for silence. */
    private static final double MOST_DB = 40;
    private static final double NOTICED_DB = 0.05;

    /** @param integratedLufs of the phrase as it is played @param truePeakDbtp of the same @param ceilingDbtp that the house allows */
    public static ListeningLevel of(double integratedLufs, double truePeakDbtp, double ceilingDbtp) {
        if (integratedLufs <= Loudness.SILENT || LUFS - integratedLufs > MOST_DB) {
            return new ListeningLevel(0, integratedLufs, false);
        }
        double wanted = LUFS - integratedLufs;
        double gain = Math.min(wanted, ceilingDbtp - truePeakDbtp);
        return new ListeningLevel(gain, integratedLufs + gain, wanted - gain > NOTICED_DB);
    }

    /** Of a sound as it is. */
    public static ListeningLevel of(Audio played, double ceilingDbtp) {
        return of(Loudness.of(played).integrated(), TruePeak.db(played), ceilingDbtp);
    }

    /** Renders a phrase and measures it. @param recordings that the patch may need */
    public static ListeningLevel of(Patch patch, Phrase phrase, Recordings recordings, double ceilingDbtp) {
        Audio played = new Rendering(Measuring.RATE, recordings).render(PatchImage.of(patch), phrase, Measuring.LONGEST_TAIL, Rendering.ControllerState.AT_REST).audio();
        return of(played, ceilingDbtp);
    }
}
