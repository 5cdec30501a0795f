package gentlecomet.craft.check;

import gentlecomet.craft.check.Finding.Severity;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;

/** The automatic tests of a patch: all of {@link SoundcheckRules}, and the house's rules for names. Keeps an engine; one thread at a time. */
public final class Soundcheck {

    private final HouseRules rules;
    private final Rendering rendering;

    /** For patches without recordings. */
    public Soundcheck(HouseRules rules) {
        this(rules, Recordings.NONE);
    }

    public Soundcheck(HouseRules rules, Recordings recordings) {
        this.rules = rules;
        rendering = new Rendering(Measuring.RATE, recordings);
    }

    /** Every finding of a patch; the sound tests render about twenty seconds of sound. */
    public List<Finding> check(Patch patch, Measurement measurement, Phrase phrase, Collection<String> otherNames) {
        List<Finding> findings = new ArrayList<>(names(patch, otherNames));
        findings.addAll(sound(patch, measurement, phrase));
        return findings;
    }

    /** Rules about name and category alone. */
    public List<Finding> names(Patch patch, Collection<String> otherNames) {
        return new NameRules(rules).check(patch.naming(), otherNames).stream()
                .map(b -> new Finding(b.rule(), Severity.FAULT, b.message(), Map.of(), "", "")).toList();
    }

    /** Rules about the sound; what they say depends on the sound, the category and the house rules only. */
    public List<Finding> sound(Patch patch, Measurement measurement, Phrase phrase) {
        Subject subject = new Subject(patch, measurement, phrase, rules, rendering);
        return SoundcheckRules.ALL.stream().filter(rule -> !measurement.silent() || rule.ofSilence()).flatMap(rule -> rule.check(subject).stream()).toList();
    }
}
