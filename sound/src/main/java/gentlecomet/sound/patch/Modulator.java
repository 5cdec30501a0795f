package gentlecomet.sound.patch;

/** What a route can start from. One-sided modulators run from 0 to 1, two-sided ones from -1 to 1. */
public enum Modulator {
    /** Velocity of the note, 0 to 1. */
    VELOCITY("velocity", "Velocity", false),
    /** Channel or polyphonic aftertouch, whichever is stronger, 0 to 1. */
    AFTERTOUCH("aftertouch", "Aftertouch", false),
    /** Modulation wheel, 0 to 1. */
    MOD_WHEEL("modWheel", "Mod wheel", false),
    /** Pitch bend, -1 to 1. */
    BEND("bend", "Pitch bend", true),
    /** The layer's LFO, -1 to 1. */
    LFO("lfo", "LFO", true),
    /** The layer's filter envelope, 0 to 1. */
    FILTER_ENVELOPE("filterEnvelope", "Filter envelope", false),
    /** The layer's amplitude envelope, 0 to 1. */
    AMPLITUDE_ENVELOPE("amplitudeEnvelope", "Amplitude envelope", false),
    /** Distance of the key from C4 in units of five octaves, -1 to 1.1. */
    KEY("key", "Key", true),
    /** A new random number for each note, -1 to 1. */
    RANDOM("random", "Random per note", true),
    /** Macro 1, 0 to 1; the other seven follow in order. */
    MACRO_1("macro1", "Macro 1", false),
    MACRO_2("macro2", "Macro 2", false),
    MACRO_3("macro3", "Macro 3", false),
    MACRO_4("macro4", "Macro 4", false),
    MACRO_5("macro5", "Macro 5", false),
    MACRO_6("macro6", "Macro 6", false),
    MACRO_7("macro7", "Macro 7", false),
    MACRO_8("macro8", "Macro 8", false);

    private final String id;
    private final String label;
    private final boolean twoSided;

    Modulator(String id, String label, boolean twoSided) {
        this.id = id;
        this.label = label;
        this.twoSided = twoSided;
    }

    /** Stable text id, used in files. */
    public String id() {
        return id;
    }

    /** Name on the screen. */
    public String label() {
        return label;
    }

    /** Whether it also swings below zero. */
    public boolean twoSided() {
        return twoSided;
    }

    /** Whether it is the same for all notes, so that it may move the effects. */
    public boolean sharedByAllNotes() {
        return this == AFTERTOUCH || this == MOD_WHEEL || this == BEND || ordinal() >= MACRO_1.ordinal();
    }

    /** The modulator of an id, or null. */
    public static Modulator find(String id) {
        for (Modulator m : values()) {
            if (m.id.equals(id)) {
                return m;
            }
        }
        return null;
    }
}
