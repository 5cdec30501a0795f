package gentlecomet.sound.parameter;

/** Places of the parameters of a patch's pattern within its group: what becomes of keys that are held. */
public final class PatternParameters {

    static final ParameterTemplate GROUP = new ParameterTemplate();

    /** Lengths of a step; the first is where a new pattern stands. */
    private static final String[] LENGTHS = {"1/16", "1/8", "1/4", "1/2", "1/32", "1/32T", "1/16T", "1/8T", "1/4T", "1/16D", "1/8D", "1/4D"};

    public static final int ORDER = GROUP.choice("order", "Pattern", "off", "up", "down", "upAndDown", "asPlayed", "random", "chord");
    public static final int STEP;
    public static final int OCTAVES;
    public static final int GATE;
    public static final int SWING;
    public static final int CHANCE;

    /** Number of parameters. */
    public static final int SIZE;

    public static final int OFF = 0;
    public static final int UP = 1;
    public static final int DOWN = 2;
    public static final int UP_AND_DOWN = 3;
    public static final int AS_PLAYED = 4;
    public static final int RANDOM = 5;
    public static final int CHORD = 6;

    static {
        ParameterTemplate g = GROUP;
        g.bringsParts(ORDER);
        g.when(ORDER, "up", "down", "upAndDown", "asPlayed", "random", "chord");
        STEP = g.choice("step", "Step", LENGTHS);
        OCTAVES = g.number("octaves", "Octaves", Unit.NONE, Taper.STEPPED, 1, 4, 1);
        GATE = g.number("gate", "Gate", Unit.PERCENT, Taper.LINEAR, 5, 150, 80);
        SWING = g.number("swing", "Swing", Unit.PERCENT, Taper.LINEAR, 50, 75, 50);
        CHANCE = g.number("chance", "Chance", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
        g.always();
        SIZE = g.size();
    }

    private PatternParameters() {
    }

    /** Length in quarter notes of a choice of {@link #STEP}. */
    public static double beats(int choice) {
        return Division.beats(LENGTHS[choice]);
    }
}
