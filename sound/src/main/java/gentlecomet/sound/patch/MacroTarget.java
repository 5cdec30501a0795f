package gentlecomet.sound.patch;

import gentlecomet.sound.parameter.Parameter;

/**
 * A parameter that a macro holds: the macro's position places it between two values, along the parameter's own taper.
 *
 * @param target the parameter
 * @param low    its value at macro position 0 %, in its unit
 * @param high   its value at macro position 100 %, in its unit; may be below {@code low}
 */
public record MacroTarget(Parameter target, double low, double high) {

    /** The parameter's value at a macro position from 0 to 1. */
    public double at(double position) {
        double from = target.position(low);
        return target.value(from + (target.position(high) - from) * position);
    }
}
