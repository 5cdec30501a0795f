package gentlecomet.studio.bank.check;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.curate.BankCheck;
import gentlecomet.craft.curate.KnownSound;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.studio.bank.KnownSounds;
import gentlecomet.studio.bank.mend.Mendings;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.NameChecks;
import gentlecomet.studio.listening.verdict.Verdicts;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.soundcheck.CheckResult;
import gentlecomet.studio.soundcheck.CheckRun;
import gentlecomet.studio.soundcheck.Soundchecks;
import gentlecomet.studio.soundcheck.Waiver;
import gentlecomet.studio.soundcheck.Waivers;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** What the soundcheck has found in a bank, as work to be done. */
@Service
class WorkList {

    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm");

    private final Patches patches;
    private final NameChecks names;
    private final Soundchecks soundchecks;
    private final Waivers waivers;
    private final KnownSounds sounds;
    private final Verdicts verdicts;

    WorkList(Patches patches, NameChecks names, Soundchecks soundchecks, Waivers waivers, KnownSounds sounds, Verdicts verdicts) {
        this.patches = patches;
        this.names = names;
        this.soundchecks = soundchecks;
        this.waivers = waivers;
        this.sounds = sounds;
        this.verdicts = verdicts;
    }

    /**
     * The work of a bank.
     *
     * @param rows      findings, faults first, then those to look at, then those that are waived
     * @param patches   how many there are
     * @param unchecked how many of them have not been checked in their present state
     * @param faulty    how many have a fault
     * @param fresh     findings that were not there before the last run
     * @param goneOf    findings that were there and are no more, by patch
     * @param since     when the last run was asked for, empty before the first
     * @param rules     findings that count, by rule
     */
    record Work(List<WorkRow> rows, int patches, long unchecked, long faulty, long fresh, List<Gone> goneOf, String since, Map<String, Long> rules) {

        /** Findings that were there before the last run and are no more. */
        public long gone() {
            return goneOf.stream().mapToLong(Gone::findings).sum();
        }

        /** Findings that count, of one weight. */
        public long count(String weight) {
            return rows.stream().filter(r -> r.weight().equals(weight)).count();
        }
    }

    /** A patch that has lost findings since the last run. */
    record Gone(PatchSummary patch, long findings) {
    }

    Work of(long bankId, CollectionRow collection) {
        List<PatchSummary> all = patches.inBank(bankId);
        Map<Long, List<NameRules.RuleViolation>> breaches = names.ofBank(all, collection);
        Map<Long, CheckResult> checks = soundchecks.ofBank(bankId, collection, breaches);
        Map<Long, Map<String, Waiver>> waived = waivers.ofBank(bankId);
        Optional<CheckRun> run = soundchecks.lastRun(bankId);
        Map<Long, List<String>> seen = run.map(CheckRun::seen).orElse(Map.of());
        List<WorkRow> rows = new ArrayList<>();
        List<Gone> gone = new ArrayList<>();
        for (PatchSummary p : all) {
            CheckResult check = checks.getOrDefault(p.id(), CheckResult.NONE);
            if (check.checked()) {
                Set<String> before = seen.containsKey(p.id()) ? new HashSet<>(seen.get(p.id())) : null;
                Set<String> now = new HashSet<>();
                check.findings().forEach(f -> now.add(f.key()));
                check.waived().forEach(f -> now.add(f.key()));
                check.findings().forEach(f -> rows.add(row(p, f, before, null)));
                check.waived().forEach(f -> rows.add(row(p, f, before, waived.get(p.id()).get(f.key()))));
                long lost = before == null ? 0 : before.stream().filter(k -> !now.contains(k)).count();
                if (lost > 0) {
                    gone.add(new Gone(p, lost));
                }
            }
        }
        rows.sort(Comparator.comparing((WorkRow r) -> r.weight().equals("fault") ? 0 : r.weight().equals("look") ? 1 : 2).thenComparing(r -> r.finding().rule()).thenComparing(r -> r.patch().slot()));
        Map<String, Long> rules = rows.stream().filter(r -> r.waiver() == null).collect(Collectors.groupingBy(r -> r.finding().rule(), TreeMap::new, Collectors.counting()));
        return new Work(rows, all.size(), all.stream().filter(p -> !checks.getOrDefault(p.id(), CheckResult.NONE).checked()).count(),
                all.stream().filter(p -> checks.getOrDefault(p.id(), CheckResult.NONE).faults() > 0).count(), rows.stream().filter(WorkRow::fresh).count(), gone,
                run.map(r -> r.startedAt().atZoneSameInstant(ZoneId.systemDefault()).format(TIME)).orElse(""), rules);
    }

    private static WorkRow row(PatchSummary patch, Finding finding, Set<String> before, Waiver waiver) {
        // What names break is not kept with a run, so it is never told as new.
        boolean fresh = before != null && !finding.place().isEmpty() && !before.contains(finding.key());
        return new WorkRow(patch, finding, fresh, waiver, Mendings.hasRepairs(finding));
    }

    /** What there is to say of the bank as a whole. */
    List<BankCheck.BankFinding> ofBank(long bankId, CollectionRow collection) {
        Map<Long, PatchSummary> byId = new HashMap<>();
        patches.inBank(bankId).forEach(p -> byId.put(p.id(), p));
        Map<Long, Double> costs = soundchecks.costs(bankId);
        Map<Long, String> notes = patches.notes(collection.id());
        Set<Long> departed = verdicts.departed(bankId);
        List<BankCheck.Member> members = new ArrayList<>();
        for (KnownSound sound : sounds.ofBank(bankId, collection)) {
            PatchSummary p = byId.get(sound.id());
            if (p != null) {
                members.add(new BankCheck.Member(sound, p.slot(), p.name(), p.category(), p.tags(), p.author(), notes.getOrDefault(p.id(), ""), costs.getOrDefault(p.id(), 0.0),
                        departed.contains(p.id())));
            }
        }
        members.sort(Comparator.comparingInt(BankCheck.Member::slot));
        return BankCheck.of(members, collection.rules());
    }
}
