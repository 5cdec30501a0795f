package gentlecomet.studio.bench.view;

/** One choice of a bar. */
public record Choice(int value, String text, boolean chosen) {
}
