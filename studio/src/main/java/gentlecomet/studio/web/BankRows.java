package gentlecomet.studio.web;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.level.Levelling;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.portrait.Portrait;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.studio.service.Measures;
import gentlecomet.studio.store.CollectionStore.BankRow;
import gentlecomet.studio.store.CollectionStore.CollectionRow;
import gentlecomet.studio.store.PatchStore;
import gentlecomet.studio.store.PatchStore.PatchRow;
import gentlecomet.studio.store.RoundStore;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** The patches of a bank with all that is known about them, ready to be shown. */
@Component
class BankRows {

    /** Smaller steps of the trim than these are not worth one of the history. */
    private static final double LEVEL_STEP_DB = 0.05;
    private static final double CEILING_STEP_DB = 0.005;

    private final PatchStore patches;
    private final Measures measures;
    private final RoundStore rounds;

    BankRows(PatchStore patches, Measures measures, RoundStore rounds) {
        this.patches = patches;
        this.measures = measures;
        this.rounds = rounds;
    }

    /**
     * One patch of a bank.
     *
     * @param measurement null while it is being measured
     * @param findings    null while its sound has not been checked
     * @param verdict     keep, fix, cut, or empty
     */
    record Row(PatchRow patch, HouseRules rules, Measurement measurement, List<NameRules.Breach> breaches, List<Finding> findings,
            String verdict) {

        public String portrait() {
            return measurement == null ? "" : Portrait.svg(measurement);
        }

        public String portraitWords() {
            return measurement == null ? "not measured yet" : Portrait.words(measurement);
        }

        public boolean measured() {
            return measurement != null;
        }

        public double loudness() {
            return rules.measureOf(patch.category()).of(measurement);
        }

        public String loudnessText() {
            return measurement == null ? "…" : String.format(Locale.ROOT, "%.1f", loudness());
        }

        public String peakText() {
            return measurement == null ? "…" : String.format(Locale.ROOT, "%.1f", measurement.truePeakDbtp());
        }

        public String rangeText() {
            return measurement == null ? "…" : String.format(Locale.ROOT, "%.1f", measurement.rangeLu());
        }

        /** Distance from the target in LU, signed. */
        public String offText() {
            return measurement == null ? "" : signed(loudness() - rules.targetLufs(), 2);
        }

        public String pitchText() {
            return measurement.pitchCents() == null ? "unpitched" : signed(measurement.pitchCents(), 1) + " ct";
        }

        private static String signed(double value, int decimals) {
            String text = String.format(Locale.ROOT, "%+." + decimals + "f", value);
            return text.matches("[+-][0.]+") ? text.substring(1) : text;
        }

        public boolean levelled() {
            return measurement != null && Math.abs(loudness() - rules.targetLufs()) <= rules.toleranceLu();
        }

        public boolean overCeiling() {
            return measurement != null && measurement.truePeakDbtp() > rules.ceilingDbtp() + 0.01;
        }

        /** Place of a loudness on a ladder of 24 LU around the target, 0 to 100. */
        public double ladder(double lufs) {
            return Math.max(0, Math.min(100, (lufs - (rules.targetLufs() - 12)) / 24 * 100));
        }

        public double ladderNow() {
            return measurement == null ? 50 : ladder(loudness());
        }

        public Levelling.Proposal proposal() {
            return measurement == null ? null : Levelling.propose(patch.patch(), measurement, rules);
        }

        /** Whether levelling would change it: it is off the target or over the ceiling, and something can be done about it. */
        public boolean toLevel() {
            if (measurement == null || measurement.silent() || levelled() && !overCeiling()) {
                return false;
            }
            return Math.abs(proposal().changeDb()) >= (overCeiling() ? CEILING_STEP_DB : LEVEL_STEP_DB);
        }

        public long faults() {
            return findings == null ? 0 : findings.stream().filter(f -> f.severity() == Finding.Severity.FAULT).count();
        }

        public long warnings() {
            return findings == null ? 0 : findings.size() - faults();
        }

        public List<Finding> findingsOf(String family) {
            return findings == null ? List.of() : findings.stream().filter(f -> f.family().equals(family)).toList();
        }

        /** Whether a rule family has a fault, not just something to look at. */
        public boolean faulty(String family) {
            return findingsOf(family).stream().anyMatch(f -> f.severity() == Finding.Severity.FAULT);
        }

        public String checkText() {
            return findings == null ? "not checked" : findings.isEmpty() ? "passed"
                    : faults() == 0 ? warnings() + " to look at"
                    : faults() + (faults() == 1 ? " fault" : " faults") + (warnings() == 0 ? "" : ", " + warnings() + " to look at");
        }

        public String stateText() {
            return patch.revision() == 0 ? "never saved" : patch.saved() ? "r" + patch.revision() : "r" + patch.revision() + " + edits";
        }

        public String categoryName() {
            return rules.category(patch.category()).map(c -> c.name()).orElse(patch.category().isEmpty() ? "none" : patch.category());
        }
    }

    /** Tells a page whether measuring goes on, and what of it has failed. */
    void addStanding(List<PatchRow> patches, HouseRules rules, Model model) {
        Measures.Standing standing = measures.measuring(patches, rules);
        model.addAttribute("measuring", !standing.over());
        model.addAttribute("failed", standing.failed().size());
        model.addAttribute("failure", standing.failed().values().stream().findFirst().orElse(""));
    }

    /** All patches of a bank, as far as they are known. */
    List<Row> of(BankRow bank, CollectionRow collection) {
        List<PatchRow> rows = patches.inBank(bank.id());
        Map<Long, Measurement> measured = measures.ofAll(rows, collection.rules());
        Map<Long, List<Finding>> checked = measures.findings(rows, collection.rules());
        Map<Long, RoundStore.Verdict> verdicts = rounds.latestVerdicts(bank.id());
        NameRules names = new NameRules(collection.rules());
        List<String> inBank = rows.stream().map(PatchRow::name).toList();
        List<String> elsewhere = new ArrayList<>();
        if (!rows.isEmpty()) {
            elsewhere.addAll(measures.otherNames(collection.id(), rows.get(0)));
            inBank.forEach(elsewhere::remove);
        }
        List<Row> shown = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            PatchRow row = rows.get(i);
            List<String> others = new ArrayList<>(elsewhere);
            for (int k = 0; k < rows.size(); k++) {
                if (k != i) {
                    others.add(inBank.get(k));
                }
            }
            shown.add(row(row, collection.rules(), names, measured.get(row.id()), checked.get(row.id()), others, verdicts.get(row.id())));
        }
        return shown;
    }

    /** One patch alone, as far as it is known. */
    Row one(PatchRow row, CollectionRow collection) {
        return one(row, collection, measures.of(row, collection.rules()).orElse(null));
    }

    private Row one(PatchRow row, CollectionRow collection, Measurement m) {
        return row(row, collection.rules(), new NameRules(collection.rules()), m, measures.findings(List.of(row), collection.rules()).get(row.id()),
                measures.otherNames(collection.id(), row), rounds.latestVerdicts(row.bankId()).get(row.id()));
    }

    private static Row row(PatchRow row, HouseRules rules, NameRules names, Measurement m, List<Finding> sound, List<String> others,
            RoundStore.Verdict verdict) {
        List<NameRules.Breach> breaches = names.check(row.patch().naming(), others);
        List<Finding> findings = null;
        if (sound != null) {
            findings = new ArrayList<>();
            for (NameRules.Breach b : breaches) {
                findings.add(new Finding(b.rule(), Finding.Severity.FAULT, b.message(), Map.of(), "", ""));
            }
            findings.addAll(sound);
        }
        return new Row(row, rules, m, breaches, findings,
                verdict == null || !verdict.contentHash().strip().equals(row.contentHash().strip()) ? "" : verdict.verdict());
    }
}
