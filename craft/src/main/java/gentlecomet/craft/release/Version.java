package gentlecomet.craft.release;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A version of a release after Semantic Versioning 2.0.0 (semver.org), without build metadata.
 *
 * @param preRelease identifiers separated by dots, empty for none
 */
public record Version(int major, int minor, int patch, String preRelease) implements Comparable<Version> {

    /** Numbers without leading zeros; the last of the three may be left out. */
    private static final Pattern FORM = Pattern.compile("(0|[1-9]\\d{0,5})\\.(0|[1-9]\\d{0,5})(?:\\.(0|[1-9]\\d{0,5}))?(?:-([0-9A-Za-z-]+(?:\\.[0-9A-Za-z-]+)*))?");
    private static final int LONGEST = 20;

    /** What a customer's work with the collection has to bear. */
    public enum Step {
        /** Nothing that was there sounds or stands otherwise. */
        PATCH,
        /** There is more, or it sounds better. */
        MINOR,
        /** Something is gone, or stands under another program number. */
        MAJOR
    }

    /** Nothing where it is none. */
    public static Optional<Version> parse(String text) {
        Matcher m = FORM.matcher(text.strip());
        return text.length() > LONGEST || !m.matches() ? Optional.empty()
                : Optional.of(new Version(Integer.parseInt(m.group(1)), Integer.parseInt(m.group(2)), m.group(3) == null ? 0 : Integer.parseInt(m.group(3)), m.group(4) == null ? "" : m.group(4)));
    }

    /** The next one by a step; before 1.0.0 a step that breaks something counts the minor number up (semver.org, 4). */
    public Version next(Step step) {
        Step counted = major == 0 && step == Step.MAJOR ? Step.MINOR : step;
        return switch (counted) {
            case MAJOR -> new Version(major + 1, 0, 0, "");
            case MINOR -> new Version(major, minor + 1, 0, "");
            case PATCH -> new Version(major, minor, patch + (preRelease.isEmpty() ? 1 : 0), "");
        };
    }

    /** Precedence (semver.org, 11). */
    @Override
    public int compareTo(Version other) {
        int numbers = major != other.major ? Integer.compare(major, other.major) : minor != other.minor ? Integer.compare(minor, other.minor) : Integer.compare(patch, other.patch);
        if (numbers != 0 || preRelease.equals(other.preRelease)) {
            return numbers;
        }
        if (preRelease.isEmpty() || other.preRelease.isEmpty()) {
            return preRelease.isEmpty() ? 1 : -1;
        }
        String[] own = preRelease.split("\\.");
        String[] theirs = other.preRelease.split("\\.");
        for (int i = 0; i < Math.min(own.length, theirs.length); i++) {
            boolean number = own[i].matches("\\d+");
            boolean otherNumber = theirs[i].matches("\\d+");
            int order = number && otherNumber ? Long.compare(Long.parseLong(own[i]), Long.parseLong(theirs[i])) : number != otherNumber ? (number ? -1 : 1) : own[i].compareTo(theirs[i]);
            if (order != 0) {
                return order;
            }
        }
        return Integer.compare(own.length, theirs.length);
    }

    @Override
    public String toString() {
        return major + "." + minor + "." + patch + (preRelease.isEmpty() ? "" : "-" + preRelease);
    }
}
