package gentlecomet.studio.bench.vary;

/** A variation with its picture, as far as it has been measured. */
public record VariationCard(VariationRow row, String portrait) {

    static final String UNMEASURED = "…";

    boolean measured() {
        return !portrait.equals(UNMEASURED);
    }
}
