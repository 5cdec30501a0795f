package gentlecomet.studio.phrase;

import gentlecomet.craft.format.MidiFormat;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.page.RefusedException;
import java.io.IOException;
import org.springframework.web.multipart.MultipartFile;

/** Standard MIDI Files that a page sends. */
public final class MidiUpload {

    private static final int LARGEST = 4_000_000;

    private MidiUpload() {
    }

    /** @throws gentlecomet.craft.format.FormatException when it is no MIDI file */
    public static MidiFormat.Read read(MultipartFile file) throws IOException {
        if (file.isEmpty() || file.getSize() > LARGEST) {
            throw new RefusedException("Choose a MIDI file of up to 4 MB.");
        }
        return MidiFormat.read(file.getBytes(), Assets.name(file));
    }
}
