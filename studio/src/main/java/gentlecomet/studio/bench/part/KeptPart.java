package gentlecomet.studio.bench.part;

/**
 * A part of a patch that was kept to start from.
 *
 * @param part    start of the ids of its parameters in its content
 * @param content a patch, as its file has it, with nothing but that part
 */
public record KeptPart(long id, String name, String part, String content) {
}
