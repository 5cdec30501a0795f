package gentlecomet.sound.source;

import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.parameter.TableName;

/**
 * What a source of a patch is made of beside its parameters: its table, drawn harmonics, copies, partials of a body and
 * recording. One for each source of each layer, shared by the voices; made ready outside of rendering.
 */
public final class SourceMaterial {

    private static final double[] NOTHING = {};

    private final WaveCache shelf;
    private int wave = -1;
    private int tableName = -1;
    private double recordingKey;
    private double[] harmonics = NOTHING;
    private double[] copies = NOTHING;
    private double[] modes = NOTHING;
    private WaveTable table;
    private WaveTable drawn;
    private Recording recording;
    private int edition;

    public SourceMaterial(WaveCache shelf) {
        this.shelf = shelf;
    }

    /**
     * Takes over what the patch says.
     *
     * @param values     the layer's block
     * @param at         start of the source's group
     * @param harmonics  rows of level and phase in %, copied
     * @param copies     rows of cents, pan in %, phase in %, copied
     * @param modes      rows of ratio, dB, decay in %, copied
     * @param recordingKey key of the recording, 0 for none
     */
    public void take(double[] values, int at, double[] harmonics, double[] copies, double[] modes, double recordingKey) {
        boolean redrawn = !same(this.harmonics, harmonics);
        if (redrawn || !same(this.copies, copies) || !same(this.modes, modes)) {
            edition++;
        }
        this.harmonics = harmonics.clone();
        this.copies = copies.clone();
        this.modes = modes.clone();
        this.recordingKey = recordingKey;
        recording = recordingKey == 0 ? null : shelf.recording(recordingKey);
        if (redrawn) {
            drawn = null;
        }
        tableName = -1;
        choose(values, at);
    }

    /** Makes the tables ready that the wave as it is set needs; called whenever a choice may have changed. */
    public void choose(double[] values, int at) {
        int newWave = (int) values[at + SourceParameters.WAVE];
        int name = (int) values[at + SourceParameters.TABLE];
        boolean modulated = values[at + SourceParameters.PHASE_MODULATION] + values[at + SourceParameters.PHASE_MODULATION + 1]
                + values[at + SourceParameters.PHASE_MODULATION + 2] > 0;
        if (newWave == wave && name == tableName && !modulated) {
            return;
        }
        wave = newWave;
        tableName = name;
        int from = (int) values[at + SourceParameters.PARTIALS_FROM];
        boolean partials = wave == SourceParameters.WAVE_PARTIALS;
        if (wave == SourceParameters.WAVE_TABLE || partials && from == PartialBank.FROM_TABLE) {
            table = name == TableName.IMPORTED.ordinal() ? shelf.imported(recordingKey) : shelf.family(TableName.values()[name]);
        }
        if (wave == SourceParameters.WAVE_HARMONICS || partials && from == PartialBank.FROM_HARMONICS) {
            drawn();
        }
        if (wave == SourceParameters.WAVE_ROUND_SQUARE) {
            shelf.roundSquare();
        }
        if (modulated) {
            shelf.saw();
            shelf.triangle();
        }
    }

    /** The table that a cyclic wave is read from; null where nothing has been imported. */
    WaveTable cycles(int ofWave) {
        switch (ofWave) {
            case SourceParameters.WAVE_TRIANGLE:
                return shelf.triangle();
            case SourceParameters.WAVE_SAW:
            case SourceParameters.WAVE_PULSE:
                return shelf.saw();
            case SourceParameters.WAVE_ROUND_SQUARE:
                return shelf.roundSquare();
            case SourceParameters.WAVE_HARMONICS:
                return drawn();
            default:
                return table;
        }
    }

    /** The table chosen by name, or null. */
    WaveTable table() {
        return table;
    }

    double[] copies() {
        return copies;
    }

    double[] modes() {
        return modes;
    }

    Recording recording() {
        return recording;
    }

    /** Goes up whenever something drawn has changed. */
    int edition() {
        return edition;
    }

    WaveTable drawn() {
        if (drawn == null) {
            int count = Math.max(1, harmonics.length / 2);
            double[][] levels = new double[1][count];
            double[][] phases = new double[1][count];
            levels[0][0] = 1;
            for (int n = 0; n < harmonics.length / 2; n++) {
                levels[0][n] = harmonics[2 * n] / 100;
                phases[0][n] = harmonics[2 * n + 1] / 100;
            }
            drawn = new WaveTable(levels, phases);
        }
        return drawn;
    }

    private static boolean same(double[] a, double[] b) {
        if (a.length != b.length) {
            return false;
        }
        for (int i = 0; i < a.length; i++) {
            if (a[i] != b[i]) {
                return false;
            }
        }
        return true;
    }
}
