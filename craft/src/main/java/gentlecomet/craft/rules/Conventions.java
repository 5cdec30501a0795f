package gentlecomet.craft.rules;

import gentlecomet.craft.phrase.OwnPhrase;
import java.util.Collections;
import java.util.List;

/**
 * What a house has agreed on beyond loudness and categories.
 *
 * @param parts         what the name pattern is put together from; null where it is a regular expression of one's own
 * @param words         what the words of names may be
 * @param tagGroups     the house's tags
 * @param listedOnly    whether patches have tags of the groups alone
 * @param purposes      what each macro slot has to do, in their order; a list that ends early asks nothing of the rest
 * @param bendRange     range of the pitch bend in semitones, 0 for any
 * @param velocityMoves whether velocity has to be heard
 * @param touchMoves    whether aftertouch or the wheel has to be heard
 * @param checks        what is set otherwise in the soundcheck
 * @param gate          what blocks a release; the rest only warns
 * @param phrases       the house's own, beside those of the program
 */
public record Conventions(NameParts parts, WordRules words, List<TagGroup> tagGroups, boolean listedOnly, List<MacroPurpose> purposes, double bendRange,
        boolean velocityMoves, boolean touchMoves, CheckSettings checks, List<GateStep> gate, List<OwnPhrase> phrases) {

    /** What a new collection begins with. */
    public static final Conventions USUAL = new Conventions(new NameParts(2, 4, NameParts.Capitals.EVERY_WORD, true, ""), WordRules.NONE, List.of(), false, List.of(), 0, true, true);
    /** Of rules from before there were conventions: their name pattern is an expression. */
    public static final Conventions OLDER = new Conventions(null, WordRules.NONE, List.of(), false, List.of(), 0, true, true);

    public Conventions {
        words = words == null ? WordRules.NONE : words;
        tagGroups = tagGroups == null ? List.of() : List.copyOf(tagGroups);
        purposes = purposes == null ? List.of() : asked(purposes);
        checks = checks == null ? CheckSettings.USUAL : checks;
        gate = gate == null ? GateStep.usual() : gate.stream().distinct().sorted().toList();
        phrases = phrases == null ? List.of() : List.copyOf(phrases);
    }

    /** With the soundcheck, the gate and the phrases as the program has them. */
    public Conventions(NameParts parts, WordRules words, List<TagGroup> tagGroups, boolean listedOnly, List<MacroPurpose> purposes, double bendRange, boolean velocityMoves, boolean touchMoves) {
        this(parts, words, tagGroups, listedOnly, purposes, bendRange, velocityMoves, touchMoves, CheckSettings.USUAL, null, List.of());
    }

    public Conventions withPhrases(List<OwnPhrase> others) {
        return new Conventions(parts, words, tagGroups, listedOnly, purposes, bendRange, velocityMoves, touchMoves, checks, gate, others);
    }

    public Conventions withChecks(CheckSettings others) {
        return new Conventions(parts, words, tagGroups, listedOnly, purposes, bendRange, velocityMoves, touchMoves, others, gate, phrases);
    }

    /** Without those at the end that ask nothing. */
    private static List<MacroPurpose> asked(List<MacroPurpose> purposes) {
        int end = purposes.size();
        while (end > 0 && purposes.get(end - 1).equals(MacroPurpose.ANY)) {
            end--;
        }
        return List.copyOf(purposes.subList(0, end));
    }

    /** What a macro slot has to do. @param macro from 0 */
    public MacroPurpose purpose(int macro) {
        return macro < purposes.size() ? purposes.get(macro) : MacroPurpose.ANY;
    }

    /** What of them the sound is held against; the rest is as in {@link #OLDER}. */
    Conventions ofSound() {
        return new Conventions(null, WordRules.NONE, Collections.emptyList(), false, purposes, bendRange, velocityMoves, touchMoves, checks, null, phrases);
    }
}
