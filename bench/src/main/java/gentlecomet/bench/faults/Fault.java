package gentlecomet.bench.faults;

import gentlecomet.craft.probe.Probes;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import java.util.Optional;

/**
 * A fault that is put into a good patch.
 *
 * @param rule   id of the rule that has to find it
 * @param name   what is done
 * @param beyond clearly over the threshold; nothing where the patch has no place for it
 * @param inside the same kind of change, but within the threshold; null where there is none
 * @param asked  what the house asks beside its rules, so that there is something to break
 */
record Fault(String rule, String name, Injection beyond, Injection inside, Asked asked) {

    Fault(String rule, String name, Injection beyond, Injection inside) {
        this(rule, name, beyond, inside, (patch, house) -> house);
    }

    /** A house that asks more of a good patch. */
    @FunctionalInterface
    interface Asked {
        HouseRules of(Patch patch, HouseRules house);
    }

    /** How it gets into a patch. */
    @FunctionalInterface
    interface Injection {
        Optional<Patch> into(Patch patch, Probes probes, HouseRules house);
    }
}
