package gentlecomet.craft.check;

import gentlecomet.craft.check.Finding.Severity;
import gentlecomet.craft.probe.Probes;
import gentlecomet.craft.probe.Probing;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.source.Recordings;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;

/** The automatic tests of a patch: all of {@link SoundcheckRules}, and the house's rules for names. Keeps an engine; one thread at a time. */
public final class Soundcheck {

    private final HouseRules rules;
    private final Probing probing;

    /** For patches without recordings. */
    public Soundcheck(HouseRules rules) {
        this(rules, Recordings.NONE);
    }

    public Soundcheck(HouseRules rules, Recordings recordings) {
        this.rules = rules;
        probing = new Probing(recordings);
    }

    /** Every finding of a patch; two minutes of sound are rendered. */
    public List<Finding> check(Patch patch, Phrase phrase, Collection<String> otherNames) {
        List<Finding> findings = new ArrayList<>(names(patch, otherNames));
        findings.addAll(judge(patch, probing.probe(patch, phrase), rules));
        return findings;
    }

    /** Rules about name, category and tags alone. */
    public List<Finding> names(Patch patch, Collection<String> otherNames) {
        return new NameRules(rules).check(patch.naming(), otherNames).stream()
                .map(b -> new Finding(b.rule(), Severity.FAULT, b.message(), Map.of(), "", "", null)).toList();
    }

    /** Rules about the sound, of what has been probed: renders nothing. What they say depends on the sound, the category and the house rules only. */
    public static List<Finding> judge(Patch patch, Probes probes, HouseRules house) {
        Subject subject = new Subject(patch, probes, house);
        return SoundcheckRules.ALL.stream().flatMap(rule -> rule.findings(subject).stream()).toList();
    }
}
