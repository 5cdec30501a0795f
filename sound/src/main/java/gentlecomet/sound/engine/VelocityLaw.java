package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.PatchParameters;

/**
 * Velocity to level: 40 log10(v/127) dB at 100 % (the DLS and General MIDI 2 recommendation), none at 0 %; or along a straight, soft
 * (root), hard (square) or drawn curve down from 0 dB by the velocity depth; or none at all.
 */
public final class VelocityLaw {

    private VelocityLaw() {
    }

    /**
     * Gain of a note.
     *
     * @param values   parameters in registry order
     * @param points   rows of the drawn curve, velocity and level in %
     * @param velocity 1 to 127
     */
    public static double gain(double[] values, double[] points, int velocity) {
        return gain((int) values[PatchParameters.VELOCITY_CURVE], values[PatchParameters.VELOCITY_TO_LEVEL] / 100, values[PatchParameters.VELOCITY_DEPTH], points,
                velocity);
    }

    static double gain(int curve, double amount, double depthDb, double[] points, int velocity) {
        double part = velocity / 127.0;
        switch (curve) {
            case PatchParameters.VELOCITY_FIXED:
                return 1;
            case PatchParameters.VELOCITY_STANDARD:
                return amount == 0 ? 1 : Polynomials.exp2(2 * amount * Polynomials.log2(part));
            case PatchParameters.VELOCITY_SOFT:
                return down(depthDb, Math.sqrt(part));
            case PatchParameters.VELOCITY_HARD:
                return down(depthDb, part * part);
            case PatchParameters.VELOCITY_DRAWN:
                return down(depthDb, points.length < 4 ? part : BreakPoints.at(points, 100 * part, 100 * part) / 100);
            default:
                return down(depthDb, part);
        }
    }

    private static double down(double depthDb, double level) {
        return Polynomials.gainOfDb(-depthDb * (1 - level));
    }
}
