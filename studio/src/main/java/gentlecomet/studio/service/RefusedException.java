package gentlecomet.studio.service;

/** What was asked for cannot be done; the message says why, for people. */
public class RefusedException extends RuntimeException {
    private static final long serialVersionUID = 1;

    public RefusedException(String message) {
        super(message);
    }
}
