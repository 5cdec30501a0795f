package gentlecomet.craft.release.build;

import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.sound.performance.Phrase;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.DoubleConsumer;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;

/** The demo phrase of each patch as a Standard MIDI File of format 0, with the bank select and program change that choose the patch. */
public final class MidiExporter implements Exporter {

    private static final int TICKS = 480;
    private static final int TRACK_NAME = 3;
    private static final int TEMPO = 0x51;
    private static final int BANK_MSB = 0;
    private static final int BANK_LSB = 32;

    @Override
    public String id() {
        return "midi";
    }

    @Override
    public String text() {
        return "demo phrases as MIDI files with bank select and program change";
    }

    @Override
    public boolean optional() {
        return true;
    }

    @Override
    public void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress) {
        for (ReleasePatch p : contents.patches()) {
            files.put(path(p), file(p, contents.collection().rules().phraseFor(p.slot().patch().naming().category())));
        }
    }

    public static String path(ReleasePatch patch) {
        return "midi/" + CollectionFormat.fileName(patch.bank(), patch.slot()) + ".mid";
    }

    /** A phrase played by a patch; what moves macros is told by the controllers to which this program listens. */
    static byte[] file(ReleasePatch patch, Phrase phrase) {
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, TICKS);
            Track track = sequence.createTrack();
            byte[] name = patch.slot().patch().name().getBytes(StandardCharsets.UTF_8);
            byte[] microseconds = ByteBuffer.allocate(Integer.BYTES).putInt((int) Math.round(60e6 / phrase.tempo())).array();
            track.add(new MidiEvent(new MetaMessage(TRACK_NAME, name, name.length), 0));
            track.add(new MidiEvent(new MetaMessage(TEMPO, new byte[] {microseconds[1], microseconds[2], microseconds[3]}, 3), 0));
            track.add(new MidiEvent(new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, BANK_MSB, patch.in().msb()), 0));
            track.add(new MidiEvent(new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, BANK_LSB, patch.in().lsb()), 0));
            track.add(new MidiEvent(new ShortMessage(ShortMessage.PROGRAM_CHANGE, 0, patch.slot().number() - 1, 0), 0));
            List<double[]> messages = new ArrayList<>(PhraseMessages.of(phrase));
            messages.addAll(PhraseMessages.controlled(PhraseMessages.rides(patch.slot().patch(), phrase)));
            messages.sort(Comparator.comparingDouble(m -> m[0]));
            for (double[] m : messages) {
                track.add(new MidiEvent(new ShortMessage((int) m[1], (int) m[2], (int) m[3]), Math.round(m[0] * phrase.tempo() / 60 * TICKS)));
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            MidiSystem.write(sequence, 0, out);
            return out.toByteArray();
        } catch (InvalidMidiDataException e) {
            throw new IllegalStateException(e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
