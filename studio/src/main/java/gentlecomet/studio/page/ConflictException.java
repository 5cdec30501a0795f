package gentlecomet.studio.page;

/** An edit was made on a state that has changed since; nothing was overwritten. */
public class ConflictException extends RuntimeException {
    private static final long serialVersionUID = 1;

    public ConflictException(String message) {
        super(message);
    }
}
