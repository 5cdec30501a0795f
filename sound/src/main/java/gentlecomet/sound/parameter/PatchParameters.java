package gentlecomet.sound.parameter;

/** Places of the parameters that belong to a patch as a whole; they stand first in the registry. */
public final class PatchParameters {

    /** Macros of a patch. */
    public static final int MACROS = 8;

    static final ParameterTemplate BLOCK = new ParameterTemplate();
    private static final ParameterTemplate PERFORMANCE = new ParameterTemplate();
    private static final ParameterTemplate DELAY = new ParameterTemplate();
    private static final ParameterTemplate REVERB = new ParameterTemplate();

    private static final int V_MODE = PERFORMANCE.choice("mode", "Voice mode", "poly", "mono", "legato");
    private static final int V_VOICES = PERFORMANCE.number("voices", "Voices", Unit.NONE, Taper.STEPPED, 1, 16, 8);
    private static final int V_GLIDE = PERFORMANCE.number("glideTime", "Glide time", Unit.SECONDS, Taper.CUBIC, 0, 5, 0);
    private static final int V_GLIDE_MODE = PERFORMANCE.choice("glideMode", "Glide when", "legato", "always");
    private static final int V_BEND_UP = PERFORMANCE.number("bendUp", "Bend up", Unit.SEMITONES, Taper.STEPPED, 0, 48, 2);
    private static final int V_BEND_DOWN = PERFORMANCE.number("bendDown", "Bend down", Unit.SEMITONES, Taper.STEPPED, 0, 48, 2);
    private static final int V_VELOCITY = PERFORMANCE.number("velocityToLevel", "Velocity to level", Unit.PERCENT, Taper.LINEAR, 0, 100, 50);
    private static final int V_TEMPO = PERFORMANCE.number("tempo", "Tempo", Unit.BEATS_PER_MINUTE, Taper.LINEAR, 20, 300, 120);
    private static final int V_SEED = PERFORMANCE.number("seed", "Seed", Unit.NONE, Taper.STEPPED, 0, 9999, 1);

    private static final int D_MIX = DELAY.number("mix", "Mix", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
    private static final int D_DIVISION_LEFT = DELAY.choice("divisionLeft", "Left tempo", Division.idsWithFree());
    private static final int D_TIME_LEFT = DELAY.number("timeLeft", "Left time", Unit.SECONDS, Taper.CUBIC, 0.001, 2, 0.375);
    private static final int D_DIVISION_RIGHT = DELAY.choice("divisionRight", "Right tempo", Division.idsWithFree());
    private static final int D_TIME_RIGHT = DELAY.number("timeRight", "Right time", Unit.SECONDS, Taper.CUBIC, 0.001, 2, 0.5);
    private static final int D_FEEDBACK = DELAY.number("feedback", "Feedback", Unit.PERCENT, Taper.LINEAR, 0, 95, 35);
    private static final int D_PING_PONG = DELAY.onOff("pingPong", "Ping-pong");
    private static final int D_LOW_CUT = DELAY.number("lowCut", "Low cut", Unit.HERTZ, Taper.LOGARITHMIC, 20, 2000, 120);
    private static final int D_HIGH_CUT = DELAY.number("highCut", "High cut", Unit.HERTZ, Taper.LOGARITHMIC, 500, 20000, 8000);

    private static final int R_MIX = REVERB.number("mix", "Mix", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
    private static final int R_SIZE = REVERB.number("size", "Size", Unit.PERCENT, Taper.LINEAR, 0, 100, 60);
    private static final int R_DECAY = REVERB.number("decay", "Decay", Unit.SECONDS, Taper.CUBIC, 0.1, 20, 2);
    private static final int R_PRE_DELAY = REVERB.number("preDelay", "Pre-delay", Unit.SECONDS, Taper.CUBIC, 0, 0.25, 0.015);
    private static final int R_DAMPING = REVERB.number("damping", "Damping", Unit.HERTZ, Taper.LOGARITHMIC, 500, 20000, 6000);
    private static final int R_LOW_CUT = REVERB.number("lowCut", "Low cut", Unit.HERTZ, Taper.LOGARITHMIC, 20, 2000, 150);
    private static final int R_WIDTH = REVERB.number("width", "Width", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);

    public static final int LEVEL_TRIM = BLOCK.number("levelTrim", "Level trim", Unit.DECIBELS, Taper.LINEAR, -36, 24, 0);
    private static final int PERFORM = BLOCK.group(PERFORMANCE, "performance", "Performance");
    public static final int VOICE_MODE = PERFORM + V_MODE;
    public static final int VOICES = PERFORM + V_VOICES;
    public static final int GLIDE_TIME = PERFORM + V_GLIDE;
    public static final int GLIDE_MODE = PERFORM + V_GLIDE_MODE;
    public static final int BEND_UP = PERFORM + V_BEND_UP;
    public static final int BEND_DOWN = PERFORM + V_BEND_DOWN;
    public static final int VELOCITY_TO_LEVEL = PERFORM + V_VELOCITY;
    public static final int TEMPO = PERFORM + V_TEMPO;
    public static final int SEED = PERFORM + V_SEED;

    /** Place of macro 1's position; the other seven follow. */
    public static final int MACRO = declareMacros();

    private static final int DELAY_START = BLOCK.group(DELAY, "delay", "Delay");
    public static final int DELAY_MIX = DELAY_START + D_MIX;
    public static final int DELAY_DIVISION_LEFT = DELAY_START + D_DIVISION_LEFT;
    public static final int DELAY_TIME_LEFT = DELAY_START + D_TIME_LEFT;
    public static final int DELAY_DIVISION_RIGHT = DELAY_START + D_DIVISION_RIGHT;
    public static final int DELAY_TIME_RIGHT = DELAY_START + D_TIME_RIGHT;
    public static final int DELAY_FEEDBACK = DELAY_START + D_FEEDBACK;
    public static final int DELAY_PING_PONG = DELAY_START + D_PING_PONG;
    public static final int DELAY_LOW_CUT = DELAY_START + D_LOW_CUT;
    public static final int DELAY_HIGH_CUT = DELAY_START + D_HIGH_CUT;

    private static final int REVERB_START = BLOCK.group(REVERB, "reverb", "Reverb");
    public static final int REVERB_MIX = REVERB_START + R_MIX;
    public static final int REVERB_SIZE = REVERB_START + R_SIZE;
    public static final int REVERB_DECAY = REVERB_START + R_DECAY;
    public static final int REVERB_PRE_DELAY = REVERB_START + R_PRE_DELAY;
    public static final int REVERB_DAMPING = REVERB_START + R_DAMPING;
    public static final int REVERB_LOW_CUT = REVERB_START + R_LOW_CUT;
    public static final int REVERB_WIDTH = REVERB_START + R_WIDTH;

    /** Number of parameters before the first layer's block. */
    public static final int SIZE = BLOCK.size();

    public static final int MODE_POLY = 0;
    public static final int MODE_MONO = 1;
    public static final int MODE_LEGATO = 2;

    private PatchParameters() {
    }

    private static int declareMacros() {
        int start = BLOCK.size();
        for (int i = 1; i <= MACROS; i++) {
            BLOCK.number("macro" + i, "Macro " + i, Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        }
        return start;
    }
}
