package gentlecomet.sound.parameter;

/** Places of the noise source's parameters within its group. */
public final class NoiseParameters {

    static final ParameterTemplate GROUP = new ParameterTemplate();

    public static final int LEVEL = GROUP.number("level", "Level", Unit.DECIBELS, Taper.DECIBEL, SourceParameters.OFF_DB, 6, SourceParameters.OFF_DB);
    public static final int COLOUR = GROUP.choice("colour", "Colour", "white", "pink", "brown");
    public static final int PAN = GROUP.number("pan", "Pan", Unit.PERCENT, Taper.LINEAR, -100, 100, 0);
    public static final int WIDTH = GROUP.number("width", "Width", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
    public static final int INTO = GROUP.choice("into", "Goes into", "filters", "filter1", "filter2", "past");
    public static final int LOW_CUT = GROUP.number("lowCut", "Low cut", Unit.HERTZ, Taper.LOGARITHMIC, 20, 20000, 20);
    public static final int HIGH_CUT = GROUP.number("highCut", "High cut", Unit.HERTZ, Taper.LOGARITHMIC, 20, 20000, 20000);
    public static final int START = GROUP.choice("start", "Start", "fresh", "repeatable");

    /** Number of parameters of the group. */
    public static int size() {
        return GROUP.size();
    }

    private NoiseParameters() {
    }
}
