package gentlecomet.sound.performance;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Ride;
import gentlecomet.sound.patch.Ride.Hand;
import gentlecomet.sound.patch.Ride.Point;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A hand that rides moves the sound along straight lines, and leaves the patch as it is. */
class RideTest {

    private static final int RATE = 48000;
    private static final Phrase HELD = new Phrase("held", "Held", 60, 4, List.of(new Note(69, 100, 0, 4)));

    @Test
    void itGoesStraightBetweenItsPointsAndRestsBeyondThem() {
        Ride ride = new Ride("held", Hand.WHEEL, List.of(new Point(1, 20), new Point(3, 80), new Point(3, 10)));
        assertNull(ride.fault());
        assertEquals(20, ride.at(0));
        assertEquals(50, ride.at(2), 1e-12);
        assertEquals(10, ride.at(3), "the later one of two at a beat");
        assertEquals(10, ride.at(99));
        for (Ride wrong : List.of(new Ride("held", Hand.WHEEL, List.of()), new Ride("held", Hand.WHEEL, List.of(new Point(0, -5))), new Ride("held", Hand.BEND, List.of(new Point(0, -101))),
                new Ride("held", Hand.MACRO1, List.of(new Point(2, 5), new Point(1, 5))), new Ride("held", Hand.MACRO1, List.of(new Point(Double.NaN, 5))))) {
            assertTrue(wrong.fault().startsWith("expected"), wrong.toString());
        }
        assertNull(new Ride("held", Hand.BEND, List.of(new Point(0, -100))).fault());
    }

    /** A macro that holds the source's level from -36 to -6 dB, ridden from end to end in four seconds: 7.5 dB a second, as the straight line of a level in dB has it. */
    @Test
    void aRiddenMacroMovesTheLevelAlongAStraightLine() {
        Patch patch = Patch.neutral("Ridden").withMacro(0, new Macro("Swell", "", "", List.of(new MacroTarget(Parameters.find("layer1.source1.level"), -36, -6))))
                .withRide(new Ride("held", Hand.MACRO1, List.of(new Point(0, 0), new Point(4, 100))));
        Audio audio = new Rendering(RATE).render(patch, HELD.as(patch));
        double before = level(audio, 0.5);
        for (double at = 1; at < 4; at += 0.5) {
            double now = level(audio, at);
            assertEquals(3.75, now - before, 0.12, "in the half second before " + at);
            before = now;
        }
        Patch still = patch.withRides(List.of());
        assertEquals(level(new Rendering(RATE).render(still, HELD), 1), level(new Rendering(RATE).render(still, HELD), 3), 0.01, "without its ride it stands");
    }

    /** The bend rides two semitones up: the frequency is that of equal temperament, 2^(1/12) a semitone. */
    @Test
    void aRiddenBendMovesThePitch() {
        Patch patch = Patch.neutral("Bent").withValue(Parameters.find("performance.bendUp"), 2).withRide(new Ride("held", Hand.BEND, List.of(new Point(0, 0), new Point(1, 0), new Point(2, 100))));
        Audio audio = new Rendering(RATE).render(patch, HELD.as(patch));
        assertEquals(440, frequency(audio, 0.5), 0.5);
        assertEquals(440 * Math.pow(2, 1.0 / 12), frequency(audio, 1.5), 1.5);
        assertEquals(440 * Math.pow(2, 2.0 / 12), frequency(audio, 3), 0.5);
    }

    /** A ride of the wheel is the same as messages of controller 1 at the same moments, where it stands at what 7 bits can say. */
    @Test
    void aRideEqualsMessagesOfItsController() {
        Patch plain = Patch.neutral("Wheel").withRoutes(List.of(new gentlecomet.sound.patch.Route(gentlecomet.sound.patch.Modulator.MOD_WHEEL, Parameters.find("layer1.source1.level"), -20)));
        Patch ridden = plain.withRide(new Ride("held", Hand.WHEEL, List.of(new Point(0, 0), new Point(1, 0), new Point(1, 100))));
        Phrase messages = new Phrase("held", "Held", 60, 4, HELD.notes(), List.of(new Move(0, 0xB0, 1, 0), new Move(1, 0xB0, 1, 127)), List.of());
        assertArrayEquals(new Rendering(RATE).render(plain, messages).left(), new Rendering(RATE).render(ridden, HELD.as(ridden)).left());
    }

    /** A macro is moved by its controller, one of those that MIDI 1.0 leaves undefined (102 to 119), as by its ride. */
    @Test
    void aRideOfAMacroEqualsMessagesOfItsController() {
        Patch plain = Patch.neutral("Macro").withMacro(1, new Macro("Softer", "", "",
                List.of(new MacroTarget(Parameters.find("layer1.source1.level"), 0, -20))));
        Patch ridden = plain.withRide(new Ride("held", Hand.MACRO2, List.of(new Point(0, 0), new Point(1, 0), new Point(1, 100))));
        Phrase messages = new Phrase("held", "Held", 60, 4, HELD.notes(), List.of(new Move(0, 0xB0, 103, 0), new Move(1, 0xB0, 103, 127)), List.of());
        float[] moved = new Rendering(RATE).render(plain, messages).left();
        assertArrayEquals(moved, new Rendering(RATE).render(ridden, HELD.as(ridden)).left());
        double before = rms(moved, 0.4, 0.9);
        assertEquals(-20, 20 * Math.log10(rms(moved, 2, 2.5) / before), 0.1, "decibels by which the macro turns it down");
        float[] others = new Rendering(RATE).render(plain, new Phrase("held", "Held", 60, 4, HELD.notes(), List.of(new Move(1, 0xB0, 101, 127), new Move(1, 0xB0, 110, 127)), List.of())).left();
        assertEquals(0, 20 * Math.log10(rms(others, 2, 2.5) / before), 0.01, "the controllers beside those of the eight macros do not");
    }

    private static double rms(float[] x, double from, double to) {
        return Math.sqrt(java.util.stream.IntStream.range((int) (from * RATE), (int) (to * RATE)).mapToDouble(i -> (double) x[i] * x[i]).average().orElseThrow());
    }

    @Test
    void thinningKeepsTheLineWithFewPoints() {
        List<Point> points = new ArrayList<>();
        for (int i = 0; i <= 1000; i++) {
            double beat = i / 100.0;
            points.add(new Point(beat, 50 + 45 * Math.sin(beat)));
        }
        Ride full = new Ride("held", Hand.MACRO2, points);
        Ride thin = full.thinned(1);
        assertTrue(thin.points().size() < 60 && thin.fault() == null, thin.points().size() + " points");
        for (Point p : points) {
            assertEquals(p.value(), thin.at(p.beat()), 1.0001);
        }
        List<Point> zigzag = new ArrayList<>();
        for (int i = 0; i < 400; i++) {
            zigzag.add(new Point(i, i % 2 == 0 ? 0 : 100));
        }
        assertNull(new Ride("held", Hand.MACRO2, zigzag).thinned(1).fault(), "no more than are allowed, at any cost");
    }

    @Test
    void aHandHasOneRideUnderAPhrase() {
        Ride first = new Ride("held", Hand.WHEEL, List.of(new Point(0, 10)));
        Patch patch = Patch.neutral("Rides").withRide(first).withRide(new Ride("line", Hand.WHEEL, List.of(new Point(0, 30)))).withRide(new Ride("held", Hand.WHEEL, List.of(new Point(0, 20))));
        assertEquals(2, patch.rides().size());
        assertEquals(20, patch.rides("held").get(0).at(0));
        assertEquals(List.of(), patch.withRide(new Ride("held", Hand.WHEEL, List.of())).rides("held"));
        assertTrue(!patch.equals(patch.withRides(List.of())));
    }

    private static double level(Audio audio, double at) {
        double sum = 0;
        int from = (int) ((at - 0.05) * RATE);
        int frames = RATE / 10;
        for (int i = from; i < from + frames; i++) {
            sum += audio.left()[i] * audio.left()[i];
        }
        return 10 * Math.log10(sum / frames);
    }

    /** By the zero crossings of a tenth of a second. */
    private static double frequency(Audio audio, double at) {
        float[] x = audio.left();
        double first = -1;
        double last = -1;
        int count = -1;
        for (int i = (int) ((at - 0.05) * RATE); i < (at + 0.05) * RATE; i++) {
            if (x[i] < 0 && x[i + 1] >= 0) {
                last = i + x[i] / (double) (x[i] - x[i + 1]);
                first = first < 0 ? last : first;
                count++;
            }
        }
        return count * RATE / (last - first);
    }
}
