package gentlecomet.sound.parameter;

import java.util.List;

/** Places of an LFO's parameters within its group. */
public final class LfoParameters {

    static final ParameterTemplate GROUP = new ParameterTemplate();

    public static final int WAVE = GROUP.choice("wave", "LFO wave", "sine", "triangle", "rampUp", "rampDown", "square", "steppedRandom",
            "smoothRandom", "drawn", "steps");
    public static final int DIVISION = GROUP.division("division", "Sync");
    public static final int RATE = GROUP.timed(DIVISION, "rate", "Rate", Unit.HERTZ, Taper.LOGARITHMIC, 0.02, 40, 5);
    public static final int DELAY = GROUP.number("delay", "Delay", Unit.SECONDS, Taper.CUBIC, 0, 10, 0);
    public static final int FADE = GROUP.number("fade", "Fade in", Unit.SECONDS, Taper.CUBIC, 0, 10, 0);
    public static final int PHASE = GROUP.number("phase", "Start phase", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
    public static final int PULSE_WIDTH;
    public static final int SMOOTH;
    public static final int SCOPE;
    public static final int START;
    public static final int SIDES;

    /** How an LFO starts and swings: choices that are there for every wave. */
    public static final List<Integer> STARTS;

    public static final int STEPPED_RANDOM = 5;
    public static final int SMOOTH_RANDOM = 6;
    public static final int DRAWN = 7;
    public static final int STEPS = 8;

    static {
        ParameterTemplate g = GROUP;
        g.when(WAVE, "square");
        PULSE_WIDTH = g.number("pulseWidth", "Pulse width", Unit.PERCENT, Taper.LINEAR, 1, 99, 50);
        g.when(WAVE, "square", "steppedRandom", "steps");
        SMOOTH = g.number("smooth", "Smooth steps", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        g.always();
        SCOPE = g.choice("scope", "Trigger mode", "perNote", "shared");
        START = g.choice("start", "Start", "retrigger", "free", "once");
        SIDES = g.choice("sides", "Swings", "bothWays", "oneWay");
        STARTS = List.of(SCOPE, START, SIDES);
        g.advanced(SMOOTH, SCOPE, START, SIDES);
    }

    private LfoParameters() {
    }
}
