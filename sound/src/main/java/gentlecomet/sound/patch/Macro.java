package gentlecomet.sound.patch;

import java.util.List;

/**
 * One of the eight named performance controls. Its position is a parameter of the patch.
 *
 * @param name    what it does, empty while unused
 * @param lowEnd  word for position 0 %, for example "dark"
 * @param highEnd word for position 100 %, for example "bright"
 * @param targets the parameters it holds
 */
public record Macro(String name, String lowEnd, String highEnd, List<MacroTarget> targets) {

    /** A macro without name or target. */
    public static final Macro UNUSED = new Macro("", "", "", List.of());

    public Macro {
        targets = List.copyOf(targets);
    }

    /** Whether it has neither name nor target. */
    public boolean unused() {
        return name.isEmpty() && lowEnd.isEmpty() && highEnd.isEmpty() && targets.isEmpty();
    }

    public Macro named(String newName, String newLowEnd, String newHighEnd) {
        return new Macro(newName, newLowEnd, newHighEnd, targets);
    }

    public Macro withTargets(List<MacroTarget> newTargets) {
        return new Macro(name, lowEnd, highEnd, newTargets);
    }
}
