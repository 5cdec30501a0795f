package gentlecomet.sound.parameter;

/** Places of a filter's parameters within its group. */
public final class FilterParameters {

    /** Resonance at and above this lift is self-oscillation. */
    public static final double SINGING_DB = 59.5;

    /** Vowels on the way from 0 to 100 %. */
    public static final int VOWEL_STOPS = 5;
    /** Vowels by the words that they are spoken in. */
    private static final String[] VOWELS_SPOKEN = {"who", "hoe", "hod", "head", "heed", "hid", "had", "hawed", "hud", "heard", "hood"};

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
    public static final int COMB_ATTACK;
    public static final int VOWEL;
    /** The first of the {@value #VOWEL_STOPS} vowels of the path. */
    public static final int VOWEL_PATH;
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
        COMB_ATTACK = g.number("combAttack", "Comb attack", Unit.SECONDS, Taper.CUBIC, 0, 1, 0);
        g.when(TYPE, "vowel");
        VOWEL = g.number("vowel", "Vowel", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        VOWEL_PATH = path(g, "");
        g.when(TYPE, "lowPass24", "lowPass12", "highPass12", "highPass24", "bandPass12", "bandPass24", "notch12", "notch24", "ladder24", "comb", "vowel", "phaser");
        MIX = g.number("mix", "Mix", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
        g.always();
        g.advanced(DRIVE, MIX, VOWEL_PATH, VOWEL_PATH + 1, VOWEL_PATH + 2, VOWEL_PATH + 3, VOWEL_PATH + 4);
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

    /** Declares the vowels of a path; without a change it goes who, hoe, hod, head, heed. */
    static int path(ParameterTemplate to, String prefix) {
        int first = -1;
        for (int stop = 0; stop < VOWEL_STOPS; stop++) {
            String[] choices = new String[VOWELS_SPOKEN.length];
            for (int c = 0; c < choices.length; c++) {
                choices[c] = VOWELS_SPOKEN[vowel(stop, c)];
            }
            int at = to.choice(prefix + "vowel" + (stop + 1), "Vowel " + (stop + 1), choices);
            first = stop == 0 ? at : first;
        }
        return first;
    }

    /** Which vowel a choice of a stop stands for, counted as {@link #VOWELS_SPOKEN}: the first of each stop's choices is its own, then come the others in order. */
    public static int vowel(int stop, int choice) {
        return choice == 0 ? stop : choice <= stop ? choice - 1 : choice;
    }
}
