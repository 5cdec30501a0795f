package gentlecomet.sound.patch;

import gentlecomet.sound.parameter.Parameter;

/**
 * One modulation connection. At full modulation the target has moved by {@code depth}, counted in the target's depth unit
 * (octaves for logarithmic parameters, else its own unit).
 *
 * @param source where it starts
 * @param target the parameter that moves
 * @param depth  how far, up or down
 */
public record Route(Modulator source, Parameter target, double depth) {
}
