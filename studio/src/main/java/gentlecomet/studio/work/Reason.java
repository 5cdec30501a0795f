package gentlecomet.studio.work;

import gentlecomet.craft.format.FormatException;
import gentlecomet.studio.page.RefusedException;
import java.io.UncheckedIOException;

/** A failure in words for people: ours are sentences, anything else stays in the log. */
final class Reason {

    private Reason() {
    }

    static String of(Throwable e) {
        if (e instanceof UncheckedIOException) {
            return "a file could not be written or read, perhaps because the disk is full (" + e.getMessage() + ")";
        }
        return e instanceof FormatException || e instanceof RefusedException ? e.getMessage() : "something went wrong inside Gentle Comet, see its log";
    }
}
