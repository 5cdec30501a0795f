package gentlecomet.sound.parameter;

import gentlecomet.sound.parameter.ShapeKind.Column;
import java.util.ArrayList;
import java.util.List;

/** The registry of drawn lists: every one of a patch, once. First those of the patch as a whole, then those of each layer. */
public final class Shapes {

    private static final List<ShapeKind> DECLARED = new ArrayList<>();

    /** Velocity (in %) to level (in % of the depth), rising points. */
    public static final int VELOCITY;
    /** Distance in cents of each key from 0 up to its equal-tempered pitch, as a Scala tuning gives it. */
    public static final int SCALE;
    /** Steps of the patch's pattern: level in % of the key's velocity (0 is a rest), shift in semitones, chance in %, length in steps. */
    public static final int PATTERN_STEPS;
    /** Semitones from the key of each note that it plays. */
    public static final int PATTERN_CHORD;

    private static final int FIRST_LAYER;
    private static final int OF_LAYER;
    private static final int HARMONICS = 0;
    private static final int COPIES = 1;
    private static final int MODES = 2;
    private static final int PER_SOURCE = 3;

    /** Every drawn list in registry order. */
    public static final List<ShapeKind> ALL;
    /** Number of drawn lists. */
    public static final int COUNT;

    static {
        VELOCITY = add("performance.velocityPoints", "Velocity curve", "Performance", 16, true, percent("velocity", "velocity", 0),
                percent("level", "level", 0));
        SCALE = add("performance.scale", "Scale", "Performance", 128, false, new Column("offset", "offset", Unit.CENTS, -7200, 7200, 0));
        PATTERN_STEPS = add("pattern.steps", "Steps", "Pattern", 32, false, new Column("level", "level", Unit.PERCENT, 0, 200, 100), new Column("shift", "shift", Unit.SEMITONES, -24, 24, 0),
                new Column("chance", "chance", Unit.PERCENT, 0, 100, 100, true), new Column("length", "length", Unit.NONE, 0.1, 16, 1, true));
        PATTERN_CHORD = add("pattern.chord", "Chord", "Pattern", 12, false, new Column("interval", "interval", Unit.SEMITONES, -36, 36, 0));
        FIRST_LAYER = DECLARED.size();
        int size = 0;
        for (int layer = 1; layer <= Parameters.LAYERS; layer++) {
            int start = DECLARED.size();
            declareLayer("layer" + layer + ".", "Layer " + layer + " ");
            size = DECLARED.size() - start;
        }
        OF_LAYER = size;
        ALL = List.copyOf(DECLARED);
        COUNT = ALL.size();
    }

    private Shapes() {
    }

    /** Levels and phases of a source's drawn harmonics. */
    public static int harmonics(int layer, int source) {
        return FIRST_LAYER + layer * OF_LAYER + source * PER_SOURCE + HARMONICS;
    }

    /** Pitch, pan, phase and level of each of a source's unison voices. */
    public static int copies(int layer, int source) {
        return FIRST_LAYER + layer * OF_LAYER + source * PER_SOURCE + COPIES;
    }

    /** Ratio, level and decay of a struck body's analysed or changed partials. */
    public static int modes(int layer, int source) {
        return FIRST_LAYER + layer * OF_LAYER + source * PER_SOURCE + MODES;
    }

    /** Points of a drawn curve. */
    public static int curve(int layer, int curve) {
        return FIRST_LAYER + layer * OF_LAYER + LayerParameters.SOURCES * PER_SOURCE + curve;
    }

    /** Points of an LFO's drawn wave. */
    public static int lfoPoints(int layer, int lfo) {
        return curve(layer, LayerParameters.CURVES) + 2 * lfo;
    }

    /** Steps of an LFO. */
    public static int lfoSteps(int layer, int lfo) {
        return lfoPoints(layer, lfo) + 1;
    }

    /** Level of a layer along the keys: rows of key and dB, straight between them and level beyond. */
    public static int keyLevels(int layer) {
        return FIRST_LAYER + (layer + 1) * OF_LAYER - 1;
    }

    /** Layer that a drawn list belongs to, counting from 0, or -1 for one of the patch as a whole. */
    public static int layerOf(int kind) {
        return kind < FIRST_LAYER ? -1 : (kind - FIRST_LAYER) / OF_LAYER;
    }

    /** The kind of an id, or null. */
    public static ShapeKind find(String id) {
        for (ShapeKind kind : ALL) {
            if (kind.id().equals(id)) {
                return kind;
            }
        }
        return null;
    }

    private static void declareLayer(String prefix, String place) {
        for (int s = 1; s <= LayerParameters.SOURCES; s++) {
            String source = prefix + "source" + s + ".";
            String where = place + "source " + s;
            add(source + "harmonics", "Harmonics", where, 64, false, percent("level", "level", 0),
                    new Column("phase", "phase", Unit.PERCENT, -50, 100, 0));
            add(source + "unisonVoices", "Unison voices", where, 16, false, new Column("pitch", "pitch", Unit.CENTS, -1200, 1200, 0),
                    new Column("pan", "pan", Unit.PERCENT, -100, 100, 0), percent("phase", "phase", 0), new Column("level", "level", Unit.DECIBELS, -48, 12, 0, true));
            add(source + "modes", "Partials of the body", where, 64, false, new Column("ratio", "ratio", Unit.NONE, 0.1, 64, 1),
                    new Column("level", "level", Unit.DECIBELS, -96, 24, 0), new Column("decay", "decay", Unit.PERCENT, 1, 400, 100));
        }
        for (int c = 1; c <= LayerParameters.CURVES; c++) {
            add(prefix + "curve" + c + ".points", "Points", place + "curve " + c, 32, true, points());
        }
        for (int l = 1; l <= LayerParameters.LFOS; l++) {
            add(prefix + "lfo" + l + ".points", "Drawn wave", place + "LFO " + l, 32, true, points());
            add(prefix + "lfo" + l + ".steps", "Steps", place + "LFO " + l, 32, false,
                    new Column("level", "level", Unit.PERCENT, -100, 100, 0));
        }
        add(prefix + "zone.keyLevels", "Level along the keys", place + "zone", 32, true, new Column("key", "key", Unit.NONE, 0, 127, 60),
                new Column("level", "level", Unit.DECIBELS, -48, 24, 0));
    }

    private static Column[] points() {
        return new Column[] {percent("time", "time", 0), new Column("level", "level", Unit.PERCENT, -100, 100, 0),
            new Column("bend", "bend", Unit.PERCENT, -100, 100, 0)};
    }

    private static Column percent(String id, String label, double neutral) {
        return new Column(id, label, Unit.PERCENT, 0, 100, neutral);
    }

    private static int add(String id, String label, String place, int rows, boolean ordered, Column... columns) {
        DECLARED.add(new ShapeKind(DECLARED.size(), id, label, place, List.of(columns), rows, ordered));
        return DECLARED.size() - 1;
    }
}
