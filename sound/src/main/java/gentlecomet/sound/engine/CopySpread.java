package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Polynomials;

/** How the copies of a source lie in pitch and between the sides; worked out again only when something about that has changed. */
final class CopySpread {

    private static final double SQRT_2 = 1.4142135623730951;
    private static final double QUARTER_OF_A_HALF_TURN = 0.125;

    private final double[] ratios = new double[ToneSource.MAX_COPIES];
    private final double[] lefts = new double[ToneSource.MAX_COPIES];
    private final double[] rights = new double[ToneSource.MAX_COPIES];
    private int copies;
    private double detuneCents;
    private double pan;
    private double width;

    /** @param newPan -1 left to 1 right; @param newWidth 0 to 1 */
    void set(int newCopies, double newDetuneCents, double newPan, double newWidth) {
        if (newCopies == copies && newDetuneCents == detuneCents && newPan == pan && newWidth == width) {
            return;
        }
        copies = newCopies;
        detuneCents = newDetuneCents;
        pan = newPan;
        width = newWidth;
        double share = 1 / Math.sqrt(copies);
        for (int copy = 0; copy < copies; copy++) {
            double place = copies == 1 ? 0 : 2.0 * copy / (copies - 1) - 1;
            // Neighbours in pitch go to opposite sides, in mirrored pairs, so that neither side is sharp or louder.
            int pair = Math.min(copy, copies - 1 - copy);
            double side = (pair & 1) == 0 ? place : -place;
            double position = Math.max(-1, Math.min(1, pan + side * width));
            ratios[copy] = Polynomials.exp2(place * detuneCents / 1200);
            lefts[copy] = share * leftGain(position);
            rights[copy] = share * leftGain(-position);
        }
    }

    /** Frequency of a copy against the source's. */
    double ratio(int copy) {
        return ratios[copy];
    }

    double left(int copy) {
        return lefts[copy];
    }

    double right(int copy) {
        return rights[copy];
    }

    /** Equal-power pan, 0 dB in the middle and +3 dB at the sides; position -1 is left. */
    static double leftGain(double position) {
        return SQRT_2 * Polynomials.cosCycles(QUARTER_OF_A_HALF_TURN * (position + 1));
    }
}
