package gentlecomet.craft.vary;

import gentlecomet.craft.measure.PitchFinder;
import gentlecomet.sound.performance.Audio;

/**
 * What a variation keeps, measured on one note: brightness and length in octaves, attack in seconds, pitch in cents, width in dB of side against middle.
 * A variation changes the asked quality; of the others brightness stays within a third of an octave (0.6 for rougher and smoother, whose noise and beating is brightness too), length within a factor of 1.5, attack within a factor of two or
 * 15 ms, pitch within 15 cents, width within 4 dB (what is more than 20 dB narrower than mono matters to nobody).
 */
record Character(double brightness, double length, double attackSeconds, double pitchCents, double width) {

    /** Bounds as they are stated; a variation is held to a little less, so that other measures agree. */
    static final double BRIGHTNESS_OCTAVES = 1.0 / 3;
    static final double ROUGH_BRIGHTNESS_OCTAVES = 0.6;
    static final double LENGTH_OCTAVES = 0.585;
    static final double ATTACK_FACTOR = 2;
    static final double ATTACK_SECONDS = 0.015;
    static final double PITCH_CENTS = 15;
    static final double WIDTH_DB = 4;
    private static final double CARE = 0.7;
    /** Of energies. */
    private static final double HALF_LEVEL = 0.25;
    private static final double NARROW_DB = -20;

    static Character of(Audio audio, int key) {
        double hz = PitchFinder.hz(audio, 0.15, Math.min(0.6, audio.seconds()));
        return new Character(Quality.BRIGHTER.of(audio), Quality.LONGER.of(audio), attackSeconds(audio),
                Double.isNaN(hz) ? Double.NaN : PitchFinder.centsFromKey(hz, key), Quality.WIDER.of(audio));
    }

    static double brightnessOctaves(Quality asked) {
        return asked.measure().equals("roughness") ? ROUGH_BRIGHTNESS_OCTAVES : BRIGHTNESS_OCTAVES;
    }

    /** From the first sound to half of the greatest level while the key is down, which no beating of unison voices moves far. */
    private static double attackSeconds(Audio audio) {
        int step = audio.sampleRate() / 200;
        int frames = Math.min(audio.frames(), (int) (Variations.HELD_SECONDS * audio.sampleRate()));
        double[] levels = new double[Math.max(1, frames / step)];
        double most = 0;
        for (int i = 0; i < levels.length * step && i < audio.frames(); i++) {
            levels[i / step] += audio.left()[i] * audio.left()[i] + audio.right()[i] * audio.right()[i];
            most = Math.max(most, levels[i / step]);
        }
        int first = -1;
        for (int i = 0; i < levels.length; i++) {
            first = first < 0 && levels[i] > 1e-6 * most ? i : first;
            if (levels[i] > HALF_LEVEL * most) {
                return (i - first + 1) / 200.0;
            }
        }
        return 0;
    }

    /** What of the original a variation has left behind, in words; empty when it keeps everything but what was asked. */
    String broken(Character original, Quality asked) {
        if (!asked.measure().equals("brightness") && Math.abs(brightness - original.brightness) > CARE * brightnessOctaves(asked)) {
            return "brightness";
        }
        if (!asked.measure().equals("length") && Math.abs(length - original.length) > CARE * LENGTH_OCTAVES) {
            return "length";
        }
        double slower = attackSeconds / Math.max(1e-4, original.attackSeconds);
        boolean other = slower > CARE * ATTACK_FACTOR || slower < 1 / (CARE * ATTACK_FACTOR);
        if (other && Math.abs(attackSeconds - original.attackSeconds) > CARE * ATTACK_SECONDS) {
            return "attack";
        }
        double cents = Math.abs(pitchCents - original.pitchCents);
        if (cents > CARE * PITCH_CENTS) {
            return "pitch";
        }
        double shown = Math.max(NARROW_DB, width);
        return !asked.measure().equals("width") && Math.abs(shown - Math.max(NARROW_DB, original.width)) > CARE * WIDTH_DB ? "width" : "";
    }
}
