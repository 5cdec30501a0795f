package gentlecomet.craft.rules;

import gentlecomet.craft.measure.Measurement;

/** The measure by which a category is levelled. */
public enum LevelMeasure {
    /** Gated loudness of the whole phrase (ITU-R BS.1770-4); for sounds that last. */
    INTEGRATED,
    /** The loudest 400 ms; for short struck sounds. */
    MOMENTARY_MAX;

    /** The loudness in LUFS that counts. */
    public double of(Measurement measurement) {
        return this == INTEGRATED ? measurement.integratedLufs() : measurement.momentaryMaxLufs();
    }
}
