package gentlecomet.craft.check;

import gentlecomet.craft.check.rule.CategoryRules;
import gentlecomet.craft.check.rule.ClickRules;
import gentlecomet.craft.check.rule.HandRules;
import gentlecomet.craft.check.rule.KeyRules;
import gentlecomet.craft.check.rule.LevelRules;
import gentlecomet.craft.check.rule.MacroRules;
import gentlecomet.craft.check.rule.PartRules;
import gentlecomet.craft.check.rule.PitchRules;
import gentlecomet.craft.check.rule.SilenceRules;
import gentlecomet.craft.check.rule.SpaceRules;
import gentlecomet.craft.check.rule.TouchRules;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** All rules about sounds, in the order in which their findings are told. Rules about names are {@link gentlecomet.craft.rules.NameRules}. */
public final class SoundcheckRules {

    /** Every rule. A new one is added to its family. */
    public static final List<SoundcheckRule> ALL = Stream.of(SilenceRules.ALL, LevelRules.ALL, ClickRules.ALL, PitchRules.ALL, KeyRules.ALL, TouchRules.ALL, HandRules.ALL, MacroRules.ALL,
            SpaceRules.ALL, CategoryRules.ALL, PartRules.ALL).flatMap(Collection::stream).toList();

    /** Families in their order, those of names at the end. */
    public static final List<String> FAMILIES = Stream.concat(ALL.stream().map(SoundcheckRule::family), Stream.of("name", "tag")).distinct().toList();

    /** What findings depend on beside the sound, the house rules and what was measured: ids and thresholds. */
    static final String SETTINGS = ALL.stream().map(r -> r.id() + " " + r.severity() + " "
            + r.thresholds().stream().map(t -> t.id() + " " + t.standard()).collect(Collectors.joining(" "))).collect(Collectors.joining(", "));

    private static final Map<String, SoundcheckRule> BY_ID = ALL.stream().collect(Collectors.toMap(SoundcheckRule::id, r -> r));

    private SoundcheckRules() {
    }

    /** The rule of an id; nothing for those of names. */
    public static Optional<SoundcheckRule> find(String id) {
        return Optional.ofNullable(BY_ID.get(id));
    }
}
