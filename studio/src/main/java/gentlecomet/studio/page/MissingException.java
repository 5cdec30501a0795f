package gentlecomet.studio.page;

/** What was asked for is not there, for example because it was deleted in another tab. */
public class MissingException extends RuntimeException {
    private static final long serialVersionUID = 1;

    public MissingException(String message) {
        super(message);
    }
}
