package gentlecomet.studio.page;

/** What was asked for cannot be done; the message says why, for people. */
public class RefusedException extends RuntimeException {
    private static final long serialVersionUID = 1;

    private final String field;

    public RefusedException(String message) {
        this(message, "");
    }

    /** @param field name of the form's field that it is about */
    public RefusedException(String message, String field) {
        super(message);
        this.field = field;
    }

    /** Name of the form's field that it is about, empty when it is about none. */
    public String field() {
        return field;
    }
}
