package gentlecomet.sound.source;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.NoiseGenerator;
import gentlecomet.sound.parameter.SourceParameters;

/**
 * One tone source of a voice. In every control step it is first prepared, so that sources that are synced to it know when it
 * begins its cycles, then drawn, and then added to the voice. It lags {@link BlepTables#LAG} samples.
 */
public final class ToneSource {

    static final int MAX_COPIES = 16;

    private static final int REPEATABLE_SEED = 7003;
    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final double CYCLES_OF_RADIANS = 0.15915494309189535;

    private final WaveCache shelf;
    private final SourceOutput outlet = new SourceOutput();
    private final double[] signal = new double[SAMPLES];
    private final double[] bent = new double[SAMPLES];
    private final double[] phases = new double[MAX_COPIES];
    private final double[] starts = new double[MAX_COPIES];
    private final double[] widths = new double[MAX_COPIES];
    private final double[] echoes = new double[2 * MAX_COPIES];
    private final UnisonSpread spread = new UnisonSpread();
    private final SyncTimes cycles = new SyncTimes();
    private final BlepOscillator edges;
    private final NoiseGenerator noise = new NoiseGenerator();
    private final SourceSetting setting = new SourceSetting();
    private PartialBank partials;
    private ModalResonator body;
    private RecordingPlayer player;
    private RingModulation ring;
    private SourceMaterial material;
    private int noteSeed;
    private double increment;
    private double gain;
    private double framePlace;
    private boolean fresh;
    private boolean sounding;
    /** Straight lines wait to be drawn in the same turn in which they are mixed. */
    private boolean undrawn;
    /** The step's lines have gone to those that several sources share. */
    private boolean shared;
    /** They did so in the step before, but not in this one. */
    private boolean parted;
    /** What was drawn sample by sample reaches into the present step. */
    private boolean waiting;

    public ToneSource(WaveCache shelf) {
        this.shelf = shelf;
        edges = new BlepOscillator(outlet);
    }

    /** Makes ready what a wave needs beyond the common parts, so that nothing has to be made while rendering. @param ringed whether ring modulation may come into play */
    public void equip(int wave, boolean ringed) {
        if (ringed && ring == null) {
            ring = new RingModulation();
        }
        if (wave == SourceParameters.WAVE_PARTIALS && partials == null) {
            partials = new PartialBank();
        } else if (wave == SourceParameters.WAVE_BODY && body == null) {
            body = new ModalResonator();
        } else if (wave == SourceParameters.WAVE_RECORDING && player == null) {
            player = new RecordingPlayer(MAX_COPIES);
        }
    }

    /**
     * Begins a note.
     *
     * @param source    place among the layer's sources
     * @param seconds   time since the engine began, for free-running phases
     * @param frequency of the note in Hz, for free-running phases
     * @param seed      fixes everything that is random about this note
     * @param sampleRate of the note in Hz
     */
    public void start(SourceMaterial newMaterial, double[] block, int at, int seed, int source, double seconds, double frequency, double sampleRate) {
        material = newMaterial;
        edges.use(shelf.steps(sampleRate));
        noteSeed = NoiseGenerator.hash(seed, source, 4111);
        boolean repeatable = block[at + SourceParameters.NOISE_START] == 1;
        noise.seed(repeatable ? NoiseGenerator.hash(REPEATABLE_SEED, source, 4111) : noteSeed);
        silence();
        int mode = (int) block[at + SourceParameters.PHASE_START];
        double fixed = block[at + SourceParameters.PHASE] / 100;
        double range = block[at + SourceParameters.PHASE_RANGE] / 100;
        double[] drawn = material.copies();
        double map = block[at + SourceParameters.UNISON_MAP] / 100;
        for (int copy = 0; copy < MAX_COPIES; copy++) {
            double phase = fixed + (UnisonSpread.COLUMNS * copy < drawn.length ? map * drawn[UnisonSpread.COLUMNS * copy + 2] / 100 : 0);
            starts[copy] = phase - Math.floor(phase);
            if (mode == SourceParameters.PHASE_FREE) {
                phase = phase + NoiseGenerator.fraction(91, source, copy) + seconds * frequency;
            } else if (mode == SourceParameters.PHASE_RANDOM) {
                phase += range * NoiseGenerator.fraction(seed, source, copy);
            }
            phases[copy] = phase - Math.floor(phase);
            echoes[2 * copy] = 0;
            echoes[2 * copy + 1] = 0;
        }
        take(block, at);
        int wave = setting.wave;
        if (wave == SourceParameters.WAVE_PARTIALS && partials != null) {
            partials.start(block, at, noteSeed, phases[0], mode == SourceParameters.PHASE_RANDOM ? range : 0);
        } else if (wave == SourceParameters.WAVE_BODY && body != null) {
            body.start(noteSeed);
        } else if (wave == SourceParameters.WAVE_RECORDING && player != null) {
            player.start(block, at, material.recording());
        }
        framePlace = setting.position;
        fresh = true;
        gain = 0;
        for (int i = 0; i < SAMPLES; i++) {
            signal[i] = 0;
        }
    }

    /** Takes over where the parameters stand; to be called when they or the layer's material may have changed. */
    public void take(double[] block, int at) {
        setting.take(block, at);
        spread.draw(noteSeed, setting.randomCents, setting.randomPan);
        spread.set(setting.copies, setting.detuneCents, setting.pan, setting.width, setting.balanceDb, setting.map, material);
    }

    /** How far its pitch follows the key, 0 to 1. */
    public double follow() {
        return setting.follow;
    }

    /** Bus of the filters to which it goes, as the parameter counts them. */
    public int into() {
        return setting.into;
    }

    /**
     * Sets the pitch of the coming control step.
     *
     * @param keyHz frequency of the key as it follows it, before the source's own interval
     */
    public void prepare(double keyHz, double sampleRate, boolean othersSync) {
        double turns = (keyHz * setting.ratio + setting.offsetHz) / sampleRate;
        increment = turns < 0 ? 0 : turns > 0.5 ? 0.5 : turns;
        if (othersSync) {
            cycles.set(phases[0], increment);
        }
    }

    /** Whether it would be heard in the coming control step or has just been. */
    public boolean heard() {
        return gain != 0 || setting.gain > 0;
    }

    /**
     * Draws one control step.
     *
     * @param sources      all sources of the layer, for sync and phase modulation
     * @param othersListen whether others need its signal
     * @param listens      whether the phase is bent, by others or by itself
     * @param common       for straight waves of sources that go the same way to the filters, or null
     */
    public void draw(double[] block, int at, double sampleRate, ToneSource[] sources, boolean othersListen, boolean listens, SharedBlepOscillator common) {
        if (!sounding && !fresh) {
            silence();
        }
        sounding = true;
        int wave = setting.wave;
        if (fresh) {
            for (int copy = 0; copy < MAX_COPIES; copy++) {
                widths[copy] = setting.pulseWidth;
            }
        }
        if (!lines(wave)) {
            edges.settle();
        }
        undrawn = false;
        boolean wasShared = shared;
        shared = false;
        boolean waited = waiting;
        waiting = true;
        switch (wave) {
            case SourceParameters.WAVE_NOISE:
                drawNoise(setting.pan, setting.width);
                break;
            case SourceParameters.WAVE_PARTIALS:
                if (partials != null) {
                    partials.draw(block, at, material, increment * sampleRate, sampleRate, outlet, setting.pan, setting.width);
                }
                break;
            case SourceParameters.WAVE_BODY:
                if (body != null) {
                    body.draw(block, at, material, increment * sampleRate, sampleRate, outlet, setting.pan, setting.width);
                }
                break;
            default:
                if (wave == SourceParameters.WAVE_RECORDING) {
                    if (player != null && material.recording() != null) {
                        player.draw(block, at, material.recording(), increment * sampleRate, sampleRate, spread, setting.copies, outlet);
                    }
                } else {
                    boolean alone = othersListen || waited || setting.ring != 0 || ring != null && ring.begun();
                    drawCycles(block, at, sampleRate, sources, alone, listens, common);
                }
                break;
        }
        parted = wasShared && !shared;
        if (othersListen) {
            int first = outlet.at;
            for (int i = 0; i < SAMPLES; i++) {
                signal[i] = 0.5 * (outlet.left[first + i] + outlet.right[first + i]);
            }
        }
    }

    /** @param alone whether straight lines are to be drawn into its own samples */
    private void drawCycles(double[] block, int at, double sampleRate, ToneSource[] sources, boolean alone, boolean listens, SharedBlepOscillator common) {
        int wave = setting.wave;
        int copies = setting.copies;
        boolean bending = listens && gatherPhase(block, at, sources);
        SyncTimes resets = setting.sync == 0 ? null : sources[setting.sync - 1].cycles;
        if (lines(wave) && !bending) {
            waiting = false;
            undrawn = !alone;
            shared = undrawn && common != null && (fresh || setting.gain == gain);
            drawLines(shared ? common.edges : edges, shared ? setting.gain : 1, resets);
            if (alone) {
                edges.draw();
            }
            return;
        }
        edges.settle();
        if (!bending) {
            straighten();
        }
        double feedback = 0;
        for (int s = 0; s < sources.length; s++) {
            if (sources[s] == this) {
                feedback = block[at + SourceParameters.PHASE_MODULATION + s] * CYCLES_OF_RADIANS;
            }
        }
        WaveTable table = wave == SourceParameters.WAVE_SINE ? null : material.cycles(wave);
        if (wave != SourceParameters.WAVE_SINE && table == null) {
            return;
        }
        double frame = 0;
        double frameSlope = 0;
        if (table != null) {
            // At most one frame of the table in a control step, so that a jump of the position does not click.
            double last = Math.max(1, table.frames() - 1);
            double wanted = setting.position;
            double part = fresh ? wanted : framePlace + Math.max(-1 / last, Math.min(1 / last, wanted - framePlace));
            frame = fresh ? wanted : framePlace;
            frameSlope = (part - frame) / SAMPLES;
            framePlace = part;
        }
        for (int copy = 0; copy < copies; copy++) {
            double step = Math.min(0.5, increment * spread.ratio(copy));
            double l = spread.left(copy);
            double r = spread.right(copy);
            if (resets != null || bending || feedback != 0) {
                WavetableOscillator.bent(wave, table, setting.pulseWidth, frame, frameSlope, phases, copy, step, bent,
                        feedback, echoes, resets, starts[copy], outlet, l, r, shelf.steps(sampleRate), sampleRate);
            } else if (table == null) {
                WavetableOscillator.sine(phases[copy], step, outlet, l, r);
                advance(copy, step);
            } else {
                WavetableOscillator.table(table, frame, frameSlope, phases[copy], step, outlet, l, r, sampleRate);
                advance(copy, step);
            }
        }
    }

    private void drawLines(BlepOscillator to, double level, SyncTimes resets) {
        int copies = setting.copies;
        if (setting.wave == SourceParameters.WAVE_SAW && resets == null && increment * spread.highest() <= 0.5) {
            to.ramps(phases, increment, spread, copies, level);
            return;
        }
        for (int copy = 0; copy < copies; copy++) {
            drawStraight(to, setting.wave, copy, Math.min(0.5, increment * spread.ratio(copy)), level * spread.left(copy), level * spread.right(copy), resets);
        }
    }

    private static boolean lines(int wave) {
        return wave == SourceParameters.WAVE_SAW || wave == SourceParameters.WAVE_PULSE || wave == SourceParameters.WAVE_TRIANGLE;
    }

    /** Sums what the other sources do to the phase; whether there is anything. */
    private boolean gatherPhase(double[] block, int at, ToneSource[] sources) {
        boolean any = false;
        for (int s = 0; s < sources.length; s++) {
            double index = block[at + SourceParameters.PHASE_MODULATION + s] * CYCLES_OF_RADIANS;
            if (index == 0) {
                continue;
            }
            if (sources[s] != this) {
                index = Math.min(index, SideBands.highestIndex(increment, sources[s].increment) * CYCLES_OF_RADIANS);
            }
            if (!any) {
                any = true;
                straighten();
            }
            if (sources[s] != this) {
                double[] from = sources[s].signal;
                for (int i = 0; i < SAMPLES; i++) {
                    bent[i] += index * from[i];
                }
            }
        }
        return any;
    }

    private void straighten() {
        for (int i = 0; i < SAMPLES; i++) {
            bent[i] = 0;
        }
    }

    private void drawStraight(BlepOscillator to, int wave, int copy, double step, double l, double r, SyncTimes resets) {
        double start = phases[copy];
        if (wave == SourceParameters.WAVE_TRIANGLE) {
            phases[copy] = to.triangle(start, step, l, r, resets, starts[copy]);
        } else if (wave == SourceParameters.WAVE_SAW) {
            phases[copy] = to.ramp(start, step, 2 * l, 2 * r, resets, starts[copy]);
        } else {
            // A pulse is the difference of two saws a width apart; while the width moves, the second runs slower or faster.
            double most = 0.95 * step * SAMPLES;
            double moved = widths[copy] + Math.max(-most, Math.min(most, setting.pulseWidth - widths[copy]));
            double fall = start - widths[copy] - Math.floor(start - widths[copy]);
            double fallStep = step - (moved - widths[copy]) / SAMPLES;
            double restartFall = starts[copy] - moved - Math.floor(starts[copy] - moved);
            to.ramp(fall, fallStep, 2 * l, 2 * r, resets, restartFall);
            phases[copy] = to.ramp(start, step, -2 * l, -2 * r, resets, starts[copy]);
            widths[copy] = moved;
        }
    }

    private void advance(int copy, double step) {
        double end = phases[copy] + step * SAMPLES;
        phases[copy] = end - Math.floor(end);
    }

    /**
     * Adds the drawn step to the voice's channels at the source's level, multiplied by another source where ring modulation
     * asks for it. A level that begins to move stands for one step more: what waits of the source's lines among those that several
     * share comes at the level that it had.
     */
    public void add(ToneSource[] sources, double[] outLeft, double[] outRight) {
        double wanted = parted ? gain : setting.gain;
        boolean first = fresh;
        if (fresh) {
            gain = wanted;
            fresh = false;
        }
        if (ring != null && (setting.ring > 0 || ring.begun()) && !undrawn) {
            ring.process(outlet.left, outlet.right, outlet.at, sources[setting.ringFrom].signal, setting.ring, !first);
        }
        double slope = (wanted - gain) / SAMPLES;
        if (undrawn) {
            // Where the lines have gone to those of all, what waits of its own has still to come.
            if (edges.drawing()) {
                edges.drawInto(outLeft, outRight, gain, slope);
            }
        } else {
            outlet.mixInto(outLeft, outRight, gain, slope);
        }
        gain = wanted;
    }

    /** The source is not heard and not listened to: it stands still and costs nothing. */
    public void rest() {
        sounding = false;
    }

    private void drawNoise(double pan, double width) {
        double l = UnisonSpread.leftGain(pan);
        double r = UnisonSpread.leftGain(-pan);
        double common = Math.sqrt(1 - width * 0.5);
        double own = Math.sqrt(width * 0.5);
        int first = outlet.at + BlepTables.LAG;
        for (int i = 0; i < SAMPLES; i++) {
            double middle = noise.next() * common;
            double side = noise.next() * own;
            outlet.left[first + i] += l * (middle + side);
            outlet.right[first + i] += r * (middle - side);
        }
    }

    private void silence() {
        sounding = false;
        waiting = false;
        shared = false;
        outlet.clear();
        edges.stop();
        if (ring != null) {
            ring.reset();
        }
    }
}
