package gentlecomet.sound.parameter;

/** Places of an envelope's parameters within its group. Times in seconds, or in note divisions where one is chosen. */
public final class EnvelopeParameters {

    static final ParameterTemplate AMPLITUDE = new ParameterTemplate();
    static final ParameterTemplate SHAPE = new ParameterTemplate();

    public static final int DELAY = 0;
    public static final int ATTACK = 1;
    public static final int HOLD = 2;
    public static final int DECAY = 3;
    public static final int SUSTAIN = 4;
    public static final int RELEASE = 5;
    public static final int ATTACK_CURVE = 6;
    public static final int DECAY_CURVE = 7;
    public static final int RELEASE_CURVE = 8;
    public static final int ON_LEGATO = 9;
    public static final int DELAY_DIVISION = 10;
    public static final int ATTACK_DIVISION = 11;
    public static final int HOLD_DIVISION = 12;
    public static final int DECAY_DIVISION = 13;
    public static final int RELEASE_DIVISION = 14;

    public static final int GO_ON = 0;
    public static final int RESTART = 1;

    static {
        declare(AMPLITUDE, 0.002, 0.2, 100, 0.03);
        declare(SHAPE, 0.002, 0.4, 0, 0.2);
        AMPLITUDE.serves(Facts.Quality.LENGTH, 1, RELEASE, DECAY);
        AMPLITUDE.serves(Facts.Quality.LENGTH, 2, SUSTAIN, HOLD);
        SHAPE.serves(Facts.Quality.LENGTH, 2, RELEASE, DECAY);
    }

    private EnvelopeParameters() {
    }

    private static void declare(ParameterTemplate group, double attack, double decay, double sustain, double release) {
        group.timed(DELAY_DIVISION, "delay", "Delay", Unit.SECONDS, Taper.CUBIC, 0, 5, 0);
        group.timed(ATTACK_DIVISION, "attack", "Attack", Unit.SECONDS, Taper.CUBIC, 0, 20, attack);
        group.timed(HOLD_DIVISION, "hold", "Hold", Unit.SECONDS, Taper.CUBIC, 0, 5, 0);
        group.timed(DECAY_DIVISION, "decay", "Decay", Unit.SECONDS, Taper.CUBIC, 0.001, 20, decay);
        group.number("sustain", "Sustain", Unit.PERCENT_LEVEL, Taper.LINEAR, 0, 100, sustain);
        group.timed(RELEASE_DIVISION, "release", "Release", Unit.SECONDS, Taper.CUBIC, 0.001, 20, release);
        group.number("attackCurve", "Attack curve", Unit.PERCENT, Taper.LINEAR, -100, 100, 0);
        group.number("decayCurve", "Decay curve", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
        group.number("releaseCurve", "Release curve", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
        group.choice("onLegato", "On legato notes", "goOn", "restart");
        group.division("delayDivision", "Delay sync");
        group.division("attackDivision", "Attack sync");
        group.division("holdDivision", "Hold sync");
        group.division("decayDivision", "Decay sync");
        group.division("releaseDivision", "Release sync");
        group.advanced(ATTACK_CURVE, DECAY_CURVE, RELEASE_CURVE, ON_LEGATO, DELAY_DIVISION, ATTACK_DIVISION, HOLD_DIVISION, DECAY_DIVISION, RELEASE_DIVISION);
    }
}
