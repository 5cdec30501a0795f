package gentlecomet.craft.edit;

import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.SoundFile;

/** Gives a source a recording, or takes it away. Layer and source count from 0. @param file or null */
public record SetRecording(int layer, int source, SoundFile file) implements PatchEdit {

    @Override
    public Patch apply(Patch patch) {
        return patch.withRecording(layer, source, file);
    }

    @Override
    public String label(Patch before) {
        return "Layer " + (layer + 1) + " source " + (source + 1) + (file == null ? ": recording taken away" : ": recording " + file.name());
    }
}
