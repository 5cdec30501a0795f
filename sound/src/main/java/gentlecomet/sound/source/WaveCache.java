package gentlecomet.sound.source;

import gentlecomet.sound.parameter.TableName;
import java.util.ArrayList;
import java.util.List;

/** The wave tables and recordings of an engine, made when they are first wanted and then kept. One thread at a time. */
public final class WaveCache {

    private static final double FAST_HZ = 80000;
    /** The same for all engines: made once. */
    private static final BlepTables STEPS = new BlepTables(BlepTables.WIDE);
    private static final BlepTables FAST_STEPS = new BlepTables(BlepTables.NARROW);

    private final WaveTable[] families = new WaveTable[TableName.values().length];
    private final List<Recording> recordings = new ArrayList<>();
    private final List<WaveTable> imported = new ArrayList<>();
    private WaveTable saw;
    private WaveTable triangle;
    private WaveTable roundSquare;

    /** Puts a recording on the shelf; one of the same key is there already when nothing changes. */
    public void put(Recording recording) {
        if (recording(recording.key()) == null) {
            recordings.add(recording);
            imported.add(null);
        }
    }

    /** The recording of a key, or null. */
    public Recording recording(double key) {
        for (Recording r : recordings) {
            if (r.key() == key) {
                return r;
            }
        }
        return null;
    }

    /** Corrections for a sample rate in Hz. */
    BlepTables steps(double sampleRate) {
        return sampleRate < FAST_HZ ? STEPS : FAST_STEPS;
    }

    WaveTable family(TableName name) {
        if (families[name.ordinal()] == null) {
            families[name.ordinal()] = TableFamilies.of(name);
        }
        return families[name.ordinal()];
    }

    /** The table of a recording, or null when it is not on the shelf. */
    WaveTable imported(double key) {
        for (int i = 0; i < recordings.size(); i++) {
            if (recordings.get(i).key() == key) {
                if (imported.get(i) == null) {
                    imported.set(i, recordings.get(i).asTable());
                }
                return imported.get(i);
            }
        }
        return null;
    }

    WaveTable saw() {
        if (saw == null) {
            saw = TableFamilies.saw();
        }
        return saw;
    }

    WaveTable triangle() {
        if (triangle == null) {
            triangle = TableFamilies.triangle();
        }
        return triangle;
    }

    WaveTable roundSquare() {
        if (roundSquare == null) {
            roundSquare = TableFamilies.roundSquare();
        }
        return roundSquare;
    }
}
