package gentlecomet.craft.measure;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.TypedPatch;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Audio;
import java.util.List;
import org.junit.jupiter.api.Test;

class FingerprintTest {

    private static final int RATE = 48000;

    private static Audio tone(double hz, double amplitude, double seconds) {
        float[] samples = new float[(int) (1.5 * RATE)];
        for (int i = 0; i < seconds * RATE; i++) {
            samples[i] = (float) (amplitude * Math.sin(2 * Math.PI * hz * i / RATE));
        }
        return new Audio(samples, samples.clone(), RATE);
    }

    private static Fingerprint of(double hz, double amplitude, double seconds) {
        Audio audio = tone(hz, amplitude, seconds);
        return Fingerprint.of(List.of(audio, audio, audio));
    }

    /** The scale is made so that 1000 Hz are 1000 mel (S. S. Stevens, J. Volkmann, E. B. Newman, 1937). */
    @Test
    void theScaleMeetsItsDefinition() {
        assertEquals(1000, Fingerprint.mel(1000), 0.1);
        assertEquals(0, Fingerprint.mel(0));
    }

    @Test
    void loudnessDoesNotCountAndPitchAndLengthDo() {
        Fingerprint tone = of(440, 0.5, 1);
        assertEquals(0, tone.distance(of(440, 0.5, 1)));
        assertTrue(tone.distance(of(440, 0.05, 1)) < 0.2, "20 dB quieter");
        double semitone = tone.distance(of(466.16, 0.5, 1));
        double octave = tone.distance(of(880, 0.5, 1));
        double shorter = tone.distance(of(440, 0.5, 0.2));
        assertTrue(octave > semitone && octave > 3, octave + " " + semitone);
        assertTrue(shorter > 3, "a short one is another: " + shorter);
        assertEquals(octave, of(880, 0.5, 1).distance(tone), 1e-12);
    }

    /** A tone has its energy in the one band that holds its frequency: 60 dB above those far from it. */
    @Test
    void aToneStandsInItsBand() {
        byte[] levels = of(1000, 0.5, 1.5).levels();
        int band = (int) (Fingerprint.BANDS * (Fingerprint.mel(1000) - Fingerprint.mel(40)) / (Fingerprint.mel(16000) - Fingerprint.mel(40)));
        int stretch = 2 * Fingerprint.BANDS;
        assertEquals(240, levels[stretch + band] & 0xFF, 4);
        for (int b = 0; b < Fingerprint.BANDS; b++) {
            assertTrue(Math.abs(b - band) <= 2 || (levels[stretch + b] & 0xFF) < 20, "band " + b + ": " + (levels[stretch + b] & 0xFF));
        }
    }

    @Test
    void whatIsKeptIsReadBackAndOtherSizesAreRefused() {
        Fingerprint tone = of(440, 0.5, 1);
        assertArrayEquals(tone.levels(), Fingerprint.read(tone.levels()).levels());
        assertThrows(IllegalArgumentException.class, () -> Fingerprint.read(new byte[3]));
    }

    /** A filter that closes a little leaves a patch nearer to itself than one that closes far, and the trim leaves it the same. */
    @Test
    void aPatchIsNearestToItsLikes() {
        Patch saw = Patch.neutral("Saw").withValue(Parameters.find("layer1.source1.wave"), 1).withValue(Parameters.find("layer1.filter1.type"), 1);
        Measuring measuring = new Measuring();
        Fingerprint open = measuring.fingerprint(saw.withValue(Parameters.find("layer1.filter1.cutoff"), 4000));
        Fingerprint near = measuring.fingerprint(saw.withValue(Parameters.find("layer1.filter1.cutoff"), 3500));
        Fingerprint far = measuring.fingerprint(saw.withValue(Parameters.find("layer1.filter1.cutoff"), 300));
        assertTrue(open.distance(near) < 0.5 * open.distance(far), open.distance(near) + " " + open.distance(far));
        // The order is known by how they are made: a cent apart, a filter that is moved, another sound altogether.
        Fingerprint cent = measuring.fingerprint(saw.withValue(Parameters.find("layer1.filter1.cutoff"), 4000).withValue(Parameters.find("layer1.source1.cents"), 1));
        Fingerprint other = measuring.fingerprint(Patch.neutral("Ping").withValue(Parameters.find("layer1.amplitude.sustain"), 0).withValue(Parameters.find("layer1.amplitude.decay"), 0.1));
        assertTrue(open.distance(cent) < open.distance(near) && open.distance(near) < open.distance(other), open.distance(cent) + " " + open.distance(near) + " " + open.distance(other));
        assertTrue(measuring.fingerprint(saw.withValue(Parameters.find("layer1.filter1.cutoff"), 4000).withValue(Parameters.find("levelTrim"), -12)).distance(open) < 0.3);
    }

    /** A pattern plays a sound in time; it makes no other sound of it. A chord does. */
    @Test
    void aPatternIsNoOtherSound() {
        Patch patch = TypedPatch.neutralWith("layer1.source1.wave=saw", "layer1.filter1.type=low", "layer1.filter1.cutoff=900");
        Measuring measuring = new Measuring();
        Fingerprint plain = measuring.fingerprint(patch);
        assertEquals(0, plain.distance(measuring.fingerprint(TypedPatch.with(patch, "pattern.order=up", "pattern.octaves=2"))));
        assertTrue(plain.distance(measuring.fingerprint(patch.withShape(Shapes.PATTERN_CHORD, new double[] {0, 7, 16}))) > 1);
    }
}
