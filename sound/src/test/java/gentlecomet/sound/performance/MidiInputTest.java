package gentlecomet.sound.performance;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.engine.Played;
import gentlecomet.sound.engine.Spectrum;
import gentlecomet.sound.patch.Modulator;
import java.io.ByteArrayInputStream;
import java.util.random.RandomGenerator;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Messages are made and read by the JDK's own MIDI classes. */
class MidiInputTest {

    private static final int RATE = 48000;

    private final Engine engine = Played.engine(Played.patch("performance.bendUp=2", "performance.bendDown=2"), RATE);
    private final MidiInput hands = new MidiInput(engine);

    private void send(int command, int channel, int first, int second) throws InvalidMidiDataException {
        ShortMessage m = new ShortMessage(command, channel, first, second);
        hands.take(m.getStatus(), m.getData1(), m.getData2());
    }

    /** Sets a registered parameter on channel 1: its number in controllers 101 and 100, its value in 6 (MIDI 1.0). */
    private void register(int number, int value) throws InvalidMidiDataException {
        send(ShortMessage.CONTROL_CHANGE, 0, 101, 0);
        send(ShortMessage.CONTROL_CHANGE, 0, 100, number);
        send(ShortMessage.CONTROL_CHANGE, 0, 6, value);
    }

    private double[] hear(double seconds) {
        double[] left = new double[(int) (seconds * RATE)];
        engine.render(left, new double[left.length], 0, left.length);
        return left;
    }

    private static double hz(double key) {
        return 440 * Math.pow(2, (key - 69) / 12);
    }

    /** Bend is 14 bits with its centre at 8192 (MIDI 1.0); 2 semitones each way as the patch has it. */
    @ParameterizedTest
    @CsvSource({"0, 64, 0", "127, 127, 2", "0, 0, -2", "0, 96, 1"})
    void bendHasFourteenBits(int low, int high, double semitones) throws InvalidMidiDataException {
        send(ShortMessage.PITCH_BEND, 0, low, high);
        send(ShortMessage.NOTE_ON, 0, 60, 100);
        hear(0.1);
        assertEquals(hz(60 + semitones), Played.frequency(hear(0.7), hz(60 + semitones), RATE), 0.02);
    }

    /** RPN 0, data entry coarse: the range of pitch bend in semitones (MIDI 1.0). */
    @Test
    void registeredParameterZeroSetsTheRangeOfBend() throws InvalidMidiDataException {
        register(0, 12);
        send(ShortMessage.PITCH_BEND, 0, 127, 127);
        send(ShortMessage.NOTE_ON, 0, 60, 100);
        hear(0.1);
        assertEquals(hz(72), Played.frequency(hear(0.7), hz(72), RATE), 0.02);
        engine.reset();
        engine.bend(1);
        engine.noteOn(60, 100);
        hear(0.1);
        assertEquals(hz(62), Played.frequency(hear(0.7), hz(62), RATE), 0.02, "a reset brings the patch's own range back");
    }

    @Test
    void aNoteOnWithoutVelocityIsANoteOff() throws InvalidMidiDataException {
        send(ShortMessage.NOTE_ON, 0, 60, 100);
        hear(0.1);
        assertEquals(1, engine.voicesSounding());
        send(ShortMessage.NOTE_ON, 0, 60, 0);
        hear(0.5);
        assertEquals(0, engine.voicesSounding());
    }

    @Test
    void wheelsBreathPressureAndPedalArrive() throws InvalidMidiDataException {
        send(ShortMessage.NOTE_ON, 0, 60, 100);
        send(ShortMessage.CONTROL_CHANGE, 0, 1, 127);
        send(ShortMessage.CONTROL_CHANGE, 0, 2, 127);
        send(ShortMessage.CONTROL_CHANGE, 0, 11, 0);
        send(ShortMessage.CHANNEL_PRESSURE, 0, 127, 0);
        send(ShortMessage.CONTROL_CHANGE, 0, 64, 127);
        send(ShortMessage.NOTE_OFF, 0, 60, 30);
        hear(0.3);
        assertEquals(1, engine.view().modulation(0, Modulator.MOD_WHEEL), 1e-3);
        assertEquals(1, engine.view().modulation(0, Modulator.BREATH), 1e-3);
        assertEquals(0, engine.view().modulation(0, Modulator.EXPRESSION), 1e-3);
        assertEquals(1, engine.view().modulation(0, Modulator.AFTERTOUCH), 1e-3);
        assertEquals(1, engine.voicesSounding(), "the pedal holds it");
        send(ShortMessage.CONTROL_CHANGE, 0, 64, 0);
        hear(0.5);
        assertEquals(0, engine.voicesSounding());
    }

    @Test
    void oneChannelAloneIsHeardWhenItIsAskedFor() throws InvalidMidiDataException {
        hands.listenTo(2);
        send(ShortMessage.NOTE_ON, 0, 60, 100);
        hear(0.05);
        assertEquals(0, engine.voicesSounding());
        send(ShortMessage.NOTE_ON, 2, 60, 100);
        hear(0.05);
        assertEquals(1, engine.voicesSounding());
    }

    /** RPN 6 on channel 1 makes a lower zone; notes then have channels with a bend of 48 semitones (MPE specification, from memory). */
    @Test
    void inAZoneEveryNoteHasItsOwnBendPressureAndSlide() throws InvalidMidiDataException {
        register(6, 7);
        assertTrue(hands.zoned());
        send(ShortMessage.NOTE_ON, 1, 60, 100);
        send(ShortMessage.NOTE_ON, 2, 67, 100);
        // A quarter of the way up: 12 of 48 semitones.
        send(ShortMessage.PITCH_BEND, 2, 0, 64 + 16);
        send(ShortMessage.CHANNEL_PRESSURE, 2, 127, 0);
        send(ShortMessage.CONTROL_CHANGE, 2, 74, 127);
        double[] sound = hear(1);
        Spectrum spectrum = new Spectrum(sound, 12000, 32768, RATE);
        assertEquals(0, Spectrum.db(spectrum.amplitude(hz(79)) / spectrum.amplitude(hz(60))), 0.5);
        assertTrue(Spectrum.db(spectrum.amplitude(hz(67)) / spectrum.amplitude(hz(60))) < -40);
        assertEquals(1, engine.view().modulation(0, Modulator.AFTERTOUCH), 1e-3, "the newest note is pressed");
        assertEquals(1, engine.view().modulation(0, Modulator.SLIDE), 1e-3);
        send(ShortMessage.PITCH_BEND, 0, 127, 127);
        hear(0.2);
        assertEquals(hz(62), nearest(hear(1), hz(62)), 0.5, "the master channel bends all by the patch's range");
        register(6, 0);
        assertFalse(hands.zoned());
    }

    private static double nearest(double[] sound, double hz) {
        Spectrum spectrum = new Spectrum(sound, 12000, 32768, RATE);
        double best = hz - 6;
        for (double f = hz - 6; f <= hz + 6; f += 0.25) {
            best = spectrum.amplitude(f) > spectrum.amplitude(best) ? f : best;
        }
        return best;
    }

    @Test
    void anUnpluggedControllerLeavesNoNoteBehind() throws InvalidMidiDataException {
        send(ShortMessage.CONTROL_CHANGE, 0, 64, 127);
        for (int key = 40; key < 48; key++) {
            send(ShortMessage.NOTE_ON, key % 16, key, 100);
        }
        hear(0.05);
        hands.allOff();
        hear(0.6);
        assertEquals(0, engine.voicesSounding());
    }

    /** Notes of a Standard MIDI File, read by the JDK, sound and end. */
    @Test
    void aStreamOfTheJdksOwnMessagesPlays() throws Exception {
        byte[] file = {'M', 'T', 'h', 'd', 0, 0, 0, 6, 0, 0, 0, 1, 0, 96, 'M', 'T', 'r', 'k', 0, 0, 0, 20,
            0, (byte) 0x90, 60, 100, 0, 64, 90, 96, (byte) 0xE0, 0, 80, 0, (byte) 0x80, 60, 64, 0, 64, 64};
        byte[] ended = java.util.Arrays.copyOf(file, file.length + 4);
        ended[21] = 22;
        ended[file.length] = 0;
        ended[file.length + 1] = (byte) 0xFF;
        ended[file.length + 2] = 0x2F;
        Track track = MidiSystem.getSequence(new ByteArrayInputStream(ended)).getTracks()[0];
        int most = 0;
        for (int i = 0; i < track.size(); i++) {
            if (track.get(i).getMessage() instanceof ShortMessage m) {
                hands.take(m.getStatus(), m.getData1(), m.getData2());
                hear(0.02);
                most = Math.max(most, engine.voicesSounding());
            }
        }
        hear(0.5);
        assertEquals(2, most);
        assertEquals(0, engine.voicesSounding());
    }

    /** Twenty thousand random bytes: no fault, and nothing that All Notes Off does not end. */
    @Test
    void noiseOnTheWireDoesNoHarm() throws InvalidMidiDataException {
        RandomGenerator random = RandomGenerator.of("L64X128MixRandom");
        for (int i = 0; i < 20000; i++) {
            hands.take(random.nextInt(256), random.nextInt(-5, 140), random.nextInt(-5, 140));
            if (i % 200 == 0) {
                hear(0.005);
            }
        }
        send(ShortMessage.CONTROL_CHANGE, 0, 123, 0);
        hear(2);
        assertEquals(0, engine.voicesSounding());
        assertEquals(0, engine.faults());
    }
}
