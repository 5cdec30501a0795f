package gentlecomet.studio.patch;

import java.util.Locale;

/** What keeps a state of a patch. */
public enum StateKind {
    EDIT,
    REVISION,
    PAD,
    VARIATION,
    HEARD;

    String id() {
        return name().toLowerCase(Locale.ROOT);
    }
}
