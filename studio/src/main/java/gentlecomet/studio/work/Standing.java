package gentlecomet.studio.work;

import java.util.Map;

/**
 * How far the work on some things is.
 *
 * @param waiting whether any of it waits or runs
 * @param failed  why work has failed, by the id of the thing
 */
public record Standing(int done, int total, boolean waiting, Map<Long, String> failed) {

    /** What has failed does not come any more, so nobody waits for it. */
    public boolean over() {
        return done + failed.size() >= total;
    }

    /** The first reason of a failure, empty when nothing has failed. */
    public String failure() {
        return failed.values().stream().findFirst().orElse("");
    }
}
