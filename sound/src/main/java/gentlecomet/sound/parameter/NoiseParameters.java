package gentlecomet.sound.parameter;

/** Places of the noise source's parameters within its group. */
public final class NoiseParameters {

    static final ParameterTemplate GROUP = new ParameterTemplate();

    public static final int LEVEL = GROUP.number("level", "Level", Unit.DECIBELS, Taper.DECIBEL, SourceParameters.OFF_DB, 6, SourceParameters.OFF_DB);
    public static final int COLOUR = GROUP.choice("colour", "Colour", "white", "pink", "brown");
    public static final int PAN = GROUP.number("pan", "Pan", Unit.PERCENT, Taper.LINEAR, -100, 100, 0);
    public static final int WIDTH = GROUP.number("width", "Width", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
    public static final int OUTPUT = GROUP.choice("output", "Output", "both", "filter1", "filter2", "direct");
    public static final int LOW_CUT = GROUP.number("lowCut", "Low cut", Unit.HERTZ, Taper.LOGARITHMIC, 20, 20000, 20);
    public static final int HIGH_CUT = GROUP.number("highCut", "High cut", Unit.HERTZ, Taper.LOGARITHMIC, 20, 20000, 20000);
    public static final int START = GROUP.choice("start", "Start", "fresh", "repeatable");

    static {
        GROUP.advanced(OUTPUT, LOW_CUT, HIGH_CUT, START);
        GROUP.serves(Facts.Quality.BRIGHTNESS, 2, HIGH_CUT);
        GROUP.serves(Facts.Quality.BRIGHTNESS, 3, LEVEL);
        GROUP.serves(Facts.Quality.WIDTH, 1, WIDTH);
        GROUP.serves(Facts.Quality.WIDTH, 2, PAN);
        GROUP.serves(Facts.Quality.WIDTH, 3, LEVEL);
        GROUP.serves(Facts.Quality.ROUGHNESS, 2, LEVEL);
        GROUP.serves(Facts.Quality.ROUGHNESS, 4, HIGH_CUT);
    }

    /** Number of parameters of the group. */
    public static int size() {
        return GROUP.size();
    }

    private NoiseParameters() {
    }
}
