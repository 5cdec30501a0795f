package gentlecomet.sound.parameter;

/** Places of a tone source's parameters within its group. */
public final class SourceParameters {

    /** Lowest level of a source; at this value the source is off and costs nothing. */
    public static final double OFF_DB = -72;
    /** Bands of partials that rise or fall on their own. */
    public static final int BANDS = 8;

    static final ParameterTemplate GROUP = new ParameterTemplate();

    public static final int WAVE = GROUP.choice("wave", "Wave", "sine", "triangle", "saw", "pulse", "noise", "roundSquare", "table",
            "harmonics", "partials", "body", "recording");
    public static final int LEVEL = GROUP.number("level", "Level", Unit.DECIBELS, Taper.DECIBEL, OFF_DB, 6, OFF_DB);
    public static final int PAN = GROUP.number("pan", "Pan", Unit.PERCENT, Taper.LINEAR, -100, 100, 0);
    public static final int OUTPUT = GROUP.choice("output", "Output", "both", "filter1", "filter2", "direct");
    public static final int OCTAVE = GROUP.number("octave", "Octave", Unit.OCTAVES, Taper.STEPPED, -4, 4, 0);
    public static final int SEMITONES = GROUP.number("semitones", "Semitones", Unit.SEMITONES, Taper.STEPPED, -48, 48, 0);
    public static final int CENTS = GROUP.number("cents", "Fine tune", Unit.CENTS, Taper.LINEAR, -100, 100, 0);
    public static final int RATIO = GROUP.number("ratio", "Frequency ratio", Unit.RATIO, Taper.LOGARITHMIC, 0.03125, 32, 1);
    public static final int OFFSET = GROUP.number("offset", "Offset", Unit.HERTZ, Taper.LINEAR, -500, 500, 0);
    public static final int KEY_FOLLOW = GROUP.number("keyFollow", "Key follow", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);

    public static final int TABLE;
    public static final int POSITION;
    public static final int PULSE_WIDTH;
    public static final int PHASE_START;
    public static final int PHASE;
    public static final int PHASE_RANGE;
    public static final int UNISON_VOICES;
    public static final int DETUNE;
    public static final int WIDTH;
    public static final int BALANCE;
    /** How much of the drawn map of the unison voices counts. */
    public static final int UNISON_MAP;
    /** Ranges within which each unison voice of each note is drawn anew. */
    public static final int RANDOM_PITCH;
    public static final int RANDOM_PAN;
    public static final int SYNC;
    public static final int RING;
    public static final int RING_FROM;
    /** Phase modulation by source 1; sources 2 and 3 follow. */
    public static final int PHASE_MODULATION;

    public static final int PARTIALS_FROM;
    public static final int PARTIAL_COUNT;
    public static final int INHARMONICITY;
    public static final int GRID_PULL;
    public static final int GRID_PITCH;
    public static final int BAND_SLIDE;
    /** Rise of band 1 in dB, then its time; the other bands follow in pairs. */
    public static final int BAND;

    /** Partials below and above which the levels fall, and the balance of odd and even ones. */
    public static final int PARTIAL_LOW;
    public static final int PARTIAL_HIGH;
    public static final int ODD_EVEN;
    /** Whether noise is the same at the start of each note. */
    public static final int NOISE_START;

    public static final int BODY_SET;
    public static final int BODY_PARTIALS;
    public static final int BODY_DECAY;
    public static final int BODY_TILT;
    public static final int STRIKE;
    public static final int SPREAD;
    public static final int PITCH_FALL;
    public static final int PITCH_FALL_TIME;
    public static final int EXCITER;
    public static final int EXCITER_LENGTH;
    public static final int EXCITER_TONE;

    public static final int ROOT_KEY;
    public static final int START;
    public static final int END;
    public static final int LOOP;
    public static final int LOOP_START;
    public static final int LOOP_END;
    public static final int CROSSFADE;
    public static final int DIRECTION;

    public static final int WAVE_SINE = 0;
    public static final int WAVE_TRIANGLE = 1;
    public static final int WAVE_SAW = 2;
    public static final int WAVE_PULSE = 3;
    public static final int WAVE_NOISE = 4;
    public static final int WAVE_ROUND_SQUARE = 5;
    public static final int WAVE_TABLE = 6;
    public static final int WAVE_HARMONICS = 7;
    public static final int WAVE_PARTIALS = 8;
    public static final int WAVE_BODY = 9;
    public static final int WAVE_RECORDING = 10;

    public static final int PHASE_FIXED = 0;
    public static final int PHASE_FREE = 1;
    public static final int PHASE_RANDOM = 2;

    /** What levels of partials come from a wave table, from drawn harmonics. */
    public static final int PARTIALS_FROM_TABLE = 2;
    public static final int PARTIALS_FROM_HARMONICS = 3;
    /** A modal resonator of partials that a recorded hit was taken apart into, or that were drawn. */
    public static final int BODY_ANALYSED = 5;

    static {
        ParameterTemplate g = GROUP;
        g.when(WAVE, "table", "partials");
        TABLE = g.choice("table", "Table", TableName.ids());
        POSITION = g.number("position", "Position", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        g.when(WAVE, "pulse");
        PULSE_WIDTH = g.number("pulseWidth", "Pulse width", Unit.PERCENT, Taper.LINEAR, 3, 97, 50);
        String[] cyclic = {"sine", "triangle", "saw", "pulse", "roundSquare", "table", "harmonics", "partials"};
        g.when(WAVE, cyclic);
        PHASE_START = g.choice("phaseStart", "Phase start", "fixed", "free", "random");
        PHASE = g.number("phase", "Start phase", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        PHASE_RANGE = g.number("phaseRange", "Random range", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
        g.when(WAVE, "sine", "triangle", "saw", "pulse", "roundSquare", "table", "harmonics", "recording");
        UNISON_VOICES = g.number("unisonVoices", "Unison voices", Unit.NONE, Taper.STEPPED, 1, 16, 1);
        DETUNE = g.number("detune", "Detune", Unit.CENTS, Taper.CUBIC, 0, 100, 0);
        g.when(WAVE, "sine", "triangle", "saw", "pulse", "noise", "roundSquare", "table", "harmonics", "partials", "body", "recording");
        WIDTH = g.number("width", "Width", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        g.when(WAVE, "sine", "triangle", "saw", "pulse", "roundSquare", "table", "harmonics", "recording");
        BALANCE = g.number("unisonBalance", "Unison balance", Unit.DECIBELS, Taper.LINEAR, -24, 24, 0);
        UNISON_MAP = g.number("unisonMap", "Unison map", Unit.PERCENT, Taper.LINEAR, 0, 200, 100);
        RANDOM_PITCH = g.number("randomPitch", "Random pitch", Unit.CENTS, Taper.CUBIC, 0, 100, 0);
        RANDOM_PAN = g.number("randomPan", "Random pan", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        g.when(WAVE, "sine", "triangle", "saw", "pulse", "roundSquare", "table", "harmonics");
        SYNC = g.choice("sync", "Hard sync to", "off", "source1", "source2", "source3");
        PHASE_MODULATION = g.number("phaseModulation1", "Phase modulation from 1", Unit.RADIANS, Taper.CUBIC, 0, 24, 0);
        g.number("phaseModulation2", "Phase modulation from 2", Unit.RADIANS, Taper.CUBIC, 0, 24, 0);
        g.number("phaseModulation3", "Phase modulation from 3", Unit.RADIANS, Taper.CUBIC, 0, 24, 0);
        g.always();
        RING = g.number("ring", "Ring modulation", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        RING_FROM = g.choice("ringFrom", "Ring modulation with", "source1", "source2", "source3");

        g.when(WAVE, "partials");
        PARTIALS_FROM = g.choice("partialsFrom", "Levels from", "saw", "square", "table", "harmonics", "seeded", "seededEachNote");
        PARTIAL_COUNT = g.number("partialCount", "Partials", Unit.NONE, Taper.STEPPED, 1, 128, 64);
        INHARMONICITY = g.number("inharmonicity", "Inharmonicity", Unit.PERCENT, Taper.LINEAR, -30, 30, 0);
        PARTIAL_LOW = g.number("partialLow", "Low cut at partial", Unit.NONE, Taper.LOGARITHMIC, 1, 128, 1);
        PARTIAL_HIGH = g.number("partialHigh", "High cut at partial", Unit.NONE, Taper.LOGARITHMIC, 1, 128, 128);
        ODD_EVEN = g.number("oddEven", "Odd to even", Unit.PERCENT, Taper.LINEAR, -100, 100, 0);
        GRID_PULL = g.number("gridPull", "Grid pull", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        GRID_PITCH = g.number("gridPitch", "Grid pitch", Unit.HERTZ, Taper.LOGARITHMIC, 20, 4000, 220);
        BAND_SLIDE = g.number("bandSlide", "Band slide", Unit.OCTAVES, Taper.LINEAR, -5, 5, 0);
        int first = -1;
        for (int band = 1; band <= BANDS; band++) {
            int rise = g.number("band" + band + "Rise", "Band " + band + " rise", Unit.DECIBELS, Taper.LINEAR, -72, 24, 0);
            g.number("band" + band + "Time", "Band " + band + " time", Unit.SECONDS, Taper.CUBIC, 0.005, 20, 1);
            first = band == 1 ? rise : first;
        }
        BAND = first;

        g.when(WAVE, "body");
        BODY_SET = g.choice("bodySet", "Body", "harmonic", "membrane", "freeBar", "clampedBar", "plate", "analysed");
        BODY_PARTIALS = g.number("bodyPartials", "Body partials", Unit.NONE, Taper.STEPPED, 1, 64, 24);
        BODY_DECAY = g.number("bodyDecay", "Decay", Unit.SECONDS, Taper.CUBIC, 0.02, 30, 1.5);
        BODY_TILT = g.number("bodyTilt", "Damping of highs", Unit.PERCENT, Taper.LINEAR, 0, 100, 40);
        STRIKE = g.number("strike", "Strike position", Unit.PERCENT, Taper.LINEAR, 1, 50, 28);
        SPREAD = g.number("spread", "Spread per strike", Unit.DECIBELS, Taper.LINEAR, 0, 12, 0);
        PITCH_FALL = g.number("pitchFall", "Pitch fall", Unit.SEMITONES, Taper.LINEAR, 0, 24, 0);
        PITCH_FALL_TIME = g.number("pitchFallTime", "Fall time", Unit.SECONDS, Taper.CUBIC, 0.005, 2, 0.06);
        EXCITER = g.choice("exciter", "Exciter", "click", "noise");
        EXCITER_LENGTH = g.number("exciterLength", "Exciter length", Unit.SECONDS, Taper.CUBIC, 0.0005, 1, 0.004);
        EXCITER_TONE = g.number("exciterTone", "Exciter tone", Unit.HERTZ, Taper.LOGARITHMIC, 100, 20000, 8000);

        g.when(WAVE, "noise");
        NOISE_START = g.choice("noiseStart", "Noise start", "fresh", "repeatable");

        g.when(WAVE, "recording");
        ROOT_KEY = g.number("rootKey", "Root key", Unit.KEY, Taper.STEPPED, 0, 127, 60);
        START = g.number("start", "Start", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        END = g.number("end", "End", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
        LOOP = g.choice("loop", "Loop", "off", "forward");
        LOOP_START = g.number("loopStart", "Loop start", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        LOOP_END = g.number("loopEnd", "Loop end", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
        CROSSFADE = g.number("crossfade", "Loop crossfade", Unit.PERCENT, Taper.LINEAR, 0, 50, 5);
        DIRECTION = g.choice("direction", "Direction", "forward", "reverse");
        g.always();
        g.advanced(OUTPUT, RATIO, OFFSET, KEY_FOLLOW, PHASE_RANGE, BALANCE, UNISON_MAP, RANDOM_PITCH, RANDOM_PAN, SYNC, PHASE_MODULATION, PHASE_MODULATION + 1, PHASE_MODULATION + 2, RING, RING_FROM, START);
        g.bringsParts(TABLE, PARTIALS_FROM, BODY_SET);
        g.serves(Facts.Quality.BRIGHTNESS, 2, POSITION, PULSE_WIDTH, PHASE_MODULATION, PHASE_MODULATION + 1, PHASE_MODULATION + 2, BODY_TILT, EXCITER_TONE, PARTIAL_HIGH);
        g.serves(Facts.Quality.BRIGHTNESS, 3, LEVEL);
        g.serves(Facts.Quality.LENGTH, 1, BODY_DECAY);
        g.serves(Facts.Quality.WIDTH, 1, WIDTH);
        g.serves(Facts.Quality.WIDTH, 2, PAN, BALANCE);
        g.serves(Facts.Quality.WIDTH, 3, LEVEL);
        g.serves(Facts.Quality.ROUGHNESS, 1, DETUNE);
        g.serves(Facts.Quality.ROUGHNESS, 2, PHASE_MODULATION, PHASE_MODULATION + 1, PHASE_MODULATION + 2, GRID_PULL, SPREAD);
        g.serves(Facts.Quality.ROUGHNESS, 4, BODY_TILT, POSITION, PULSE_WIDTH);
        g.serves(Facts.Quality.ROUGHNESS, 5, LEVEL, WIDTH);
    }

    /** Number of parameters of the group. */
    public static int size() {
        return GROUP.size();
    }

    private SourceParameters() {
    }
}
