package gentlecomet.studio.bench.view;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * A titled group of value bars.
 *
 * @param number place among its like, from 0
 * @param bars   what is always shown
 * @param more   what is folded away at first
 */
public record BarGroup(String title, int number, String id, List<Bar> bars, List<Bar> more) {

    /** Last parts of ids that are folded away at first. */
    private static final Set<String> FOLDED = Set.of("sync", "phaseFrom1", "phaseFrom2", "phaseFrom3", "ring", "ringFrom", "ratio", "offset",
            "into", "phaseRange", "balance", "keyFollow", "attackCurve", "decayCurve", "releaseCurve", "onLegato", "delayDivision",
            "attackDivision", "holdDivision", "decayDivision", "releaseDivision", "lowKeyFade", "highKeyFade", "lowVelocityFade",
            "highVelocityFade", "fadeLaw", "scope", "start", "sides", "smooth", "lowCut", "highCut", "drive", "mix");

    public String html() {
        return BarMarkup.of(this);
    }

    /** The bars of the parameters whose ids begin with a prefix and that mean something now. */
    static BarGroup of(Patch patch, String title, int number, String prefix) {
        List<Bar> bars = new ArrayList<>();
        List<Bar> more = new ArrayList<>();
        boolean foldable = prefix.startsWith("layer");
        for (Parameter p : Parameters.startingWith(prefix)) {
            if (patch.relevant(p)) {
                boolean folded = foldable && FOLDED.contains(p.id().substring(p.id().lastIndexOf('.') + 1));
                boolean moved = patch.holdingMacro(p) >= 0 || patch.value(p.index()) != p.neutral();
                (folded && !moved ? more : bars).add(Bar.of(patch, p));
            }
        }
        return new BarGroup(title, number, prefix, bars, more);
    }
}
