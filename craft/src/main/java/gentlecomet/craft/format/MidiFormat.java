package gentlecomet.craft.format;

import gentlecomet.sound.performance.Move;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.TempoChange;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;

/**
 * Standard MIDI Files 0 and 1, read through the JDK's own reader: the notes of all channels, controllers, bend, pressure and pedal, and every
 * tempo. Times come out in beats of the first tempo, so that later tempos are heard in when notes begin and end.
 */
public final class MidiFormat {

    private static final int SET_TEMPO = 0x51;
    private static final int MOST_EVENTS = 100_000;
    private static final int CHANNELS = 16;
    private static final int KEYS = 128;
    private static final double USUAL_QUARTER_MICROS = 500_000;
    private static final double SHORTEST_BEATS = 1e-3;

    private MidiFormat() {
    }

    /**
     * What was read.
     *
     * @param remarks sentences about what of the file is not played
     */
    public record Read(Phrase phrase, List<String> remarks) {
    }

    /** @throws FormatException when it is no MIDI file or has no notes */
    public static Read read(byte[] bytes, String place) {
        Sequence sequence = sequence(bytes, place);
        if (sequence.getDivisionType() != Sequence.PPQ || sequence.getResolution() < 1) {
            throw new FormatException(place, "expected time in ticks per quarter note");
        }
        for (Track track : sequence.getTracks()) {
            if (track.size() > MOST_EVENTS) {
                throw new FormatException(place, "expected at most " + MOST_EVENTS + " events in a track, found " + track.size());
            }
        }
        Tempos tempos = new Tempos(sequence, place);
        List<Note> notes = new ArrayList<>();
        List<Move> moves = new ArrayList<>();
        int programs = 0;
        for (Track track : sequence.getTracks()) {
            programs += take(track, tempos, notes, moves, place);
        }
        if (notes.isEmpty()) {
            throw new FormatException(place, "has no notes");
        }
        double end = notes.stream().mapToDouble(n -> n.start() + n.length()).max().orElse(0);
        List<String> remarks = programs == 0 ? List.of() : List.of(place + " asks for another program " + (programs == 1 ? "once" : programs + " times")
                + "; one patch plays all of it.");
        return new Read(new Phrase("file", place, tempos.first(), end, notes, moves, tempos.changes(end)), remarks);
    }

    private static Sequence sequence(byte[] bytes, String place) {
        try {
            return MidiSystem.getSequence(new ByteArrayInputStream(bytes));
        } catch (InvalidMidiDataException | IOException | RuntimeException e) {
            // The JDK's reader runs over the ends of its arrays where a file lies about its lengths.
            throw new FormatException(place, "is not a Standard MIDI File, or is a damaged one");
        }
    }

    /** Takes the events of a track; answers how many programs it asks for. */
    private static int take(Track track, Tempos tempos, List<Note> notes, List<Move> moves, String place) {
        double[] started = new double[CHANNELS * KEYS];
        int[] velocities = new int[CHANNELS * KEYS];
        int programs = 0;
        double beat = 0;
        for (int i = 0; i < track.size(); i++) {
            MidiEvent event = track.get(i);
            beat = tempos.beat(event.getTick());
            if (!(event.getMessage() instanceof ShortMessage m) || m.getStatus() >= 0xF0) {
                continue;
            }
            if (m.getData1() >= KEYS || m.getData2() >= KEYS) {
                throw new FormatException(place, "expected data from 0 to 127 at tick " + event.getTick() + ", found " + Math.max(m.getData1(), m.getData2()));
            }
            switch (m.getCommand()) {
                case ShortMessage.NOTE_ON, ShortMessage.NOTE_OFF -> {
                    int at = m.getChannel() * KEYS + m.getData1();
                    boolean up = m.getCommand() == ShortMessage.NOTE_OFF;
                    if (velocities[at] > 0) {
                        notes.add(note(at, velocities[at], started[at], beat, up ? m.getData2() : Note.USUAL_RELEASE));
                    }
                    velocities[at] = up ? 0 : m.getData2();
                    started[at] = beat;
                }
                case ShortMessage.PROGRAM_CHANGE -> programs++;
                default -> moves.add(new Move(beat, m.getStatus(), m.getData1(), m.getData2()));
            }
        }
        // A key that is never let go sounds until its track ends.
        for (int at = 0; at < velocities.length; at++) {
            if (velocities[at] > 0) {
                notes.add(note(at, velocities[at], started[at], beat, Note.USUAL_RELEASE));
            }
        }
        return programs;
    }

    private static Note note(int at, int velocity, double start, double end, int release) {
        return new Note(at % KEYS, velocity, start, Math.max(SHORTEST_BEATS, end - start), release);
    }

    /** The tempos of a file, and ticks as beats of the first of them. */
    private static final class Tempos {
        private final double resolution;
        /** Microseconds of a quarter note by the tick from which they count. */
        private final TreeMap<Long, Double> micros = new TreeMap<>();
        private final double firstMicros;

        Tempos(Sequence sequence, String place) {
            resolution = sequence.getResolution();
            for (Track track : sequence.getTracks()) {
                for (int i = 0; i < track.size(); i++) {
                    if (track.get(i).getMessage() instanceof MetaMessage meta && meta.getType() == SET_TEMPO) {
                        byte[] d = meta.getData();
                        int quarter = d.length == 3 ? (d[0] & 0xFF) << 16 | (d[1] & 0xFF) << 8 | d[2] & 0xFF : 0;
                        if (quarter == 0) {
                            throw new FormatException(place, "expected a tempo of three bytes above 0 at tick " + track.get(i).getTick() + ", found "
                                    + d.length + (d.length == 1 ? " byte" : " bytes"));
                        }
                        micros.put(track.get(i).getTick(), (double) quarter);
                    }
                }
            }
            // A file begins with 120 beats a minute where it says nothing else (Standard MIDI Files 1.0).
            micros.putIfAbsent(0L, USUAL_QUARTER_MICROS);
            firstMicros = micros.firstEntry().getValue();
        }

        /** Beats per minute. */
        double first() {
            return 60_000_000.0 / firstMicros;
        }

        double beat(long tick) {
            double beats = 0;
            for (var from = micros.firstEntry(); from != null && from.getKey() < tick; from = micros.higherEntry(from.getKey())) {
                Long next = micros.higherKey(from.getKey());
                double ticks = Math.min(tick, next == null ? tick : next) - from.getKey();
                beats += ticks / resolution * (from.getValue() / firstMicros);
            }
            return beats;
        }

        List<TempoChange> changes(double end) {
            List<TempoChange> changes = new ArrayList<>();
            micros.forEach((tick, quarter) -> {
                if (tick > 0 && beat(tick) < end) {
                    changes.add(new TempoChange(beat(tick), firstMicros / quarter));
                }
            });
            return changes;
        }
    }
}
