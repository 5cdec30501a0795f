package gentlecomet.craft.release.build;

import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Ride;
import gentlecomet.sound.performance.MidiInput;
import gentlecomet.sound.performance.Phrase;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Phrases as MIDI 1.0 messages in time: seconds, status and two bytes. */
final class PhraseMessages {

    private static final double STEP_SECONDS = 0.02;
    private static final int NOTE_OFF = 0x80;
    private static final int NOTE_ON = 0x90;
    private static final int CONTROL = 0xB0;
    private static final int MOD_WHEEL = 1;
    private static final int PRESSURE = 0xD0;
    private static final int BEND = 0xE0;

    private PhraseMessages() {
    }

    /** Notes and moves; at the same time keys go up, then hands move, then keys go down. */
    static List<double[]> of(Phrase phrase) {
        double beat = 60 / phrase.tempo();
        List<double[]> ups = new ArrayList<>();
        List<double[]> moves = new ArrayList<>();
        List<double[]> downs = new ArrayList<>();
        phrase.notes().forEach(n -> {
            downs.add(new double[] {n.start() * beat, NOTE_ON, n.key(), n.velocity()});
            ups.add(new double[] {(n.start() + n.length()) * beat, NOTE_OFF, n.key(), n.release()});
        });
        phrase.moves().forEach(m -> moves.add(new double[] {m.start() * beat, m.status(), m.first(), m.second()}));
        List<double[]> all = new ArrayList<>(ups);
        all.addAll(moves);
        all.addAll(downs);
        all.sort(Comparator.comparingDouble(m -> m[0]));
        return all;
    }

    /** How a patch's hands move under a phrase. A macro has no message: 0, its parameter and its value stand for it. */
    static List<double[]> rides(Patch patch, Phrase phrase) {
        double beat = 60 / phrase.tempo();
        List<double[]> messages = new ArrayList<>();
        for (Ride ride : patch.rides(phrase.id())) {
            double[] before = {};
            double end = Math.min(phrase.beats(), ride.points().get(ride.points().size() - 1).beat()) * beat;
            for (double at = 0; at <= end + STEP_SECONDS; at += STEP_SECONDS) {
                double[] message = message(ride.hand(), ride.at(at / beat));
                if (!Arrays.equals(before, message)) {
                    messages.add(new double[] {at, message[0], message[1], message[2]});
                }
                before = message;
            }
        }
        return messages;
    }

    /** Rides as MIDI 1.0 alone: macros by their controllers, in steps of 1/127. */
    static List<double[]> controlled(List<double[]> rides) {
        List<double[]> messages = new ArrayList<>();
        Map<Double, Long> before = new HashMap<>();
        for (double[] m : rides) {
            if (m[1] != 0) {
                messages.add(m);
                continue;
            }
            long value = Math.round(1.27 * m[3]);
            Long last = before.put(m[2], value);
            if (last == null || last != value) {
                messages.add(new double[] {m[0], CONTROL, m[2] - PatchParameters.MACRO + MidiInput.MACRO, value});
            }
        }
        return messages;
    }

    private static double[] message(Ride.Hand hand, double percent) {
        return switch (hand) {
            case WHEEL -> new double[] {CONTROL, MOD_WHEEL, Math.round(1.27 * percent)};
            case PRESSURE -> new double[] {PRESSURE, Math.round(1.27 * percent), 0};
            case BEND -> bend(percent);
            default -> new double[] {0, PatchParameters.MACRO + hand.macro(), percent};
        };
    }

    private static double[] bend(double percent) {
        long value = Math.max(0, Math.min(16383, Math.round(8192 + 81.92 * percent)));
        return new double[] {BEND, value & 0x7F, value >> 7};
    }
}
