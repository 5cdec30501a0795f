package gentlecomet.sound.parameter;

import java.util.Arrays;
import java.util.List;

/** Places of an effect slot's parameters within its group: what it is, its mix, and the parameters of every type. */
public final class EffectParameters {

    /** Bells of the equaliser. */
    public static final int BELLS = 4;
    /** Resonances of a body that can be drawn. */
    public static final int BODY_RESONANCES = 8;
    /** The most bands of the filter bank. */
    public static final int BANK_MOST = 16;

    static final ParameterTemplate GROUP = new ParameterTemplate();

    public static final int TYPE = GROUP.choice("type", "Effect", "none", "drive", "bitcrusher", "chorus", "flanger", "phaser", "ensemble",
            "widener", "tremolo", "delay", "reverb", "equaliser", "compressor", "multibandCompressor", "transientShaper", "ducking", "limiter", "stereo",
            "filter", "multibandDrive", "body", "filterBank");
    public static final int ON;
    public static final int MIX;
    /** Level after the mix, to match what goes in. */
    public static final int OUTPUT;

    public static final int DRIVE_SHAPE;
    public static final int DRIVE_AMOUNT;
    public static final int DRIVE_LOW_CUT;
    public static final int DRIVE_TONE;
    public static final int DRIVE_LEVEL;
    public static final int BITCRUSHER_BITS;
    public static final int BITCRUSHER_RATE;
    /** Rate, depth, delay, feedback of the chorus. */
    public static final int CHORUS_DIVISION;
    public static final int CHORUS_RATE;
    public static final int CHORUS_DEPTH;
    public static final int CHORUS_DELAY;
    public static final int CHORUS_SPREAD;
    public static final int FLANGER_DIVISION;
    public static final int FLANGER_RATE;
    public static final int FLANGER_DEPTH;
    public static final int FLANGER_DELAY;
    public static final int FLANGER_FEEDBACK;
    public static final int PHASER_DIVISION;
    public static final int PHASER_RATE;
    public static final int PHASER_STAGES;
    public static final int PHASER_CENTRE;
    public static final int PHASER_DEPTH;
    public static final int PHASER_FEEDBACK;
    public static final int ENSEMBLE_RATE;
    public static final int ENSEMBLE_DEPTH;
    public static final int WIDENER_DELAYED_SIDE;
    public static final int WIDENER_DELAY;
    public static final int TREMOLO_WAVE;
    public static final int TREMOLO_DIVISION;
    public static final int TREMOLO_RATE;
    public static final int TREMOLO_DEPTH;
    public static final int TREMOLO_STEREO_PHASE;
    public static final int DELAY_DIVISION_LEFT;
    public static final int DELAY_TIME_LEFT;
    public static final int DELAY_DIVISION_RIGHT;
    public static final int DELAY_TIME_RIGHT;
    public static final int DELAY_FEEDBACK;
    public static final int DELAY_PING_PONG;
    public static final int DELAY_LOW_CUT;
    public static final int DELAY_HIGH_CUT;
    public static final int DELAY_LOW_SLOPE;
    public static final int DELAY_HIGH_SLOPE;
    public static final int DELAY_LEVEL_LEFT;
    public static final int DELAY_LEVEL_RIGHT;
    /** Of the echoes: 0 for both sides alike. */
    public static final int DELAY_WIDTH;
    public static final int DELAY_MODULATION_RATE;
    public static final int DELAY_MODULATION_DEPTH;
    /** How much of each side's echoes goes on at the other side. */
    public static final int DELAY_CROSS;
    public static final int DELAY_DRIFT;
    public static final int DELAY_DIFFUSION;
    public static final int DELAY_DUCKING;
    public static final int DELAY_FREEZE;
    public static final int REVERB_KIND;
    public static final int REVERB_SIZE;
    public static final int REVERB_DECAY;
    public static final int REVERB_DIVISION;
    public static final int REVERB_PRE_DELAY;
    public static final int REVERB_DAMPING;
    /** Decay time of the highs in per cent of the decay time. */
    public static final int REVERB_HIGH_DECAY;
    public static final int REVERB_MODULATION;
    public static final int REVERB_LOW_CUT;
    public static final int REVERB_HIGH_CUT;
    public static final int REVERB_LOW_SLOPE;
    public static final int REVERB_HIGH_SLOPE;
    public static final int REVERB_FREEZE;
    public static final int REVERB_WIDTH;
    public static final int REVERB_EARLY;
    public static final int REVERB_GATE;
    public static final int REVERB_GATE_HOLD;
    public static final int REVERB_GATE_THRESHOLD;
    public static final int EQ_LOW_CUT;
    public static final int EQ_LOW_SLOPE;
    public static final int EQ_HIGH_CUT;
    public static final int EQ_HIGH_SLOPE;
    public static final int EQ_LOW_SHELF;
    public static final int EQ_LOW_GAIN;
    public static final int EQ_HIGH_SHELF;
    public static final int EQ_HIGH_GAIN;
    /** Frequency, gain and Q of bell 1; the other bells follow in threes. */
    public static final int EQ_BELL;
    public static final int COMPRESSOR_THRESHOLD;
    public static final int COMPRESSOR_RATIO;
    public static final int COMPRESSOR_KNEE;
    public static final int COMPRESSOR_ATTACK;
    public static final int COMPRESSOR_RELEASE;
    public static final int COMPRESSOR_MAKE_UP;
    public static final int COMPRESSOR_DETECTOR;
    public static final int COMPRESSOR_LOW_CUT;
    public static final int MULTIBAND_LOW;
    public static final int MULTIBAND_HIGH;
    public static final int MULTIBAND_DOWN;
    public static final int MULTIBAND_DOWN_RATIO;
    public static final int MULTIBAND_UP;
    public static final int MULTIBAND_UP_RATIO;
    public static final int MULTIBAND_ATTACK;
    public static final int MULTIBAND_RELEASE;
    /** Level of the low band; those of the middle and the high one follow. */
    public static final int MULTIBAND_LEVEL;
    public static final int TRANSIENT_ATTACK;
    public static final int TRANSIENT_SUSTAIN;
    public static final int DUCKING_RATE;
    public static final int DUCKING_DEPTH;
    public static final int DUCKING_HOLD;
    public static final int DUCKING_CURVE;
    public static final int LIMITER_GAIN;
    public static final int LIMITER_CEILING;
    public static final int LIMITER_RELEASE;
    public static final int LIMITER_ADAPTIVE;
    public static final int LIMITER_LOOK_AHEAD;
    public static final int LIMITER_DETECTOR;
    public static final int LIMITER_CLIP;
    public static final int STEREO_WIDTH;
    public static final int STEREO_MONO_BELOW;
    /** Choices as {@link FilterParameters#TYPE} without the first. */
    public static final int FILTER_TYPE;
    public static final int FILTER_CUTOFF;
    public static final int FILTER_RESONANCE;
    public static final int FILTER_KEY_TRACKING;
    public static final int FILTER_DRIVE;
    public static final int FILTER_COMB_TUNE;
    public static final int FILTER_COMB_FEEDBACK;
    public static final int FILTER_COMB_DAMPING;
    public static final int FILTER_VOWEL;
    public static final int BODY_KIND;
    public static final int BODY_TUNE;
    public static final int BODY_KEY_TRACKING;
    public static final int BODY_DECAY;
    public static final int BODY_TILT;
    /** How far the level of what comes in says how much of the body is heard. */
    public static final int BODY_TOUCH;
    public static final int BANDS_COUNT;
    /** Frequency of the lowest split; those of the others follow. */
    public static final int BANDS_SPLIT;
    /** Shape, amount, mix and level of the lowest band; those of the others follow in fours. */
    public static final int BANDS_DRIVE;
    /** Bands of the drive by band. */
    public static final int MOST_BANDS = 4;
    /** Parameters of each: shape, amount, mix, level. */
    public static final int BAND_SIZE = 4;

    /** The choice of no effect. */
    public static final int NONE = 0;
    public static final int FILTER_VOWEL_PATH;
    /** Ratio of the first drawn resonance of a body, then its level; the others follow in pairs. */
    public static final int BODY_DRAWN;
    public static final int BANK_BANDS;
    public static final int BANK_SHIFT;
    public static final int BANK_DEPTH;
    public static final int BANK_HOLD;
    public static final int BANK_ATTACK;
    public static final int BANK_RELEASE;
    public static final int BANK_LOW;
    public static final int BANK_HIGH;

    static {
        ParameterTemplate g = GROUP;
        List<String> effects = g.parameters().get(TYPE).choices();
        g.when(TYPE, effects.subList(1, effects.size()).toArray(new String[0]));
        ON = g.choice("on", "On / Bypass", "on", "bypassed");
        MIX = g.number("mix", "Mix", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
        OUTPUT = g.number("output", "Output", Unit.DECIBELS, Taper.LINEAR, -24, 24, 0);
        g.when(TYPE, "drive");
        DRIVE_SHAPE = g.choice("drive.shape", "Shape", "soft", "hard", "fold", "tape", "tube");
        DRIVE_AMOUNT = g.number("drive.amount", "Drive", Unit.DECIBELS, Taper.LINEAR, 0, 48, 12);
        DRIVE_LOW_CUT = g.number("drive.lowCut", "Low cut", Unit.HERTZ, Taper.LOGARITHMIC, 20, 2000, 20);
        DRIVE_TONE = g.number("drive.tone", "Tone", Unit.HERTZ, Taper.LOGARITHMIC, 500, 20000, 20000);
        DRIVE_LEVEL = g.number("drive.level", "Output", Unit.DECIBELS, Taper.LINEAR, -36, 12, 0);
        g.when(TYPE, "bitcrusher");
        BITCRUSHER_BITS = g.number("bitcrusher.bits", "Bits", Unit.NONE, Taper.LINEAR, 1, 16, 8);
        BITCRUSHER_RATE = g.number("bitcrusher.rate", "Sample rate", Unit.HERTZ, Taper.LOGARITHMIC, 200, 48000, 12000);
        g.when(TYPE, "chorus");
        CHORUS_DIVISION = g.division("chorus.division", "Sync");
        CHORUS_RATE = g.timed(CHORUS_DIVISION, "chorus.rate", "Rate", Unit.HERTZ, Taper.LOGARITHMIC, 0.02, 10, 0.6);
        CHORUS_DEPTH = g.number("chorus.depth", "Depth", Unit.SECONDS, Taper.CUBIC, 0, 0.02, 0.003);
        CHORUS_DELAY = g.number("chorus.delay", "Delay", Unit.SECONDS, Taper.CUBIC, 0.002, 0.04, 0.012);
        CHORUS_SPREAD = g.number("chorus.spread", "Spread", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
        g.when(TYPE, "flanger");
        FLANGER_DIVISION = g.division("flanger.division", "Sync");
        FLANGER_RATE = g.timed(FLANGER_DIVISION, "flanger.rate", "Rate", Unit.HERTZ, Taper.LOGARITHMIC, 0.01, 10, 0.2);
        FLANGER_DEPTH = g.number("flanger.depth", "Depth", Unit.SECONDS, Taper.CUBIC, 0, 0.008, 0.002);
        FLANGER_DELAY = g.number("flanger.delay", "Delay", Unit.SECONDS, Taper.CUBIC, 0.0002, 0.01, 0.001);
        FLANGER_FEEDBACK = g.number("flanger.feedback", "Feedback", Unit.PERCENT, Taper.LINEAR, -95, 95, 60);
        g.when(TYPE, "phaser");
        PHASER_DIVISION = g.division("phaser.division", "Sync");
        PHASER_RATE = g.timed(PHASER_DIVISION, "phaser.rate", "Rate", Unit.HERTZ, Taper.LOGARITHMIC, 0.01, 10, 0.3);
        PHASER_STAGES = g.choice("phaser.stages", "Stages", "4", "6", "8", "12");
        PHASER_CENTRE = g.number("phaser.centre", "Centre", Unit.HERTZ, Taper.LOGARITHMIC, 100, 8000, 800);
        PHASER_DEPTH = g.number("phaser.depth", "Depth", Unit.OCTAVES, Taper.LINEAR, 0, 4, 1.5);
        PHASER_FEEDBACK = g.number("phaser.feedback", "Feedback", Unit.PERCENT, Taper.LINEAR, -90, 90, 40);
        g.when(TYPE, "ensemble");
        ENSEMBLE_RATE = g.number("ensemble.rate", "Rate", Unit.HERTZ, Taper.LOGARITHMIC, 0.1, 8, 0.7);
        ENSEMBLE_DEPTH = g.number("ensemble.depth", "Depth", Unit.PERCENT, Taper.LINEAR, 0, 100, 50);
        g.when(TYPE, "widener");
        WIDENER_DELAYED_SIDE = g.choice("widener.delayedSide", "Delayed side", "right", "left");
        WIDENER_DELAY = g.number("widener.delay", "Delay", Unit.SECONDS, Taper.CUBIC, 0, 0.04, 0.012);
        g.when(TYPE, "tremolo");
        TREMOLO_WAVE = g.choice("tremolo.wave", "Wave", "sine", "triangle", "square");
        TREMOLO_DIVISION = g.division("tremolo.division", "Sync");
        TREMOLO_RATE = g.timed(TREMOLO_DIVISION, "tremolo.rate", "Rate", Unit.HERTZ, Taper.LOGARITHMIC, 0.05, 40, 5);
        TREMOLO_DEPTH = g.number("tremolo.depth", "Depth", Unit.PERCENT, Taper.LINEAR, 0, 100, 50);
        TREMOLO_STEREO_PHASE = g.number("tremolo.stereoPhase", "Stereo phase", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        g.when(TYPE, "delay");
        DELAY_DIVISION_LEFT = g.division("delay.divisionLeft", "Left sync");
        DELAY_TIME_LEFT = g.timed(DELAY_DIVISION_LEFT, "delay.timeLeft", "Left time", Unit.SECONDS, Taper.CUBIC, 0.001, 2, 0.375);
        DELAY_DIVISION_RIGHT = g.division("delay.divisionRight", "Right sync");
        DELAY_TIME_RIGHT = g.timed(DELAY_DIVISION_RIGHT, "delay.timeRight", "Right time", Unit.SECONDS, Taper.CUBIC, 0.001, 2, 0.5);
        DELAY_FEEDBACK = g.number("delay.feedback", "Feedback", Unit.PERCENT, Taper.LINEAR, 0, 95, 35);
        DELAY_PING_PONG = g.onOff("delay.pingPong", "Ping-pong");
        DELAY_LOW_CUT = g.number("delay.lowCut", "Low cut", Unit.HERTZ, Taper.LOGARITHMIC, 20, 2000, 120);
        DELAY_HIGH_CUT = g.number("delay.highCut", "High cut", Unit.HERTZ, Taper.LOGARITHMIC, 500, 20000, 8000);
        DELAY_LOW_SLOPE = g.choice("delay.lowSlope", "Low cut slope", "6dB", "12dB", "24dB");
        DELAY_HIGH_SLOPE = g.choice("delay.highSlope", "High cut slope", "6dB", "12dB", "24dB");
        DELAY_LEVEL_LEFT = g.number("delay.levelLeft", "Left level", Unit.DECIBELS, Taper.LINEAR, -36, 6, 0);
        DELAY_LEVEL_RIGHT = g.number("delay.levelRight", "Right level", Unit.DECIBELS, Taper.LINEAR, -36, 6, 0);
        DELAY_WIDTH = g.number("delay.width", "Width", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
        DELAY_MODULATION_RATE = g.number("delay.modulationRate", "Modulation rate", Unit.HERTZ, Taper.LOGARITHMIC, 0.05, 10, 0.5);
        DELAY_CROSS = g.number("delay.cross", "Cross", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        DELAY_DRIFT = g.number("delay.drift", "Drift", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        DELAY_DIFFUSION = g.number("delay.diffusion", "Diffusion", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        DELAY_DUCKING = g.number("delay.ducking", "Ducked by the dry sound", Unit.DECIBELS, Taper.LINEAR, 0, 36, 0);
        DELAY_FREEZE = g.number("delay.freeze", "Freeze", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        DELAY_MODULATION_DEPTH = g.number("delay.modulationDepth", "Modulation depth", Unit.SECONDS, Taper.CUBIC, 0, 0.01, 0);
        g.when(TYPE, "reverb");
        REVERB_KIND = g.choice("reverb.kind", "Kind", "hall", "room", "plate", "ambience", "bloom");
        REVERB_SIZE = g.number("reverb.size", "Size", Unit.PERCENT, Taper.LINEAR, 0, 100, 60);
        REVERB_DECAY = g.number("reverb.decay", "Decay", Unit.SECONDS, Taper.CUBIC, 0.1, 30, 2);
        REVERB_DIVISION = g.division("reverb.division", "Pre-delay sync");
        REVERB_PRE_DELAY = g.timed(REVERB_DIVISION, "reverb.preDelay", "Pre-delay", Unit.SECONDS, Taper.CUBIC, 0, 0.5, 0.015);
        REVERB_DAMPING = g.number("reverb.damping", "Damping", Unit.HERTZ, Taper.LOGARITHMIC, 500, 20000, 6000);
        REVERB_HIGH_DECAY = g.number("reverb.highDecay", "Decay of the highs", Unit.PERCENT, Taper.LINEAR, 5, 100, 25);
        REVERB_MODULATION = g.number("reverb.modulation", "Modulation", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        REVERB_LOW_CUT = g.number("reverb.lowCut", "Low cut", Unit.HERTZ, Taper.LOGARITHMIC, 20, 2000, 150);
        REVERB_HIGH_CUT = g.number("reverb.highCut", "High cut", Unit.HERTZ, Taper.LOGARITHMIC, 500, 20000, 20000);
        REVERB_LOW_SLOPE = g.choice("reverb.lowSlope", "Low cut slope", "6dB", "12dB", "24dB");
        REVERB_HIGH_SLOPE = g.choice("reverb.highSlope", "High cut slope", "6dB", "12dB", "24dB");
        REVERB_WIDTH = g.number("reverb.width", "Width", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
        REVERB_FREEZE = g.number("reverb.freeze", "Freeze", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        REVERB_EARLY = g.number("reverb.early", "Early level", Unit.DECIBELS, Taper.DECIBEL, -48, 6, -48);
        REVERB_GATE = g.choice("reverb.gate", "Gate", "off", "byLevel", "byTime");
        g.when(REVERB_GATE, "byLevel", "byTime");
        REVERB_GATE_HOLD = g.number("reverb.gateHold", "Gate hold", Unit.SECONDS, Taper.CUBIC, 0.02, 2, 0.25);
        REVERB_GATE_THRESHOLD = g.number("reverb.gateThreshold", "Gate threshold", Unit.DECIBELS, Taper.LINEAR, -60, 0, -30);
        g.when(TYPE, "equaliser");
        EQ_LOW_CUT = g.number("equaliser.lowCut", "Low cut", Unit.HERTZ, Taper.LOGARITHMIC, 20, 2000, 20);
        EQ_LOW_SLOPE = g.choice("equaliser.lowSlope", "Low cut slope", "off", "12dB", "24dB", "48dB");
        EQ_HIGH_CUT = g.number("equaliser.highCut", "High cut", Unit.HERTZ, Taper.LOGARITHMIC, 500, 20000, 20000);
        EQ_HIGH_SLOPE = g.choice("equaliser.highSlope", "High cut slope", "off", "12dB", "24dB", "48dB");
        EQ_LOW_SHELF = g.number("equaliser.lowShelf", "Low shelf", Unit.HERTZ, Taper.LOGARITHMIC, 20, 2000, 150);
        EQ_LOW_GAIN = g.number("equaliser.lowGain", "Low shelf gain", Unit.DECIBELS, Taper.LINEAR, -24, 24, 0);
        EQ_HIGH_SHELF = g.number("equaliser.highShelf", "High shelf", Unit.HERTZ, Taper.LOGARITHMIC, 500, 20000, 6000);
        EQ_HIGH_GAIN = g.number("equaliser.highGain", "High shelf gain", Unit.DECIBELS, Taper.LINEAR, -24, 24, 0);
        double[] bells = {120, 400, 1500, 5000};
        int first = -1;
        for (int b = 1; b <= BELLS; b++) {
            int at = g.number("equaliser.bell" + b, "Bell " + b, Unit.HERTZ, Taper.LOGARITHMIC, 20, 20000, bells[b - 1]);
            g.number("equaliser.gain" + b, "Bell " + b + " gain", Unit.DECIBELS, Taper.LINEAR, -24, 24, 0);
            g.number("equaliser.q" + b, "Bell " + b + " Q", Unit.NONE, Taper.LOGARITHMIC, 0.1, 18, 1);
            first = b == 1 ? at : first;
        }
        EQ_BELL = first;
        g.when(TYPE, "compressor");
        COMPRESSOR_THRESHOLD = g.number("compressor.threshold", "Threshold", Unit.DECIBELS, Taper.LINEAR, -60, 0, -18);
        COMPRESSOR_RATIO = g.number("compressor.ratio", "Ratio", Unit.NONE, Taper.LOGARITHMIC, 1, 40, 3);
        COMPRESSOR_KNEE = g.number("compressor.knee", "Knee", Unit.DECIBELS, Taper.LINEAR, 0, 24, 6);
        COMPRESSOR_ATTACK = g.number("compressor.attack", "Attack", Unit.SECONDS, Taper.CUBIC, 0.0001, 0.5, 0.01);
        COMPRESSOR_RELEASE = g.number("compressor.release", "Release", Unit.SECONDS, Taper.CUBIC, 0.005, 3, 0.15);
        COMPRESSOR_MAKE_UP = g.number("compressor.makeUp", "Make-up", Unit.DECIBELS, Taper.LINEAR, -12, 36, 0);
        COMPRESSOR_DETECTOR = g.choice("compressor.detector", "Detector", "peak", "rms");
        COMPRESSOR_LOW_CUT = g.number("compressor.lowCut", "Detector low cut", Unit.HERTZ, Taper.LOGARITHMIC, 20, 1000, 20);
        g.when(TYPE, "multibandCompressor");
        MULTIBAND_LOW = g.number("multiband.low", "Low split", Unit.HERTZ, Taper.LOGARITHMIC, 40, 1000, 160);
        MULTIBAND_HIGH = g.number("multiband.high", "High split", Unit.HERTZ, Taper.LOGARITHMIC, 1000, 12000, 2500);
        MULTIBAND_DOWN = g.number("multiband.downThreshold", "Threshold (down)", Unit.DECIBELS, Taper.LINEAR, -60, 0, -20);
        MULTIBAND_DOWN_RATIO = g.number("multiband.downRatio", "Ratio (down)", Unit.NONE, Taper.LOGARITHMIC, 1, 40, 3);
        MULTIBAND_UP = g.number("multiband.upThreshold", "Threshold (up)", Unit.DECIBELS, Taper.LINEAR, -72, 0, -45);
        MULTIBAND_UP_RATIO = g.number("multiband.upRatio", "Ratio (up)", Unit.NONE, Taper.LOGARITHMIC, 1, 10, 1);
        MULTIBAND_ATTACK = g.number("multiband.attack", "Attack", Unit.SECONDS, Taper.CUBIC, 0.0001, 0.5, 0.01);
        MULTIBAND_RELEASE = g.number("multiband.release", "Release", Unit.SECONDS, Taper.CUBIC, 0.005, 3, 0.15);
        MULTIBAND_LEVEL = g.number("multiband.lowLevel", "Low level", Unit.DECIBELS, Taper.LINEAR, -24, 24, 0);
        g.number("multiband.middleLevel", "Middle level", Unit.DECIBELS, Taper.LINEAR, -24, 24, 0);
        g.number("multiband.highLevel", "High level", Unit.DECIBELS, Taper.LINEAR, -24, 24, 0);
        g.when(TYPE, "transientShaper");
        TRANSIENT_ATTACK = g.number("transientShaper.attack", "Attack", Unit.DECIBELS, Taper.LINEAR, -18, 18, 0);
        TRANSIENT_SUSTAIN = g.number("transientShaper.sustain", "Sustain", Unit.DECIBELS, Taper.LINEAR, -18, 18, 0);
        g.when(TYPE, "ducking");
        DUCKING_RATE = g.division("ducking.rate", "Rate");
        DUCKING_DEPTH = g.number("ducking.depth", "Depth", Unit.DECIBELS, Taper.LINEAR, 0, 48, 12);
        DUCKING_HOLD = g.number("ducking.hold", "Hold", Unit.PERCENT, Taper.LINEAR, 0, 50, 5);
        DUCKING_CURVE = g.number("ducking.curve", "Rise curve", Unit.PERCENT, Taper.LINEAR, -100, 100, 0);
        g.when(TYPE, "limiter");
        LIMITER_GAIN = g.number("limiter.gain", "Gain", Unit.DECIBELS, Taper.LINEAR, -12, 36, 0);
        LIMITER_CEILING = g.number("limiter.ceiling", "Ceiling", Unit.DECIBELS, Taper.LINEAR, -24, 0, -1);
        LIMITER_RELEASE = g.number("limiter.release", "Release", Unit.SECONDS, Taper.CUBIC, 0.005, 2, 0.08);
        LIMITER_ADAPTIVE = g.choice("limiter.adaptive", "Release kind", "fixed", "adaptive");
        LIMITER_LOOK_AHEAD = g.number("limiter.lookAhead", "Look-ahead", Unit.SECONDS, Taper.LINEAR, 0, 0.01, 0.0015);
        LIMITER_DETECTOR = g.choice("limiter.detector", "Peaks", "truePeak", "samplePeak");
        LIMITER_CLIP = g.number("limiter.clip", "Soft clip", Unit.DECIBELS, Taper.LINEAR, 0, 12, 0);
        g.when(TYPE, "stereo");
        STEREO_WIDTH = g.number("stereo.width", "Width", Unit.PERCENT, Taper.LINEAR, 0, 200, 100);
        STEREO_MONO_BELOW = g.number("stereo.monoBelow", "Mono below", Unit.HERTZ, Taper.LOGARITHMIC, 20, 1000, 20);
        g.when(TYPE, "filter");
        String[] types = FilterParameters.GROUP.parameters().get(FilterParameters.TYPE).choices().toArray(new String[0]);
        FILTER_TYPE = g.choice("filter.type", "Filter", Arrays.copyOfRange(types, 1, types.length));
        g.when(FILTER_TYPE, "lowPass24", "lowPass12", "highPass12", "highPass24", "bandPass12", "bandPass24", "notch12", "notch24", "ladder24", "phaser");
        FILTER_CUTOFF = g.number("filter.cutoff", "Cutoff", Unit.HERTZ, Taper.LOGARITHMIC, 20, 20000, 2000);
        FILTER_RESONANCE = g.number("filter.resonance", "Resonance", Unit.DECIBELS, Taper.LINEAR, 0, 36, 0);
        g.when(TYPE, "filter");
        FILTER_KEY_TRACKING = g.number("filter.keyTracking", "Key tracking", Unit.PERCENT, Taper.LINEAR, 0, 200, 0);
        FILTER_DRIVE = g.number("filter.drive", "Drive", Unit.DECIBELS, Taper.LINEAR, 0, 36, 0);
        g.when(FILTER_TYPE, "comb");
        FILTER_COMB_TUNE = g.number("filter.combTune", "Comb tune", Unit.SEMITONES, Taper.LINEAR, -48, 48, 0);
        FILTER_COMB_FEEDBACK = g.number("filter.combFeedback", "Comb feedback", Unit.PERCENT, Taper.LINEAR, -99, 99, 70);
        FILTER_COMB_DAMPING = g.number("filter.combDamping", "Comb damping", Unit.HERTZ, Taper.LOGARITHMIC, 500, 20000, 20000);
        g.when(FILTER_TYPE, "vowel");
        FILTER_VOWEL = g.number("filter.vowel", "Vowel", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        FILTER_VOWEL_PATH = FilterParameters.path(g, "filter.");
        g.when(TYPE, "body");
        BODY_KIND = g.choice("body.kind", "Body", "tube", "skin", "wood", "metal", "drawn");
        BODY_TUNE = g.number("body.tune", "Lowest resonance", Unit.HERTZ, Taper.LOGARITHMIC, 30, 4000, 180);
        BODY_KEY_TRACKING = g.number("body.keyTracking", "Key tracking", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        BODY_DECAY = g.number("body.decay", "Decay", Unit.SECONDS, Taper.CUBIC, 0.01, 5, 0.4);
        BODY_TILT = g.number("body.tilt", "Damping of highs", Unit.PERCENT, Taper.LINEAR, 0, 100, 40);
        BODY_TOUCH = g.number("body.touch", "Driven by level", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        g.when(BODY_KIND, "drawn");
        int drawn = -1;
        for (int k = 1; k <= BODY_RESONANCES; k++) {
            int ratio = g.number("body.ratio" + k, "Resonance " + k, Unit.RATIO, Taper.LOGARITHMIC, 0.25, 32, k);
            g.number("body.level" + k, "Level " + k, Unit.DECIBELS, Taper.DECIBEL, -48, 6, 3.0 * (1 - k));
            drawn = k == 1 ? ratio : drawn;
        }
        BODY_DRAWN = drawn;
        g.when(TYPE, "filterBank");
        BANK_SHIFT = g.number("bank.shift", "Shift", Unit.NONE, Taper.LINEAR, -8, 8, 0);
        BANK_BANDS = g.number("bank.bands", "Bands", Unit.NONE, Taper.STEPPED, 4, BANK_MOST, 8);
        BANK_DEPTH = g.number("bank.depth", "Depth", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
        BANK_HOLD = g.number("bank.hold", "Hold", Unit.PERCENT, Taper.LINEAR, 0, 100, 0);
        BANK_ATTACK = g.number("bank.attack", "Attack", Unit.SECONDS, Taper.CUBIC, 0.001, 0.5, 0.005);
        BANK_RELEASE = g.number("bank.release", "Release", Unit.SECONDS, Taper.CUBIC, 0.005, 3, 0.06);
        BANK_LOW = g.number("bank.low", "Lowest split", Unit.HERTZ, Taper.LOGARITHMIC, 40, 1000, 150);
        BANK_HIGH = g.number("bank.high", "Highest split", Unit.HERTZ, Taper.LOGARITHMIC, 1000, 16000, 7000);
        g.when(TYPE, "multibandDrive");
        BANDS_COUNT = g.choice("bands.count", "Bands", "2", "3", "4");
        BANDS_SPLIT = g.number("bands.split1", "Split 1", Unit.HERTZ, Taper.LOGARITHMIC, 40, 2000, 200);
        g.when(BANDS_COUNT, "3", "4");
        g.number("bands.split2", "Split 2", Unit.HERTZ, Taper.LOGARITHMIC, 100, 8000, 1500);
        g.when(BANDS_COUNT, "4");
        g.number("bands.split3", "Split 3", Unit.HERTZ, Taper.LOGARITHMIC, 500, 16000, 5000);
        int lowest = -1;
        for (int band = 1; band <= MOST_BANDS; band++) {
            if (band <= 2) {
                g.when(TYPE, "multibandDrive");
            } else if (band == 3) {
                g.when(BANDS_COUNT, "3", "4");
            } else {
                g.when(BANDS_COUNT, "4");
            }
            int shape = g.choice("bands.shape" + band, "Band " + band + " shape", "soft", "hard", "fold");
            g.number("bands.amount" + band, "Band " + band + " drive", Unit.DECIBELS, Taper.LINEAR, 0, 48, 0);
            g.number("bands.mix" + band, "Band " + band + " mix", Unit.PERCENT, Taper.LINEAR, 0, 100, 100);
            g.number("bands.level" + band, "Band " + band + " level", Unit.DECIBELS, Taper.LINEAR, -36, 12, 0);
            lowest = band == 1 ? shape : lowest;
        }
        BANDS_DRIVE = lowest;
        g.always();
        g.serves(Facts.Quality.BRIGHTNESS, 2, FILTER_CUTOFF, BANK_SHIFT, DRIVE_TONE, EQ_HIGH_GAIN, MULTIBAND_LEVEL + 2, REVERB_DAMPING, DELAY_HIGH_CUT, REVERB_HIGH_CUT, EQ_HIGH_CUT);
        g.serves(Facts.Quality.BRIGHTNESS, 3, DRIVE_AMOUNT, MIX);
        g.serves(Facts.Quality.LENGTH, 2, REVERB_DECAY, DELAY_FEEDBACK);
        g.serves(Facts.Quality.LENGTH, 3, MIX);
        g.serves(Facts.Quality.WIDTH, 1, STEREO_WIDTH, REVERB_WIDTH, CHORUS_SPREAD, WIDENER_DELAY, TREMOLO_STEREO_PHASE);
        g.serves(Facts.Quality.WIDTH, 2, TREMOLO_DEPTH, STEREO_MONO_BELOW, MIX);
        g.serves(Facts.Quality.WIDTH, 3, CHORUS_DEPTH, REVERB_LOW_CUT, DELAY_LOW_CUT);
        g.serves(Facts.Quality.ROUGHNESS, 1, DRIVE_AMOUNT, BITCRUSHER_BITS, BITCRUSHER_RATE);
        g.serves(Facts.Quality.ROUGHNESS, 2, TREMOLO_DEPTH, CHORUS_DEPTH, ENSEMBLE_DEPTH);
        g.serves(Facts.Quality.ROUGHNESS, 3, MIX, DRIVE_TONE);
        g.serves(Facts.Quality.ROUGHNESS, 4, EQ_HIGH_GAIN, MULTIBAND_LEVEL + 2, DELAY_HIGH_CUT, REVERB_HIGH_CUT, EQ_HIGH_CUT, REVERB_DAMPING);
    }

    private EffectParameters() {
    }

    /** Number of parameters of a slot. */
    public static int size() {
        return GROUP.size();
    }
}
