package gentlecomet.sound.parameter;

/** Places of a drawn curve's parameters within its group; its points are a shape. */
public final class CurveParameters {

    static final ParameterTemplate GROUP = new ParameterTemplate();

    public static final int MODE = GROUP.choice("mode", "Curve", "oneShot", "loop", "hold");
    public static final int DIVISION = GROUP.division("division", "Sync of the whole");
    public static final int LENGTH = GROUP.timed(DIVISION, "length", "Length", Unit.SECONDS, Taper.CUBIC, 0.01, 60, 1);
    public static final int FROM_POINT;
    public static final int TO_POINT;

    static {
        GROUP.when(MODE, "loop");
        FROM_POINT = GROUP.number("fromPoint", "Loop from point", Unit.NONE, Taper.STEPPED, 1, 32, 1);
        GROUP.when(MODE, "loop", "hold");
        TO_POINT = GROUP.number("toPoint", "To point", Unit.NONE, Taper.STEPPED, 1, 32, 32);
        GROUP.always();
    }

    private CurveParameters() {
    }
}
