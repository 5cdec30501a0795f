package gentlecomet.sound.parameter;

/** Places of a tone source's parameters within its group. */
public final class SourceParameters {

    /** Lowest level of a source; at this value the source is off and costs nothing. */
    public static final double OFF_DB = -72;

    static final ParameterTemplate GROUP = new ParameterTemplate();

    public static final int WAVE = GROUP.choice("wave", "Wave", "sine", "triangle", "saw", "pulse", "noise");
    public static final int LEVEL = GROUP.number("level", "Level", Unit.DECIBELS, Taper.DECIBEL, OFF_DB, 6, OFF_DB);
    public static final int PAN = GROUP.number("pan", "Pan", Unit.PERCENT, Taper.LINEAR, -100, 100, 0);
    public static final int OCTAVE = GROUP.number("octave", "Octave", Unit.OCTAVES, Taper.STEPPED, -4, 4, 0);
    public static final int SEMITONES = GROUP.number("semitones", "Semitones", Unit.SEMITONES, Taper.STEPPED, -48, 48, 0);
    public static final int CENTS = GROUP.number("cents", "Fine tune", Unit.CENTS, Taper.LINEAR, -100, 100, 0);
    public static final int KEY_FOLLOW = GROUP.number("keyFollow", "Key follow", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
    public static final int PULSE_WIDTH = GROUP.number("pulseWidth", "Pulse width", Unit.PERCENT, Taper.LINEAR, 3, 97, 50);
    public static final int PHASE_START = GROUP.choice("phaseStart", "Phase start", "fixed", "free", "random");
    public static final int PHASE = GROUP.number("phase", "Start phase", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
    public static final int COPIES = GROUP.number("copies", "Copies", Unit.NONE, Taper.STEPPED, 1, 16, 1);
    public static final int DETUNE = GROUP.number("detune", "Detune", Unit.CENTS, Taper.CUBIC, 0, 100, 0);
    public static final int WIDTH = GROUP.number("width", "Width", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);

    public static final int WAVE_SINE = 0;
    public static final int WAVE_TRIANGLE = 1;
    public static final int WAVE_SAW = 2;
    public static final int WAVE_PULSE = 3;
    public static final int WAVE_NOISE = 4;

    public static final int PHASE_FIXED = 0;
    public static final int PHASE_FREE = 1;
    public static final int PHASE_RANDOM = 2;

    private SourceParameters() {
    }
}
