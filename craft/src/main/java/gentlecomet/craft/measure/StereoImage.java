package gentlecomet.craft.measure;

import gentlecomet.sound.performance.Audio;

/**
 * How a sound stands between two loudspeakers.
 *
 * @param correlation of the channels, -1 to 1; 1 for one channel or silence
 * @param balanceDb   of the right channel against the left, limited to +-60 dB
 * @param monoLossDb  by which half the sum of the channels has less power than one channel has on the average: 0 for one channel on both sides, 3 for two that have nothing in common
 * @param lowCorrelation the correlation of what lies below 120 Hz; 1 where there is little of it
 * @param lowPart     part of the power below 120 Hz, 0 to 1
 */
public record StereoImage(double correlation, double balanceDb, double monoLossDb, double lowCorrelation, double lowPart) {

    private static final double LOW_HZ = 120;
    private static final double FARTHEST_DB = 60;

    /** @param spectrum of the same stretch @param from first frame @param to frame after the last */
    public static StereoImage of(Audio audio, PowerSpectrum spectrum, int from, int to) {
        double left = 0;
        double right = 0;
        double both = 0;
        for (int i = from; i < Math.min(to, audio.frames()); i++) {
            double l = audio.left()[i];
            double r = audio.right()[i];
            left += l * l;
            right += r * r;
            both += l * r;
        }
        if (left + right <= 1e-12) {
            return new StereoImage(1, 0, 0, 1, 0);
        }
        double correlation = left * right == 0 ? 0 : both / Math.sqrt(left * right);
        double balance = Math.max(-FARTHEST_DB, Math.min(FARTHEST_DB, 10 * Math.log10((right + 1e-20) / (left + 1e-20))));
        double mono = 0.25 * (left + right + 2 * both);
        double loss = Math.min(FARTHEST_DB, 10 * Math.log10(0.5 * (left + right) / Math.max(1e-20, mono)));
        double low = spectrum.power(20, LOW_HZ);
        double lowCorrelation = low <= 0 ? 1 : (spectrum.middle(20, LOW_HZ) - spectrum.side(20, LOW_HZ)) / low;
        double part = low / Math.max(1e-20, spectrum.power(20, 20000));
        return new StereoImage(correlation, balance, Math.max(0, loss), part < 1e-4 ? 1 : lowCorrelation, part);
    }
}
