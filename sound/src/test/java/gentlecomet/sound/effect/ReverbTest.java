package gentlecomet.sound.effect;

import static gentlecomet.sound.effect.InSlot.RATE;
import static gentlecomet.sound.effect.InSlot.through;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Played;
import gentlecomet.sound.engine.Spectrum;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.apache.commons.math3.special.Erf;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The answer of a reverb to one sample, against what noise that decays would be and against its own knobs. */
class ReverbTest {

    private static double[][] answer(double seconds, String... changes) {
        List<String> all = new ArrayList<>(List.of("effect1.type=reverb", "effect1.mix=100", "effect1.reverb.preDelay=0", "effect1.reverb.lowCut=20", "effect1.reverb.damping=20k"));
        for (String change : changes) {
            all.add("effect1.reverb." + change);
        }
        return through((int) (seconds * RATE), i -> i == 0 ? 1 : 0, all.toArray(new String[0]));
    }

    private static double[] noise(double seconds, double decay) {
        Random random = new Random(7);
        double[] x = new double[(int) (seconds * RATE)];
        for (int i = 0; i < x.length; i++) {
            x[i] = random.nextGaussian() * Math.pow(10, -3.0 * i / (decay * RATE));
        }
        return x;
    }

    /** Geometric over arithmetic mean of the power between 300 and 4000 Hz, and the strongest bin above the mean in dB. */
    private static double[] flatness(double[] x) {
        double[] power = Spectrum.powers(x, 4800, 65536);
        int from = (int) (300 * 65536 / RATE);
        int to = (int) (4000 * 65536 / RATE);
        double logs = 0;
        double sum = 0;
        double most = 0;
        for (int k = from; k < to; k++) {
            logs += Math.log(power[k]);
            sum += power[k];
            most = Math.max(most, power[k]);
        }
        double mean = sum / (to - from);
        return new double[] {Math.exp(logs / (to - from)) / mean, 10 * Math.log10(most / mean)};
    }

    static Stream<String> kindsAndSizes() {
        return Stream.of("hall", "room", "plate", "ambience").flatMap(kind -> Stream.of("0", "20", "60", "100").map(size -> kind + "," + size));
    }

    /**
     * The spectrum of noise that decays is as flat as exp(-0.5772), its powers being exponentially distributed; a tail whose modes stand apart is not. A Blackman-Harris
     * window, as it spreads each bin over its neighbours, changes neither for noise.
     */
    @ParameterizedTest
    @MethodSource("kindsAndSizes")
    void theTailIsAsFlatAsNoise(String kindAndSize) {
        String[] what = kindAndSize.split(",");
        double[] of = flatness(answer(2, "kind=" + what[0], "size=" + what[1], "decay=2 s")[0]);
        double[] ofNoise = flatness(noise(2, 2));
        assertEquals(0.561, ofNoise[0], 0.03);
        assertTrue(of[0] > 0.35, kindAndSize + ": flatness " + of[0]);
        assertTrue(of[1] < ofNoise[1] + 3, kindAndSize + ": peak to mean " + of[1] + " dB, noise has " + ofNoise[1]);
    }

    /**
     * J. S. Abel and P. Huang, "A simple, robust measure of reverberation echo density" (AES 121st Convention, 2006): the part of the samples of a window beyond its standard deviation, over that of
     * Gaussian noise, erfc(1 / sqrt 2). The window is 20 ms long.
     */
    private static double echoDensity(double[] x, double atSeconds) {
        int half = (int) (0.01 * RATE);
        int middle = (int) (atSeconds * RATE);
        double deviation = Played.rms(x, middle - half, middle + half);
        int beyond = 0;
        for (int i = middle - half; i < middle + half; i++) {
            beyond += Math.abs(x[i]) > deviation ? 1 : 0;
        }
        return beyond / (2.0 * half) / Erf.erfc(1 / Math.sqrt(2));
    }

    @ParameterizedTest
    @CsvSource({"hall,50", "hall,75", "hall,100", "room,50", "room,100", "plate,50", "plate,100", "ambience,50", "ambience,100"})
    void echoesAreAsDenseAsNoiseFromTwentiethOfASecondOn(String kind, String size) {
        double[][] x = answer(0.2, "kind=" + kind, "size=" + size, "decay=2 s");
        assertTrue(echoDensity(x[0], 0.05) > 0.9, "left " + echoDensity(x[0], 0.05));
        assertTrue(echoDensity(x[1], 0.05) > 0.9, "right " + echoDensity(x[1], 0.05));
    }

    /** Decay time of an octave band by backward integration (M. R. Schroeder, 1965), from -5 to -35 dB. */
    private static double t30(double[] x, double hz) {
        return Played.t30(octave(x, hz), RATE);
    }

    /** An octave band, cut out of the spectrum with sides of a cosine over a sixth of it, by the Fourier transform of JTransforms. */
    private static double[] octave(double[] x, double hz) {
        return Spectrum.band(x, hz / Math.sqrt(2), hz * Math.sqrt(2), RATE);
    }

    @ParameterizedTest
    @CsvSource({"hall,60,2", "hall,100,4", "hall,0,1", "room,40,0.8", "plate,60,1.5"})
    void everyBandDecaysInTheTimeOfTheKnob(String kind, double size, double decay) {
        double[] x = answer(decay * 1.7, "kind=" + kind, "size=" + size, "decay=" + decay + " s")[0];
        for (double hz : new double[] {125, 500, 2000}) {
            assertEquals(decay, t30(x, hz), decay * 0.1, hz + " Hz");
        }
    }

    @ParameterizedTest
    @CsvSource({"50", "25"})
    void theHighsDecayInTheirPartOfTheTime(double part) {
        double[] x = answer(4, "decay=2.4 s", "damping=1000", "highDecay=" + part)[0];
        assertEquals(2.4, t30(x, 125), 0.24);
        assertEquals(2.4 * part / 100, t30(x, 8000), 0.24 * part / 100 * 1.5);
    }

    /** Turning lines into each other loses no energy: the tail keeps its decay and its flatness, and is another one each time. */
    @Test
    void modulationKeepsTheDecayAndMovesTheModes() {
        double[] x = answer(4, "decay=2 s", "modulation=100")[0];
        assertEquals(2, t30(x, 500), 0.2);
        double[] of = flatness(x);
        assertTrue(of[0] > 0.35);
        double[] still = answer(4, "decay=2 s")[0];
        double apart = 0;
        for (int i = 48000; i < 96000; i++) {
            apart += (x[i] - still[i]) * (x[i] - still[i]);
        }
        assertTrue(Math.sqrt(apart / 48000) > 0.5 * Played.rms(still, 48000, 96000), "the tail is another one");
    }

    @Test
    void theSidesShareNothing() {
        double[][] x = answer(1, "decay=2 s", "size=70");
        double both = 0;
        for (int i = 4800; i < 48000; i++) {
            both += x[0][i] * x[1][i];
        }
        double correlation = both / 43200 / Played.rms(x[0], 4800, 48000) / Played.rms(x[1], 4800, 48000);
        assertEquals(0, correlation, 0.12);
    }

    /** A bloom is loudest after a while: a hall of the same size begins at its loudest. */
    @Test
    void aBloomSwells() {
        assertTrue(loudest(answer(2, "kind=bloom", "decay=3 s", "size=70")[0]) > 0.15);
        assertTrue(loudest(answer(2, "kind=hall", "decay=3 s", "size=70")[0]) < 0.15);
    }

    /** Where the loudest 50 ms begin, in seconds. */
    private static double loudest(double[] x) {
        int at = 0;
        for (int i = 0; i + 2400 < x.length; i += 480) {
            at = Played.rms(x, i, i + 2400) > Played.rms(x, at, at + 2400) ? i : at;
        }
        return at / RATE;
    }

    @ParameterizedTest
    @ValueSource(strings = {"byTime", "byLevel"})
    void theGateEndsTheTail(String gate) {
        double[] x = answer(2, "decay=4 s", "gate=" + gate, "gateHold=300 ms")[0];
        double[] open = answer(2, "decay=4 s")[0];
        for (int i = 2400; i < 12000; i++) {
            assertEquals(open[i], x[i], 1e-9);
        }
        double after = 0;
        for (int i = 19000; i < x.length; i++) {
            after = Math.max(after, Math.abs(x[i]));
        }
        assertEquals(0, after, 1e-12, "0.3 s, what the level needs to fall, and the 30 ms in which it closes");
    }

    /** By time it closes whatever goes on; by level it stays open. */
    @Test
    void aGateByTimeDoesNotWaitForTheEnd() {
        String[] byTime = {"effect1.type=reverb", "effect1.reverb.gate=byTime", "effect1.reverb.gateHold=300 ms"};
        String[] byLevel = {"effect1.type=reverb", "effect1.reverb.gate=byLevel", "effect1.reverb.gateHold=300 ms"};
        assertEquals(0, Played.rms(through(48000, InSlot.sine(300, 0.5), byTime)[0], 30000, 47000), 1e-9);
        assertTrue(Played.rms(through(48000, InSlot.sine(300, 0.5), byLevel)[0], 30000, 47000) > 0.05);
    }
}
