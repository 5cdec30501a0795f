package gentlecomet.craft.format;

import gentlecomet.sound.patch.Patch;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;

/** Where work on a patch can begin: the neutral one, and one for each usual category, simple and dry. */
public final class StartPatches {

    private StartPatches() {
    }

    /** The start of a category; the neutral patch where there is none for it. */
    public static Patch of(String category) {
        if (!category.matches("[a-z]{1,30}")) {
            return Patch.neutral("New Patch");
        }
        try (InputStream in = StartPatches.class.getResourceAsStream("/starts/" + category + ".json")) {
            return in == null ? Patch.neutral("New Patch") : PatchFormat.read(new String(in.readAllBytes(), StandardCharsets.UTF_8), category);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
