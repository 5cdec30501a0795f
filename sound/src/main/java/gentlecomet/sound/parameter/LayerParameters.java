package gentlecomet.sound.parameter;

/**
 * Places of a layer's parameters within its block. The first {@link #VOICE_SIZE} belong to the voices; the layer's effect
 * slots follow.
 */
public final class LayerParameters {

    /** Tone sources of a layer. */
    public static final int SOURCES = 3;
    /** Filters of a layer. */
    public static final int FILTERS = 2;
    /** Envelopes of a layer, the amplitude envelope first. */
    public static final int ENVELOPES = 4;
    /** Drawn curves of a layer. */
    public static final int CURVES = 2;
    /** LFOs of a layer. */
    public static final int LFOS = 4;
    /** Effect slots of a layer. */
    public static final int EFFECTS = 4;

    private static final int SOURCE_SIZE = SourceParameters.GROUP.size();
    private static final int FILTER_SIZE = FilterParameters.GROUP.size();
    private static final int ENVELOPE_SIZE = EnvelopeParameters.SHAPE.size();
    private static final int CURVE_SIZE = CurveParameters.GROUP.size();
    private static final int LFO_SIZE = LfoParameters.GROUP.size();
    private static final int EFFECT_SIZE = EffectParameters.GROUP.size();

    static final ParameterTemplate BLOCK = new ParameterTemplate();
    private static final ParameterTemplate ZONE_GROUP = new ParameterTemplate();
    private static final ParameterTemplate PITCH_GROUP = new ParameterTemplate();
    private static final ParameterTemplate FILTERS_GROUP = new ParameterTemplate();
    private static final ParameterTemplate DRIVE_GROUP = new ParameterTemplate();

    private static final int Z_LOW_KEY = ZONE_GROUP.number("lowKey", "Lowest key", Unit.KEY, Taper.STEPPED, 0, 127, 0);
    private static final int Z_HIGH_KEY = ZONE_GROUP.number("highKey", "Highest key", Unit.KEY, Taper.STEPPED, 0, 127, 127);
    private static final int Z_LOW_VELOCITY = ZONE_GROUP.number("lowVelocity", "Lowest velocity", Unit.NONE, Taper.STEPPED, 1, 127, 1);
    private static final int Z_HIGH_VELOCITY = ZONE_GROUP.number("highVelocity", "Highest velocity", Unit.NONE, Taper.STEPPED, 1, 127, 127);
    private static final int Z_LOW_KEY_FADE = ZONE_GROUP.number("lowKeyFade", "Low key fade", Unit.SEMITONES, Taper.STEPPED, 0, 48, 0);
    private static final int Z_HIGH_KEY_FADE = ZONE_GROUP.number("highKeyFade", "High key fade", Unit.SEMITONES, Taper.STEPPED, 0, 48, 0);
    private static final int Z_LOW_VELOCITY_FADE = ZONE_GROUP.number("lowVelocityFade", "Low velocity fade", Unit.NONE, Taper.STEPPED, 0, 64, 0);
    private static final int Z_HIGH_VELOCITY_FADE = ZONE_GROUP.number("highVelocityFade", "High velocity fade", Unit.NONE, Taper.STEPPED, 0, 64, 0);
    private static final int Z_FADE_LAW = ZONE_GROUP.choice("fadeLaw", "Fades keep", "power", "level");
    private static final int Z_TRANSPOSE = ZONE_GROUP.number("transpose", "Transpose", Unit.SEMITONES, Taper.STEPPED, -48, 48, 0);
    private static final int Z_LEVEL = ZONE_GROUP.number("level", "Level", Unit.DECIBELS, Taper.DECIBEL, -72, 6, 0);
    private static final int Z_PAN = ZONE_GROUP.number("pan", "Pan", Unit.PERCENT, Taper.LINEAR, -100, 100, 0);

    static {
        ZONE_GROUP.advanced(Z_LOW_KEY_FADE, Z_HIGH_KEY_FADE, Z_LOW_VELOCITY_FADE, Z_HIGH_VELOCITY_FADE, Z_FADE_LAW);
    }

    private static final int P_SHIFT = PITCH_GROUP.number("shift", "Pitch shift", Unit.SEMITONES, Taper.LINEAR, -48, 48, 0);

    private static final int F_ROUTING = FILTERS_GROUP.choice("routing", "Filters run", "series", "parallel");

    private static final int D_TYPE = DRIVE_GROUP.choice("type", "Drive", "off", "soft", "hard", "fold");
    private static final int D_PLACE;
    private static final int D_AMOUNT;
    private static final int D_MIX;

    public static final int ON = BLOCK.onOff("on", "Layer");
    private static final int ZONE = BLOCK.group(ZONE_GROUP, "zone", "Zone");
    public static final int LOW_KEY = ZONE + Z_LOW_KEY;
    public static final int HIGH_KEY = ZONE + Z_HIGH_KEY;
    public static final int LOW_VELOCITY = ZONE + Z_LOW_VELOCITY;
    public static final int HIGH_VELOCITY = ZONE + Z_HIGH_VELOCITY;
    public static final int LOW_KEY_FADE = ZONE + Z_LOW_KEY_FADE;
    public static final int HIGH_KEY_FADE = ZONE + Z_HIGH_KEY_FADE;
    public static final int LOW_VELOCITY_FADE = ZONE + Z_LOW_VELOCITY_FADE;
    public static final int HIGH_VELOCITY_FADE = ZONE + Z_HIGH_VELOCITY_FADE;
    public static final int FADE_LAW = ZONE + Z_FADE_LAW;
    public static final int TRANSPOSE = ZONE + Z_TRANSPOSE;
    public static final int ZONE_LEVEL = ZONE + Z_LEVEL;
    public static final int ZONE_PAN = ZONE + Z_PAN;
    public static final int PITCH_SHIFT = BLOCK.group(PITCH_GROUP, "pitch", "Pitch") + P_SHIFT;
    private static final int FIRST_SOURCE = repeat(SourceParameters.GROUP, SOURCES, "source", "Source ");
    public static final int NOISE = BLOCK.group(NoiseParameters.GROUP, "noise", "Noise");
    public static final int FILTER_ROUTING = BLOCK.group(FILTERS_GROUP, "filters", "Filters") + F_ROUTING;
    private static final int FIRST_FILTER = repeat(FilterParameters.GROUP, FILTERS, "filter", "Filter ");
    private static final int DRIVE;
    public static final int DRIVE_TYPE;
    public static final int DRIVE_PLACE;
    public static final int DRIVE_AMOUNT;
    public static final int DRIVE_MIX;
    public static final int AMPLITUDE_ENVELOPE;
    private static final int SECOND_ENVELOPE;
    private static final int FIRST_CURVE;
    private static final int FIRST_LFO;
    /** Number of parameters that voices use. */
    public static final int VOICE_SIZE;
    private static final int FIRST_EFFECT;
    /** Number of parameters in a layer's block. */
    public static final int SIZE;

    static {
        DRIVE_GROUP.when(D_TYPE, "soft", "hard", "fold");
        D_PLACE = DRIVE_GROUP.choice("place", "Drive is", "after", "between");
        D_AMOUNT = DRIVE_GROUP.number("amount", "Drive amount", Unit.DECIBELS, Taper.LINEAR, 0, 48, 12);
        D_MIX = DRIVE_GROUP.number("mix", "Drive mix", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
        DRIVE_GROUP.advanced(D_MIX);
        DRIVE_GROUP.serves(Facts.Quality.BRIGHTNESS, 3, D_AMOUNT);
        DRIVE_GROUP.serves(Facts.Quality.ROUGHNESS, 1, D_AMOUNT, D_MIX);
        DRIVE = BLOCK.group(DRIVE_GROUP, "drive", "Drive");
        DRIVE_TYPE = DRIVE + D_TYPE;
        DRIVE_PLACE = DRIVE + D_PLACE;
        DRIVE_AMOUNT = DRIVE + D_AMOUNT;
        DRIVE_MIX = DRIVE + D_MIX;
        AMPLITUDE_ENVELOPE = BLOCK.group(EnvelopeParameters.AMPLITUDE, "amplitude", "Amplitude envelope");
        SECOND_ENVELOPE = BLOCK.size();
        for (int e = 2; e <= ENVELOPES; e++) {
            BLOCK.group(EnvelopeParameters.SHAPE, "envelope" + e, "Envelope " + e);
        }
        FIRST_CURVE = repeat(CurveParameters.GROUP, CURVES, "curve", "Curve ");
        FIRST_LFO = repeat(LfoParameters.GROUP, LFOS, "lfo", "LFO ");
        VOICE_SIZE = BLOCK.size();
        FIRST_EFFECT = repeat(EffectParameters.GROUP, EFFECTS, "effect", "Effect ");
        SIZE = BLOCK.size();
    }

    private LayerParameters() {
    }

    /** Start of a source's group within the block; {@code source} counts from 0. */
    public static int source(int source) {
        return FIRST_SOURCE + source * SOURCE_SIZE;
    }

    /** Whether a continuous parameter of the block decides which sources are heard and which listen to others. */
    public static boolean joinsSources(int place) {
        if (place < FIRST_SOURCE || place >= FIRST_SOURCE + SOURCES * SOURCE_SIZE) {
            return false;
        }
        int within = (place - FIRST_SOURCE) % SOURCE_SIZE;
        return within == SourceParameters.LEVEL || within == SourceParameters.RING
                || within >= SourceParameters.PHASE_MODULATION && within < SourceParameters.PHASE_MODULATION + SOURCES;
    }

    /** Start of a filter's group within the block; {@code filter} counts from 0. */
    public static int filter(int filter) {
        return FIRST_FILTER + filter * FILTER_SIZE;
    }

    /** Start of an envelope's group within the block; 0 is the amplitude envelope. */
    public static int envelope(int envelope) {
        return envelope == 0 ? AMPLITUDE_ENVELOPE : SECOND_ENVELOPE + (envelope - 1) * ENVELOPE_SIZE;
    }

    /** Start of a drawn curve's group within the block; {@code curve} counts from 0. */
    public static int curve(int curve) {
        return FIRST_CURVE + curve * CURVE_SIZE;
    }

    /** Start of an LFO's group within the block; {@code lfo} counts from 0. */
    public static int lfo(int lfo) {
        return FIRST_LFO + lfo * LFO_SIZE;
    }

    /** Start of an effect slot's group within the block; {@code slot} counts from 0. */
    public static int effect(int slot) {
        return FIRST_EFFECT + slot * EFFECT_SIZE;
    }

    private static int repeat(ParameterTemplate group, int times, String prefix, String place) {
        int start = BLOCK.size();
        for (int i = 1; i <= times; i++) {
            BLOCK.group(group, prefix + i, place + i);
        }
        return start;
    }
}
