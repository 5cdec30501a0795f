package gentlecomet.sound.parameter;

/** Places of a filter's parameters within its group. */
public final class FilterParameters {

    /** Resonance at and above this lift is self-oscillation. */
    public static final double SINGING_DB = 59.5;

    static final ParameterTemplate GROUP = new ParameterTemplate();

    public static final int TYPE = GROUP.choice("type", "Filter", "off", "lowPass24", "lowPass12", "highPass12", "highPass24", "bandPass12",
            "bandPass24", "notch12", "notch24", "ladder24", "comb", "vowel", "phaser");
    public static final int CUTOFF;
    public static final int RESONANCE;
    public static final int KEY_TRACKING;
    public static final int ENVELOPE_AMOUNT;
    public static final int DRIVE;
    public static final int COMB_TUNE;
    public static final int COMB_FEEDBACK;
    public static final int COMB_DAMPING;
    public static final int VOWEL;
    public static final int MIX;

    public static final int OFF = 0;
    public static final int LOW_PASS_24 = 1;
    public static final int LOW_PASS_12 = 2;
    public static final int HIGH_PASS_12 = 3;
    public static final int HIGH_PASS_24 = 4;
    public static final int BAND_PASS_12 = 5;
    public static final int BAND_PASS_24 = 6;
    public static final int NOTCH_12 = 7;
    public static final int NOTCH_24 = 8;
    public static final int LADDER_24 = 9;
    public static final int COMB = 10;
    public static final int VOWELS = 11;
    public static final int PHASER = 12;

    static {
        ParameterTemplate g = GROUP;
        g.when(TYPE, "lowPass24", "lowPass12", "highPass12", "highPass24", "bandPass12", "bandPass24", "notch12", "notch24", "ladder24", "phaser");
        CUTOFF = g.number("cutoff", "Cutoff", Unit.HERTZ, Taper.LOGARITHMIC, 20, 20000, 20000);
        RESONANCE = g.number("resonance", "Resonance", Unit.DECIBELS, Taper.LINEAR, 0, 60, 0);
        g.when(TYPE, "lowPass24", "lowPass12", "highPass12", "highPass24", "bandPass12", "bandPass24", "notch12", "notch24", "ladder24", "comb", "vowel", "phaser");
        KEY_TRACKING = g.number("keyTracking", "Key tracking", Unit.PERCENT, Taper.LINEAR, 0, 200, 0);
        ENVELOPE_AMOUNT = g.number("envelopeAmount", "Envelope 2 amount", Unit.OCTAVES, Taper.LINEAR, -10, 10, 0);
        DRIVE = g.number("drive", "Drive", Unit.DECIBELS, Taper.LINEAR, 0, 36, 0);
        g.when(TYPE, "comb");
        COMB_TUNE = g.number("combTune", "Comb tune", Unit.SEMITONES, Taper.LINEAR, -48, 48, 0);
        COMB_FEEDBACK = g.number("combFeedback", "Comb feedback", Unit.PERCENT, Taper.LINEAR, -99, 99, 70);
        COMB_DAMPING = g.number("combDamping", "Comb damping", Unit.HERTZ, Taper.LOGARITHMIC, 500, 20000, 20000);
        g.when(TYPE, "vowel");
        VOWEL = g.number("vowel", "Vowel", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        g.when(TYPE, "lowPass24", "lowPass12", "highPass12", "highPass24", "bandPass12", "bandPass24", "notch12", "notch24", "ladder24", "comb", "vowel", "phaser");
        MIX = g.number("mix", "Mix", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
        g.always();
        g.advanced(DRIVE, MIX);
        g.serves(Facts.Quality.BRIGHTNESS, 1, CUTOFF, ENVELOPE_AMOUNT);
        g.serves(Facts.Quality.BRIGHTNESS, 2, COMB_DAMPING, VOWEL);
        g.serves(Facts.Quality.BRIGHTNESS, 3, DRIVE);
        g.serves(Facts.Quality.LENGTH, 2, COMB_FEEDBACK);
        g.serves(Facts.Quality.ROUGHNESS, 1, DRIVE);
        g.serves(Facts.Quality.ROUGHNESS, 4, CUTOFF, ENVELOPE_AMOUNT, RESONANCE, COMB_DAMPING);
    }

    /** Number of parameters of a filter. */
    public static final int SIZE = GROUP.size();

    private FilterParameters() {
    }
}
