package gentlecomet.craft.check;

import gentlecomet.craft.check.rule.Clipping;
import gentlecomet.craft.check.rule.DeadMacro;
import gentlecomet.craft.check.rule.DeadTouch;
import gentlecomet.craft.check.rule.DeadVelocity;
import gentlecomet.craft.check.rule.EngineFaults;
import gentlecomet.craft.check.rule.FewMacros;
import gentlecomet.craft.check.rule.KeyMapHole;
import gentlecomet.craft.check.rule.LongTail;
import gentlecomet.craft.check.rule.LoudnessTarget;
import gentlecomet.craft.check.rule.MacroDefault;
import gentlecomet.craft.check.rule.MacroOrder;
import gentlecomet.craft.check.rule.NoSound;
import gentlecomet.craft.check.rule.PeakCeiling;
import gentlecomet.craft.check.rule.ProbeTuning;
import gentlecomet.craft.check.rule.StuckNote;
import gentlecomet.craft.check.rule.UnnamedMacro;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** All rules about sounds, in the order in which their findings are told. Rules about names are {@link gentlecomet.craft.rules.NameRules}. */
public final class SoundcheckRules {

    /** Every rule. A new one is added here. */
    public static final List<SoundcheckRule> ALL = List.of(new NoSound(), new EngineFaults(), new PeakCeiling(), new LoudnessTarget(), new Clipping(), new ProbeTuning(),
            new StuckNote(), new LongTail(), new KeyMapHole(), new UnnamedMacro(), new MacroOrder(), new MacroDefault(), new DeadMacro(), new FewMacros(),
            new DeadVelocity(), new DeadTouch());

    /** Families in the order of the columns, those of names at the end. */
    public static final List<String> FAMILIES = Stream.concat(ALL.stream().map(SoundcheckRule::family), Stream.of("name", "category")).distinct().toList();

    /** What findings depend on beside the sound, the house rules and what was measured: ids and thresholds. */
    static final String SETTINGS = ALL.stream().map(r -> r.id() + " " + r.severity() + " "
            + r.thresholds().stream().map(t -> t.id() + " " + t.standard()).collect(Collectors.joining(" "))).collect(Collectors.joining(", "));

    private SoundcheckRules() {
    }
}
