package gentlecomet.studio.bank;

/** A filter under a name. @param line as it is typed */
public record KeptFilter(String name, String line) {
}
