package gentlecomet.sound.effect;

import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.Parameters;

/**
 * The types of effects, in the order of the choice that selects them. A new one is a constant here, its parameters in {@link EffectParameters}, and its class.
 * Files name a type by its id.
 */
public enum EffectType {
    NONE("none", null),
    DRIVE("drive", DriveEffect::new),
    BITCRUSHER("bitcrusher", Bitcrusher::new),
    CHORUS("chorus", Chorus::new),
    FLANGER("flanger", Flanger::new),
    PHASER("phaser", Phaser::new),
    ENSEMBLE("ensemble", Ensemble::new),
    WIDENER("widener", Widener::new),
    TREMOLO("tremolo", Tremolo::new),
    DELAY("delay", StereoDelay::new, Picture.DELAY, false),
    REVERB("reverb", Reverb::new, Picture.REVERB, false),
    EQUALISER("equaliser", Equaliser::new, Picture.EQUALISER, false),
    COMPRESSOR("compressor", Compressor::new, Picture.COMPRESSOR, true),
    MULTIBAND_COMPRESSOR("multibandCompressor", MultibandCompressor::new, Picture.NONE, true),
    TRANSIENT_SHAPER("transientShaper", TransientShaper::new),
    DUCKING("ducking", Ducking::new, Picture.NONE, true),
    LIMITER("limiter", Limiter::new, Picture.NONE, true),
    STEREO("stereo", StereoWidth::new),
    FILTER("filter", FilterEffect::new, Picture.RESPONSE, false),
    MULTIBAND_DRIVE("multibandDrive", MultibandDrive::new, Picture.BANDS, false),
    BODY("body", BodyEffect::new, Picture.BODY, false),
    FILTER_BANK("filterBank", FilterBank::new, Picture.BANK, false);

    private static final EffectType[] TYPES = values();

    private final String id;
    private final Maker maker;
    private final Picture picture;
    private final boolean reducesGain;

    EffectType(String id, Maker maker) {
        this(id, maker, Picture.NONE, false);
    }

    EffectType(String id, Maker maker, Picture picture, boolean reducesGain) {
        this.id = id;
        this.maker = maker;
        this.picture = picture;
        this.reducesGain = reducesGain;
    }

    /** What is drawn above the bars of an effect. */
    public enum Picture {
        NONE, DELAY, REVERB, EQUALISER, COMPRESSOR, RESPONSE, BANDS, BODY, BANK
    }

    /** Makes an effect for a sample rate in Hz. */
    private interface Maker {
        Effect make(double sampleRate);
    }

    /** The type that a value of a slot's choice stands for. */
    public static EffectType of(double choice) {
        return TYPES[(int) choice];
    }

    /** The type in a slot of a patch. @param values of the patch, by registry index @param layer from 0, or -1 for the common chain @param slot from 0 */
    public static EffectType of(double[] values, int layer, int slot) {
        return of(values[Parameters.ofEffect(layer, slot) + EffectParameters.TYPE]);
    }

    /** As files name it. */
    public String id() {
        return id;
    }

    public Picture picture() {
        return picture;
    }

    /** Whether it turns the level down by itself, so that a meter can show by how much. */
    public boolean reducesGain() {
        return reducesGain;
    }

    /** What it does at a frequency as the parameters of a block stand, in dB, for pictures; 0 where that is not what it is about. */
    public double responseDb(double[] block, int at, double hz, double sampleRate) {
        switch (this) {
            case EQUALISER:
                return Equaliser.responseDb(block, at, hz, sampleRate);
            case FILTER:
                return FilterEffect.responseDb(block, at, hz, sampleRate);
            case BODY:
                return BodyEffect.responseDb(block, at, hz, sampleRate);
            default:
                return 0;
        }
    }

    /** A new effect, or null for {@link #NONE}. */
    Effect make(double sampleRate) {
        return maker == null ? null : maker.make(sampleRate);
    }
}
