package gentlecomet.studio.release;

import gentlecomet.craft.release.Gate;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.NameChecks;
import gentlecomet.studio.listening.verdict.Verdicts;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.measure.PatchLoudness;
import gentlecomet.studio.measure.SoundView;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.soundcheck.Soundchecks;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;

/** What stands against a release: some of it blocks, so that whoever builds anyway has to say why; the rest only warns. */
@Service
class ReleaseGate {

    private final Patches patches;
    private final NameChecks names;
    private final Measures measures;
    private final Soundchecks soundchecks;
    private final Verdicts verdicts;

    ReleaseGate(Patches patches, NameChecks names, Measures measures, Soundchecks soundchecks, Verdicts verdicts) {
        this.patches = patches;
        this.names = names;
        this.measures = measures;
        this.soundchecks = soundchecks;
        this.verdicts = verdicts;
    }

    /**
     * Whether a patch is ready to ship.
     *
     * @param off    distance from the house loudness in LU, empty when it is on target
     * @param verdict what listening says of it as it sounds now: keep, fix, cut or split; empty while nobody has heard it so
     * @param faults of its sound that nobody has waived, null while it has not been checked
     */
    record ReadyRow(PatchSummary patch, boolean named, boolean levelled, String off, String verdict, Integer faults) {

        Gate.Standing standing() {
            return new Gate.Standing(patch.name(), patch.revision() > 0, patch.saved(), named, levelled, faults, verdict);
        }

        public boolean ready() {
            return standing().ready();
        }

        public String ships() {
            return patch.revision() == 0 ? "no, never saved" : patch.saved() ? "r" + patch.revision() : "r" + patch.revision() + ", without later edits";
        }

        public String checkText() {
            return faults == null ? "not checked" : faults == 0 ? "passed" : faults + (faults == 1 ? " fault" : " faults");
        }
    }

    /** Every patch of a collection by bank and slot. */
    List<ReadyRow> rows(CollectionRow collection) {
        List<PatchSummary> all = patches.inCollection(collection.id());
        Map<Long, List<NameRules.RuleViolation>> breaches = names.ofCollection(all, collection.rules());
        Map<Long, PatchLoudness> loudness = measures.loudness(collection.id(), all, collection.rules());
        Map<Long, Integer> faults = soundchecks.faults(collection);
        Map<Long, String> heard = verdicts.standingInCollection(collection.id());
        return all.stream().map(p -> {
            PatchLoudness l = loudness.get(p.id());
            boolean levelled = l != null && l.onTarget(collection.rules());
            return new ReadyRow(p, breaches.get(p.id()).isEmpty(), levelled, levelled || l == null ? "" : SoundView.signed(l.off(), 2), heard.getOrDefault(p.id(), ""), faults.get(p.id()));
        }).toList();
    }

    /** What stands against a release of these rows. Patches that have never been saved do not ship, so nothing of theirs blocks. */
    static List<Gate.Obstacle> obstacles(CollectionRow collection, List<ReadyRow> rows) {
        return Gate.obstacles(collection.author(), collection.licence(), rows.stream().map(ReadyRow::standing).toList(), collection.rules().conventions().gate());
    }
}
