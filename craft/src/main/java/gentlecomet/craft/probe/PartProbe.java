package gentlecomet.craft.probe;

/**
 * A part of a patch, and what is missing without it.
 *
 * @param place      id of the parameter that leads to it
 * @param name       as a sentence begins with it
 * @param kind       of the part
 * @param difference energy of what changes when it is taken away, against the louder of both, in dB: the most that was found under any condition in which it could be heard
 */
public record PartProbe(String place, String name, Kind kind, double difference) {

    /** Kinds of parts. */
    public enum Kind { LAYER, SOURCE, FILTER, EFFECT, ROUTE }
}
