package gentlecomet.craft.check;

import gentlecomet.craft.level.Levelling;
import gentlecomet.craft.probe.Probes;
import gentlecomet.craft.probe.Probing;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.source.Recordings;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Tries what may mend a finding, and keeps what does: the finding is gone, and no other has come. Renders; one thread at a time. */
public final class Mending {

    private final HouseRules house;
    private final Recordings recordings;
    private final Probing probing;

    public Mending(HouseRules house, Recordings recordings) {
        this.house = house;
        this.recordings = recordings;
        probing = new Probing(recordings);
    }

    /**
     * What came of the tries.
     *
     * @param words  of the repair that works, empty where none does
     * @param patch  mended, null where none does
     * @param probes of it
     * @param left   what is still found about it
     * @param told   what the repairs that were tried came to, one line each
     */
    public record Outcome(String words, Patch patch, Probes probes, List<Finding> left, List<String> told) {

        public boolean works() {
            return patch != null;
        }
    }

    /** Tries every repair of a finding's rule. A repair that moves the loudness off the target is trimmed back, as nobody asked it to. */
    public Outcome mend(Patch patch, Probes probes, Finding finding) {
        SoundcheckRule rule = SoundcheckRules.find(finding.rule()).orElseThrow();
        Subject subject = new Subject(patch, probes, house);
        List<Finding> before = Soundcheck.judge(patch, probes, house);
        Set<String> known = before.stream().map(Finding::key).collect(Collectors.toSet());
        List<String> told = new ArrayList<>();
        for (Repair repair : rule.repairs()) {
            Optional<Patch> mended = repair.way().mend(subject, finding, recordings);
            if (mended.isEmpty()) {
                told.add(repair.words() + ": has no hold in this patch.");
                continue;
            }
            Patch tried = mended.get();
            Phrase phrase = house.phraseFor(tried.naming().category());
            Probes now = probing.probe(tried, phrase, probes);
            List<Finding> left = Soundcheck.judge(tried, now, house);
            if (came(left, known).contains("level.loudness levelTrim") || came(left, known).contains("level.ceiling levelTrim")) {
                tried = Levelling.apply(tried, Levelling.propose(tried, now.measurement(), house));
                now = probing.probe(tried, house.phraseFor(tried.naming().category()), now);
                left = Soundcheck.judge(tried, now, house);
            }
            Set<String> came = came(left, known);
            boolean gone = count(left, finding) < count(before, finding);
            if (gone && came.isEmpty()) {
                return new Outcome(repair.words(), tried, now, left, told);
            }
            told.add(repair.words() + (gone ? ": brings " + String.join(", ", came.stream().map(k -> k.substring(0, k.indexOf(' '))).distinct().toList()) + "." : ": is not enough."));
        }
        return new Outcome("", null, null, before, told);
    }

    private static long count(List<Finding> findings, Finding like) {
        return findings.stream().filter(f -> f.key().equals(like.key())).count();
    }

    private static Set<String> came(List<Finding> left, Set<String> known) {
        return left.stream().map(Finding::key).filter(k -> !known.contains(k)).collect(Collectors.toSet());
    }

    /** Whether two patches are the same to the engine. */
    static boolean sameSound(Patch a, Patch b) {
        return Arrays.equals(PatchImage.of(a), PatchImage.of(b));
    }
}
