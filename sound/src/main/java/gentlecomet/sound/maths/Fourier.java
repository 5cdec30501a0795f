package gentlecomet.sound.maths;

/** The discrete Fourier transform in place, radix two (Cooley and Tukey, 1965). */
public final class Fourier {

    private Fourier() {
    }

    /**
     * x[k] = sum over n of x[n] e^(sign 2 pi i k n / N).
     *
     * @param re,im real and imaginary parts; their length N is a power of two
     * @param sign  -1 for the forward transform, +1 for the inverse, which is not divided by N
     */
    public static void transform(double[] re, double[] im, int sign) {
        int n = re.length;
        for (int i = 1, j = 0; i < n; i++) {
            int bit = n >> 1;
            while ((j & bit) != 0) {
                j ^= bit;
                bit >>= 1;
            }
            j |= bit;
            if (i < j) {
                double r = re[i];
                re[i] = re[j];
                re[j] = r;
                double m = im[i];
                im[i] = im[j];
                im[j] = m;
            }
        }
        double[] cos = new double[Math.max(1, n / 2)];
        double[] sin = new double[Math.max(1, n / 2)];
        for (int k = 0; k < n / 2; k++) {
            cos[k] = Polynomials.cosCycles((double) k / n);
            sin[k] = sign * Polynomials.sinCycles((double) k / n);
        }
        for (int half = 1; half < n; half *= 2) {
            int stride = n / (2 * half);
            for (int start = 0; start < n; start += 2 * half) {
                for (int k = 0; k < half; k++) {
                    double c = cos[k * stride];
                    double s = sin[k * stride];
                    int a = start + k;
                    int b = a + half;
                    double tr = re[b] * c - im[b] * s;
                    double ti = re[b] * s + im[b] * c;
                    re[b] = re[a] - tr;
                    im[b] = im[a] - ti;
                    re[a] += tr;
                    im[a] += ti;
                }
            }
        }
    }
}
