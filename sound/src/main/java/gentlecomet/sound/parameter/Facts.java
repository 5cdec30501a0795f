package gentlecomet.sound.parameter;

import java.util.List;

/**
 * What is known of a parameter beyond its range, for pages and for variations.
 *
 * @param advanced    whether a page folds it away until somebody asks for it or it has been moved
 * @param bringsParts whether its choices bring a drawn list or a sound file with them
 * @param purposes    what a sound designer would move it for
 */
public record Facts(boolean advanced, boolean bringsParts, List<Purpose> purposes) {

    /** Of a parameter of which nothing more is known. */
    public static final Facts PLAIN = new Facts(false, false, List.of());

    /** A quality that moving the parameter changes. @param tier 1 for what is reached for first, 2 for what comes after it, and so on */
    public record Purpose(Quality quality, int tier) {
    }

    /** What of a sound can be changed. */
    public enum Quality {
        BRIGHTNESS, LENGTH, WIDTH, ROUGHNESS
    }

    /** Whether it is moved for a quality in a tier. */
    public boolean serves(Quality quality, int tier) {
        for (Purpose purpose : purposes) {
            if (purpose.quality() == quality && purpose.tier() == tier) {
                return true;
            }
        }
        return false;
    }

    Facts withAdvanced() {
        return new Facts(true, bringsParts, purposes);
    }

    Facts withParts() {
        return new Facts(advanced, true, purposes);
    }

    Facts with(Purpose purpose) {
        List<Purpose> more = new java.util.ArrayList<>(purposes);
        more.add(purpose);
        return new Facts(advanced, bringsParts, List.copyOf(more));
    }
}
