package gentlecomet.sound.source;

/** How far the side bands of phase modulation reach. */
final class SideBands {

    /** Cycles per sample from which on something folds to below 20 kHz, at 48 kHz. */
    private static final double FOLDS_FROM = 0.58;

    private SideBands() {
    }

    /**
     * The index in radians up to which the first side band that would fold to below 20 kHz stays under a thousandth of the carrier: (b/2)^n / n!, the size of a Bessel
     * function of high order, solved for b in straight lines. Near the top of the keyboard modulation fades.
     *
     * @param carrier   cycles per sample
     * @param modulator the same of what bends it
     */
    static double highestIndex(double carrier, double modulator) {
        double bands = (FOLDS_FROM - carrier) / Math.max(1e-9, modulator) + 1;
        if (bands >= 3) {
            return 0.67 * bands - 1.75;
        }
        double part = Math.max(0, bands / 3);
        return 0.26 * part * part * part;
    }
}
