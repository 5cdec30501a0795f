package gentlecomet.craft.format;

/** A file is not what it should be. The message names the file or the place in it, what was expected, and what was found. */
public final class FormatException extends RuntimeException {

    private static final long serialVersionUID = 1;

    public FormatException(String place, String expectation) {
        super(place + ": " + expectation);
    }
}
