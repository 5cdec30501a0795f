package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.PatchImage;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Straight waves are running sums of changes: what that must not do to a note that goes on for long, or changes while it sounds. */
class LinesInTimeTest {

    private static final int RATE = 48000;
    /** With A4 at 480 Hz a cycle of the A below is a whole number of samples, so means over cycles are exact. */
    private static final int KEY = 57;
    private static final int CYCLE = 200;

    private static Engine holding(String wave, String... settings) {
        Engine engine = new Engine(RATE);
        String[] all = Arrays.copyOf(settings, settings.length + 2);
        all[settings.length] = "layer1.source1.wave=" + wave;
        all[settings.length + 1] = "performance.tuning=480";
        engine.load(PatchImage.of(Played.patch(all)));
        engine.noteOn(KEY, 127);
        return engine;
    }

    private static double[] next(Engine engine, int frames) {
        double[] left = new double[frames];
        engine.render(left, new double[frames], 0, frames);
        return left;
    }

    private static double mean(double[] samples) {
        double sum = 0;
        for (double s : samples) {
            sum += s;
        }
        return sum / samples.length;
    }

    @ParameterizedTest
    @ValueSource(strings = {"saw", "pulse", "triangle"})
    void aLongNoteDoesNotDrift(String wave) {
        Engine engine = holding(wave, "layer1.source1.unisonVoices=1");
        next(engine, RATE / 2 / CYCLE * CYCLE);
        double early = mean(next(engine, 10 * CYCLE));
        next(engine, 60 * RATE);
        double late = mean(next(engine, 10 * CYCLE));
        assertEquals(early, late, 1e-10);
    }

    /** A sine around zero follows, whatever the line stood at when it left. */
    @ParameterizedTest
    @CsvSource({"saw, 5000", "saw, 5170", "pulse, 5111", "triangle, 5222"})
    void anotherWaveLeavesNothingOfTheLineBehind(String wave, int after) {
        Engine engine = holding(wave);
        next(engine, after);
        engine.setParameter(Parameters.find("layer1.source1.wave").index(), SourceParameters.WAVE_SINE);
        next(engine, 1000);
        double[] sine = next(engine, 10 * CYCLE);
        assertEquals(0, mean(sine), 1e-9);
        Spectrum spectrum = new Spectrum(next(engine, 70000), 0, 65536, RATE);
        assertTrue(spectrum.amplitude(2.0 * RATE / CYCLE) < 1e-6 * spectrum.amplitude(1.0 * RATE / CYCLE));
    }

    /** After other waves the line begins where its phase stands: it is the line that a note of that wave alone would have. */
    @ParameterizedTest
    @ValueSource(strings = {"saw", "pulse", "triangle"})
    void aLineThatFollowsAnotherWaveIsTheSameLine(String wave) {
        Engine one = holding(wave);
        Engine other = holding("triangle");
        next(one, 6400);
        next(other, 3217);
        other.setParameter(Parameters.find("layer1.source1.wave").index(), SourceParameters.WAVE_SINE);
        next(other, 3183);
        other.setParameter(Parameters.find("layer1.source1.wave").index(), valueOf(wave));
        next(one, 3200);
        next(other, 3200);
        double[] expected = next(one, CYCLE);
        double[] found = next(other, CYCLE);
        for (int i = 0; i < CYCLE; i++) {
            assertEquals(expected[i], found[i], 1e-9);
        }
    }

    /** A level, a width or a count of copies that moves puts the line elsewhere; it still swings around zero afterwards. */
    @Test
    void copiesThatComeAndGoLeaveNoConstantBehind() {
        Engine engine = holding("saw", "layer1.source1.unisonVoices=7", "layer1.source1.detune=0");
        next(engine, 5000);
        engine.setParameter(Parameters.find("layer1.source1.unisonVoices").index(), 2);
        next(engine, 3333);
        engine.setParameter(Parameters.find("layer1.source1.width").index(), 0);
        next(engine, 4444);
        engine.setParameter(Parameters.find("layer1.source1.unisonVoices").index(), 1);
        next(engine, 5000);
        Engine plain = holding("saw", "layer1.source1.unisonVoices=1", "layer1.source1.width=0");
        next(plain, 5000);
        assertEquals(mean(next(plain, 10 * CYCLE)), mean(next(engine, 10 * CYCLE)), 1e-9);
    }

    /**
     * Sources that go to the filters draw their lines together; those that go to the first filter alone each draw their own. With both
     * filters off that is the same sound, before, between and after changes by which sources leave the common line and come back to it.
     */
    @ParameterizedTest
    @CsvSource({"level, -9.5, 0.02", "level, -72, 0.2", "wave, 0, 1e-9", "ring, 60, 0.3", "octave, 2, 1e-9", "pan, 70, 1e-9", "unisonVoices, 3, 1e-9"})
    void linesDrawnTogetherAreTheSumOfTheLines(String moved, double to, double onTheWay) {
        Engine together = pair("filters");
        Engine apart = pair("filter1");
        assertSame(together, apart, 3205);
        int place = Parameters.find("layer1.source1." + moved).index();
        double before = Played.patch("layer1.source1.wave=saw", "layer1.source1.unisonVoices=5").value(place);
        for (double value : new double[] {to, before, to}) {
            together.setParameter(place, value);
            apart.setParameter(place, value);
            // A level that begins to move waits for a control step, a ring for the lag of the lines and of its filters; both have come to rest within 50 ms.
            double[] one = next(together, 2400);
            double[] other = next(apart, 2400);
            for (int i = 0; i < one.length; i++) {
                assertEquals(other[i], one[i], onTheWay, "on the way, frame " + i);
            }
            assertSame(together, apart, 3205);
        }
    }

    private static Engine pair(String into) {
        return holding("saw", "layer1.source1.unisonVoices=5", "layer1.source2.wave=triangle", "layer1.source2.level=-8", "layer1.source2.octave=1",
                "layer1.source3.wave=pulse", "layer1.source3.level=-10", "layer1.source1.output=" + into, "layer1.source2.output=" + into,
                "layer1.source3.output=" + into);
    }

    private static void assertSame(Engine one, Engine other, int frames) {
        double[] expected = next(other, frames);
        double[] found = next(one, frames);
        double peak = 0;
        for (int i = 0; i < frames; i++) {
            assertEquals(expected[i], found[i], 1e-9, "frame " + i);
            peak = Math.max(peak, Math.abs(found[i]));
        }
        assertTrue(peak > 0.05, "something sounds");
    }

    private static int valueOf(String wave) {
        return wave.equals("saw") ? SourceParameters.WAVE_SAW : wave.equals("pulse") ? SourceParameters.WAVE_PULSE : SourceParameters.WAVE_TRIANGLE;
    }
}
