package gentlecomet.sound.parameter;

import java.util.ArrayList;
import java.util.List;

/** Note lengths for tempo-synced times: straight, dotted (half as long again) and triplet (two thirds). */
public final class Division {

    private static final String[] NAMES = {"1/64", "1/32", "1/16", "1/8", "1/4", "1/2", "1/1", "2/1", "4/1"};
    private static final List<String> IDS = new ArrayList<>();
    private static final double[] BEATS = declare();
    /** Number of choices, the free one included. */
    public static final int COUNT = BEATS.length;

    private Division() {
    }

    /** The choices of a synced time: "free", then every division from short to long. */
    static String[] idsWithFree() {
        return IDS.toArray(new String[0]);
    }

    /** Length in quarter notes of a choice; zero for "free". */
    public static double beats(int choice) {
        return BEATS[choice];
    }

    /** Length in quarter notes of a division by its id, for example "1/8D". */
    static double beats(String id) {
        return BEATS[IDS.indexOf(id)];
    }

    /** Length in seconds of a choice at a tempo: 60 / tempo x quarter notes; zero for "free". */
    public static double seconds(int choice, double beatsPerMinute) {
        return 60.0 / beatsPerMinute * BEATS[choice];
    }

    /** Cycles per second of something that runs freely or in time: the value at {@code free} in Hz, or once in each division. */
    public static double rate(double[] block, int division, int free, double beatsPerMinute) {
        int choice = (int) block[division];
        return choice == 0 ? block[free] : 1 / seconds(choice, beatsPerMinute);
    }

    private static double[] declare() {
        double[] beats = new double[1 + 3 * NAMES.length];
        IDS.add("free");
        double straight = 1.0 / 16;
        for (int i = 0; i < NAMES.length; i++) {
            beats[IDS.size()] = straight * 2 / 3;
            IDS.add(NAMES[i] + "T");
            beats[IDS.size()] = straight;
            IDS.add(NAMES[i]);
            beats[IDS.size()] = straight * 1.5;
            IDS.add(NAMES[i] + "D");
            straight *= 2;
        }
        return beats;
    }
}
