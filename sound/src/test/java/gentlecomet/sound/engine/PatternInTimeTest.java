package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Patterns as they are heard: times and pitches read from the samples. */
class PatternInTimeTest {

    private static final double RATE = 48000;

    private static Patch plucked(String... changes) {
        List<String> all = new ArrayList<>(List.of("layer1.on=on", "layer1.source1.level=-6", "layer1.source1.wave=sine", "layer1.amplitude.attack=1 ms", "layer1.amplitude.decay=1 s", "layer1.amplitude.sustain=100",
                "layer1.amplitude.release=5 ms", "performance.tempo=120", "pattern.order=up", "pattern.gate=50"));
        all.addAll(List.of(changes));
        return Played.patch(all.toArray(String[]::new));
    }

    private static double[] play(Patch patch, double held, double seconds, int... keys) {
        Engine engine = Played.engine(patch, RATE);
        for (int key : keys) {
            engine.noteOn(key, 100);
        }
        double[] left = new double[(int) (seconds * RATE)];
        int until = (int) (held * RATE);
        engine.render(left, new double[left.length], 0, until);
        for (int key : keys) {
            engine.noteOff(key);
        }
        engine.render(left, new double[left.length], until, left.length - until);
        return left;
    }

    /** Moments at which sound begins after at least 10 ms of silence. */
    private static List<Double> onsets(double[] x) {
        List<Double> found = new ArrayList<>();
        int quiet = (int) RATE;
        for (int i = 0; i < x.length; i++) {
            if (Math.abs(x[i]) > 0.01) {
                if (quiet > 0.01 * RATE) {
                    found.add(i / RATE);
                }
                quiet = 0;
            } else {
                quiet++;
            }
        }
        return found;
    }

    /** Cycles per second from rising zero crossings between two moments. */
    private static double hz(double[] x, double from, double to) {
        int first = -1;
        int last = -1;
        int count = -1;
        for (int i = (int) (from * RATE) + 1; i < to * RATE; i++) {
            if (x[i - 1] < 0 && x[i] >= 0) {
                first = first < 0 ? i : first;
                last = i;
                count++;
            }
        }
        return count * RATE / (last - first);
    }

    /** Sixteenths at 120 beats per minute are 125 ms apart; what is played takes effect within a step of 64 samples. */
    @Test
    void stepsComeInTempo() {
        List<Double> at = onsets(play(plucked(), 1, 1.5, 60));
        assertEquals(8, at.size(), at.toString());
        for (int n = 0; n < at.size(); n++) {
            assertEquals(0.125 * n, at.get(n), 0.004, "step " + n);
        }
    }

    @Test
    void keysAreTakenInTurnAnOctaveUpInTheSecondRound() {
        double[] x = play(plucked("pattern.octaves=2", "pattern.step=1/8", "pattern.gate=80"), 1, 1, 60, 69);
        double[] keys = {60, 69, 72, 81};
        for (int n = 0; n < keys.length; n++) {
            double wanted = 440 * Math.pow(2, (keys[n] - 69) / 12);
            assertEquals(wanted, hz(x, 0.25 * n + 0.02, 0.25 * n + 0.19), 0.01 * wanted, "note " + n);
        }
    }

    /** A route and a macro reach the gate: with the wheel up notes last longer. */
    @Test
    void theGateIsMoved() {
        Patch patch = Played.routed(plucked("pattern.gate=20"), Modulator.MOD_WHEEL, "pattern.gate", 60);
        Engine engine = Played.engine(patch, RATE);
        double[] rest = sounding(engine, 0);
        double[] up = sounding(engine, 1);
        assertEquals(0.125 * 0.2, rest[0], 0.012);
        assertEquals(0.125 * 0.8, up[0], 0.012);
    }

    /** Mean length of the notes of a second. */
    private static double[] sounding(Engine engine, double wheel) {
        engine.reset();
        engine.modWheel(wheel);
        engine.noteOn(60, 100);
        double[] x = new double[48000];
        engine.render(x, new double[x.length], 0, x.length);
        engine.noteOff(60);
        int loud = 0;
        int gap = 0;
        for (double v : x) {
            gap = Math.abs(v) > 0.01 ? 0 : gap + 1;
            loud += gap < 200 ? 1 : 0;
        }
        return new double[] {loud / RATE / 8};
    }

    /** The samples do not depend on the blocks in which they are asked for, and a used engine plays as a new one. */
    @Test
    void samplesAreTheSameInEveryBlockAndEngine() {
        Patch patch = plucked("pattern.order=random", "pattern.chance=70", "pattern.swing=66").withShape(Shapes.PATTERN_STEPS, new double[] {100, 0, 100, 1, 60, 12, 50, 2})
                .withShape(Shapes.PATTERN_CHORD, new double[] {0, 3, 7});
        double[] whole = play(patch, 1, 1.5, 60, 64);
        Engine engine = Played.engine(plucked("pattern.order=down"), RATE);
        engine.noteOn(70, 90);
        engine.render(new double[30000], new double[30000], 0, 30000);
        engine.load(PatchImage.of(patch));
        engine.noteOn(60, 100);
        engine.noteOn(64, 100);
        double[] parts = new double[whole.length];
        double[] right = new double[whole.length];
        for (int at = 0, n = 0; at < 48000; n++) {
            int frames = Math.min(1 + 97 * n % 333, 48000 - at);
            engine.render(parts, right, at, frames);
            at += frames;
        }
        engine.noteOff(60);
        engine.noteOff(64);
        engine.render(parts, right, 48000, whole.length - 48000);
        assertArrayEquals(whole, parts);
        assertTrue(onsets(whole).size() > 2);
    }

    /** What a hand changes while keys are held: nothing hangs when the pattern goes off, is loaded over, or everything is let go. */
    @Test
    void nothingHangs() {
        for (String way : List.of("off", "panic", "load", "chord")) {
            Engine engine = Played.engine(plucked().withShape(Shapes.PATTERN_CHORD, new double[] {0, 4, 7}), RATE);
            engine.noteOn(60, 100);
            engine.noteOn(72, 100);
            double[] x = new double[20000];
            engine.render(x, new double[x.length], 0, x.length);
            switch (way) {
                case "off" -> engine.change(PatchImage.of(plucked("pattern.order=off")));
                case "panic" -> engine.panic();
                case "load" -> engine.load(PatchImage.of(plucked("pattern.order=off")));
                default -> engine.change(PatchImage.of(plucked("pattern.order=off").withShape(Shapes.PATTERN_CHORD, new double[] {0, 12})));
            }
            engine.render(x, new double[x.length], 0, x.length);
            engine.noteOff(60);
            engine.noteOff(72);
            engine.render(x, new double[x.length], 0, x.length);
            assertEquals(0, engine.voicesSounding(), way);
        }
    }
}
