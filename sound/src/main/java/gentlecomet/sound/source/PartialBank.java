package gentlecomet.sound.source;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.NoiseGenerator;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.SourceParameters;

/**
 * A tone built from up to 128 single sines. Eight bands of an octave each, the first around the fundamental, rise or fall by
 * a set amount over a set time; all partials can be stretched and pulled towards the multiples of a fixed frequency. Before that the low and the high partials can be cut, by
 * 48 dB per octave, and the odd ones or the even ones made softer; the first stays.
 */
final class PartialBank {

    static final int FROM_SAW = 0;
    static final int FROM_SQUARE = 1;
    static final int FROM_TABLE = 2;
    static final int FROM_HARMONICS = 3;
    private static final int FROM_EACH_NOTE = 5;

    private static final int MOST = 128;
    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final double HIGHEST = 0.46;
    /** How fast the levels fall beyond the partials that are left. */
    private static final double CUT_DB_PER_OCTAVE = 48;

    private final double[] re = new double[MOST];
    private final double[] im = new double[MOST];
    private final double[] cos = new double[MOST];
    private final double[] sin = new double[MOST];
    private final boolean[] audible = new boolean[MOST];
    private final double[] level = new double[MOST];
    private final double[] wanted = new double[MOST];
    private final double[] octave = new double[MOST];
    private final double[] bands = new double[SourceParameters.BANDS + 1];
    private final double[] sides = new double[SAMPLES];
    private final double[] middle = new double[SAMPLES];
    private double tunedTo = -1;
    private double tunedStretch;
    private double tunedPull;
    private double tunedGrid;
    private double seconds;
    private int seed;
    private boolean fresh;

    PartialBank() {
        for (int k = 0; k < MOST; k++) {
            octave[k] = Polynomials.log2(k + 1);
        }
    }

    void start(double[] block, int at, int noteSeed, double phase, double randomRange) {
        seed = noteSeed;
        seconds = 0;
        tunedTo = -1;
        fresh = true;
        for (int k = 0; k < MOST; k++) {
            double turn = phase * (k + 1) + randomRange * NoiseGenerator.fraction(noteSeed, k, 17);
            re[k] = Polynomials.cosCycles(turn);
            im[k] = Polynomials.sinCycles(turn);
        }
    }

    void draw(double[] block, int at, SourceMaterial material, double frequencyHz, double sampleRate, SourceOutput to, double pan, double width) {
        int count = (int) block[at + SourceParameters.PARTIAL_COUNT];
        tune(block, at, frequencyHz, sampleRate);
        raise(block, at, sampleRate);
        aim(block, at, material, count, block[at + SourceParameters.BAND_SLIDE]);
        seconds += SAMPLES / sampleRate;
        for (int i = 0; i < SAMPLES; i++) {
            middle[i] = 0;
            sides[i] = 0;
        }
        int most = 0;
        for (int k = 0; k < MOST; k++) {
            if (level[k] != 0 || wanted[k] != 0) {
                most = k + 1;
            }
        }
        // Odd and even partials lean to opposite sides as the width grows.
        for (int k = 0; k < most; k += 4) {
            four(k, middle, sides);
        }
        double l = UnisonSpread.leftGain(pan);
        double r = UnisonSpread.leftGain(-pan);
        double[] left = to.left;
        double[] right = to.right;
        int from = to.at + BlepTables.LAG;
        for (int i = 0; i < SAMPLES; i++) {
            double side = sides[i] * width;
            left[from + i] += l * (middle[i] + side);
            right[from + i] += r * (middle[i] - side);
        }
        fresh = false;
    }

    /** Four neighbours at once, so that their chains of multiplications overlap. */
    private void four(int k, double[] sum, double[] difference) {
        double r0 = re[k];
        double i0 = im[k];
        double r1 = re[k + 1];
        double i1 = im[k + 1];
        double r2 = re[k + 2];
        double i2 = im[k + 2];
        double r3 = re[k + 3];
        double i3 = im[k + 3];
        double c0 = cos[k];
        double s0 = sin[k];
        double c1 = cos[k + 1];
        double s1 = sin[k + 1];
        double c2 = cos[k + 2];
        double s2 = sin[k + 2];
        double c3 = cos[k + 3];
        double s3 = sin[k + 3];
        double a0 = level[k];
        double a1 = level[k + 1];
        double a2 = level[k + 2];
        double a3 = level[k + 3];
        double d0 = (wanted[k] - a0) / SAMPLES;
        double d1 = (wanted[k + 1] - a1) / SAMPLES;
        double d2 = (wanted[k + 2] - a2) / SAMPLES;
        double d3 = (wanted[k + 3] - a3) / SAMPLES;
        for (int i = 0; i < SAMPLES; i++) {
            double even = a0 * i0 + a2 * i2;
            double odd = a1 * i1 + a3 * i3;
            sum[i] = sum[i] + even + odd;
            difference[i] = difference[i] + even - odd;
            double t0 = r0 * c0 - i0 * s0;
            i0 = r0 * s0 + i0 * c0;
            r0 = t0;
            double t1 = r1 * c1 - i1 * s1;
            i1 = r1 * s1 + i1 * c1;
            r1 = t1;
            double t2 = r2 * c2 - i2 * s2;
            i2 = r2 * s2 + i2 * c2;
            r2 = t2;
            double t3 = r3 * c3 - i3 * s3;
            i3 = r3 * s3 + i3 * c3;
            r3 = t3;
            a0 += d0;
            a1 += d1;
            a2 += d2;
            a3 += d3;
        }
        re[k] = r0;
        im[k] = i0;
        re[k + 1] = r1;
        im[k + 1] = i1;
        re[k + 2] = r2;
        im[k + 2] = i2;
        re[k + 3] = r3;
        im[k + 3] = i3;
        level[k] = wanted[k];
        level[k + 1] = wanted[k + 1];
        level[k + 2] = wanted[k + 2];
        level[k + 3] = wanted[k + 3];
    }

    private void tune(double[] block, int at, double frequencyHz, double sampleRate) {
        double stretch = block[at + SourceParameters.INHARMONICITY] / 100;
        double pull = block[at + SourceParameters.GRID_PULL] / 100;
        double grid = block[at + SourceParameters.GRID_PITCH];
        if (frequencyHz == tunedTo && stretch == tunedStretch && pull == tunedPull && (pull == 0 || grid == tunedGrid)) {
            return;
        }
        tunedTo = frequencyHz;
        tunedStretch = stretch;
        tunedPull = pull;
        tunedGrid = grid;
        for (int k = 0; k < MOST; k++) {
            double hz = frequencyHz * (stretch == 0 ? k + 1 : Polynomials.exp2(octave[k] * (1 + stretch)));
            if (pull > 0) {
                double nearest = Math.max(1, Math.floor(hz / grid + 0.5)) * grid;
                hz += (nearest - hz) * pull;
            }
            double cycles = hz / sampleRate;
            cos[k] = cycles < HIGHEST ? Polynomials.cosCycles(cycles) : 1;
            sin[k] = cycles < HIGHEST ? Polynomials.sinCycles(cycles) : 0;
            audible[k] = cycles < HIGHEST;
        }
    }

    /** Gains of the bands as far as they have risen or fallen by now. */
    private void raise(double[] block, int at, double sampleRate) {
        for (int band = 0; band < SourceParameters.BANDS; band++) {
            double db = block[at + SourceParameters.BAND + 2 * band];
            double time = block[at + SourceParameters.BAND + 2 * band + 1];
            bands[band] = db == 0 ? 0 : db * Math.min(1, seconds / time);
        }
        bands[SourceParameters.BANDS] = bands[SourceParameters.BANDS - 1];
    }

    private void aim(double[] block, int at, SourceMaterial material, int count, double slide) {
        int from = (int) block[at + SourceParameters.PARTIALS_FROM];
        WaveTable table = from == FROM_TABLE ? material.table() : from == FROM_HARMONICS ? material.drawn() : null;
        double position = table == null ? 0 : block[at + SourceParameters.POSITION] / 100 * (table.frames() - 1);
        int frame = (int) position;
        double part = position - frame;
        double oddEven = block[at + SourceParameters.ODD_EVEN] / 100;
        boolean whole = block[at + SourceParameters.PARTIAL_LOW] == 1 && block[at + SourceParameters.PARTIAL_HIGH] == MOST && oddEven == 0;
        double low = whole ? 0 : Polynomials.log2(block[at + SourceParameters.PARTIAL_LOW]);
        double high = whole ? 0 : Polynomials.log2(block[at + SourceParameters.PARTIAL_HIGH]);
        boolean flat = true;
        for (double db : bands) {
            flat &= db == 0;
        }
        for (int k = 0; k < MOST; k++) {
            double a = 0;
            if (k < count && audible[k]) {
                a = startLevel(from, table, frame, part, k + 1);
                a = whole ? a : a * cut(k, low, high, oddEven);
                if (!flat) {
                    double place = Math.max(0, Math.min(SourceParameters.BANDS - 1, octave[k] - slide));
                    int band = (int) place;
                    a *= Polynomials.gainOfDb(bands[band] + (bands[band + 1] - bands[band]) * (place - band));
                }
            }
            wanted[k] = a;
            if (fresh) {
                level[k] = a;
            }
        }
    }

    /** Gain of a partial. @param low octaves above the first from which on the levels are whole @param high octaves up to which they are */
    private double cut(int k, double low, double high, double oddEven) {
        double beyond = Math.max(0, Math.max(low - octave[k], octave[k] - high));
        double gain = beyond == 0 ? 1 : Polynomials.gainOfDb(-CUT_DB_PER_OCTAVE * beyond);
        boolean even = (k & 1) == 1;
        return even ? gain * Math.min(1, 1 + oddEven) : k == 0 ? gain : gain * Math.min(1, 1 - oddEven);
    }

    private double startLevel(int from, WaveTable table, int frame, double part, int n) {
        if (table != null) {
            double[] one = table.levels(frame);
            double[] two = table.levels(Math.min(frame + 1, table.frames() - 1));
            double a = n <= one.length ? one[n - 1] : 0;
            double b = n <= two.length ? two[n - 1] : 0;
            return a + (b - a) * part;
        }
        if (from == FROM_SAW) {
            return 2 / (Math.PI * n);
        }
        if (from == FROM_SQUARE) {
            return (n & 1) == 1 ? 4 / (Math.PI * n) : 0;
        }
        return from == FROM_TABLE || from == FROM_HARMONICS ? 0 : 2 / (Math.PI * n) * 2 * NoiseGenerator.fraction(from == FROM_EACH_NOTE ? seed : 4711, n, 3);
    }
}
