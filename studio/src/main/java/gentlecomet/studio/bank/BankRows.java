package gentlecomet.studio.bank;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.NameChecks;
import gentlecomet.studio.listening.verdict.Verdicts;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.measure.SoundView;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.soundcheck.CheckResult;
import gentlecomet.studio.soundcheck.Soundchecks;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;

/** The patches of a bank with all that is known about them. */
@Service
public class BankRows {

    private final Patches patches;
    private final NameChecks names;
    private final Measures measures;
    private final Soundchecks soundchecks;
    private final Verdicts verdicts;

    BankRows(Patches patches, NameChecks names, Measures measures, Soundchecks soundchecks, Verdicts verdicts) {
        this.patches = patches;
        this.names = names;
        this.measures = measures;
        this.soundchecks = soundchecks;
        this.verdicts = verdicts;
    }

    /** All patches of a bank, as far as they are known. */
    List<BankRowView> of(long bankId, CollectionRow collection) {
        HouseRules rules = collection.rules();
        List<PatchSummary> bank = patches.inBank(bankId);
        Map<Long, List<NameRules.RuleViolation>> breaches = names.ofBank(bank, collection);
        Map<Long, Measurement> measured = measures.ofBank(bankId, bank, rules);
        Map<Long, CheckResult> checks = soundchecks.ofBank(bankId, collection, breaches);
        Map<Long, String> verdicts = this.verdicts.standing(bankId);
        return bank.stream().map(p -> new BankRowView(p, new SoundView(p.category(), measured.get(p.id()), rules), breaches.get(p.id()),
                checks.getOrDefault(p.id(), CheckResult.NONE), verdicts.getOrDefault(p.id(), ""))).toList();
    }

    /** One patch alone, as far as it is known. */
    public BankRowView of(PatchSummary patch, CollectionRow collection) {
        List<NameRules.RuleViolation> breaches = names.of(patch, collection);
        return new BankRowView(patch, new SoundView(patch.category(), measures.of(patch, collection.rules()).orElse(null), collection.rules()), breaches,
                soundchecks.of(patch, collection, breaches), verdicts.standing(patch));
    }
}
