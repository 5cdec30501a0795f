package gentlecomet.studio.bench.vary;

/** How far the making of a patch's variations is. @param asked how many there will be at the most @param fault why it ended before its time, or empty */
public record VariationProgress(int made, int asked, boolean running, String fault) {

    static final VariationProgress NONE = new VariationProgress(0, 0, false, "");
}
