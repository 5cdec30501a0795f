package gentlecomet.studio.work;

import gentlecomet.craft.format.FormatException;
import gentlecomet.studio.page.RefusedException;

/** A failure in words for people: ours are sentences, anything else stays in the log. */
final class Reason {

    private Reason() {
    }

    static String of(Throwable e) {
        return e instanceof FormatException || e instanceof RefusedException ? e.getMessage() : "something went wrong inside Gentle Comet, see its log";
    }
}
