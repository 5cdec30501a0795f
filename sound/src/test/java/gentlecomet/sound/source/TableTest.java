package gentlecomet.sound.source;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.engine.Played;
import gentlecomet.sound.engine.Spectrum;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.TableName;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.SoundFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Wave tables, drawn harmonics, imported cycles and recordings. */
class TableTest {

    private static final double LEVEL = Math.pow(10, -12 / 20.0);

    private static Patch table(TableName name, double position) {
        return Played.patch("layer1.source1.wave=table", "layer1.source1.table=" + name.id(), "layer1.source1.position=" + position);
    }

    @ParameterizedTest
    @EnumSource(value = TableName.class, mode = EnumSource.Mode.EXCLUDE, names = "IMPORTED")
    void everyTableIsInTuneCleanAndChangesWithItsPosition(TableName name) {
        double f = 440 * Math.pow(2, (96 - 69) / 12.0);
        Spectrum start = new Spectrum(Played.left(table(name, 0), 96, 127, 48000, 40000), 4096, 32768, 48000);
        Spectrum end = new Spectrum(Played.left(table(name, 100), 96, 127, 48000, 40000), 4096, 32768, 48000);
        double strongest = 0;
        double difference = 0;
        for (int n = 1; n <= 9; n++) {
            strongest = Math.max(strongest, Math.max(start.amplitude(n * f), end.amplitude(n * f)));
            difference = Math.max(difference, Math.abs(start.amplitude(n * f) - end.amplitude(n * f)));
        }
        assertTrue(difference > 0.02 * strongest, name + " is the same at both ends");
        for (Spectrum s : new Spectrum[] {start, end}) {
            double alias = Spectrum.db(s.strongestBetweenHarmonics(f, 20000) / strongest);
            assertTrue(alias < -93, name + " aliases at " + alias + " dB");
        }
    }

    /** Against the strongest partial of the very sound, at both ends and halfway. */
    @ParameterizedTest
    @EnumSource(value = TableName.class, mode = EnumSource.Mode.EXCLUDE, names = "IMPORTED")
    void everyTableIsCleanAtC7(TableName name) {
        double f = 440 * Math.pow(2, (96 - 69) / 12.0);
        for (double position : new double[] {0, 50, 100}) {
            Spectrum spectrum = new Spectrum(Played.left(table(name, position), 96, 127, 48000, 40000), 4096, 32768, 48000);
            double strongest = 0;
            for (int n = 1; n <= 9; n++) {
                strongest = Math.max(strongest, spectrum.amplitude(n * f));
            }
            double alias = Spectrum.db(spectrum.strongestBetweenHarmonics(f, 20000) / strongest);
            assertTrue(alias < -93, name + " at " + position + " % aliases at " + alias + " dB");
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {28, 57, 84})
    void drawnHarmonicsHaveTheirLevelsAtEveryPitch(int key) {
        Patch patch = Played.patch("layer1.source1.wave=harmonics").withShape(Shapes.harmonics(0, 0), new double[] {50, 0, 0, 0, 100, 25, 10, 0});
        Spectrum spectrum = new Spectrum(Played.left(patch, key, 127, 48000, 80000), 8192, 65536, 48000);
        double f = 440 * Math.pow(2, (key - 69) / 12.0);
        double[] expected = {0.5, 0, 1, 0.1};
        for (int n = 1; n <= 4; n++) {
            double found = spectrum.amplitude(n * f) / LEVEL;
            if (expected[n - 1] == 0) {
                assertTrue(found < 1e-4, "harmonic " + n);
            } else {
                assertEquals(Spectrum.db(expected[n - 1]), Spectrum.db(found), 0.2, "harmonic " + n);
            }
        }
    }

    /** Fourier series of the saw, 2/(pi n), read from a table over the whole range of keys. */
    @ParameterizedTest
    @CsvSource({"24,48000", "45,44100", "72,48000"})
    void aTableKeepsItsHarmonicsUpToFifteenKilohertz(int key, double rate) {
        double[] harmonics = new double[128];
        for (int n = 1; n <= 64; n++) {
            harmonics[2 * n - 2] = 100.0 / n;
        }
        Patch patch = Played.patch("layer1.source1.wave=harmonics").withShape(Shapes.harmonics(0, 0), harmonics);
        Spectrum spectrum = new Spectrum(Played.left(patch, key, 127, rate, 80000), 8192, 65536, rate);
        double f = 440 * Math.pow(2, (key - 69) / 12.0);
        for (int n = 1; n <= 64 && n * f < 15000; n++) {
            assertEquals(Spectrum.db(1.0 / n), Spectrum.db(spectrum.amplitude(n * f) / LEVEL), 0.2, "harmonic " + n);
        }
    }

    @Test
    void aPositionThatJumpsDoesNotClick() {
        Engine engine = Played.engine(table(TableName.TIDE, 0), 48000);
        engine.noteOn(45, 127);
        double[] left = new double[9600];
        engine.render(left, new double[9600], 0, 4800);
        engine.setParameter(Parameters.find("layer1.source1.position").index(), 100);
        engine.render(left, new double[9600], 4800, 4800);
        double steepestBefore = steepest(left, 100, 4800);
        double steepestAfter = steepest(left, 7000, 9600);
        assertTrue(steepest(left, 4700, 7000) < 1.3 * Math.max(steepestBefore, steepestAfter));
    }

    private static double steepest(double[] x, int from, int to) {
        double steepest = 0;
        for (int i = from + 1; i < to; i++) {
            steepest = Math.max(steepest, Math.abs(x[i] - x[i - 1]));
        }
        return steepest;
    }

    private static Patch withRecording(Patch patch, Recording recording) {
        String hash = String.format("%012x", (long) recording.key()) + "0".repeat(52);
        return patch.withRecording(0, 0, new SoundFile(SoundFile.place(0, 0), hash, "Test"));
    }

    private static double[] played(Patch patch, Recording recording, int key, int frames) {
        Engine engine = new Engine(48000);
        engine.provide(recording);
        engine.load(PatchImage.of(withRecording(patch, recording)));
        engine.noteOn(key, 127);
        double[] left = new double[frames];
        engine.render(left, new double[frames], 0, frames);
        return left;
    }

    private static Recording sine(double hz, int frames, double rate) {
        float[] samples = new float[frames];
        for (int i = 0; i < frames; i++) {
            samples[i] = (float) Math.sin(2 * Math.PI * hz * i / rate);
        }
        return new Recording(77, samples, samples, rate);
    }

    @ParameterizedTest
    @CsvSource({"60,440", "72,880", "48,220"})
    void aRecordingPlaysAtThePitchOfTheKey(int key, double expected) {
        double[] sound = played(Played.patch("layer1.source1.wave=recording"), sine(440, 120000, 44100), key, 40000);
        assertEquals(expected, Played.frequency(sound, expected, 48000), 0.05);
    }

    @Test
    void aLoopGoesOnWithoutAClickAndWithoutItTheRecordingEnds() {
        Recording short1 = sine(440, 11025, 44100);
        double[] once = played(Played.patch("layer1.source1.wave=recording"), short1, 60, 48000);
        assertEquals(0, Played.rms(once, 30000, 48000));
        double[] looped = played(Played.patch("layer1.source1.wave=recording", "layer1.source1.loop=forward", "layer1.source1.loopStart=30",
                "layer1.source1.loopEnd=93", "layer1.source1.crossfade=20"), short1, 60, 48000);
        assertEquals(LEVEL / Math.sqrt(2), Played.rms(looped, 30000, 48000), 0.06);
        assertTrue(steepest(looped, 1000, 48000) < 1.2 * LEVEL * 2 * Math.PI * 440 / 48000);
    }

    @Test
    void reverseBeginsAtTheEnd() {
        float[] rising = new float[48000];
        for (int i = 0; i < rising.length; i++) {
            rising[i] = i / 48000f;
        }
        Recording ramp = new Recording(5, rising, rising, 48000);
        double[] sound = played(Played.patch("layer1.source1.wave=recording", "layer1.source1.direction=reverse"), ramp, 60, 4800);
        assertTrue(sound[200] > 0.9 * LEVEL, "starts at the top: " + sound[200] / LEVEL);
        assertTrue(sound[4000] < sound[1000]);
    }

    /** A cycle that is analysed and played again is the same cycle. */
    @Test
    void anImportedCycleKeepsItsShape() {
        float[] cycle = new float[600];
        for (int i = 0; i < cycle.length; i++) {
            double t = 2 * Math.PI * i / cycle.length;
            cycle[i] = (float) (0.6 * Math.sin(t) + 0.3 * Math.cos(3 * t));
        }
        double[] sound = played(Played.patch("layer1.source1.wave=table", "layer1.source1.table=imported"), new Recording(9, cycle, cycle, 48000), 57, 80000);
        Spectrum spectrum = new Spectrum(sound, 8192, 65536, 48000);
        assertEquals(Spectrum.db(0.6), Spectrum.db(spectrum.amplitude(220) / LEVEL), 0.1);
        assertEquals(Spectrum.db(0.3), Spectrum.db(spectrum.amplitude(660) / LEVEL), 0.1);
        assertTrue(spectrum.amplitude(440) < 1e-4);
    }

    @Test
    void aTableWithoutItsFileIsSilentNotAFault() {
        double[] sound = Played.left(Played.patch("layer1.source1.wave=table", "layer1.source1.table=imported"), 60, 127, 48000, 4800);
        assertArrayEquals(new double[4800], sound);
    }
}
