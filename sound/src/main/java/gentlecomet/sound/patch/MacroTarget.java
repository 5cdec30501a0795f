package gentlecomet.sound.patch;

import gentlecomet.sound.maths.Bend;
import gentlecomet.sound.parameter.Parameter;

/**
 * A parameter that a macro holds: the macro's position places it between two values, along the parameter's own taper.
 *
 * @param target the parameter
 * @param low    its value at macro position 0 %, in its unit
 * @param high   its value at macro position 100 %, in its unit; may be below {@code low}
 * @param bend   of the way between them, -1 late to 1 early, see {@link Bend}
 */
public record MacroTarget(Parameter target, double low, double high, double bend) {

    /** A straight one. */
    public MacroTarget(Parameter target, double low, double high) {
        this(target, low, high, 0);
    }

    public MacroTarget withEnds(double newLow, double newHigh) {
        return new MacroTarget(target, newLow, newHigh, bend);
    }

    public MacroTarget withBend(double newBend) {
        return new MacroTarget(target, low, high, newBend);
    }

    /** The parameter's value at a macro position from 0 to 1. */
    public double at(double position) {
        double from = target.position(low);
        return target.value(from + (target.position(high) - from) * (bend == 0 ? position : Bend.at(position, bend)));
    }
}
