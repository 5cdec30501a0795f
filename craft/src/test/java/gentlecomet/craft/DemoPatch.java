package gentlecomet.craft;

import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.patch.Patch;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;

/** Patches of the demo collection by the names of their files. */
public final class DemoPatch {

    private DemoPatch() {
    }

    /** @param name for example "a039-tern-bell-clear" */
    public static Patch read(String name) {
        try (InputStream in = DemoPatch.class.getResourceAsStream("/demo/saltmarsh-field-kit/patches/" + name + ".json")) {
            return PatchFormat.read(new String(in.readAllBytes(), StandardCharsets.UTF_8), name);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
