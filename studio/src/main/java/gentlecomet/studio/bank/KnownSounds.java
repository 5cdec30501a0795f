package gentlecomet.studio.bank;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.curate.KnownSound;
import gentlecomet.craft.measure.Fingerprint;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.listening.round.HeardSounds;
import gentlecomet.studio.listening.verdict.Verdicts;
import gentlecomet.studio.measure.Fingerprints;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.soundcheck.CheckResult;
import gentlecomet.studio.soundcheck.Soundchecks;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;

/** All that is known of patches, as filters, orders and the sky ask for it. */
@Service
public class KnownSounds implements HeardSounds {

    private final Patches patches;
    private final Measures measures;
    private final Fingerprints fingerprints;
    private final Soundchecks soundchecks;
    private final Verdicts verdicts;

    KnownSounds(Patches patches, Measures measures, Fingerprints fingerprints, Soundchecks soundchecks, Verdicts verdicts) {
        this.patches = patches;
        this.measures = measures;
        this.fingerprints = fingerprints;
        this.soundchecks = soundchecks;
        this.verdicts = verdicts;
    }

    /** The patches of a bank by their slots. */
    @Override
    public List<KnownSound> ofBank(long bankId, CollectionRow collection) {
        List<PatchSummary> bank = patches.inBank(bankId);
        return of(bank, collection, measures.ofBank(bankId, bank, collection.rules()), soundchecks.ofBank(bankId, collection), verdicts.standing(bankId));
    }

    /** The patches of a collection by bank and slot. */
    @Override
    public List<KnownSound> ofCollection(CollectionRow collection) {
        return of(patches.inCollection(collection.id()), collection);
    }

    /** The same for who has read them already. @param all every patch of the collection */
    List<KnownSound> of(List<PatchSummary> all, CollectionRow collection) {
        return of(all, collection, measures.ofCollection(collection.id(), all, collection.rules()), soundchecks.ofCollection(collection), verdicts.standingInCollection(collection.id()));
    }

    /** The same by what is measured alone: without fingerprints, findings, verdicts and notes. */
    List<KnownSound> measured(List<PatchSummary> all, CollectionRow collection) {
        return known(all, collection, measures.ofCollection(collection.id(), all, collection.rules()), Map.of(), Map.of(), Map.of(), Map.of());
    }

    private List<KnownSound> of(List<PatchSummary> some, CollectionRow collection, Map<Long, Measurement> measured, Map<Long, CheckResult> checks, Map<Long, String> verdicts) {
        return known(some, collection, measured, checks, verdicts, fingerprints.of(some.stream().map(PatchSummary::soundHash).distinct().toList()), patches.notes(collection.id()));
    }

    private static List<KnownSound> known(List<PatchSummary> some, CollectionRow collection, Map<Long, Measurement> measured, Map<Long, CheckResult> checks, Map<Long, String> verdicts,
            Map<String, Fingerprint> prints, Map<Long, String> notes) {
        HouseRules rules = collection.rules();
        return some.stream().map(p -> {
            Measurement sound = measured.get(p.id());
            CheckResult check = checks.getOrDefault(p.id(), CheckResult.NONE);
            return new KnownSound(p.id(), p.name(), p.category(), p.tags(), p.author(), notes.getOrDefault(p.id(), ""), p.state(), verdicts.getOrDefault(p.id(), ""),
                    check.checked() ? check.findings().stream().map(Finding::rule).toList() : null, check.faults() > 0, sound,
                    sound == null ? Double.NaN : rules.measureOf(p.category()).of(sound), prints.get(p.soundHash()));
        }).toList();
    }
}
