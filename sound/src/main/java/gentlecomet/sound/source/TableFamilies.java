package gentlecomet.sound.source;

import gentlecomet.sound.maths.NoiseGenerator;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.TableName;

/**
 * The wave tables that come with the program, each worked out from a rule about its harmonics. A family has
 * {@link #FRAMES} cycles between its two ends and every cycle has the same power.
 */
final class TableFamilies {

    static final int FRAMES = 8;
    /** Power of every cycle: that of a sine at half amplitude. */
    private static final double POWER = 0.25;

    private TableFamilies() {
    }

    /** The table of a name. */
    static WaveTable of(TableName name) {
        double[][] levels = new double[FRAMES][];
        for (int f = 0; f < FRAMES; f++) {
            levels[f] = even(frame(name, (double) f / (FRAMES - 1)));
        }
        return new WaveTable(levels, null);
    }

    /** A single cycle as a table: saw, triangle, square with rounded corners. */
    static WaveTable saw() {
        double[] levels = new double[WaveTable.HARMONICS];
        for (int n = 1; n <= levels.length; n++) {
            levels[n - 1] = -2 / (Math.PI * n);
        }
        return new WaveTable(new double[][] {levels}, null);
    }

    static WaveTable triangle() {
        double[] levels = new double[WaveTable.HARMONICS];
        for (int n = 1; n <= levels.length; n += 2) {
            levels[n - 1] = ((n & 2) == 0 ? 8 : -8) / (Math.PI * n * Math.PI * n);
        }
        return new WaveTable(new double[][] {levels}, null);
    }

    /** Odd harmonics of a square whose corners take a sixth of the cycle: sin(n pi/6) / (n pi/6) softens each. */
    static WaveTable roundSquare() {
        double[] levels = new double[WaveTable.HARMONICS];
        for (int n = 1; n <= levels.length; n += 2) {
            double corner = n / 6.0;
            double soft = Polynomials.sinCycles(corner / 2) / (Math.PI * corner);
            levels[n - 1] = 4 / (Math.PI * n) * soft * soft;
        }
        return new WaveTable(new double[][] {levels}, null);
    }

    private static double[] even(double[] levels) {
        double power = 0;
        for (double v : levels) {
            power += v * v / 2;
        }
        double gain = power == 0 ? 0 : Math.sqrt(POWER / power);
        for (int i = 0; i < levels.length; i++) {
            levels[i] *= gain;
        }
        return levels;
    }

    private static double[] frame(TableName name, double t) {
        double[] levels = new double[WaveTable.HARMONICS];
        for (int n = 1; n <= levels.length; n++) {
            levels[n - 1] = level(name, t, n);
        }
        return levels;
    }

    private static double level(TableName name, double t, int n) {
        double odd = n & 1;
        switch (name) {
            case PLAIN:
                return plain(t, n);
            case REED:
                return power(n, -1.1) * (odd == 1 ? 1 : t) * (1 + 2 * bump(n, 5 + 3 * t, 2));
            case HOLLOW:
                return odd * power(n, -2 + t);
            case BRASS:
                return power(n, -2.6 + 1.7 * t) * (1 + 1.5 * t * bump(n, 6 + 6 * t, 4));
            case STRING:
                return power(n, -1.2) * Math.abs(Polynomials.sinCycles(n * (0.04 + 0.46 * t) / 2));
            case ORGAN:
                return n == 1 ? 1 : n == 2 ? 0.9 : n == 3 ? 0.8 * t : n == 4 ? 0.7 * (1 - Math.abs(2 * t - 1)) : n == 6 ? 0.5 * t
                        : n == 8 ? 0.6 * t : n == 16 ? 0.3 * t * t : 0;
            case VOWEL:
                return power(n, -1.3) * (0.06 + bump(n, 6.5 - 4 * Math.abs(2 * t - 1), 1.3) + 0.7 * bump(n, 8 + 14 * t, 2.4));
            case CHOIR:
                return power(n, -1.6) * (0.15 + bump(n, 4 + 2 * t, 1.6) + 0.5 * bump(n, 11 - 3 * t, 2.2) + 0.2 * bump(n, 24, 4));
            case NASAL:
                return power(n, -0.9) * (0.1 + 2 * bump(n, 7 + 7 * t, 2) - 0.09 * bump(n, 4, 1.5));
            case GLASS:
                return n == 1 || n == 4 || n == 9 || n == 14 || n == 21 || n == 30 ? power(n, -1.4 + 1.1 * t) : 0.002 * power(n, -1);
            case CHIME:
                return square(n) ? power(n, -0.9 + 0.8 * t) : 0;
            case METAL:
                return n % 6 == 1 || n % 6 == 5 ? power(n, -1 + 0.8 * t) * (0.4 + Math.abs(Polynomials.sinCycles(n * 0.0731 * (1 + t)))) : 0;
            case WHISTLE:
                return n == 1 ? 1 : n == 2 ? 0.12 : 0.5 * t * bump(n, 12 + 20 * t, 2);
            case FIFTHS:
                return smooth(n) ? power(n, -1.3 + 0.9 * t) : 0;
            case TIDE:
                return power(n, -3 + 2.6 * t);
            case MIST:
                return bump(n, 1 + 23 * t, 1.2 + 3 * t) + 0.25 * bump(n, 1, 0.7);
            case GROWL:
                return power(n, -0.8) * (n % 3 == 0 ? 1 : 0.15 + 0.3 * t) * (0.3 + bump(n, 3 + 12 * t, 5));
            case BUZZ:
                return n <= 2 + 62 * t * t ? power(n, -0.15) : 0;
            case NARROWING:
                return Polynomials.sinCycles(n * (0.5 - 0.46 * t) / 2) / n;
            case TEARING:
                return tearing(t, n);
            case FOLDED:
                return folded(t, n);
            case STAIRS:
                return stairs(t, n);
            case COMBED:
                return power(n, -1) * (0.5 + 0.5 * Polynomials.cosCycles(n / (2.5 + 9.5 * (1 - t))));
            case DUST:
                return power(n, -0.8) * ((1 - t) * NoiseGenerator.fraction(611, n, 1) + t * NoiseGenerator.fraction(977, n, 2));
            default:
                return further(name, t, n);
        }
    }

    private static double further(TableName name, double t, int n) {
        double odd = n & 1;
        switch (name) {
            case LEANING:
                // From a sine to a saw: a saw whose edge grows sharp.
                return n == 1 ? 1 : t == 0 ? 0 : power(t, 0.35 * (n - 1)) / n;
            case OPENING:
                // From a narrow pulse to a saw.
                return mix(Polynomials.sinCycles(0.06 * n), 1, t) / n;
            case BLADE:
                return power(n, -1 + 0.75 * t) * (1 - 0.9 * t * bump(n, 3, 1.5));
            case CANYON:
                return power(n, -0.9) * (1 - 0.97 * bump(n, 2 + 14 * t, 2.2));
            case PEARLS:
                return n % 3 == 1 ? power(n, -0.9) : t * t * power(n, -0.9);
            case PRIMES:
                return n == 1 || prime(n) ? power(n, -1.4 + 1.1 * t) : 0;
            case WIRE:
                return wire(t, n);
            case VEIL:
                return power(n, -0.95) * (1 - 0.95 * t * bump(n, 1, 3));
            case OCTAVES:
                return (n & n - 1) == 0 ? power(n, -1.4 + 1.3 * t) : 0;
            case GLIMMER:
                return bump(n, 1, 0.8) + (0.05 + 0.45 * t) * bump(n, 20 + 40 * t, 6);
            case COPPER:
                return power(n, -1) * (0.25 + 0.75 * Math.abs(Polynomials.sinCycles(n * (0.0983 + 0.05 * t))));
            case RESIN:
                return power(n, -1.5 + 0.5 * t) * (n % 5 == 0 ? 2.2 : odd == 1 ? 1 : 0.3 + 0.5 * t);
            case SLATE:
                return odd * power(n, -1) * (1 + 3 * bump(n, 7 + 12 * t, 1.6));
            case EMBER:
                return power(n, -1.8) * (1 + 4 * t * bump(n, 3, 1) + 6 * t * bump(n, 5, 1.2));
            case SWARM:
                return n <= 3 + 29 * t ? power(n, -0.3) * (0.4 + 0.6 * NoiseGenerator.fraction(413, n, 5)) : power(n, -1.2) * 0.3;
            case PIPE:
                return n == 2 ? 0.35 * t : odd * power(n, -2.2 + 0.9 * t) + 0.02 * power(n, -0.7);
            default:
                return n == 1 ? 1 : 0;
        }
    }

    /** A tone, and three clusters above it that grow wide. */
    private static double wire(double t, int n) {
        double low = 0.5 * bump(n, 7, 0.6 + t);
        double middle = 0.4 * bump(n, 13 + 2 * t, 0.6 + 2 * t);
        double high = 0.3 * bump(n, 19 + 5 * t, 0.6 + 3 * t);
        return bump(n, 1, 0.6) + low + middle + high;
    }

    private static boolean prime(int n) {
        for (int d = 2; d * d <= n; d++) {
            if (n % d == 0) {
                return false;
            }
        }
        return n > 1;
    }

    /** Sine, triangle, saw, square at the thirds of the way. */
    private static double plain(double t, int n) {
        double sine = n == 1 ? 1 : 0;
        double triangle = (n & 1) == 1 ? ((n & 2) == 0 ? 1.0 : -1.0) / (n * n) : 0;
        double saw = 1.0 / n;
        double square = (n & 1) == 1 ? 1.0 / n : 0;
        double third = 3 * t;
        return third < 1 ? mix(sine, triangle, third) : third < 2 ? mix(triangle, saw, third - 1) : mix(saw, square, third - 2);
    }

    /** A sine cut off and begun anew every cycle after 1 to 7.5 turns: its Fourier sine series. */
    private static double tearing(double t, int n) {
        double turns = 1.25 + 6.25 * t;
        double gap = turns * turns - (double) n * n;
        return Math.abs(gap) < 1e-6 ? 1 : n * Polynomials.sinCycles(turns) / gap + 0.02 * bump(n, turns, 1);
    }

    /** A sine whose phase is bent by itself: Bessel functions J(n) of an index, by their integral. */
    private static double folded(double t, int n) {
        double index = 0.2 + 7 * t;
        if (n > 3 * index + 14) {
            return 0;
        }
        int points = 64;
        double sum = 0;
        for (int i = 0; i < points; i++) {
            double turn = (i + 0.5) / points / 2;
            sum += Polynomials.cosCycles(n * turn - index / (2 * Math.PI) * Polynomials.sinCycles(turn));
        }
        return sum / points;
    }

    /** A sine held in steps: its images stand beside the multiples of the count of steps. */
    private static double stairs(double t, int n) {
        double steps = Math.floor(32 - 28 * t);
        double nearest = Math.floor(n / steps + 0.5) * steps;
        return Math.abs(n - nearest) == 1 ? 1.0 / n : 0;
    }

    private static double mix(double a, double b, double part) {
        return a + (b - a) * part;
    }

    private static double power(double n, double exponent) {
        return Polynomials.exp2(exponent * Polynomials.log2(n));
    }

    private static double bump(double n, double centre, double width) {
        double x = (n - centre) / width;
        return Polynomials.exp2(-x * x);
    }

    private static boolean square(int n) {
        int root = (int) Math.floor(Math.sqrt(n) + 0.5);
        return root * root == n;
    }

    private static boolean smooth(int n) {
        int rest = n;
        while (rest % 2 == 0) {
            rest /= 2;
        }
        while (rest % 3 == 0) {
            rest /= 3;
        }
        return rest == 1;
    }
}
