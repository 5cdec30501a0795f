package gentlecomet.sound.engine;

import gentlecomet.sound.maths.CachedGain;
import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.NoiseParameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.source.NoiseSource;
import gentlecomet.sound.source.SharedBlepOscillator;
import gentlecomet.sound.source.ToneSource;
import gentlecomet.sound.source.WaveCache;

/**
 * The sources of a voice: who listens to whom, in which order they are drawn, and on which bus each goes to the filters. The
 * buses are the first filter's input, the second filter's, and what goes past both.
 */
final class VoiceSources {

    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final int SOURCES = LayerParameters.SOURCES;
    private static final double MIDDLE_KEY = 60;
    private static final int INTO_FILTERS = 0;
    private static final int INTO_FIRST = 1;
    private static final int INTO_SECOND = 2;
    private static final int INTO_PAST = 3;

    final double[] left = new double[SAMPLES];
    final double[] right = new double[SAMPLES];
    final double[] secondLeft = new double[SAMPLES];
    final double[] secondRight = new double[SAMPLES];
    final double[] pastLeft = new double[SAMPLES];
    final double[] pastRight = new double[SAMPLES];
    private final double[] bothLeft = new double[SAMPLES];
    private final double[] bothRight = new double[SAMPLES];
    private final ToneSource[] sources = new ToneSource[SOURCES];
    /** Straight waves of the sources that go to the filters as the layer joins them. */
    private final SharedBlepOscillator line;
    private final NoiseSource noise = new NoiseSource();
    private final CachedGain voicePitch = new CachedGain();
    private final CachedGain[] fixedPitch = {new CachedGain(), new CachedGain(), new CachedGain()};
    private final boolean[] listened = new boolean[SOURCES];
    private final boolean[] listens = new boolean[SOURCES];
    private final boolean[] sounding = new boolean[SOURCES];
    private final boolean[] synced = new boolean[SOURCES];
    private final int[] drawOrder = new int[SOURCES];
    private double[] block;
    private boolean parallel;
    private boolean usesSecond;
    private boolean usesPast;

    VoiceSources(WaveCache shelf) {
        for (int s = 0; s < SOURCES; s++) {
            sources[s] = new ToneSource(shelf);
        }
        line = new SharedBlepOscillator(shelf);
    }

    /** Makes ready what the waves of a layer need. @param ringed sources that are or may be ring-modulated */
    void equip(double[] layerBlock, boolean[] ringed) {
        for (int s = 0; s < SOURCES; s++) {
            sources[s].equip((int) layerBlock[LayerParameters.source(s) + SourceParameters.WAVE], ringed[s]);
        }
    }

    /** Begins a note. @param hz at which it begins */
    void start(double[] voiceBlock, LayerMaterial material, NoteStart note, int seed, double hz) {
        for (int s = 0; s < SOURCES; s++) {
            sources[s].start(material.sources[s], voiceBlock, LayerParameters.source(s), seed, s, note.seconds, hz, note.rate);
        }
        noise.start(voiceBlock, LayerParameters.NOISE, seed, note.rate);
        line.clear(note.rate);
        clear(left, right);
    }

    /** Whether anything goes to the second filter alone. */
    boolean usesSecond() {
        return usesSecond;
    }

    /** Whether anything goes past the filters. */
    boolean usesPast() {
        return usesPast;
    }

    /**
     * Draws one control step of everything that sounds into the buses, of which the first has to be zero.
     *
     * @param bent    pitch of the voice as a key number with fraction
     * @param changed whether more may have changed than what envelopes, curves and LFOs move
     */
    void draw(double[] newBlock, VoiceContext setting, double bent, boolean changed, ModulationMatrix routing) {
        block = newBlock;
        takeSettings(changed, routing);
        if (usesSecond) {
            clear(secondLeft, secondRight);
        }
        if (usesPast) {
            clear(pastLeft, pastRight);
        }
        if (parallel) {
            clear(bothLeft, bothRight);
        }
        double rate = setting.sampleRate;
        for (int s = 0; s < SOURCES; s++) {
            sounding[s] = listened[s] || sources[s].heard();
            if (sounding[s]) {
                sources[s].prepare(keyFrequency(setting.tuning, s, bent), rate, synced[s]);
            }
        }
        for (int k = 0; k < SOURCES; k++) {
            int s = drawOrder[k];
            if (sounding[s]) {
                SharedBlepOscillator shared = sources[s].into() == INTO_FILTERS ? line : null;
                sources[s].draw(block, LayerParameters.source(s), rate, sources, listened[s], listens[s], shared);
            } else {
                sources[s].rest();
            }
        }
        for (int s = 0; s < SOURCES; s++) {
            if (sounding[s]) {
                int into = sources[s].into();
                sources[s].add(sources, channel(into, true), channel(into, false));
            }
        }
        line.add(channel(INTO_FILTERS, true), channel(INTO_FILTERS, false));
        if (noise.heard()) {
            noise.add(channel(noise.into(), true), channel(noise.into(), false));
        }
        if (parallel) {
            share(bothLeft, left, secondLeft);
            share(bothRight, right, secondRight);
        }
    }

    private void takeSettings(boolean changed, ModulationMatrix routing) {
        if (changed || routing.joinsSources()) {
            gatherListeners();
        }
        for (int s = 0; s < SOURCES; s++) {
            if (changed || routing.movesSource(s)) {
                sources[s].take(block, LayerParameters.source(s));
            }
        }
        if (changed || routing.movesNoise()) {
            noise.take(block, LayerParameters.NOISE);
        }
    }

    private static void share(double[] samples, double[] one, double[] two) {
        for (int i = 0; i < SAMPLES; i++) {
            one[i] += samples[i];
            two[i] += samples[i];
        }
    }

    private static void clear(double[] left, double[] right) {
        for (int i = 0; i < SAMPLES; i++) {
            left[i] = 0;
            right[i] = 0;
        }
    }

    private double[] channel(int into, boolean leftSide) {
        if (into == INTO_FILTERS && parallel) {
            return leftSide ? bothLeft : bothRight;
        }
        if (into == INTO_FILTERS || into == INTO_FIRST) {
            return leftSide ? left : right;
        }
        if (into == INTO_SECOND) {
            return leftSide ? secondLeft : secondRight;
        }
        return leftSide ? pastLeft : pastRight;
    }

    /** Which sources others listen to, and an order in which those that are listened to come first. */
    private void gatherListeners() {
        for (int s = 0; s < SOURCES; s++) {
            listened[s] = false;
            synced[s] = false;
            drawOrder[s] = s;
        }
        boolean any = false;
        int noiseInto = (int) block[LayerParameters.NOISE + NoiseParameters.OUTPUT];
        parallel = block[LayerParameters.FILTER_ROUTING] != 0;
        usesSecond = noiseInto == INTO_SECOND || parallel;
        usesPast = noiseInto == INTO_PAST;
        for (int s = 0; s < SOURCES; s++) {
            int at = LayerParameters.source(s);
            int into = (int) block[at + SourceParameters.OUTPUT];
            usesSecond |= into == INTO_SECOND;
            usesPast |= into == INTO_PAST;
            listens[s] = anyPhase(at);
        }
        // Once more for each source: one that is heard through another alone has sources of its own to listen to.
        for (int pass = 0; pass < SOURCES; pass++) {
            for (int s = 0; s < SOURCES; s++) {
                int at = LayerParameters.source(s);
                if (block[at + SourceParameters.LEVEL] > SourceParameters.OFF_DB || listens[s] || listened[s]) {
                    any |= gather(s, at);
                }
            }
        }
        if (any) {
            sortByListeners();
        }
    }

    /** Notes to whom a source listens. @return whether it has to be drawn after them */
    private boolean gather(int source, int at) {
        int sync = (int) block[at + SourceParameters.SYNC];
        if (sync > 0) {
            synced[sync - 1] = true;
            listened[sync - 1] = true;
        }
        boolean any = false;
        if (block[at + SourceParameters.RING] > 0) {
            listened[(int) block[at + SourceParameters.RING_FROM]] = true;
            any = true;
        }
        for (int m = 0; m < SOURCES; m++) {
            if (block[at + SourceParameters.PHASE_MODULATION + m] > 0 && m != source) {
                listened[m] = true;
                any = true;
            }
        }
        return any;
    }

    private boolean anyPhase(int at) {
        return block[at + SourceParameters.PHASE_MODULATION] + block[at + SourceParameters.PHASE_MODULATION + 1]
                + block[at + SourceParameters.PHASE_MODULATION + 2] > 0;
    }

    /** A source is drawn after those that bend its phase; in a ring of sources one of them hears the step before. */
    private void sortByListeners() {
        int placed = 0;
        int bits = 0;
        while (placed < SOURCES) {
            int chosen = -1;
            for (int s = SOURCES - 1; s >= 0; s--) {
                if ((bits >> s & 1) == 0 && (chosen < 0 || waits(s, bits) < waits(chosen, bits))) {
                    chosen = s;
                }
            }
            drawOrder[placed] = chosen;
            bits |= 1 << chosen;
            placed++;
        }
    }

    private int waits(int s, int drawn) {
        int at = LayerParameters.source(s);
        int count = 0;
        for (int m = 0; m < SOURCES; m++) {
            if (m != s && block[at + SourceParameters.PHASE_MODULATION + m] > 0 && (drawn >> m & 1) == 0) {
                count++;
            }
        }
        return count;
    }

    /** Frequency of the key as a source follows it. */
    private double keyFrequency(Tuning tuning, int source, double bentPitch) {
        double follow = sources[source].follow();
        return follow == 1 ? tuning.hz(voicePitch, bentPitch)
                : tuning.hz(fixedPitch[source], MIDDLE_KEY + (bentPitch - MIDDLE_KEY) * follow);
    }
}
