package gentlecomet.sound.parameter;

import gentlecomet.sound.maths.Polynomials;
import java.util.List;
import java.util.function.IntToDoubleFunction;

/**
 * The description of one parameter: the single place from which screens, validation, routes, macros, the file format and
 * the comparison of revisions take what they say about it. Immutable.
 *
 * @param index   place in {@link Parameters} and in a patch image
 * @param id      stable text id, for example {@code layer2.filter.cutoff}
 * @param label   short name on the screen, for example "Cutoff"
 * @param place   where it lives, for people, for example "Layer 2 filter"
 * @param unit    unit of every value
 * @param taper   how a bar shares out the range
 * @param min     least value
 * @param max     greatest value
 * @param neutral value that does nothing or leaves the sound plain; left out of files
 * @param choices text ids of a {@link Taper#CHOICE}, else empty
 * @param decider registry index of the choice that decides whether this parameter means anything, or -1 when it always does
 * @param deciding bit n is set when the decider's choice n gives it meaning, provided that the decider itself means something
 * @param facts   what pages and variations know of it
 */
public record Parameter(int index, String id, String label, String place, Unit unit, Taper taper, double min, double max,
        double neutral, List<String> choices, int decider, int deciding, Facts facts) {

    Parameter with(Facts known) {
        return new Parameter(index, id, label, place, unit, taper, min, max, neutral, choices, decider, deciding, known);
    }

    /** With its place, for people: "Layer 1 filter 1: Cutoff". */
    public String name() {
        return place.isEmpty() ? label : place + ": " + label;
    }

    /** Whether it means anything while the values of a patch stand as they are; an idle parameter keeps its value. */
    public boolean relevant(double[] values) {
        return silencedBy(i -> values[i]) == null;
    }

    /**
     * The choice because of which it means nothing, or null when it means something.
     *
     * @param values of a patch, by registry index
     */
    public Parameter silencedBy(IntToDoubleFunction values) {
        Parameter parameter = this;
        while (parameter.decider >= 0) {
            Parameter choice = Parameters.at(parameter.decider);
            if ((parameter.deciding >> (int) values.applyAsDouble(choice.index) & 1) == 0) {
                return choice;
            }
            parameter = choice;
        }
        return null;
    }

    /** Whether it is a choice of a note division, or of none. */
    public boolean division() {
        return choices.size() == Division.COUNT;
    }

    /** Position 0 to 1 along the bar of a value, which is limited to the range. */
    public double position(double value) {
        double v = clamp(value);
        switch (taper) {
            case LOGARITHMIC:
                return Polynomials.log2(v / min) / Polynomials.log2(max / min);
            case CUBIC:
                return cubeRoot((v - min) / (max - min));
            default:
                return max == min ? 0 : (v - min) / (max - min);
        }
    }

    /** The value at a position 0 to 1 along the bar; whole for stepped parameters and choices. */
    public double value(double position) {
        double p = Math.max(0, Math.min(1, position));
        switch (taper) {
            case LOGARITHMIC:
                return clamp(min * Polynomials.exp2(p * Polynomials.log2(max / min)));
            case CUBIC:
                return clamp(min + (max - min) * p * p * p);
            default:
                return clamp(min + (max - min) * p);
        }
    }

    /** The nearest allowed value. NaN becomes the neutral value. */
    public double clamp(double value) {
        if (Double.isNaN(value)) {
            return neutral;
        }
        double v = Math.max(min, Math.min(max, value));
        return taper.continuous() ? v : Math.floor(v + 0.5);
    }

    /** Whether the value is finite, within the range and, where the taper asks for it, whole. */
    public boolean allows(double value) {
        return value >= min && value <= max && (taper.continuous() || value == Math.floor(value));
    }

    /** The unit in which routes to this parameter count: octaves for logarithmic ones, else its own. */
    public Unit depthUnit() {
        return taper == Taper.LOGARITHMIC ? Unit.OCTAVES : unit == Unit.PERCENT_LEVEL ? Unit.PERCENT : unit;
    }

    /** The greatest depth of a route to this parameter, up or down, in {@link #depthUnit()}. */
    public double maxDepth() {
        return taper == Taper.LOGARITHMIC ? Polynomials.log2(max / min) : max - min;
    }

    /** The value that a route of the given depth reaches from {@code base} at its full modulation; limited to the range. */
    public double moved(double base, double depth) {
        return clamp(taper == Taper.LOGARITHMIC ? base * Polynomials.exp2(depth) : base + depth);
    }

    private static double cubeRoot(double x) {
        return x <= 0 ? 0 : Polynomials.exp2(Polynomials.log2(x) / 3);
    }
}
