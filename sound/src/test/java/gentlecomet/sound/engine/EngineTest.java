package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class EngineTest {

    private static final Patch RICH = Played.routed(Played.patch("layer1.source1.wave=saw", "layer1.source1.unisonVoices=7",
            "layer1.source1.detune=18", "layer1.source1.width=80", "layer1.source1.phaseStart=random", "layer1.source2.wave=noise",
            "layer1.source2.level=-24", "layer1.filter1.type=low", "layer1.filter1.cutoff=900", "layer1.filter1.envelopeAmount=3",
            "effect1.type=delay", "effect1.mix=30", "effect2.type=reverb", "effect2.mix=25"), Modulator.LFO_1, "layer1.pitch.shift", 0.3);

    @Test
    void theNeutralPatchIsOneDrySineAtMinusTwelve() {
        double[] sound = Played.left(Patch.neutral("Neutral"), 69, 127, 48000, 48000);
        Spectrum spectrum = new Spectrum(sound, 4096, 32768, 48000);
        assertEquals(-12, Spectrum.db(spectrum.amplitude(440)), 0.02);
        assertTrue(Spectrum.db(spectrum.strongestBetweenHarmonics(440, 23000)) < -100);
        assertTrue(Spectrum.db(spectrum.amplitude(880)) < -100);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 7, 64, 128, 1000})
    void samplesDoNotDependOnTheBlockSize(int blockSize) {
        double[] reference = Played.left(RICH, 50, 100, 48000, 12000);
        Engine engine = Played.engine(RICH, 48000);
        engine.noteOn(50, 100);
        double[] left = new double[12000];
        double[] right = new double[12000];
        for (int at = 0; at < left.length; at += blockSize) {
            engine.render(left, right, at, Math.min(blockSize, left.length - at));
        }
        assertArrayEquals(reference, left);
    }

    @Test
    void loadingAgainStartsFromTheSameState() {
        Engine engine = Played.engine(RICH, 48000);
        double[] first = new double[9000];
        double[] second = new double[9000];
        engine.noteOn(50, 100);
        engine.bend(0.7);
        engine.render(first, new double[9000], 0, 9000);
        engine.load(PatchImage.of(RICH));
        engine.noteOn(50, 100);
        engine.render(second, new double[9000], 0, 9000);
        assertArrayEquals(Played.left(RICH, 50, 100, 48000, 9000), second);
        assertFalse(java.util.Arrays.equals(first, second));
    }

    /** The DLS and General MIDI 2 recommendation: 40 log10(v/127) dB. */
    @ParameterizedTest
    @CsvSource({"64,100,-11.906", "32,100,-23.947", "64,50,-5.953", "1,0,0"})
    void velocityFollowsTheRecommendedLaw(int velocity, int amount, double db) {
        Patch patch = Played.patch("performance.velocityToLevel=" + amount);
        double full = Played.rms(Played.left(patch, 69, 127, 48000, 24000), 4800, 24000);
        double soft = Played.rms(Played.left(patch, 69, velocity, 48000, 24000), 4800, 24000);
        assertEquals(db, Spectrum.db(soft / full), 0.01);
    }

    @Test
    void bendReachesItsOwnRangeUpAndDown() {
        Patch patch = Played.patch("performance.bendUp=12", "performance.bendDown=2");
        double[] up = Played.left(patch, 48000, 60000, e -> { e.bend(1); e.noteOn(57, 127); });
        double[] down = Played.left(patch, 48000, 60000, e -> { e.bend(-1); e.noteOn(57, 127); });
        assertEquals(440, Played.frequency(java.util.Arrays.copyOfRange(up, 20000, 60000), 440, 48000), 0.05);
        assertEquals(220 * Math.pow(2, -2 / 12.0), Played.frequency(java.util.Arrays.copyOfRange(down, 20000, 60000), 196, 48000), 0.05);
    }

    @Test
    void aSplitPlaysEachLayerOnItsOwnKeysOnly() {
        Patch patch = Played.patch("layer1.zone.highKey=B3", "layer2.on=on", "layer2.zone.lowKey=C4", "layer2.source1.level=-12",
                "layer2.source1.octave=1");
        assertEquals(246.94, Played.frequency(Played.left(patch, 59, 127, 48000, 40000), 246.9, 48000), 0.05);
        assertEquals(523.25, Played.frequency(Played.left(patch, 60, 127, 48000, 40000), 523.2, 48000), 0.05);
        Patch hole = Played.patch("layer1.zone.highKey=B3");
        assertEquals(0, Played.rms(Played.left(hole, 60, 127, 48000, 4800), 0, 4800));
    }

    @Test
    void everyModulatorMovesItsTarget() {
        Patch open = Played.patch("layer1.source1.wave=saw", "layer1.filter1.type=low", "layer1.filter1.cutoff=200",
                "layer1.lfo1.wave=square", "layer1.lfo1.rate=0.02", "layer1.lfo2.wave=square", "layer1.lfo3.wave=square", "layer1.lfo4.wave=square",
                "layer1.lfo2.rate=0.02", "layer1.lfo3.rate=0.02", "layer1.lfo4.rate=0.02", "layer1.envelope2.sustain=100",
                "layer1.envelope3.sustain=100", "layer1.envelope4.sustain=100");
        double plain = Played.rms(Played.left(open, 48, 127, 48000, 24000), 4800, 24000);
        int firstMacro = Modulator.MACRO_1.ordinal();
        for (Modulator m : Modulator.values()) {
            Patch routed = Played.routed(open.withValue(Parameters.find("macro" + Math.max(1, m.ordinal() - firstMacro + 1)), 100), m,
                    "layer1.filter1.cutoff", 5);
            double moved = Played.rms(Played.left(routed, 48000, 24000, e -> {
                e.modWheel(1);
                e.aftertouch(1);
                e.bend(0.5);
                e.breath(1);
                e.pedal(1);
                e.noteOn(48, 127);
                e.keyAftertouch(48, 1);
                e.keySlide(48, 1);
                if (m == Modulator.RELEASE_VELOCITY) {
                    e.noteOff(48, 127);
                }
            }), 4800, 24000);
            if (m != Modulator.KEY) {
                assertTrue(Math.abs(Spectrum.db(moved / plain)) > 0.2, m + " moved the level by " + Spectrum.db(moved / plain) + " dB");
            }
        }
        double low = Played.rms(Played.left(Played.routed(open, Modulator.KEY, "layer1.filter1.cutoff", 5), 24, 127, 48000, 24000), 4800, 24000);
        double untracked = Played.rms(Played.left(open, 24, 127, 48000, 24000), 4800, 24000);
        assertTrue(low < untracked, "keys below C4 close the filter");
    }

    @Test
    void polyphonicAftertouchMovesItsOwnKeyOnly() {
        Patch patch = Played.routed(Played.patch(), Modulator.AFTERTOUCH, "layer1.pitch.shift", 12);
        double[] sound = Played.left(patch, 48000, 60000, e -> { e.noteOn(57, 127); e.noteOn(64, 127); e.keyAftertouch(57, 1); });
        Spectrum spectrum = new Spectrum(sound, 20000, 32768, 48000);
        assertTrue(spectrum.amplitude(440) > 0.2, "the pressed key sounds an octave up");
        assertTrue(spectrum.amplitude(329.63) > 0.2, "the other stays");
        assertTrue(spectrum.amplitude(220) < 0.01);
    }

    @Test
    void aMacroPutsItsTargetsBetweenTheirEnds() {
        Parameter level = Parameters.find("layer1.source1.level");
        Patch patch = Patch.neutral("M").withMacro(2, new Macro("Level", "soft", "loud", List.of(new MacroTarget(level, -30, -10))));
        for (double position : new double[] {0, 50, 100}) {
            Patch at = patch.withValue(Parameters.find("macro3"), position);
            Spectrum spectrum = new Spectrum(Played.left(at, 69, 127, 48000, 40000), 4096, 32768, 48000);
            assertEquals(-30 + 20 * position / 100, Spectrum.db(spectrum.amplitude(440)), 0.05);
            assertEquals(-30 + 20 * position / 100, at.soundingValue(level), 1e-9);
        }
    }

    @Test
    void movingAHeldParameterByHandSoundsTheSameInEngineAndPatch() {
        Parameter level = Parameters.find("layer1.source1.level");
        Patch patch = Patch.neutral("M").withMacro(0, new Macro("Level", "", "", List.of(new MacroTarget(level, -30, -10))))
                .withValue(Parameters.find("macro1"), 50);
        Patch moved = patch.withValue(level, -16);
        assertEquals(-16, moved.soundingValue(level), 1e-9);
        Engine byHand = Played.engine(patch, 48000);
        byHand.setParameter(level.index(), -16);
        byHand.render(new double[48000], new double[48000], 0, 48000);
        assertEquals(-16, byHand.view().soundingValue(level.index()), 1e-9);
        byHand.setParameter(Parameters.find("macro1").index(), 100);
        byHand.render(new double[48000], new double[48000], 0, 48000);
        assertEquals(moved.withValue(Parameters.find("macro1"), 100).soundingValue(level), byHand.view().soundingValue(level.index()), 1e-9);
    }

    @ParameterizedTest
    @CsvSource({"1/8D,120,375", "1/4,90,666.667", "free,120,250"})
    void delayTimesFollowTempoAndDivision(String division, double tempo, double expectedMs) {
        Patch patch = Played.patch("layer1.amplitude.attack=0", "layer1.amplitude.decay=5 ms", "layer1.amplitude.sustain=0", "effect1.type=delay", "effect1.mix=50",
                "effect1.delay.divisionLeft=" + division, "effect1.delay.timeLeft=250", "performance.tempo=" + tempo, "effect1.delay.lowCut=20", "effect1.delay.highCut=20k",
                "effect1.delay.feedback=0");
        double[] dry = Played.left(patch.withValue(Parameters.find("effect1.mix"), 0), 96, 127, 48000, 48000);
        double[] both = Played.left(patch, 96, 127, 48000, 48000);
        int best = 0;
        double strongest = 0;
        for (int lag = 4800; lag < 47000; lag++) {
            double sum = 0;
            for (int i = 0; i < 600; i++) {
                sum += lag + i < both.length ? dry[i] * both[lag + i] : 0;
            }
            if (sum > strongest) {
                strongest = sum;
                best = lag;
            }
        }
        assertEquals(expectedMs * 48, best, 1);
    }

    @ParameterizedTest
    @CsvSource({"1.0,60", "2.5,60", "4,100", "0.6,30"})
    void reverbDecaysInItsTime(double decay, double size) {
        Patch patch = Played.patch("layer1.amplitude.attack=0", "layer1.amplitude.decay=20 ms", "layer1.amplitude.sustain=0", "effect2.type=reverb", "effect2.mix=100",
                "effect2.reverb.decay=" + decay + " s", "effect2.reverb.size=" + size, "effect2.reverb.damping=20k", "effect2.reverb.lowCut=20");
        double[] sound = Played.left(patch, 84, 127, 48000, (int) (48000 * decay * 1.6));
        assertEquals(decay, Played.t30(sound, 48000), decay * 0.1);
    }

    @Test
    void monoPlaysOneNoteAndGlides() {
        Patch patch = Played.patch("performance.mode=legato", "performance.glideTime=200 ms");
        Engine engine = Played.engine(patch, 48000);
        double[] buffer = new double[48000];
        engine.noteOn(57, 127);
        engine.render(buffer, new double[48000], 0, 24000);
        engine.noteOn(69, 127);
        assertEquals(1, engine.voicesSounding());
        engine.render(buffer, new double[48000], 0, 4800);
        double middle = Played.rms(buffer, 0, 4800);
        assertTrue(middle > 0.1, "no gap at the change of key");
        engine.render(buffer, new double[48000], 0, 48000);
        assertEquals(440, Played.frequency(buffer, 440, 48000), 2.5);
        engine.noteOff(69);
        engine.render(buffer, new double[48000], 0, 14400);
        engine.render(buffer, new double[48000], 0, 48000);
        assertEquals(220, Played.frequency(buffer, 220, 48000), 0.05);
    }

    @Test
    void strangeEventsLeaveNoStuckNote() {
        Engine engine = Played.engine(RICH, 48000);
        Random random = new Random(7);
        double[] sink = new double[512];
        for (int i = 0; i < 3000; i++) {
            int key = random.nextInt(140) - 6;
            switch (random.nextInt(6)) {
                case 0, 1 -> engine.noteOn(key, random.nextInt(140) - 5);
                case 2 -> engine.noteOff(key);
                case 3 -> engine.pedal(random.nextInt(3) / 2.0);
                case 4 -> engine.bend(random.nextDouble() * 8 - 4);
                default -> engine.keyAftertouch(key, random.nextDouble() * 3 - 1);
            }
            engine.render(sink, new double[512], 0, 1 + random.nextInt(64));
        }
        engine.panic();
        for (int i = 0; i < 400; i++) {
            engine.render(sink, new double[512], 0, 512);
        }
        assertEquals(0, engine.voicesSounding());
        assertEquals(0, engine.faults());
    }

    @Test
    void theSafetyStageNeverLetsMoreThanFullScaleOut() {
        Safety safety = new Safety(48000);
        double[] left = {0.5, 7, -900, Double.NaN, Double.POSITIVE_INFINITY, 1e300, 0.2};
        double[] right = {0.1, 0, 3, 0.4, Double.NaN, 0, 0.2};
        safety.process(left, right, left.length);
        for (int i = 0; i < left.length; i++) {
            assertTrue(Math.abs(left[i]) <= 1 && Math.abs(right[i]) <= 1, "frame " + i);
        }
        assertEquals(0.5, left[0]);
        assertTrue(safety.takeLimited() > 0);
    }
}
