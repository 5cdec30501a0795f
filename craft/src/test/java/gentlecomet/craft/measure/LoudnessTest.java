package gentlecomet.craft.measure;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.performance.Audio;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Published values of ITU-R BS.1770-4, EBU Tech 3341 (table 1) and EBU Tech 3342 (table 1). */
class LoudnessTest {

    private static final double TOLERANCE = 0.1;

    private static Tones tone() {
        return new Tones(48000, 1000);
    }

    /** BS.1770-4, tables 1 and 2. */
    @Test
    void theFiltersHaveThePrintedCoefficientsAt48Kilohertz() {
        assertArrayEquals(new double[] {1.53512485958697, -2.69169618940638, 1.19839281085285, -1.69065929318241, 0.73248077421585},
                KWeighting.shelf(48000), 1e-8);
        assertArrayEquals(new double[] {1.0, -2.0, 1.0, -1.99004745483398, 0.99007225036621}, KWeighting.highPass(48000), 1e-8);
    }

    /** BS.1770-4: a 0 dBFS sine of 997 Hz in one channel reads -3.01 LKFS. */
    @ParameterizedTest
    @ValueSource(ints = {44100, 48000, 96000})
    void aFullScaleSineInOneChannelReadsMinusThree(int rate) {
        assertEquals(-3.01, Loudness.of(new Tones(rate, 997).then(0, 5).leftOnly()).integrated(), 0.03);
    }

    @Test
    void tech3341Signal1() {
        assertEquals(-23, Loudness.of(tone().then(-23, 20).stereo()).integrated(), TOLERANCE);
    }

    @Test
    void tech3341Signal2() {
        assertEquals(-33, Loudness.of(tone().then(-33, 20).stereo()).integrated(), TOLERANCE);
    }

    @Test
    void tech3341Signal3() {
        assertEquals(-23, Loudness.of(tone().then(-36, 10).then(-23, 60).then(-36, 10).stereo()).integrated(), TOLERANCE);
    }

    @Test
    void tech3341Signal4() {
        Audio audio = tone().then(-72, 10).then(-36, 10).then(-23, 60).then(-36, 10).then(-72, 10).stereo();
        assertEquals(-23, Loudness.of(audio).integrated(), TOLERANCE);
    }

    @Test
    void tech3341Signal5() {
        Audio audio = tone().then(-26, 20).then(-20, 20.1).then(-26, 20).stereo();
        assertEquals(-23, Loudness.of(audio).integrated(), TOLERANCE);
    }

    @Test
    void tech3341Signal9ShortTerm() {
        Tones tones = tone();
        for (int i = 0; i < 5; i++) {
            tones.then(-20, 1.34).then(-30, 1.66);
        }
        assertEquals(-23, Loudness.of(tones.stereo()).shortTermMax(), TOLERANCE);
    }

    @Test
    void tech3341Signal12Momentary() {
        Tones tones = tone();
        for (int i = 0; i < 25; i++) {
            tones.then(-20, 0.18).then(-30, 0.22);
        }
        assertEquals(-23, Loudness.of(tones.stereo()).momentaryMax(), TOLERANCE);
    }

    @Test
    void tech3342Signals1To4() {
        assertEquals(10, Loudness.of(tone().then(-20, 20).then(-30, 20).stereo()).range(), 1);
        assertEquals(5, Loudness.of(tone().then(-20, 20).then(-15, 20).stereo()).range(), 1);
        assertEquals(20, Loudness.of(tone().then(-40, 20).then(-20, 20).stereo()).range(), 1);
        assertEquals(15, Loudness.of(tone().then(-50, 20).then(-35, 20).then(-20, 20).then(-35, 20).then(-50, 20).stereo()).range(), 1);
    }

    @Test
    void silenceIsSilent() {
        Loudness silence = Loudness.of(new Audio(new float[48000], new float[48000], 48000));
        assertEquals(Loudness.SILENT, silence.integrated());
        assertEquals(Loudness.SILENT, silence.momentaryMax());
    }
}
