package gentlecomet.sound.performance;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.Route;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Bends, wheels, pressure and pedal of a phrase are played where they stand (MIDI 1.0: bend centre 8192, two semitones unless the patch says otherwise). */
class PhraseMovesTest {

    private static final int RATE = 48000;

    private static Audio played(Patch patch, List<Note> notes, List<Move> moves, List<TempoChange> tempos) {
        return new Rendering(RATE).render(PatchImage.of(patch), new Phrase("t", "t", 60, 3, notes, moves, tempos), 1, Rendering.ControllerState.AT_REST).audio();
    }

    private static Audio played(Patch patch, Move... moves) {
        return played(patch, List.of(new Note(69, 100, 0, 3)), List.of(moves), List.of());
    }

    private static double hz(Audio audio, double from, double to) {
        int crossings = 0;
        int first = -1;
        int last = -1;
        for (int i = (int) (from * RATE) + 1; i < to * RATE; i++) {
            if (audio.left()[i - 1] < 0 && audio.left()[i] >= 0) {
                first = first < 0 ? i : first;
                last = i;
                crossings++;
            }
        }
        return (crossings - 1) * (double) RATE / (last - first);
    }

    private static double rms(Audio audio, double from, double to) {
        double sum = 0;
        for (int i = (int) (from * RATE); i < to * RATE; i++) {
            sum += audio.left()[i] * audio.left()[i];
        }
        return Math.sqrt(sum / ((to - from) * RATE));
    }

    @Test
    void aBendRaisesThePitchFromItsMomentOn() {
        Audio audio = played(Patch.neutral("Bend"), new Move(1, 0xE0, 127, 127), new Move(2, 0xE0, 0, 64));
        assertEquals(440, hz(audio, 0.2, 0.95), 0.5);
        assertEquals(440 * Math.pow(2, 2 / 12.0), hz(audio, 1.2, 1.95), 0.5);
        assertEquals(440, hz(audio, 2.2, 2.9), 0.5);
    }

    @Test
    void wheelAndPressureReachTheirRoutes() {
        Patch patch = Patch.neutral("Wheel").withRoutes(List.of(new Route(Modulator.MOD_WHEEL, Parameters.find("layer1.source1.level"), -12),
                new Route(Modulator.AFTERTOUCH, Parameters.find("layer1.source1.level"), -6)));
        Audio audio = played(patch, new Move(1, 0xB0, 1, 127), new Move(2, 0xD0, 127, 0));
        double open = rms(audio, 0.3, 0.9);
        assertEquals(-12, 20 * Math.log10(rms(audio, 1.3, 1.9) / open), 0.2);
        assertEquals(-18, 20 * Math.log10(rms(audio, 2.3, 2.9) / open), 0.2);
    }

    @Test
    void thePedalHoldsANoteUntilItGoesUp() {
        List<Note> brief = List.of(new Note(69, 100, 0, 0.5));
        Audio held = played(Patch.neutral("Pedal"), brief, List.of(new Move(0.2, 0xB0, 64, 127), new Move(2, 0xB0, 64, 0)), List.of());
        assertTrue(rms(held, 1.4, 1.9) > 0.05, "it sounds under the pedal");
        assertTrue(rms(held, 2.6, 2.9) < 1e-3, "and ends with it");
        assertTrue(rms(played(Patch.neutral("No pedal"), brief, List.of(), List.of()), 1.4, 1.9) < 1e-3);
    }

    /** A synced echo follows the tempo of the phrase: an eighth at 60 beats a minute is 500 ms, at 120 it is 250 ms. */
    @Test
    void aChangeOfTempoIsHeardInWhatFollowsTheTempo() {
        Patch patch = Patch.neutral("Tempo");
        for (String change : List.of("effect1.type=delay", "effect1.delay.divisionLeft=1/8", "effect1.delay.divisionRight=1/8", "effect1.delay.feedback=0", "effect1.mix=50",
                "layer1.amplitude.release=5 ms")) {
            var p = Parameters.find(change.split("=")[0]);
            patch = patch.withValue(p, ValueText.parse(p, change.split("=")[1]));
        }
        List<Note> ticks = List.of(new Note(69, 100, 0, 0.05), new Note(69, 100, 1.5, 0.05));
        Audio audio = played(patch, ticks, List.of(), List.of(new TempoChange(1, 2)));
        assertTrue(rms(audio, 0.5, 0.55) > 10 * rms(audio, 0.25, 0.3), "half a second at first");
        assertTrue(rms(audio, 1.76, 1.8) > 10 * rms(audio, 2.02, 2.06), "a quarter of a second then");
    }

    @Test
    void aPhraseThatMovesNothingSoundsAsItDid() {
        Phrase plain = new Phrase("t", "t", 60, 1, List.of(new Note(69, 100, 0, 1)));
        Audio one = new Rendering(RATE).render(Patch.neutral("A"), plain);
        Rendering used = new Rendering(RATE);
        used.render(PatchImage.of(Patch.neutral("A")), new Phrase("m", "m", 60, 1, List.of(new Note(69, 100, 0, 1)), List.of(new Move(0.5, 0xE0, 127, 127), new Move(0.6, 0xB0, 64, 127)),
                List.of(new TempoChange(0.5, 2))), 1, Rendering.ControllerState.AT_REST);
        assertArrayEquals(one.left(), used.render(Patch.neutral("A"), plain).left(), "nothing of another phrase's hands is left");
    }
}
