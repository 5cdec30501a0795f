package gentlecomet.studio.bank.many;

import gentlecomet.studio.bank.desk.Deed;
import java.util.List;

/**
 * What a piece of work at the desk would do, to be looked at before it is done.
 *
 * @param label   in words, for the history
 * @param lines   one for each chosen patch
 * @param deeds   of those that change
 * @param remarks sentences about the whole
 */
public record Plan(String label, List<Line> lines, List<Deed> deeds, List<String> remarks) {

    /**
     * What becomes of a patch.
     *
     * @param remark what is to be said of it, empty for nothing
     * @param left   whether it stays as it is because of that
     */
    public record Line(int slot, String name, String from, String to, String remark, boolean left) {

        public boolean changes() {
            return !left && !from.equals(to);
        }
    }

    Plan(String label, List<Line> lines, List<Deed> deeds) {
        this(label, lines, deeds, List.of());
    }

    public long changing() {
        return lines.stream().filter(Line::changes).count();
    }

    public long leaving() {
        return lines.stream().filter(Line::left).count();
    }
}
