package gentlecomet.craft.probe;

import java.util.List;
import java.util.stream.IntStream;

/**
 * What a macro or a controller does to a note over its travel, by positions that are rendered.
 *
 * @param hand       "macro1" to "macro8", "wheel", "pressure", "bend", "pedal" or "release"
 * @param key        on which it was probed: the middle one, or one that it moves
 * @param points     in the order of their positions
 * @param difference energy of the greatest difference between the sound at any position and that at the first, against the louder, in dB
 * @param ends       the same between the sounds at both ends
 * @param click      the worst click while it moves from end to end and back
 * @param change     how the sound changes from the first position to the last: level in dB of each of {@value #BANDS} bands while the key is down, then attack and tail
 */
public record HandProbe(String hand, int key, List<Point> points, double difference, double ends, ClickProbe click, List<Double> change) {

    /** Bands of a change: octaves from 40 Hz on. */
    public static final int BANDS = 9;

    /**
     * One position.
     *
     * @param position   0 to 100 %
     * @param loudness   greatest momentary loudness, LUFS
     * @param peakDbtp   true peak; the greatest sample where that is below -7 dBFS, as no wave rises that far between samples
     * @param brightnessHz spectral centroid while the key is down
     * @param noisiness  0 tone to 1 noise, while the key is down
     * @param sideToMid  width while the key is down
     * @param attackSeconds  from -60 dB to nine tenths of the peak
     * @param tailSeconds    from the moment the key goes up until it stays 60 dB below its peak; as long as was rendered where it goes on
     * @param cents      off its key with octaves, null without a clear pitch or where none was looked for
     * @param rings      whether it hardly falls in the whole time that was waited for
     * @param shriek     see {@link KeyProbe#shriek}
     */
    public record Point(double position, double loudness, double peakDbtp, double brightnessHz, double noisiness, double sideToMid, double attackSeconds, double tailSeconds,
            Double cents, boolean rings, double shriek) {

        public boolean heard() {
            return loudness > -70;
        }
    }

    public HandProbe {
        points = List.copyOf(points);
        change = List.copyOf(change);
    }

    /** Of a macro its number from 0, else -1. */
    public int macro() {
        return hand.startsWith("macro") ? hand.charAt(5) - '1' : -1;
    }

    public Point first() {
        return points.get(0);
    }

    public Point last() {
        return points.get(points.size() - 1);
    }

    /** Octaves by which it is brighter at its last position. */
    public double brighterOctaves() {
        return octaves(first(), last());
    }

    /** Place among the points before which more than a part of the whole way is done, and at least so much; -1 where it moves smoothly. */
    public int jump(double leastLu, double leastOctaves, double part) {
        double[] loud = points.stream().mapToDouble(p -> Math.max(-70, p.loudness())).toArray();
        double[] bright = points.stream().mapToDouble(p -> Math.log(Math.max(20, p.brightnessHz())) / Math.log(2)).toArray();
        int found = jump(loud, leastLu, part);
        return found >= 0 ? found : jump(bright, leastOctaves, part);
    }

    private static int jump(double[] values, double least, double part) {
        double all = IntStream.range(0, values.length).mapToDouble(i -> values[i]).max().orElse(0) - IntStream.range(0, values.length).mapToDouble(i -> values[i]).min().orElse(0);
        for (int i = 1; i < values.length; i++) {
            double step = Math.abs(values[i] - values[i - 1]);
            if (step >= least && step > part * all) {
                return i;
            }
        }
        return -1;
    }

    /** Octaves between the brightness of two positions. */
    public static double octaves(Point from, Point to) {
        return Math.log(Math.max(20, to.brightnessHz()) / Math.max(20, from.brightnessHz())) / Math.log(2);
    }
}
