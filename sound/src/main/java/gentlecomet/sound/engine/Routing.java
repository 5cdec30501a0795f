package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Bend;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.NoiseParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.parameter.Taper;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.Route;

/** The routes of a patch image that move one stretch of parameters, laid out for the control step: target after target. */
final class Routing {

    private static final Route.Side[] SIDES = Route.Side.values();
    private static final Modulator[] MODULATORS = Modulator.values();

    private final boolean[] used = new boolean[Modulator.COUNT];
    private final boolean[] movedSources = new boolean[LayerParameters.SOURCES];
    private boolean movesNoise;
    private boolean joinsSources;
    private int targets;
    private int[] places = new int[0];
    private double[] least = new double[0];
    private double[] most = new double[0];
    private boolean[] octaves = new boolean[0];
    /** Where the routes of each target begin; those of the last one end where a further entry says. */
    private int[] firsts = new int[1];
    private int count;
    private int[] modulators = new int[0];
    private double[] depths = new double[0];
    private double[] lifts = new double[0];
    private double[] stretches = new double[0];
    private double[] bends = new double[0];
    private double[] lows = new double[0];
    private double[] highs = new double[0];
    private int[] scalers = new int[0];
    private boolean[] plain = new boolean[0];

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
        clear(all);
        boolean[] taken = new boolean[all];
        for (int i = 0; i < all; i++) {
            int target = target(image, i);
            if (!taken[i] && target >= from && target < end && depth(image, i) != 0) {
                addTarget(target - start, Parameters.at(target));
                for (int other = i; other < all; other++) {
                    if (target(image, other) == target && depth(image, other) != 0) {
                        taken[other] = true;
                        addRoute(image, at(other));
                    }
                }
            }
        }
        firsts[targets] = count;
    }

    private void clear(int all) {
        places = new int[all];
        least = new double[all];
        most = new double[all];
        octaves = new boolean[all];
        firsts = new int[all + 1];
        modulators = new int[all];
        depths = new double[all];
        lifts = new double[all];
        stretches = new double[all];
        bends = new double[all];
        lows = new double[all];
        highs = new double[all];
        scalers = new int[all];
        plain = new boolean[all];
        targets = 0;
        count = 0;
        joinsSources = false;
        movesNoise = false;
        for (int s = 0; s < movedSources.length; s++) {
            movedSources[s] = false;
        }
        for (int m = 0; m < used.length; m++) {
            used[m] = false;
        }
    }

    private static int at(int route) {
        return PatchImage.routesAt() + 1 + PatchImage.ROUTE * route;
    }

    private static int target(double[] image, int route) {
        return (int) image[at(route) + 1];
    }

    private static double depth(double[] image, int route) {
        return image[at(route) + 2];
    }

    private void addTarget(int place, Parameter target) {
        places[targets] = place;
        least[targets] = target.min();
        most[targets] = target.max();
        octaves[targets] = target.taper() == Taper.LOGARITHMIC;
        firsts[targets] = count;
        targets++;
        joinsSources |= LayerParameters.joinsSources(place);
        for (int s = 0; s < movedSources.length; s++) {
            int first = LayerParameters.source(s);
            movedSources[s] |= place >= first && place < first + SourceParameters.size();
        }
        movesNoise |= place >= LayerParameters.NOISE && place < LayerParameters.NOISE + NoiseParameters.size();
    }

    private void addRoute(double[] image, int at) {
        int modulator = (int) image[at];
        boolean swings = MODULATORS[modulator].twoSided();
        Route.Side side = SIDES[(int) image[at + 3]];
        modulators[count] = modulator;
        depths[count] = image[at + 2];
        stretches[count] = side == Route.Side.ONE && swings ? 0.5 : side == Route.Side.BOTH && !swings ? 2 : 1;
        lifts[count] = side == Route.Side.ONE && swings ? 0.5 : side == Route.Side.BOTH && !swings ? -1 : 0;
        bends[count] = image[at + 4];
        lows[count] = image[at + 5];
        highs[count] = image[at + 6];
        scalers[count] = (int) image[at + 7];
        plain[count] = stretches[count] == 1 && bends[count] == 0 && lows[count] <= -1 && highs[count] >= 1 && scalers[count] < 0;
        used[modulator] = true;
        if (scalers[count] >= 0) {
            used[scalers[count]] = true;
        }
        count++;
    }

    /** Whether any route of a layer changes which sources are heard and which listen to others. */
    boolean joinsSources() {
        return joinsSources;
    }

    /** Whether any route of a layer moves a parameter of a source. */
    boolean movesSource(int source) {
        return movedSources[source];
    }

    /** Whether any route of a layer moves a parameter of its noise. */
    boolean movesNoise() {
        return movesNoise;
    }

    boolean empty() {
        return targets == 0;
    }

    /** Whether any route starts from a modulator or is scaled by it. */
    boolean uses(int modulator) {
        return used[modulator];
    }

    /**
     * Puts the routed values of a block to where its routes move them, within their ranges.
     *
     * @param base   where they stand without routes
     * @param offset at which the block begins within {@code base}
     */
    void apply(double[] base, int offset, double[] block, double[] modulation) {
        int i = 0;
        for (int t = 0; t < targets; t++) {
            int end = firsts[t + 1];
            double sum = 0;
            for (; i < end; i++) {
                double m = modulation[modulators[i]];
                sum += depths[i] * (plain[i] ? m : shaped(i, m, modulation));
            }
            int place = places[t];
            double v = base[offset + place];
            if (sum != 0) {
                v = octaves[t] ? v * Polynomials.exp2(sum) : v + sum;
                v = v > most[t] ? most[t] : v < least[t] ? least[t] : v;
            }
            block[place] = v;
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
