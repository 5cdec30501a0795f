package gentlecomet.craft.listen;

import gentlecomet.craft.curate.KnownSound;
import gentlecomet.craft.curate.SoundOrder;
import gentlecomet.craft.rules.HouseRules;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/** In what order a round goes through its patches. */
public enum RoundOrder {
    BANK("as in the bank"),
    SHUFFLED("shuffled"),
    CATEGORY("by category"),
    LIKENESS("by likeness, each after its like");

    private final String words;

    RoundOrder(String words) {
        this.words = words;
    }

    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String words() {
        return words;
    }

    /** @return null where no order has this id */
    public static RoundOrder find(String id) {
        for (RoundOrder order : values()) {
            if (order.id().equals(id)) {
                return order;
            }
        }
        return null;
    }

    /** Puts patches in order. @param some as in the bank @param seed of the shuffle; the same seed shuffles the same way */
    public List<KnownSound> of(List<KnownSound> some, HouseRules rules, long seed) {
        return switch (this) {
            case BANK -> some;
            case SHUFFLED -> {
                List<KnownSound> shuffled = new ArrayList<>(some);
                Collections.shuffle(shuffled, new Random(seed));
                yield shuffled;
            }
            case CATEGORY -> SoundOrder.CATEGORY.of(some, rules);
            case LIKENESS -> SoundOrder.LIKENESS.of(some, rules);
        };
    }
}
