package gentlecomet.craft.format;

import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;

/** Standard MIDI Files 0 and 1, read through the JDK's own reader: notes of all channels and the first tempo. */
public final class MidiFormat {

    private static final int SET_TEMPO = 0x51;
    private static final int MOST_EVENTS = 100_000;

    private MidiFormat() {
    }

    /** @throws FormatException when it is no MIDI file or has no notes */
    public static Phrase read(byte[] bytes, String place) {
        try {
            Sequence sequence = MidiSystem.getSequence(new ByteArrayInputStream(bytes));
            if (sequence.getDivisionType() != Sequence.PPQ) {
                throw new FormatException(place, "expected time in ticks per quarter note");
            }
            double tempo = 120;
            boolean tempoFound = false;
            List<Note> notes = new ArrayList<>();
            double end = 0;
            for (Track track : sequence.getTracks()) {
                if (track.size() > MOST_EVENTS) {
                    throw new FormatException(place, "expected at most " + MOST_EVENTS + " events in a track, found " + track.size());
                }
                double[] started = new double[128];
                int[] velocities = new int[128];
                for (int i = 0; i < track.size(); i++) {
                    MidiEvent event = track.get(i);
                    double beat = (double) event.getTick() / sequence.getResolution();
                    if (event.getMessage() instanceof MetaMessage meta && meta.getType() == SET_TEMPO && !tempoFound) {
                        byte[] d = meta.getData();
                        tempo = 60_000_000.0 / ((d[0] & 0xFF) << 16 | (d[1] & 0xFF) << 8 | d[2] & 0xFF);
                        tempoFound = true;
                    } else if (event.getMessage() instanceof ShortMessage m
                            && (m.getCommand() == ShortMessage.NOTE_ON || m.getCommand() == ShortMessage.NOTE_OFF)) {
                        int key = m.getData1();
                        if (velocities[key] > 0) {
                            notes.add(new Note(key, velocities[key], started[key], Math.max(1e-3, beat - started[key]),
                                    m.getCommand() == ShortMessage.NOTE_OFF ? m.getData2() : Note.USUAL_RELEASE));
                            end = Math.max(end, beat);
                        }
                        velocities[key] = m.getCommand() == ShortMessage.NOTE_ON ? m.getData2() : 0;
                        started[key] = beat;
                    }
                }
            }
            if (notes.isEmpty()) {
                throw new FormatException(place, "has no notes");
            }
            return new Phrase("file", place, tempo, end, notes);
        } catch (InvalidMidiDataException | IOException e) {
            throw new FormatException(place, "is not a Standard MIDI File (" + e.getMessage() + ")");
        }
    }
}
