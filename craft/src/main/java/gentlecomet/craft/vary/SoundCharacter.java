package gentlecomet.craft.vary;

import gentlecomet.craft.measure.PitchFinder;
import gentlecomet.sound.performance.Audio;

/**
 * What a variation keeps, measured on one note: brightness and length in octaves, attack in seconds to three levels, pitch in cents, width in dB of side against middle.
 * A variation changes the asked quality; of the others brightness stays within a third of an octave (0.6 for rougher and smoother,
 * whose noise and beating is brightness too), length within a factor of 1.5, attack within a factor of two or 15 ms, pitch within 15 cents, width within 4 dB (what is more than 20 dB narrower than mono matters to nobody).
 */
record SoundCharacter(double brightness, double length, double[] riseSeconds, double pitchCents, double width) {

    /** Bounds as they are stated; a variation is held to a little less, so that other measures agree. */
    static final double BRIGHTNESS_OCTAVES = 1.0 / 3;
    static final double ROUGH_BRIGHTNESS_OCTAVES = 0.6;
    static final double LENGTH_OCTAVES = 0.585;
    static final double ATTACK_FACTOR = 2;
    static final double ATTACK_SECONDS = 0.015;
    static final double PITCH_CENTS = 15;
    static final double WIDTH_DB = 4;
    private static final double CARE = 0.7;
    /** Parts of the greatest energy at which a rise is timed: -12, -10 and -6 dB. */
    private static final double[] RISEN = {0.06, 0.1, 0.25};
    private static final double NARROW_DB = -20;

    static SoundCharacter of(Audio audio, int key) {
        double hz = PitchFinder.hz(audio, 0.15, Math.min(0.6, audio.seconds()));
        return new SoundCharacter(Quality.BRIGHTER.of(audio), Quality.LONGER.of(audio), rises(audio),
                Double.isNaN(hz) ? Double.NaN : PitchFinder.centsFromKey(hz, key), Quality.WIDER.of(audio));
    }

    static double brightnessOctaves(Quality asked) {
        return asked.measure().equals("roughness") ? ROUGH_BRIGHTNESS_OCTAVES : BRIGHTNESS_OCTAVES;
    }

    /** From the first sound to each part of the greatest energy while the key is down. */
    private static double[] rises(Audio audio) {
        int step = audio.sampleRate() / 200;
        int frames = Math.min(audio.frames(), (int) (Variations.HELD_SECONDS * audio.sampleRate()));
        double[] energy = new double[Math.max(1, frames / step)];
        double most = 0;
        for (int i = 0; i < energy.length * step && i < audio.frames(); i++) {
            energy[i / step] += audio.left()[i] * audio.left()[i] + audio.right()[i] * audio.right()[i];
            most = Math.max(most, energy[i / step]);
        }
        int first = reached(energy, 1e-6 * most);
        double[] rises = new double[RISEN.length];
        for (int i = 0; i < RISEN.length; i++) {
            rises[i] = (reached(energy, RISEN[i] * most) - first + 1) / 200.0;
        }
        return rises;
    }

    private static int reached(double[] energy, double limit) {
        int at = 0;
        while (at < energy.length - 1 && energy[at] <= limit) {
            at++;
        }
        return at;
    }

    /** What of the original a variation has left behind, in words; empty when it keeps everything but what was asked. */
    String broken(SoundCharacter original, Quality asked) {
        if (!asked.measure().equals("brightness") && Math.abs(brightness - original.brightness) > CARE * brightnessOctaves(asked)) {
            return "brightness";
        }
        if (!asked.measure().equals("length") && Math.abs(length - original.length) > CARE * LENGTH_OCTAVES) {
            return "length";
        }
        for (int i = 0; i < RISEN.length; i++) {
            if (slowed(riseSeconds[i], original.riseSeconds[i])) {
                return "attack";
            }
        }
        double cents = Math.abs(pitchCents - original.pitchCents);
        if (cents > CARE * PITCH_CENTS) {
            return "pitch";
        }
        double shown = Math.max(NARROW_DB, width);
        return !asked.measure().equals("width") && Math.abs(shown - Math.max(NARROW_DB, original.width)) > CARE * WIDTH_DB ? "width" : "";
    }

    /** Whether a rise is another one, slower or faster. Beating moves the moment of one level or another, so several are compared. */
    private static boolean slowed(double seconds, double original) {
        double factor = seconds / Math.max(1e-4, original);
        boolean other = factor > CARE * ATTACK_FACTOR || factor < 1 / (CARE * ATTACK_FACTOR);
        return other && Math.abs(seconds - original) > CARE * ATTACK_SECONDS;
    }
}
