package gentlecomet.studio.bench.version;

/** What a pad holds, without its content. @param words where it came from */
public record PadRow(String letter, String words) {
}
