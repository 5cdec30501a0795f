package gentlecomet.studio.release;

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
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
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

        public boolean ready() {
            return patch.saved() && named && levelled && faults != null && faults == 0 && verdict.equals("keep");
        }

        public String ships() {
            return patch.revision() == 0 ? "no, never saved" : patch.saved() ? "r" + patch.revision() : "r" + patch.revision() + ", without later edits";
        }

        public String checkText() {
            return faults == null ? "not checked" : faults == 0 ? "passed" : faults + (faults == 1 ? " fault" : " faults");
        }
    }

    /** Something that stands against a release. @param blocks whether building asks for a reason */
    record Obstacle(boolean blocks, String words) {
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
    static List<Obstacle> obstacles(CollectionRow collection, List<ReadyRow> rows) {
        List<ReadyRow> shipping = rows.stream().filter(r -> r.patch().revision() > 0).toList();
        List<Obstacle> found = new ArrayList<>();
        if (collection.licence().isBlank()) {
            found.add(new Obstacle(true, "The collection has no licence: nobody knows what they may do with it."));
        }
        if (collection.author().isBlank()) {
            found.add(new Obstacle(true, "The collection has no author."));
        }
        add(found, true, shipping, r -> !r.named(), "breaks the house's rules for names, categories or tags", "break the house's rules for names, categories or tags");
        add(found, true, shipping, r -> r.faults() != null && r.faults() > 0, "has faults that nobody has waived", "have faults that nobody has waived");
        add(found, true, shipping, r -> r.faults() == null, "has not been checked in its present state", "have not been checked in their present state");
        add(found, true, shipping, r -> !r.levelled(), "is not at the house's loudness, or has not been measured", "are not at the house's loudness, or have not been measured");
        add(found, true, shipping, r -> !r.verdict().isEmpty() && !r.verdict().equals("keep"), "was heard and is not kept: to be fixed, to be cut, or reviewers differ", "were heard and are not kept: to be fixed, to be cut, or reviewers differ");
        add(found, false, shipping, r -> r.verdict().isEmpty(), "has not been heard as it sounds now", "have not been heard as they sound now");
        add(found, false, shipping, r -> !r.patch().saved(), "has edits after its last revision, which do not ship", "have edits after their last revision, which do not ship");
        add(found, false, rows, r -> r.patch().revision() == 0, "has never been saved and does not ship", "have never been saved and do not ship");
        return found;
    }

    private static void add(List<Obstacle> found, boolean blocks, List<ReadyRow> rows, Predicate<ReadyRow> which, String one, String many) {
        List<String> some = rows.stream().filter(which).map(r -> r.patch().name()).toList();
        if (!some.isEmpty()) {
            found.add(new Obstacle(blocks, (some.size() == 1 ? "1 patch " + one : some.size() + " patches " + many) + ": " + String.join(", ", some.subList(0, Math.min(5, some.size())))
                    + (some.size() > 5 ? " ..." : ".")));
        }
    }
}
