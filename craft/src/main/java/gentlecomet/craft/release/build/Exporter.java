package gentlecomet.craft.release.build;

import gentlecomet.craft.sample.SamplingPlan;
import java.util.function.DoubleConsumer;

/** One kind of files in a release. A new one is a class and its line in {@link ReleaseBuilder#EXPORTERS}; whoever reads what it writes is not its writer. */
public interface Exporter {

    /** As it is chosen, for example "demos". */
    String id();

    /** What it writes, for people, for example "24-bit WAV demos". */
    String text();

    /** Whether a release can do without it. */
    default boolean optional() {
        return false;
    }

    /** Whether what it needs is there. */
    default boolean available() {
        return true;
    }

    /** About how long it takes, in seconds on one core. @param plan by which patches are sampled */
    default double seconds(int patches, SamplingPlan plan) {
        return 0.1;
    }

    /** About how much it writes, in bytes. @param plan by which patches are sampled */
    default long bytes(int patches, SamplingPlan plan) {
        return 5_000L * patches;
    }

    /**
     * Writes its files. The same contents give the same bytes.
     *
     * @param progress told how far it is, 0 to 1; an exporter that is done at once need not tell
     */
    void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress);
}
