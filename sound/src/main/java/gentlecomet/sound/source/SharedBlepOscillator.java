package gentlecomet.sound.source;

/**
 * The straight waves of several sources drawn as one: the sum of straight lines is a straight line. Sources whose level stands still and
 * whose samples nobody else needs put their lines here at their level, and it is drawn once for all of them.
 */
public final class SharedBlepOscillator {

    private final SourceOutput outlet = new SourceOutput();
    final BlepOscillator edges;

    private final WaveCache shelf;

    public SharedBlepOscillator(WaveCache shelf) {
        this.shelf = shelf;
        edges = new BlepOscillator(outlet);
    }

    /** Forgets everything, at the start of a note. @param sampleRate in Hz, that of the note */
    public void clear(double sampleRate) {
        edges.use(shelf.steps(sampleRate));
        if (edges.drawing()) {
            outlet.clear();
            edges.stop();
        }
    }

    /** Adds the control step to two channels. */
    public void add(double[] left, double[] right) {
        if (edges.drawing()) {
            edges.drawInto(left, right, 1, 0);
        }
    }
}
