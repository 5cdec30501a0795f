package gentlecomet.studio.work;

/**
 * A kind of background work. The room that does it declares a bean of it; the queue knows no room. Its data goes into the queue as JSON, so that a worker on
 * another machine can do it, and doing it twice does no harm.
 *
 * @param <T> what the work needs to know: a record
 */
public interface BackgroundTask<T> {

    /** Name in the queue: it never changes once there has been work of this kind. */
    String name();

    Class<T> dataType();

    /** Does it. What is thrown counts as a failure of this try. */
    void run(T data);

    /** How often it is tried before it is told as failed. */
    default int tries() {
        return 3;
    }

    /** Called once when it has failed for good. @param reason a sentence for people, without its full stop */
    default void failed(T data, String reason) {
    }
}
