package gentlecomet.sound.parameter;

/** Places of a layer's parameters within its block; a voice works on one such block. */
public final class LayerParameters {

    /** Tone sources of a layer. */
    public static final int SOURCES = 3;

    static final ParameterTemplate BLOCK = new ParameterTemplate();
    private static final ParameterTemplate ZONE_GROUP = new ParameterTemplate();
    private static final ParameterTemplate FILTER_GROUP = new ParameterTemplate();
    private static final ParameterTemplate LFO_GROUP = new ParameterTemplate();
    private static final ParameterTemplate PITCH_GROUP = new ParameterTemplate();

    private static final int Z_LOW_KEY = ZONE_GROUP.number("lowKey", "Lowest key", Unit.KEY, Taper.STEPPED, 0, 127, 0);
    private static final int Z_HIGH_KEY = ZONE_GROUP.number("highKey", "Highest key", Unit.KEY, Taper.STEPPED, 0, 127, 127);
    private static final int Z_LOW_VELOCITY = ZONE_GROUP.number("lowVelocity", "Lowest velocity", Unit.NONE, Taper.STEPPED, 1, 127, 1);
    private static final int Z_HIGH_VELOCITY = ZONE_GROUP.number("highVelocity", "Highest velocity", Unit.NONE, Taper.STEPPED, 1, 127, 127);
    private static final int Z_TRANSPOSE = ZONE_GROUP.number("transpose", "Transpose", Unit.SEMITONES, Taper.STEPPED, -48, 48, 0);
    private static final int Z_LEVEL = ZONE_GROUP.number("level", "Level", Unit.DECIBELS, Taper.DECIBEL, -72, 6, 0);
    private static final int Z_PAN = ZONE_GROUP.number("pan", "Pan", Unit.PERCENT, Taper.LINEAR, -100, 100, 0);

    private static final int P_SHIFT = PITCH_GROUP.number("shift", "Pitch shift", Unit.SEMITONES, Taper.LINEAR, -48, 48, 0);

    private static final int F_TYPE = FILTER_GROUP.choice("type", "Filter", "off", "lowPass24");
    private static final int F_CUTOFF = FILTER_GROUP.number("cutoff", "Cutoff", Unit.HERTZ, Taper.LOGARITHMIC, 20, 20000, 20000);
    private static final int F_RESONANCE = FILTER_GROUP.number("resonance", "Resonance", Unit.DECIBELS, Taper.LINEAR, 0, 36, 0);
    private static final int F_KEY = FILTER_GROUP.number("keyTracking", "Key tracking", Unit.PERCENT, Taper.LINEAR, 0, 200, 0);
    private static final int F_ENVELOPE = FILTER_GROUP.number("envelopeAmount", "Envelope amount", Unit.OCTAVES, Taper.LINEAR, -10, 10, 0);

    private static final int L_WAVE = LFO_GROUP.choice("wave", "LFO wave", "sine", "triangle", "rampUp", "rampDown", "square", "steppedRandom");
    private static final int L_DIVISION = LFO_GROUP.choice("division", "Tempo", Division.idsWithFree());
    private static final int L_RATE = LFO_GROUP.number("rate", "Rate", Unit.HERTZ, Taper.LOGARITHMIC, 0.02, 40, 5);
    private static final int L_DELAY = LFO_GROUP.number("delay", "Delay", Unit.SECONDS, Taper.CUBIC, 0, 10, 0);
    private static final int L_FADE = LFO_GROUP.number("fade", "Fade in", Unit.SECONDS, Taper.CUBIC, 0, 10, 0);
    private static final int L_PHASE = LFO_GROUP.number("phase", "Start phase", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);

    public static final int ON = BLOCK.onOff("on", "Layer");
    private static final int ZONE = BLOCK.group(ZONE_GROUP, "zone", "Zone");
    public static final int LOW_KEY = ZONE + Z_LOW_KEY;
    public static final int HIGH_KEY = ZONE + Z_HIGH_KEY;
    public static final int LOW_VELOCITY = ZONE + Z_LOW_VELOCITY;
    public static final int HIGH_VELOCITY = ZONE + Z_HIGH_VELOCITY;
    public static final int TRANSPOSE = ZONE + Z_TRANSPOSE;
    public static final int ZONE_LEVEL = ZONE + Z_LEVEL;
    public static final int ZONE_PAN = ZONE + Z_PAN;
    private static final int PITCH = BLOCK.group(PITCH_GROUP, "pitch", "Pitch");
    public static final int PITCH_SHIFT = PITCH + P_SHIFT;
    private static final int FIRST_SOURCE = BLOCK.group(SourceParameters.GROUP, "source1", "Source 1");
    private static final int SOURCE_SIZE = SourceParameters.GROUP.size();
    private static final int SECOND_SOURCE = BLOCK.group(SourceParameters.GROUP, "source2", "Source 2");
    private static final int THIRD_SOURCE = BLOCK.group(SourceParameters.GROUP, "source3", "Source 3");
    private static final int FILTER = BLOCK.group(FILTER_GROUP, "filter", "Filter");
    public static final int FILTER_TYPE = FILTER + F_TYPE;
    public static final int CUTOFF = FILTER + F_CUTOFF;
    public static final int RESONANCE = FILTER + F_RESONANCE;
    public static final int KEY_TRACKING = FILTER + F_KEY;
    public static final int ENVELOPE_AMOUNT = FILTER + F_ENVELOPE;
    public static final int AMPLITUDE_ENVELOPE = BLOCK.group(EnvelopeParameters.AMPLITUDE, "amplitude", "Amplitude envelope");
    public static final int FILTER_ENVELOPE = BLOCK.group(EnvelopeParameters.SHAPE, "filterEnvelope", "Filter envelope");
    private static final int LFO = BLOCK.group(LFO_GROUP, "lfo", "LFO");
    public static final int LFO_WAVE = LFO + L_WAVE;
    public static final int LFO_DIVISION = LFO + L_DIVISION;
    public static final int LFO_RATE = LFO + L_RATE;
    public static final int LFO_DELAY = LFO + L_DELAY;
    public static final int LFO_FADE = LFO + L_FADE;
    public static final int LFO_PHASE = LFO + L_PHASE;

    /** Number of parameters in a layer's block. */
    public static final int SIZE = BLOCK.size();

    private LayerParameters() {
    }

    /** Start of a source's group within the block; {@code source} counts from 0. */
    public static int source(int source) {
        return FIRST_SOURCE + source * SOURCE_SIZE;
    }
}
