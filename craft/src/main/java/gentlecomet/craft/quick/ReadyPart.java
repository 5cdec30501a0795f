package gentlecomet.craft.quick;

/**
 * A starting shape for a part of a patch.
 *
 * @param kind    what it fits, as {@code PastePart.kind} names it: {@code envelope#.}, {@code effect} for a whole chain ...
 * @param name    for people
 * @param setting of the part as a quick line gives it; for a chain, a whole quick line
 * @param shape   last part of the id of a drawn list that comes with it, empty for none
 * @param rows    numbers of that list, row by row
 */
public record ReadyPart(String kind, String name, String setting, String shape, double... rows) {

    /** By which a page names it. */
    public String id() {
        return kind + name;
    }
}
