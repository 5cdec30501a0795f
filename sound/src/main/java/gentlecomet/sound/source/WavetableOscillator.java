package gentlecomet.sound.source;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.SourceParameters;

/** Kernels for waves that are looked up or computed sample by sample: one copy over one control step. */
final class WavetableOscillator {

    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final int LAG = BlepTables.LAG;
    private static final double TWO_PI = 6.283185307179586;
    /** Part of a cycle over which the slope of a table is read at least: two of its points. */
    private static final double NEAR = 2.0 / 2048;

    private WavetableOscillator() {
    }

    static void sine(double start, double step, SourceOutput to, double l, double r) {
        double[] left = to.left;
        double[] right = to.right;
        int first = to.at + LAG;
        double[] ramp = ControlStep.RAMP;
        for (int i = 0; i < SAMPLES; i++) {
            double v = Polynomials.sinCycles(start + step * ramp[i]);
            left[first + i] += l * v;
            right[first + i] += r * v;
        }
    }

    /** @param frame place between the first (0) and last (1) cycle of the table, moving by a slope each sample */
    static void table(WaveTable table, double frame, double frameSlope, double start, double step, SourceOutput to, double l, double r,
            double sampleRate) {
        double frames = table.frames() - 1;
        double place = Math.max(0, Math.min(1, frame)) * frames;
        double slope = frameSlope * frames;
        int first = pair(place, slope, table.frames());
        int version = WaveTable.version(step * sampleRate, sampleRate);
        float[] one = table.cycle(first, version);
        float[] two = table.cycle(Math.min(first + 1, table.frames() - 1), version);
        double mix = place - first;
        if (two == one || mix == 0 && slope == 0) {
            read(one, start, step, to, l, r, 1, 0);
        } else {
            read(one, start, step, to, l, r, 1 - mix, -slope);
            read(two, start, step, to, l, r, mix, slope);
        }
    }

    /** One cycle over and over, with a share that moves in a straight line. Whole points and the part between two are counted apart. */
    private static void read(float[] cycle, double start, double step, SourceOutput to, double l, double r, double share, double shareSlope) {
        double[] left = to.left;
        double[] right = to.right;
        int first = to.at + LAG;
        int mask = cycle.length - 1;
        double place = start * cycle.length;
        double points = step * cycle.length;
        int k = (int) place;
        double t = place - k;
        int stepWhole = (int) points;
        double stepPart = points - stepWhole;
        double s = share;
        for (int i = 0; i < SAMPLES; i++) {
            double a = cycle[k & mask];
            double b = cycle[k + 1 & mask];
            double v = (a + (b - a) * t) * s;
            left[first + i] += l * v;
            right[first + i] += r * v;
            s += shareSlope;
            k += stepWhole;
            t += stepPart;
            if (t >= 1) {
                t -= 1;
                k++;
            }
        }
    }

    /** The lower of the two frames between which the whole step lies; a step that crosses a frame is read from the nearer pair. */
    private static int pair(double place, double slope, int frames) {
        double middle = place + slope * SAMPLES / 2;
        return Math.max(0, Math.min(Math.max(0, frames - 2), (int) middle));
    }

    /** Any wave with phase modulation, feedback or resets. Edges of the wave are not band-limited here, resets are. */
    static void bent(int wave, WaveTable table, double pulseWidth, double frame, double frameSlope, double[] phases, int copy, double step,
            double[] bend, double feedback, double[] echoes, SyncTimes resets, double restart, SourceOutput to, double l, double r,
            BlepTables steps, double sampleRate) {
        double[] left = to.left;
        double[] right = to.right;
        int at = to.at + LAG;
        float[] one = null;
        float[] two = null;
        double mix = 0;
        double slope = 0;
        if (table != null) {
            double frames = table.frames() - 1;
            double place = Math.max(0, Math.min(1, frame)) * frames;
            slope = frameSlope * frames;
            int first = pair(place, slope, table.frames());
            int version = WaveTable.version(step * sampleRate, sampleRate);
            one = table.cycle(first, version);
            two = table.cycle(Math.min(first + 1, table.frames() - 1), version);
            mix = place - first;
        }
        boolean pulse = wave == SourceParameters.WAVE_PULSE;
        double phase = phases[copy];
        double e1 = echoes[2 * copy];
        double e2 = echoes[2 * copy + 1];
        int reset = 0;
        int count = resets == null ? 0 : resets.count();
        for (int i = 0; i < SAMPLES; i++) {
            while (reset < count && resets.at(reset) <= i) {
                double when = resets.at(reset);
                double late = i - when;
                double pace = step + bend[i] - bend[i == 0 ? 0 : i - 1];
                double moved = bend[i] - (pace - step) * late;
                jump(steps, to, i, late, one, two, mix, pulse, pulseWidth, phase - step * late + moved, restart + moved, pace, l, r);
                phase = restart + step * late;
                reset++;
            }
            double v = value(one, two, mix, pulse, pulseWidth, phase + bend[i] + feedback * 0.5 * (e1 + e2));
            e2 = e1;
            e1 = v;
            left[at + i] += l * v;
            right[at + i] += r * v;
            phase += step;
            mix += slope;
        }
        while (reset < count) {
            // A reset between the last sample and the end of the step: its jump belongs to the next step's first sample.
            double late = SAMPLES - resets.at(reset);
            double pace = step + bend[SAMPLES - 1] - bend[SAMPLES - 2];
            double moved = bend[SAMPLES - 1] + (pace - step) * (1 - late);
            jump(steps, to, SAMPLES, late, one, two, mix, pulse, pulseWidth, phase - step * late + moved, restart + moved, pace, l, r);
            phase = restart + step * late;
            reset++;
        }
        phases[copy] = phase - Math.floor(phase);
        echoes[2 * copy] = e1;
        echoes[2 * copy + 1] = e2;
    }

    /** The corrections of a wave that goes on from another place of its cycle. @param pace cycles per sample */
    private static void jump(BlepTables steps, SourceOutput to, int first, double late, float[] one, float[] two, double mix, boolean pulse, double pulseWidth,
            double old, double fresh, double pace, double l, double r) {
        double height = value(one, two, mix, pulse, pulseWidth, fresh) - value(one, two, mix, pulse, pulseWidth, old);
        if (one == null) {
            double radians = TWO_PI * pace;
            double rise = radians * (Polynomials.cosCycles(fresh) - Polynomials.cosCycles(old));
            steps.addSineStep(to, first, late, height, rise, radians, l, r);
        } else {
            double rise = slope(one, two, mix, pulse, pulseWidth, fresh, pace) - slope(one, two, mix, pulse, pulseWidth, old, pace);
            steps.addStep(to, first, late, l * height, r * height);
            steps.addSlope(to, first, late, l * rise, r * rise);
        }
    }

    /** How a table rises in a sample, from a hundredth of one before a place to one after it. */
    private static double slope(float[] one, float[] two, double mix, boolean pulse, double pulseWidth, double phase, double pace) {
        double near = Math.max(NEAR, 0.02 * Math.abs(pace));
        return pace / near * (value(one, two, mix, pulse, pulseWidth, phase + 0.5 * near) - value(one, two, mix, pulse, pulseWidth, phase - 0.5 * near));
    }

    private static double value(float[] one, float[] two, double mix, boolean pulse, double pulseWidth, double phase) {
        if (one == null) {
            return Polynomials.sinCycles(phase);
        }
        if (pulse) {
            return WaveTable.at(one, phase - pulseWidth) - WaveTable.at(one, phase);
        }
        double v = WaveTable.at(one, phase);
        return one == two ? v : v + (WaveTable.at(two, phase) - v) * mix;
    }
}
