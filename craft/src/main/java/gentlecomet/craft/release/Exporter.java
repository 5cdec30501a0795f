package gentlecomet.craft.release;

import java.util.function.DoubleConsumer;

/** One kind of files in a release. A new one is a class and its line in {@link ReleaseBuilder#EXPORTERS}; whoever reads what it writes is not its writer. */
public interface Exporter {

    /** As it is chosen, for example "demos". */
    String id();

    /** What it writes, for people, for example "24-bit WAV demos". */
    String text();

    /**
     * Writes its files. The same contents give the same bytes.
     *
     * @param progress told how far it is, 0 to 1; an exporter that is done at once need not tell
     */
    void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress);
}
