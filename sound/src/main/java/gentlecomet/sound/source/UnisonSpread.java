package gentlecomet.sound.source;

import gentlecomet.sound.maths.NoiseGenerator;
import gentlecomet.sound.maths.Polynomials;

/** How the copies of a source lie in pitch and between the sides; worked out again only when something about that has changed. */
final class UnisonSpread {

    /** Numbers of a drawn voice: pitch in cents, pan and phase in %, level in dB. */
    static final int COLUMNS = 4;
    /** What is drawn, for seeds of their own. */
    private static final int PITCH = 7001;
    private static final int PANNING = 7002;
    private static final double SQRT_2 = 1.4142135623730951;
    private static final double QUARTER_OF_A_HALF_TURN = 0.125;

    private final double[] ratios = new double[ToneSource.MAX_COPIES];
    private final double[] lefts = new double[ToneSource.MAX_COPIES];
    private final double[] rights = new double[ToneSource.MAX_COPIES];
    private double riseLeft;
    private double riseRight;
    private double highest;
    private int copies;
    private double detuneCents;
    private double pan;
    private double width;
    private double balanceDb;
    private double map;
    private SourceMaterial of;
    private int edition = -1;
    private int seed;
    private double randomCents;
    private double randomPan;

    /** Where chance puts the voices of a note. To be called before {@link #set}. @param cents to each side @param newPan 0 to 1 to each side */
    void draw(int noteSeed, double cents, double newPan) {
        if (cents == randomCents && newPan == randomPan && (noteSeed == seed || cents == 0 && newPan == 0)) {
            return;
        }
        seed = noteSeed;
        randomCents = cents;
        randomPan = newPan;
        edition = -1;
    }

    private double chance(int voice, int of) {
        return 2 * NoiseGenerator.fraction(seed, of, voice) - 1;
    }

    /**
     * @param newPan       -1 left to 1 right
     * @param newWidth     0 to 1
     * @param newBalanceDb level of the outermost copies against the middle, with the others between
     * @param newMap       how much of the drawn map counts, 1 for all of it
     * @param material     whose drawn map is added
     */
    void set(int newCopies, double newDetuneCents, double newPan, double newWidth, double newBalanceDb, double newMap, SourceMaterial material) {
        if (newCopies == copies && newDetuneCents == detuneCents && newPan == pan && newWidth == width
                && newBalanceDb == balanceDb && newMap == map && material == of && material.edition() == edition) {
            return;
        }
        copies = newCopies;
        detuneCents = newDetuneCents;
        pan = newPan;
        width = newWidth;
        balanceDb = newBalanceDb;
        map = newMap;
        of = material;
        edition = material.edition();
        double[] drawn = material.copies();
        double power = 0;
        for (int copy = 0; copy < copies; copy++) {
            double place = copies == 1 ? 0 : 2.0 * copy / (copies - 1) - 1;
            // Neighbours in pitch go to opposite sides, in mirrored pairs, so that neither side is sharp or louder.
            int pair = Math.min(copy, copies - 1 - copy);
            double side = (pair & 1) == 0 ? place : -place;
            boolean own = COLUMNS * copy < drawn.length;
            double ownCents = own ? map * drawn[COLUMNS * copy] : 0;
            double ownPan = own ? map * drawn[COLUMNS * copy + 1] / 100 : 0;
            double ownDb = own ? map * drawn[COLUMNS * copy + 3] : 0;
            if (randomCents > 0) {
                ownCents += randomCents * chance(copy, PITCH);
            }
            if (randomPan > 0) {
                ownPan += randomPan * chance(copy, PANNING);
            }
            double position = Math.max(-1, Math.min(1, pan + side * width + ownPan));
            double db = (copies == 1 ? 0 : balanceDb * (Math.abs(place) - 0.5)) + ownDb;
            double level = db == 0 ? 1 : Polynomials.gainOfDb(db);
            power += level * level;
            ratios[copy] = Polynomials.exp2((place * detuneCents + ownCents) / 1200);
            lefts[copy] = level * leftGain(position);
            rights[copy] = level * leftGain(-position);
        }
        double share = 1 / Math.sqrt(power);
        riseLeft = 0;
        riseRight = 0;
        highest = 0;
        for (int copy = 0; copy < copies; copy++) {
            lefts[copy] *= share;
            rights[copy] *= share;
            riseLeft += ratios[copy] * lefts[copy];
            riseRight += ratios[copy] * rights[copy];
            highest = Math.max(highest, ratios[copy]);
        }
    }

    /** Frequencies of the copies against the source's. */
    double[] ratios() {
        return ratios;
    }

    double[] lefts() {
        return lefts;
    }

    double[] rights() {
        return rights;
    }

    /** Sum of all copies' frequencies on the left, each with its level there. */
    double riseLeft() {
        return riseLeft;
    }

    /** The same on the right. */
    double riseRight() {
        return riseRight;
    }

    /** Frequency of the highest copy against the source's. */
    double highest() {
        return highest;
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
