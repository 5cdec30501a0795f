package gentlecomet.sound.patch;

/** What a route can start from. One-sided modulators run from 0 to 1, two-sided ones from -1 to 1. */
public enum Modulator {
    /** Velocity of the note, 0 to 1. */
    VELOCITY("velocity", "Velocity", false),
    /** Velocity with which the key went up, 0 to 1; 0 while it is down. */
    RELEASE_VELOCITY("releaseVelocity", "Release velocity", false),
    /** Distance of the key from C4 in units of five octaves, -1 to 1.1. */
    KEY("key", "Key", true),
    /** Channel or polyphonic aftertouch, whichever is stronger, 0 to 1. */
    AFTERTOUCH("aftertouch", "Aftertouch", false),
    /** Polyphonic aftertouch of the note's own key, 0 to 1. */
    KEY_AFTERTOUCH("keyAftertouch", "Key aftertouch", false),
    /** Modulation wheel, 0 to 1. */
    MOD_WHEEL("modWheel", "Mod wheel", false),
    /** Pitch bend, -1 to 1. */
    BEND("bend", "Pitch bend", true),
    /** Breath controller, 0 to 1. */
    BREATH("breath", "Breath", false),
    /** Expression controller, 0 to 1. */
    EXPRESSION("expression", "Expression", false),
    /** Sustain pedal, 0 to 1; it also holds notes from a half on. */
    PEDAL("pedal", "Pedal", false),
    /** Slide along the note's own key (controller 74 of its channel), 0 to 1. */
    SLIDE("slide", "Slide", false),
    /** A new random number for each note, -1 to 1. */
    RANDOM("random", "Random per note", true),
    /** -1 and 1 in turn from note to note. */
    ALTERNATE("alternate", "Alternate note", true),
    /** Always 1. */
    CONSTANT("constant", "Constant", false),
    /** The layer's amplitude envelope, 0 to 1. */
    AMPLITUDE_ENVELOPE("amplitudeEnvelope", "Amplitude envelope", false),
    /** The layer's second envelope, 0 to 1; two more follow. */
    ENVELOPE_2("envelope2", "Envelope 2", false),
    ENVELOPE_3("envelope3", "Envelope 3", false),
    ENVELOPE_4("envelope4", "Envelope 4", false),
    /** The layer's first drawn curve, -1 to 1. */
    CURVE_1("curve1", "Curve 1", true),
    CURVE_2("curve2", "Curve 2", true),
    /** The layer's first LFO, -1 to 1; three more follow. */
    LFO_1("lfo1", "LFO 1", true),
    LFO_2("lfo2", "LFO 2", true),
    LFO_3("lfo3", "LFO 3", true),
    LFO_4("lfo4", "LFO 4", true),
    /** Macro 1, 0 to 1; the other seven follow in order. */
    MACRO_1("macro1", "Macro 1", false),
    MACRO_2("macro2", "Macro 2", false),
    MACRO_3("macro3", "Macro 3", false),
    MACRO_4("macro4", "Macro 4", false),
    MACRO_5("macro5", "Macro 5", false),
    MACRO_6("macro6", "Macro 6", false),
    MACRO_7("macro7", "Macro 7", false),
    MACRO_8("macro8", "Macro 8", false);

    /** Number of modulators. */
    public static final int COUNT = values().length;

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

    /** The modulator that a macro is. @param number from 0 */
    public static Modulator macro(int number) {
        return values()[MACRO_1.ordinal() + number];
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
