package gentlecomet.craft.format;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/**
 * Tunings in the open formats of the Scala archive: a scale (.scl) gives the notes of an octave in cents or ratios, a keyboard map
 * (.kbm) says which key begins it and which key has which frequency. Lines that begin with "!" are remarks.
 */
public final class ScalaFormat {

    private static final int KEYS = 128;
    private static final int A4 = 69;
    private static final int MOST_NOTES = 127;
    private static final double FURTHEST_CENTS = 7200;
    private static final double MOST_CENTS = 24_000;
    /** Plain decimals alone, as the format has them: no exponents, no letters. */
    private static final Pattern CENTS = Pattern.compile("-?\\d{0,9}\\.\\d{0,20}");
    private static final Pattern RATIO = Pattern.compile("\\d{1,18}(/\\d{1,18})?");
    private static final Pattern FREQUENCY = Pattern.compile("\\d{1,6}(\\.\\d{0,20})?");

    private ScalaFormat() {
    }

    /**
     * The distance in cents of each of the 128 keys from equal temperament at A4 = 440 Hz.
     *
     * @param scale content of the .scl file
     * @param map   content of the .kbm file, or null: then C4 (key 60) begins the scale at its usual pitch
     * @throws FormatException that names the line and what was expected
     */
    public static double[] offsets(String scale, String scaleName, String map, String mapName) {
        double[] notes = notes(scale, scaleName);
        KeyMap keys = map == null ? new KeyMap(0, 127, 60, 60, 440 * Math.pow(2, -9 / 12.0), 0, List.of()) : keyMap(map, mapName);
        double reference = cents(notes, keys, keys.referenceKey());
        if (Double.isNaN(reference)) {
            throw new FormatException(mapName, "the reference key " + keys.referenceKey() + " has no note");
        }
        double base = 1200 * Math.log(keys.referenceHz() / 440) / Math.log(2) + 6900;
        double[] offsets = new double[KEYS];
        for (int key = 0; key < KEYS; key++) {
            double cents = cents(notes, keys, key);
            double offset = Double.isNaN(cents) || key < keys.first() || key > keys.last() ? 0 : base + cents - reference - 100 * key;
            offsets[key] = Math.max(-FURTHEST_CENTS, Math.min(FURTHEST_CENTS, Math.rint(offset * 1e6) / 1e6));
        }
        return offsets;
    }

    /**
     * A scale that gives every key a note of its own; it means its keys only together with {@link #map}.
     *
     * @param offsets distance in cents of each of the 128 keys from equal temperament at A4 = 440 Hz
     * @param title   one line, of what the tuning is
     */
    public static String scale(double[] offsets, String title) {
        StringBuilder text = new StringBuilder("! One note for each key; to be used with the keyboard map of the same name.\n").append(title.replaceAll("\\p{Cntrl}|^!", " ")).append("\n ").append(MOST_NOTES).append("\n!\n");
        for (int key = 1; key < KEYS; key++) {
            text.append(String.format(Locale.ROOT, " %.6f%n", 100 * key + offsets[key] - offsets[0]).replace("\r", ""));
        }
        return text.toString();
    }

    /** The keyboard map of {@link #scale}: key 0 begins it, and A4 has its frequency. */
    public static String map(double[] offsets) {
        return String.format(Locale.ROOT, "! Size, first and last key, middle key, reference key, its frequency in Hz, degree of the octave.%n0%n0%n127%n0%n%d%n%.9f%n%d%n", A4,
                440 * Math.pow(2, offsets[A4] / 1200), MOST_NOTES).replace("\r", "");
    }

    private record KeyMap(int first, int last, int middle, int referenceKey, double referenceHz, int octaveDegree, List<Integer> degrees) {
    }

    /** Cents of a key above the middle note, NaN for a key without a note. */
    private static double cents(double[] notes, KeyMap keys, int key) {
        int distance = key - keys.middle();
        int size = keys.degrees().size();
        double period = notes[notes.length - 1];
        if (size == 0) {
            return degree(notes, distance, period);
        }
        int place = Math.floorMod(distance, size);
        int degree = keys.degrees().get(place);
        if (degree < 0) {
            return Double.NaN;
        }
        double octave = keys.octaveDegree() == 0 ? period : degree(notes, keys.octaveDegree(), period);
        return degree(notes, degree, period) + octave * Math.floorDiv(distance, size);
    }

    private static double degree(double[] notes, int degree, double period) {
        int within = Math.floorMod(degree, notes.length);
        return period * Math.floorDiv(degree, notes.length) + (within == 0 ? 0 : notes[within - 1]);
    }

    private static double[] notes(String text, String place) {
        List<Line> lines = lines(text);
        if (lines.size() < 2) {
            throw new FormatException(place, "expected a description and the number of notes");
        }
        int count = whole(lines.get(1).text.split("\\s+")[0], lines.get(1), place, 1, MOST_NOTES);
        if (lines.size() < 2 + count) {
            throw new FormatException(place, "says it has " + count + " notes, but there are " + (lines.size() - 2));
        }
        double[] notes = new double[count];
        for (int i = 0; i < count; i++) {
            notes[i] = note(lines.get(2 + i), place);
        }
        return notes;
    }

    private static double note(Line line, String place) {
        String word = line.text.split("\\s+")[0];
        try {
            if (CENTS.matcher(word).matches() && Math.abs(Double.parseDouble(word)) <= MOST_CENTS) {
                return Double.parseDouble(word);
            }
            if (RATIO.matcher(word).matches()) {
                String[] parts = word.split("/", 2);
                double ratio = Double.parseDouble(parts[0]) / (parts.length == 2 ? Double.parseDouble(parts[1]) : 1);
                if (ratio > 0 && ratio < 1e6) {
                    return 1200 * Math.log(ratio) / Math.log(2);
                }
            }
        } catch (NumberFormatException e) {
            // Told below.
        }
        throw new FormatException(place + ", line " + line.number, "expected cents such as 701.955, up to " + (int) MOST_CENTS
                + ", or a ratio above 0 such as 3/2, found \"" + shortened(word) + "\"");
    }

    private static KeyMap keyMap(String text, String place) {
        List<Line> lines = lines(text);
        if (lines.size() < 7) {
            throw new FormatException(place, "expected seven numbers: size, first and last key, middle key, reference key, its frequency, octave degree");
        }
        int size = whole(lines.get(0).text, lines.get(0), place, 0, KEYS);
        List<Integer> degrees = new ArrayList<>();
        for (int i = 0; i < size; i++) {
            Line line = 7 + i < lines.size() ? lines.get(7 + i) : new Line("x", 0);
            degrees.add(line.text.equalsIgnoreCase("x") ? -1 : whole(line.text.split("\\s+")[0], line, place, 0, 10000));
        }
        String frequency = lines.get(5).text.split("\\s+")[0];
        double hz = FREQUENCY.matcher(frequency).matches() ? Double.parseDouble(frequency) : -1;
        if (!(hz > 0 && hz < 40000)) {
            throw new FormatException(place + ", line " + lines.get(5).number, "expected a frequency in Hz, found \"" + shortened(lines.get(5).text) + "\"");
        }
        return new KeyMap(whole(lines.get(1).text, lines.get(1), place, 0, 127), whole(lines.get(2).text, lines.get(2), place, 0, 127),
                whole(lines.get(3).text, lines.get(3), place, 0, 127), whole(lines.get(4).text, lines.get(4), place, 0, 127), hz,
                whole(lines.get(6).text, lines.get(6), place, 0, 10000), degrees);
    }

    private static int whole(String word, Line line, String place, int least, int most) {
        try {
            int value = Integer.parseInt(word.split("\\s+")[0]);
            if (value >= least && value <= most) {
                return value;
            }
        } catch (NumberFormatException e) {
            // Told below, as for a number out of range.
        }
        throw new FormatException(place + ", line " + line.number, "expected a whole number from " + least + " to " + most + ", found \"" + shortened(word) + "\"");
    }

    private static String shortened(String text) {
        return text.length() <= 40 ? text : text.substring(0, 39) + "…";
    }

    private record Line(String text, int number) {
    }

    /** The first line that is no remark may be empty: it is the description of a scale. */
    private static List<Line> lines(String text) {
        List<Line> lines = new ArrayList<>();
        String[] all = text.replace("\uFEFF", "").split("\\R");
        for (int i = 0; i < all.length; i++) {
            if (!all[i].startsWith("!") && (!all[i].isBlank() || lines.isEmpty())) {
                lines.add(new Line(all[i].strip(), i + 1));
            }
        }
        return lines;
    }
}
