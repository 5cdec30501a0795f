package gentlecomet.sound.source;

import gentlecomet.sound.parameter.TableName;
import java.util.ArrayList;
import java.util.List;

/**
 * The wave tables and recordings of an engine. Tables that come with the program are made when they are first wanted and serve all engines from then on:
 * they never change, so that threads which make the same one at the same time do no harm. Recordings belong to one engine, and to one thread at a time.
 */
public final class WaveCache {

    private static final double FAST_HZ = 80000;
    /** The same for all engines: made once. */
    private static final BlepTables STEPS = new BlepTables(BlepTables.WIDE);
    private static final BlepTables FAST_STEPS = new BlepTables(BlepTables.NARROW);

    private static final WaveTable[] FAMILIES = new WaveTable[TableName.values().length];
    private static WaveTable saw;
    private static WaveTable triangle;
    private static WaveTable roundSquare;

    private final List<Recording> recordings = new ArrayList<>();
    private final List<WaveTable> imported = new ArrayList<>();

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
        WaveTable made = FAMILIES[name.ordinal()];
        if (made == null) {
            made = TableFamilies.of(name);
            FAMILIES[name.ordinal()] = made;
        }
        return made;
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
        WaveTable made = saw;
        if (made == null) {
            made = TableFamilies.saw();
            saw = made;
        }
        return made;
    }

    WaveTable triangle() {
        WaveTable made = triangle;
        if (made == null) {
            made = TableFamilies.triangle();
            triangle = made;
        }
        return made;
    }

    WaveTable roundSquare() {
        WaveTable made = roundSquare;
        if (made == null) {
            made = TableFamilies.roundSquare();
            roundSquare = made;
        }
        return made;
    }
}
