package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Grain;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.SourceParameters;

/**
 * One tone source of a voice: up to sixteen copies of a band-limited wave, or noise, drawn one copy at a time over a whole
 * control step.
 */
final class ToneSource {

    static final int MAX_COPIES = 16;

    private final StepTables steps;
    private final double[] left = new double[Engine.STEP + StepTables.TAPS + 1];
    private final double[] right = new double[Engine.STEP + StepTables.TAPS + 1];
    private final double[] phases = new double[MAX_COPIES];
    private final double[] copyWidths = new double[MAX_COPIES];
    private final CopySpread spread = new CopySpread();
    private final Grain noise = new Grain();
    private double gain;
    private double pulseWidth;
    private boolean fresh;
    private boolean sounding;

    ToneSource(StepTables steps) {
        this.steps = steps;
    }

    /**
     * Begins a note.
     *
     * @param seconds   time since the engine began, for free-running phases
     * @param frequency of the note, for free-running phases
     * @param noteSeed  fixes everything that is random about this note
     */
    void start(double[] block, int at, int noteSeed, int source, double seconds, double frequency) {
        clear();
        noise.seed(Grain.hash(noteSeed, source, 4111));
        int mode = (int) block[at + SourceParameters.PHASE_START];
        double fixed = block[at + SourceParameters.PHASE] / 100;
        for (int copy = 0; copy < MAX_COPIES; copy++) {
            double phase = fixed;
            if (mode == SourceParameters.PHASE_FREE) {
                phase += Grain.fraction(91, source, copy) + seconds * frequency;
            } else if (mode == SourceParameters.PHASE_RANDOM) {
                phase += Grain.fraction(noteSeed, source, copy);
            }
            phases[copy] = phase - Math.floor(phase);
        }
        fresh = true;
        gain = 0;
    }

    /**
     * Adds one control step of sound to the voice's channels.
     *
     * @param frequencyHz of the source's centre
     */
    void add(double[] block, int at, double frequencyHz, double sampleRate, double[] outLeft, double[] outRight) {
        double level = block[at + SourceParameters.LEVEL];
        double wanted = level <= SourceParameters.OFF_DB ? 0 : Polynomials.gainOfDb(level);
        if (wanted == 0 && gain == 0) {
            sounding = false;
            return;
        }
        if (!sounding && !fresh) {
            clearTails();
        }
        sounding = true;
        if (fresh) {
            gain = wanted;
            pulseWidth = block[at + SourceParameters.PULSE_WIDTH] / 100;
            for (int copy = 0; copy < MAX_COPIES; copy++) {
                copyWidths[copy] = pulseWidth;
            }
            fresh = false;
        }
        draw(block, at, frequencyHz / sampleRate);
        mixIn(left, right, outLeft, outRight, gain, (wanted - gain) / Engine.STEP, Engine.RAMP);
        gain = wanted;
        shift(left);
        shift(right);
    }

    /** What corrections reach beyond this control step moves to the front, and the rest is cleared. */
    private static void shift(double[] samples) {
        int kept = StepTables.TAPS + 1;
        for (int i = 0; i < kept; i++) {
            samples[i] = samples[i + Engine.STEP];
        }
        for (int i = kept; i < samples.length; i++) {
            samples[i] = 0;
        }
    }

    private static void mixIn(double[] left, double[] right, double[] outLeft, double[] outRight, double gain, double slope, double[] ramp) {
        for (int i = 0; i < Engine.STEP; i++) {
            double g = gain + slope * ramp[i];
            outLeft[i] += left[i] * g;
            outRight[i] += right[i] * g;
        }
    }

    private void draw(double[] block, int at, double cyclesPerSample) {
        int wave = (int) block[at + SourceParameters.WAVE];
        double pan = block[at + SourceParameters.PAN] / 100;
        double width = block[at + SourceParameters.WIDTH] / 100;
        if (wave == SourceParameters.WAVE_NOISE) {
            drawNoise(pan, width);
            return;
        }
        int copies = (int) block[at + SourceParameters.COPIES];
        spread.set(copies, block[at + SourceParameters.DETUNE], pan, width);
        pulseWidth = block[at + SourceParameters.PULSE_WIDTH] / 100;
        for (int copy = 0; copy < copies; copy++) {
            double l = spread.left(copy);
            double r = spread.right(copy);
            double increment = Math.min(0.5, cyclesPerSample * spread.ratio(copy));
            switch (wave) {
                case SourceParameters.WAVE_SINE:
                    drawSine(copy, increment, l, r);
                    advance(copy, increment);
                    break;
                case SourceParameters.WAVE_TRIANGLE:
                    drawTriangle(copy, increment, l, r);
                    advance(copy, increment);
                    break;
                case SourceParameters.WAVE_SAW:
                    drawSaw(copy, increment, l, r);
                    break;
                default:
                    drawPulse(copy, increment, l, r);
                    advance(copy, increment);
                    break;
            }
        }
    }

    private void advance(int copy, double increment) {
        double end = phases[copy] + increment * Engine.STEP;
        phases[copy] = end - Math.floor(end);
    }

    private void drawSine(int copy, double increment, double l, double r) {
        double[] ramp = Engine.RAMP;
        double[] toLeft = left;
        double[] toRight = right;
        double start = phases[copy];
        for (int i = 0; i < Engine.STEP; i++) {
            double v = Polynomials.sinCycles(start + increment * ramp[i]);
            toLeft[i + StepTables.LAG] += l * v;
            toRight[i + StepTables.LAG] += r * v;
        }
    }

    private void drawSaw(int copy, double increment, double l, double r) {
        phases[copy] = saw(steps, left, right, phases[copy], increment, 2 * l, 2 * r);
    }

    /** One copy over a control step; the phase after a wrap tells how long ago the edge was. Answers the phase at the end. */
    private static double saw(StepTables steps, double[] left, double[] right, double start, double increment, double l, double r) {
        double p = start;
        for (int i = StepTables.LAG; i < StepTables.LAG + Engine.STEP; i++) {
            double v = p - 0.5;
            left[i] += l * v;
            right[i] += r * v;
            p += increment;
            if (p >= 1) {
                p -= 1;
                steps.addStep(left, right, i + 1 - StepTables.LAG, p / increment, -l, -r);
            }
        }
        return p;
    }

    private void drawTriangle(int copy, double increment, double l, double r) {
        double[] ramp = Engine.RAMP;
        double[] toLeft = left;
        double[] toRight = right;
        double start = phases[copy];
        for (int i = 0; i < Engine.STEP; i++) {
            double p = start + increment * ramp[i] + 0.25;
            double v = 1 - 4 * Math.abs(p - Math.floor(p) - 0.5);
            toLeft[i + StepTables.LAG] += l * v;
            toRight[i + StepTables.LAG] += r * v;
        }
        double bend = 8 * increment;
        addSlopes(start, increment, 0.75, -bend * l, -bend * r);
        addSlopes(start, increment, 0.25, bend * l, bend * r);
    }

    /** A pulse is the difference of two saws a width apart; while the width moves, the second runs a little slower or faster. */
    private void drawPulse(int copy, double increment, double l, double r) {
        double[] ramp = Engine.RAMP;
        double[] toLeft = left;
        double[] toRight = right;
        double start = phases[copy];
        double startFall = start - copyWidths[copy];
        double incrementFall = increment - (pulseWidth - copyWidths[copy]) / Engine.STEP;
        double l2 = 2 * l;
        double r2 = 2 * r;
        for (int i = 0; i < Engine.STEP; i++) {
            double p = start + increment * ramp[i];
            double q = startFall + incrementFall * ramp[i];
            double v = q - Math.floor(q) - (p - Math.floor(p));
            toLeft[i + StepTables.LAG] += l2 * v;
            toRight[i + StepTables.LAG] += r2 * v;
        }
        addSteps(start, increment, l2, r2);
        if (incrementFall >= 0) {
            addSteps(startFall, incrementFall, -l2, -r2);
        } else {
            addStepsBackwards(startFall, incrementFall, l2, r2);
        }
        copyWidths[copy] = pulseWidth;
    }

    /** A correction wherever the phase passes a whole number upwards within the control step. */
    private void addSteps(double start, double increment, double heightLeft, double heightRight) {
        double end = start + increment * Engine.STEP;
        for (double edge = Math.floor(start) + 1; edge <= end; edge++) {
            double when = (edge - start) / increment;
            int first = firstSampleAt(start, increment, edge, when);
            steps.addStep(left, right, first, limit(first - when), heightLeft, heightRight);
        }
    }

    /** The same for a phase that runs backwards. */
    private void addStepsBackwards(double start, double increment, double heightLeft, double heightRight) {
        double end = start + increment * Engine.STEP;
        for (double edge = Math.floor(start); edge > end; edge--) {
            double when = (edge - start) / increment;
            int first = Math.max(0, (int) when);
            while (first < Engine.STEP && start + increment * first >= edge) {
                first++;
            }
            steps.addStep(left, right, first, limit(first - when), heightLeft, heightRight);
        }
    }

    private void addSlopes(double start, double increment, double ahead, double changeLeft, double changeRight) {
        for (double next = Math.floor(start + ahead) + 1; next <= start + ahead + increment * Engine.STEP; next++) {
            double when = (next - ahead - start) / increment;
            int first = firstSampleAt(start, increment, next - ahead, when);
            steps.addSlope(left, right, first, limit(first - when), changeLeft, changeRight);
        }
    }

    /** The first sample whose phase has reached {@code edge}, decided exactly as the naive wave decides it. */
    private static int firstSampleAt(double start, double increment, double edge, double when) {
        int first = (int) when;
        while (first > 0 && start + increment * (first - 1) >= edge) {
            first--;
        }
        while (first < Engine.STEP && start + increment * first < edge) {
            first++;
        }
        return first;
    }

    private static double limit(double distance) {
        return Math.max(0, Math.min(1, distance));
    }

    private void drawNoise(double pan, double width) {
        double l = CopySpread.leftGain(pan);
        double r = CopySpread.leftGain(-pan);
        double common = Math.sqrt(1 - width * 0.5);
        double own = Math.sqrt(width * 0.5);
        for (int i = 0; i < Engine.STEP; i++) {
            double middle = noise.next() * common;
            double side = noise.next() * own;
            left[i + StepTables.LAG] += l * (middle + side);
            right[i + StepTables.LAG] += r * (middle - side);
        }
    }

    private void clear() {
        clearTails();
        sounding = false;
    }

    private void clearTails() {
        for (int i = 0; i < left.length; i++) {
            left[i] = 0;
            right[i] = 0;
        }
    }
}
