package gentlecomet.craft.sample;

import java.util.Locale;

/** A patch as an SFZ instrument: headers and opcodes of the published list that are named in docs/release-formats.md, and no others. */
public final class SfzWriter {

    private final StringBuilder text = new StringBuilder();

    /** @param title of the patch @param folder of the samples, from where the file stands, ending in a slash */
    public SfzWriter(String title, String folder) {
        text.append("// ").append(title.replaceAll("\\p{Cntrl}", " ")).append('\n');
        text.append("<control>\ndefault_path=").append(folder).append('\n');
        // How loud a velocity is stands in the samples.
        text.append("<global>\namp_veltrack=0\n");
    }

    /** Adds a sample. @param file its name in the folder */
    public void region(SampledNote note, String file) {
        text.append("<region> sample=").append(file).append(" lokey=").append(note.lowKey()).append(" hikey=").append(note.highKey()).append(" pitch_keycenter=").append(note.key())
                .append(" lovel=").append(note.lowVelocity()).append(" hivel=").append(note.highVelocity());
        if (note.robins() > 1) {
            text.append(" seq_length=").append(note.robins()).append(" seq_position=").append(note.robin() + 1);
        }
        if (note.loop() == null) {
            text.append(" loop_mode=no_loop");
        } else {
            text.append(" loop_mode=loop_continuous loop_start=").append(note.loop().start()).append(" loop_end=").append(note.loop().end() - 1);
        }
        text.append(String.format(Locale.ROOT, " ampeg_release=%.3f%n", note.release()).replace("\r", ""));
    }

    @Override
    public String toString() {
        return text.toString();
    }
}
