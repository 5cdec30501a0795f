package gentlecomet.craft.release;

import java.util.Comparator;
import java.util.List;

/**
 * How demos follow each other in the reel.
 *
 * @param seconds of each, fade included; 2 to 30
 */
public record ReelPlan(Order order, double seconds) {

    /** As the banks have them, six seconds each. */
    public static final ReelPlan USUAL = new ReelPlan(Order.BANK, 6);

    /** What comes first. */
    public enum Order {
        /** As the banks have them. */
        BANK("as in the banks", null),
        /** One category after the other. */
        CATEGORY("by category", Comparator.comparing(p -> p.slot().patch().naming().category())),
        /** By name. */
        NAME("by name", Comparator.comparing(p -> p.slot().patch().name(), String.CASE_INSENSITIVE_ORDER)),
        /** From the dullest to the brightest. */
        BRIGHTNESS("from dark to bright", Comparator.comparingDouble(p -> p.measurement() == null ? 0 : p.measurement().brightnessHz()));

        private final String words;
        private final Comparator<ReleasePatch> comparator;

        Order(String words, Comparator<ReleasePatch> comparator) {
            this.words = words;
            this.comparator = comparator;
        }

        /** For people. */
        public String words() {
            return words;
        }

        /** Patches in this order; those that are the same by it stay as the banks have them. */
        public List<ReleasePatch> of(List<ReleasePatch> patches) {
            return comparator == null ? patches : patches.stream().sorted(comparator).toList();
        }
    }

    public ReelPlan {
        if (!(seconds >= 2 && seconds <= 30)) {
            throw new IllegalArgumentException("expected 2 to 30 seconds of each demo");
        }
    }
}
