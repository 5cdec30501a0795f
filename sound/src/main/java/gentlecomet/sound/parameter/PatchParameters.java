package gentlecomet.sound.parameter;

/** Places of the parameters that belong to a patch as a whole; they stand first in the registry. */
public final class PatchParameters {

    /** Macros of a patch. */
    public static final int MACROS = 8;
    /** Effect slots of the chain that all layers share. */
    public static final int EFFECTS = 10;
    /** Voices that one key can have in each layer. */
    public static final int MOST_STACKED = 16;

    static final ParameterTemplate BLOCK = new ParameterTemplate();
    private static final ParameterTemplate PERFORMANCE = new ParameterTemplate();

    private static final int V_MODE = PERFORMANCE.choice("mode", "Voice mode", "poly", "mono", "legato");
    private static final int V_VOICES = PERFORMANCE.number("voices", "Voices", Unit.NONE, Taper.STEPPED, 1, 64, 8);
    private static final int V_PRIORITY;
    private static final int V_GLIDE = PERFORMANCE.number("glideTime", "Glide time", Unit.SECONDS, Taper.CUBIC, 0, 5, 0);
    private static final int V_GLIDE_MODE = PERFORMANCE.choice("glideMode", "Glide when", "legato", "always");
    private static final int V_GLIDE_BY = PERFORMANCE.choice("glideBy", "Glide time is", "perGlide", "perOctave");
    private static final int V_BEND_UP = PERFORMANCE.number("bendUp", "Bend up", Unit.SEMITONES, Taper.STEPPED, 0, 48, 2);
    private static final int V_BEND_DOWN = PERFORMANCE.number("bendDown", "Bend down", Unit.SEMITONES, Taper.STEPPED, 0, 48, 2);
    private static final int V_BEND_CURVE = PERFORMANCE.number("bendCurve", "Bend curve", Unit.PERCENT, Taper.LINEAR, -100, 100, 0);
    private static final int V_STACK = PERFORMANCE.number("stack", "Stack voices", Unit.NONE, Taper.STEPPED, 1, MOST_STACKED, 1);
    private static final int V_STACK_DETUNE = PERFORMANCE.number("stackDetune", "Stack detune", Unit.CENTS, Taper.CUBIC, 0, 100, 12);
    private static final int V_STACK_WIDTH = PERFORMANCE.number("stackWidth", "Stack width", Unit.PERCENT, Taper.LINEAR, 0, 100, 60);
    private static final int V_TOUCH_THRESHOLD = PERFORMANCE.number("touchThreshold", "Aftertouch from", Unit.PERCENT, Taper.LINEAR, 0, 90, 0);
    private static final int V_TOUCH_CURVE = PERFORMANCE.number("touchCurve", "Aftertouch curve", Unit.PERCENT, Taper.LINEAR, -100, 100, 0);
    private static final int V_TOUCH_RISE = PERFORMANCE.number("touchRise", "Aftertouch rise", Unit.SECONDS, Taper.CUBIC, 0, 4, 0);
    private static final int V_TOUCH_FALL = PERFORMANCE.number("touchFall", "Aftertouch fall", Unit.SECONDS, Taper.CUBIC, 0, 4, 0);
    private static final int V_VELOCITY = PERFORMANCE.number("velocityToLevel", "Velocity to level", Unit.PERCENT, Taper.LINEAR, 0, 100, 50);
    private static final int V_VELOCITY_CURVE = PERFORMANCE.choice("velocityCurve", "Velocity curve", "standard", "drawn", "linear", "soft", "hard", "fixed");
    private static final int V_VELOCITY_DEPTH;
    private static final int V_TUNING = PERFORMANCE.number("tuning", "Tuning of A4", Unit.HERTZ, Taper.LINEAR, 400, 480, 440);
    private static final int V_TEMPO = PERFORMANCE.number("tempo", "Tempo", Unit.BEATS_PER_MINUTE, Taper.LINEAR, 20, 300, 120);
    private static final int V_OVERSAMPLING = PERFORMANCE.choice("oversampling", "Oversampling", "1x", "2x", "4x");
    private static final int V_SEED = PERFORMANCE.number("seed", "Seed", Unit.NONE, Taper.STEPPED, 0, 9999, 1);

    static {
        PERFORMANCE.when(V_MODE, "mono", "legato");
        V_PRIORITY = PERFORMANCE.choice("priority", "Note priority", "last", "lowest", "highest");
        PERFORMANCE.bringsParts(V_VELOCITY_CURVE);
        PERFORMANCE.when(V_VELOCITY_CURVE, "drawn", "linear", "soft", "hard");
        V_VELOCITY_DEPTH = PERFORMANCE.number("velocityDepth", "Velocity depth", Unit.DECIBELS, Taper.LINEAR, 0, 60, 30);
        PERFORMANCE.always();
    }

    public static final int LEVEL_TRIM = BLOCK.number("levelTrim", "Level trim", Unit.DECIBELS, Taper.LINEAR, -36, 24, 0);
    private static final int PERFORM = BLOCK.group(PERFORMANCE, "performance", "Performance");
    public static final int VOICE_MODE = PERFORM + V_MODE;
    public static final int VOICES = PERFORM + V_VOICES;
    public static final int PRIORITY = PERFORM + V_PRIORITY;
    public static final int GLIDE_TIME = PERFORM + V_GLIDE;
    public static final int GLIDE_MODE = PERFORM + V_GLIDE_MODE;
    public static final int GLIDE_BY = PERFORM + V_GLIDE_BY;
    public static final int BEND_UP = PERFORM + V_BEND_UP;
    public static final int BEND_DOWN = PERFORM + V_BEND_DOWN;
    public static final int BEND_CURVE = PERFORM + V_BEND_CURVE;
    public static final int STACK = PERFORM + V_STACK;
    public static final int STACK_DETUNE = PERFORM + V_STACK_DETUNE;
    public static final int STACK_WIDTH = PERFORM + V_STACK_WIDTH;
    public static final int TOUCH_THRESHOLD = PERFORM + V_TOUCH_THRESHOLD;
    public static final int TOUCH_CURVE = PERFORM + V_TOUCH_CURVE;
    public static final int TOUCH_RISE = PERFORM + V_TOUCH_RISE;
    public static final int TOUCH_FALL = PERFORM + V_TOUCH_FALL;
    public static final int VELOCITY_TO_LEVEL = PERFORM + V_VELOCITY;
    public static final int VELOCITY_CURVE = PERFORM + V_VELOCITY_CURVE;
    public static final int VELOCITY_DEPTH = PERFORM + V_VELOCITY_DEPTH;
    public static final int TUNING = PERFORM + V_TUNING;
    public static final int TEMPO = PERFORM + V_TEMPO;
    public static final int OVERSAMPLING = PERFORM + V_OVERSAMPLING;
    public static final int SEED = PERFORM + V_SEED;

    /** Place of macro 1's position; the other seven follow. */
    public static final int MACRO = declareMacros();

    private static final int FIRST_EFFECT = declareEffects();

    /** Start of the pattern's group, see {@link PatternParameters}. */
    public static final int PATTERN = BLOCK.group(PatternParameters.GROUP, "pattern", "Pattern");

    /** Number of parameters before the first layer's block. */
    public static final int SIZE = BLOCK.size();

    public static final int MODE_POLY = 0;
    public static final int MODE_MONO = 1;
    public static final int MODE_LEGATO = 2;

    public static final int VELOCITY_STANDARD = 0;
    public static final int VELOCITY_DRAWN = 1;
    public static final int VELOCITY_LINEAR = 2;
    public static final int VELOCITY_SOFT = 3;
    public static final int VELOCITY_HARD = 4;
    public static final int VELOCITY_FIXED = 5;

    public static final int PRIORITY_LAST = 0;
    public static final int PRIORITY_LOWEST = 1;
    public static final int PRIORITY_HIGHEST = 2;

    private PatchParameters() {
    }

    /** Start of an effect slot's group; {@code slot} counts from 0. */
    public static int effect(int slot) {
        return FIRST_EFFECT + slot * EffectParameters.size();
    }

    private static int declareMacros() {
        int start = BLOCK.size();
        for (int i = 1; i <= MACROS; i++) {
            BLOCK.number("macro" + i, "Macro " + i, Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        }
        return start;
    }

    private static int declareEffects() {
        int start = BLOCK.size();
        for (int i = 1; i <= EFFECTS; i++) {
            BLOCK.group(EffectParameters.GROUP, "effect" + i, "Effect " + i);
        }
        return start;
    }
}
