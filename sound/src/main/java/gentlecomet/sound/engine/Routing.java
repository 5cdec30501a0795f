package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Bend;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Taper;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.Route;

/** The routes of a patch image that move one stretch of parameters, laid out for the control step. */
final class Routing {

    private static final Route.Side[] SIDES = Route.Side.values();
    private static final Modulator[] MODULATORS = Modulator.values();

    private final boolean[] used = new boolean[Modulator.COUNT];
    private boolean joinsSources;
    private int count;
    private int[] modulators = new int[0];
    private int[] places = new int[0];
    private double[] depths = new double[0];
    private double[] lifts = new double[0];
    private double[] stretches = new double[0];
    private double[] bends = new double[0];
    private double[] lows = new double[0];
    private double[] highs = new double[0];
    private int[] scalers = new int[0];
    private boolean[] plain = new boolean[0];
    /** The first route to the same parameter; there the moves of all of them meet. */
    private int[] leaders = new int[0];
    private double[] moves = new double[0];
    private double[] least = new double[0];
    private double[] most = new double[0];
    private boolean[] octaves = new boolean[0];

    /** As {@link #load(double[], int, int, int)}, with the stretch beginning at {@code start}. */
    void load(double[] image, int start, int end) {
        load(image, start, end, start);
    }

    /**
     * Takes the routes of an image whose targets lie between two registry indexes.
     *
     * @param start index from which places count
     * @param end   index after the last of the stretch
     * @param from  first index of the stretch
     */
    void load(double[] image, int start, int end, int from) {
        int all = (int) image[PatchImage.routesAt()];
        modulators = new int[all];
        places = new int[all];
        depths = new double[all];
        lifts = new double[all];
        stretches = new double[all];
        bends = new double[all];
        lows = new double[all];
        highs = new double[all];
        scalers = new int[all];
        plain = new boolean[all];
        leaders = new int[all];
        moves = new double[all];
        least = new double[all];
        most = new double[all];
        octaves = new boolean[all];
        count = 0;
        joinsSources = false;
        for (int m = 0; m < used.length; m++) {
            used[m] = false;
        }
        for (int i = 0; i < all; i++) {
            int at = PatchImage.routesAt() + 1 + PatchImage.ROUTE * i;
            int target = (int) image[at + 1];
            if (target >= from && target < end && image[at + 2] != 0) {
                add(image, at, target - start, Parameters.at(target));
            }
        }
    }

    private void add(double[] image, int at, int place, Parameter target) {
        int modulator = (int) image[at];
        boolean swings = MODULATORS[modulator].twoSided();
        Route.Side side = SIDES[(int) image[at + 3]];
        modulators[count] = modulator;
        places[count] = place;
        depths[count] = image[at + 2];
        stretches[count] = side == Route.Side.ONE && swings ? 0.5 : side == Route.Side.BOTH && !swings ? 2 : 1;
        lifts[count] = side == Route.Side.ONE && swings ? 0.5 : side == Route.Side.BOTH && !swings ? -1 : 0;
        bends[count] = image[at + 4];
        lows[count] = image[at + 5];
        highs[count] = image[at + 6];
        scalers[count] = (int) image[at + 7];
        plain[count] = stretches[count] == 1 && bends[count] == 0 && lows[count] <= -1 && highs[count] >= 1 && scalers[count] < 0;
        least[count] = target.min();
        most[count] = target.max();
        octaves[count] = target.taper() == Taper.LOGARITHMIC;
        leaders[count] = count;
        for (int other = count - 1; other >= 0; other--) {
            leaders[count] = places[other] == place ? other : leaders[count];
        }
        used[modulator] = true;
        joinsSources |= LayerParameters.joinsSources(place);
        if (scalers[count] >= 0) {
            used[scalers[count]] = true;
        }
        count++;
    }

    /** Whether any route of a layer changes which sources are heard and which listen to others. */
    boolean joinsSources() {
        return joinsSources;
    }

    boolean empty() {
        return count == 0;
    }

    /** Whether any route starts from a modulator or is scaled by it. */
    boolean uses(int modulator) {
        return used[modulator];
    }

    /** Puts the moved places of a block back to where they stand without routes. */
    void restore(double[] base, double[] block) {
        restore(base, block, 0);
    }

    /** The same where the block begins at {@code offset} within {@code base}. */
    void restore(double[] base, double[] block, int offset) {
        for (int i = 0; i < count; i++) {
            block[places[i]] = base[offset + places[i]];
        }
    }

    /** Moves the values of a block by its routes and keeps them within their ranges. */
    void apply(double[] block, double[] modulation) {
        double[] sums = moves;
        for (int i = 0; i < count; i++) {
            double m = modulation[modulators[i]];
            double move = depths[i] * (plain[i] ? m : shaped(i, m, modulation));
            if (leaders[i] == i) {
                sums[i] = move;
            } else {
                sums[leaders[i]] += move;
            }
        }
        for (int i = 0; i < count; i++) {
            double sum = sums[i];
            if (leaders[i] == i && sum != 0) {
                int place = places[i];
                double v = octaves[i] ? block[place] * Polynomials.exp2(sum) : block[place] + sum;
                block[place] = v > most[i] ? most[i] : v < least[i] ? least[i] : v;
            }
        }
    }

    private double shaped(int i, double modulator, double[] modulation) {
        double m = modulator * stretches[i] + lifts[i];
        if (bends[i] != 0) {
            m = m < 0 ? -Bend.at(Math.min(1, -m), bends[i]) : Bend.at(Math.min(1, m), bends[i]);
        }
        if (scalers[i] >= 0) {
            m *= modulation[scalers[i]];
        }
        return Math.max(lows[i], Math.min(highs[i], m));
    }
}
