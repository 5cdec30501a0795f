package gentlecomet.craft.measure;

import gentlecomet.sound.parameter.ValueText;
import java.util.ArrayList;
import java.util.List;

/** What is heard to differ between two sounds, in one line; what nobody hears is left out. The limits are common practice. */
public final class HeardDifference {

    private static final double LOUDER_LU = 0.5;
    private static final double BRIGHTER_OCTAVES = 0.08;
    private static final double WIDER_DB = 1;
    private static final double NARROW = 1e-3;
    private static final double HIGHER_CENTS = 3;
    private static final double OTHER_TIME = 1.15;
    private static final double LEAST_ATTACK_SECONDS = 0.004;
    private static final double LEAST_TAIL_SECONDS = 0.05;

    private HeardDifference() {
    }

    /** How one sound differs from another, such as "1.4 LU louder, 0.3 oct darker, tail 0.8 s longer". @param from what it is held against */
    public static String words(Measurement sound, Measurement from) {
        if (sound.silent() || from.silent()) {
            return sound.silent() == from.silent() ? "both are silent" : sound.silent() ? "silent" : "heard, where the other is silent";
        }
        List<String> words = new ArrayList<>();
        told(words, sound.momentaryMaxLufs() - from.momentaryMaxLufs(), LOUDER_LU, 1, " LU louder", " LU quieter");
        told(words, Math.log(Math.max(20, sound.brightnessHz()) / Math.max(20, from.brightnessHz())) / Math.log(2), BRIGHTER_OCTAVES, 2, " oct brighter", " oct darker");
        told(words, 10 * Math.log10(Math.max(NARROW, sound.sideToMid()) / Math.max(NARROW, from.sideToMid())), WIDER_DB, 1, " dB wider", " dB narrower");
        if (sound.pitchCents() != null && from.pitchCents() != null) {
            told(words, sound.pitchCents() - from.pitchCents(), HIGHER_CENTS, 0, " ct higher", " ct lower");
        }
        time(words, "attack ", sound.attackSeconds(), from.attackSeconds(), LEAST_ATTACK_SECONDS, 1000, 0, " ms ");
        time(words, "tail ", sound.tailSeconds(), from.tailSeconds(), LEAST_TAIL_SECONDS, 1, 2, " s ");
        return words.isEmpty() ? "no difference of loudness, brightness, width, pitch or times" : String.join(", ", words);
    }

    private static void told(List<String> words, double difference, double least, int decimals, String more, String less) {
        if (Math.abs(difference) >= least) {
            words.add(ValueText.fixed(Math.abs(difference), decimals) + (difference > 0 ? more : less));
        }
    }

    private static void time(List<String> words, String what, double seconds, double from, double least, double scale, int decimals, String unit) {
        if (Math.abs(seconds - from) >= least && Math.max(seconds, from) >= OTHER_TIME * Math.min(seconds, from)) {
            words.add(what + ValueText.fixed(scale * Math.abs(seconds - from), decimals) + unit + (seconds > from ? "longer" : "shorter"));
        }
    }
}
