package gentlecomet.studio.bench.view;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;

/**
 * A titled group of value bars.
 *
 * @param number place among its like, from 0
 * @param bars   what is always shown
 * @param more   what is folded away at first
 */
public record BarGroup(String title, int number, String id, List<Bar> bars, List<Bar> more) {

    public String html() {
        return BarMarkup.of(this);
    }

    /** The bars of the parameters whose ids begin with a prefix and that mean something now. */
    static BarGroup of(Patch patch, String title, int number, String prefix) {
        List<Bar> bars = new ArrayList<>();
        List<Bar> more = new ArrayList<>();
        for (Parameter p : Parameters.startingWith(prefix)) {
            if (patch.relevant(p)) {
                boolean moved = patch.holdingMacro(p) >= 0 || patch.value(p.index()) != p.neutral();
                (p.facts().advanced() && !moved ? more : bars).add(Bar.of(patch, p));
            }
        }
        return new BarGroup(title, number, prefix, bars, more);
    }
}
