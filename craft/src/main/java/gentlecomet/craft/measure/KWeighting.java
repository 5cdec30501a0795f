package gentlecomet.craft.measure;

/**
 * The two filters of ITU-R BS.1770-4 for one channel: a shelf for the head and a high-pass. The standard prints their
 * coefficients for 48 kHz; for other rates the same analogue filters are transformed (bilinear, pre-warped), which gives the
 * printed numbers at 48 kHz.
 */
final class KWeighting {

    private final double[] shelf;
    private final double[] highPass;
    private final double[] memory = new double[4];

    KWeighting(double sampleRate) {
        shelf = shelf(sampleRate);
        highPass = highPass(sampleRate);
    }

    double next(double x) {
        return biquad(highPass, biquad(shelf, x, 0), 2);
    }

    private double biquad(double[] c, double x, int m) {
        double y = c[0] * x + memory[m];
        memory[m] = c[1] * x - c[3] * y + memory[m + 1];
        memory[m + 1] = c[2] * x - c[4] * y;
        return y;
    }

    /** b0 b1 b2 a1 a2 of the first stage. */
    static double[] shelf(double sampleRate) {
        double k = Math.tan(Math.PI * 1681.974450955533 / sampleRate);
        double q = 0.7071752369554196;
        double vh = Math.pow(10, 3.999843853973347 / 20);
        double vb = Math.pow(vh, 0.4996667741545416);
        double a0 = 1 + k / q + k * k;
        return new double[] {(vh + vb * k / q + k * k) / a0, 2 * (k * k - vh) / a0, (vh - vb * k / q + k * k) / a0,
            2 * (k * k - 1) / a0, (1 - k / q + k * k) / a0};
    }

    /** b0 b1 b2 a1 a2 of the second stage. */
    static double[] highPass(double sampleRate) {
        double k = Math.tan(Math.PI * 38.13547087602444 / sampleRate);
        double q = 0.5003270373238773;
        double a0 = 1 + k / q + k * k;
        return new double[] {1, -2, 1, 2 * (k * k - 1) / a0, (1 - k / q + k * k) / a0};
    }
}
