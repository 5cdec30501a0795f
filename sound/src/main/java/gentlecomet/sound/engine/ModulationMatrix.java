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
import java.util.Arrays;

/**
 * The routes of a patch image that move one stretch of parameters, laid out for the control step: target after target, first those that
 * envelopes, curves and LFOs move by themselves. The others stand until a hand or another note moves them.
 */
final class ModulationMatrix {

    private static final Route.Side[] SIDES = Route.Side.values();
    private static final Modulator[] MODULATORS = Modulator.values();

    private final boolean[] used = new boolean[Modulator.COUNT];
    private final boolean[] movedSources = new boolean[LayerParameters.SOURCES];
    private int[] listensTo = new int[0];
    private boolean movesNoise;
    private boolean joinsSources;
    private int targets;
    private int moving;
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
            if (within(image, i, from, end) && goesByItself(image, i)) {
                take(image, i, start, taken);
            }
        }
        moving = targets;
        for (int t = 0; t < moving; t++) {
            look(places[t]);
        }
        for (int i = 0; i < all; i++) {
            if (within(image, i, from, end)) {
                take(image, i, start, taken);
            }
        }
        firsts[targets] = count;
        listensTo = new int[used.length];
        int listened = 0;
        for (int m = 0; m < used.length; m++) {
            if (used[m]) {
                listensTo[listened] = m;
                listened++;
            }
        }
        listensTo = Arrays.copyOf(listensTo, listened);
    }

    /** The modulators from which any route starts or by which it is scaled. Not to be written to. */
    int[] listensTo() {
        return listensTo;
    }

    private static boolean within(double[] image, int route, int from, int end) {
        return target(image, route) >= from && target(image, route) < end && depth(image, route) != 0;
    }

    private static boolean goesByItself(double[] image, int route) {
        return goesByItself((int) image[at(route)]) || goesByItself((int) image[at(route) + 7]);
    }

    private static boolean goesByItself(int modulator) {
        return modulator >= Modulator.AMPLITUDE_ENVELOPE.ordinal() && modulator <= Modulator.LFO_4.ordinal();
    }

    /** Takes the target of a route that has not been taken yet, with all routes that lead there. */
    private void take(double[] image, int first, int start, boolean[] taken) {
        if (taken[first]) {
            return;
        }
        int target = target(image, first);
        addTarget(target - start, Parameters.at(target));
        for (int i = 0; i < taken.length; i++) {
            if (target(image, i) == target && depth(image, i) != 0) {
                taken[i] = true;
                addRoute(image, at(i));
            }
        }
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
    }

    /** Notes what the targets that go by themselves move. */
    private void look(int place) {
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

    /** Whether what goes by itself changes which sources of a layer are heard and which listen to others. */
    boolean joinsSources() {
        return joinsSources;
    }

    /** Whether what goes by itself moves a parameter of a source. */
    boolean movesSource(int source) {
        return movedSources[source];
    }

    /** Whether what goes by itself moves a parameter of the noise. */
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
        apply(base, offset, block, modulation, targets);
    }

    /** The same for those values alone that envelopes, curves and LFOs move. */
    void applyMoving(double[] base, double[] block, double[] modulation) {
        apply(base, 0, block, modulation, moving);
    }

    private void apply(double[] base, int offset, double[] block, double[] modulation, int count) {
        int i = 0;
        for (int t = 0; t < count; t++) {
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
