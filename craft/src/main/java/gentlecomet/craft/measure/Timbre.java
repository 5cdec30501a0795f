package gentlecomet.craft.measure;

import gentlecomet.sound.performance.Audio;
import org.jtransforms.fft.DoubleFFT_1D;

/**
 * Brightness, noisiness and width of a stretch of sound, from averaged spectra of 4096 samples.
 *
 * @param brightnessHz spectral centroid of the magnitudes in Hz
 * @param noisiness    spectral flatness, 0 for a pure tone to 1 for white noise
 * @param sideToMid    energy of the difference against the sum of the channels, 0 for mono to 1 and above
 */
public record Timbre(double brightnessHz, double noisiness, double sideToMid) {

    private static final int SIZE = 4096;

    public static Timbre of(Audio audio, int from, int to) {
        DoubleFFT_1D transform = new DoubleFFT_1D(SIZE);
        double[] power = new double[SIZE / 2];
        double middle = 0;
        double side = 0;
        for (int start = from; start == from || start + SIZE <= to; start += SIZE / 2) {
            double[] frame = new double[SIZE];
            for (int i = 0; i < SIZE && start + i < audio.frames(); i++) {
                double l = audio.left()[start + i];
                double r = audio.right()[start + i];
                frame[i] = 0.5 * (l + r) * (0.5 - 0.5 * Math.cos(2 * Math.PI * i / SIZE));
                middle += (l + r) * (l + r);
                side += (l - r) * (l - r);
            }
            transform.realForward(frame);
            for (int k = 1; k < power.length; k++) {
                power[k] += frame[2 * k] * frame[2 * k] + frame[2 * k + 1] * frame[2 * k + 1];
            }
        }
        return new Timbre(centroid(power, audio.sampleRate()), flatness(power), middle == 0 ? 0 : Math.min(4, side / middle));
    }

    private static double centroid(double[] power, int sampleRate) {
        double weighted = 0;
        double sum = 0;
        for (int k = 1; k < power.length; k++) {
            double magnitude = Math.sqrt(power[k]);
            weighted += magnitude * k * sampleRate / SIZE;
            sum += magnitude;
        }
        return sum == 0 ? 0 : weighted / sum;
    }

    private static double flatness(double[] power) {
        double logs = 0;
        double sum = 0;
        for (int k = 4; k < power.length; k++) {
            logs += Math.log(power[k] + 1e-18);
            sum += power[k] + 1e-18;
        }
        int count = power.length - 4;
        return Math.exp(logs / count) / (sum / count);
    }
}
