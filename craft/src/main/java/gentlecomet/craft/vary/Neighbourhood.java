package gentlecomet.craft.vary;

import gentlecomet.sound.patch.Patch;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;

/**
 * The eight neighbours of a sound on a map of two measures: a step to each side, and the corners, which are a step from a neighbour in the other measure.
 * None is promised at its corner: each keeps what a variation keeps, and stands where it measures.
 */
public final class Neighbourhood {

    /** How many there are at the most. */
    public static final int SIZE = 8;

    private final Variations variations;
    private final Axis across;
    private final Axis up;
    private final int seed;

    /** One measure of the map. @param step in its unit, above 0 */
    public record Axis(Quality less, Quality more, double step) {

        /** @throws IllegalArgumentException where no quality has such a measure */
        public static Axis of(String measure, double step) {
            return new Axis(Quality.of(measure, -1), Quality.of(measure, 1), step);
        }

        private List<Variations.Aim> aims() {
            return List.of(new Variations.Aim(less, step), new Variations.Aim(more, step));
        }
    }

    /** @param across and {@code up} of different measures */
    public Neighbourhood(Variations variations, Axis across, Axis up, int seed) {
        if (across.more() == up.more()) {
            throw new IllegalArgumentException("a map has two different measures");
        }
        this.variations = variations;
        this.across = across;
        this.up = up;
        this.seed = seed;
    }

    /**
     * Finds them, those at the sides first. A corner whose side could not be reached is left out.
     *
     * @param found takes each with the qualities it went in
     * @param goesOn asked before each
     */
    public void of(Patch centre, Consumer<Variations.Sibling> found, BooleanSupplier goesOn) {
        for (Variations.Aim aim : up.aims()) {
            if (goesOn.getAsBoolean()) {
                found.accept(variations.of(centre, aim, 1, seed).get(0));
            }
        }
        for (Variations.Aim side : across.aims()) {
            if (!goesOn.getAsBoolean()) {
                return;
            }
            Variations.Sibling first = variations.of(centre, side, 1, seed).get(0);
            found.accept(first);
            for (Variations.Aim aim : up.aims()) {
                if (first.wentThere() && goesOn.getAsBoolean()) {
                    Variations.Sibling corner = variations.of(first.patch(), aim, 1, seed).get(0);
                    if (corner.wentThere()) {
                        found.accept(first.followedBy(corner, centre));
                    }
                }
            }
        }
    }
}
