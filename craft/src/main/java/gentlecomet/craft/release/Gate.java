package gentlecomet.craft.release;

import gentlecomet.craft.rules.GateStep;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/** What stands against a release, and whether it blocks it or only warns. */
public final class Gate {

    private static final int NAMED = 5;

    private Gate() {
    }

    /** Something that stands against a release. @param blocks whether building asks for a reason */
    public record Obstacle(boolean blocks, String words) {
    }

    /**
     * How one patch stands.
     *
     * @param ships    whether any revision of it was saved
     * @param saved    whether it has no edits after its last revision
     * @param named    whether it keeps the house's rules for names, categories and tags
     * @param levelled whether it is at the house's loudness
     * @param faults   of its sound that nobody has waived, null while it has not been checked
     * @param verdict  of listening to it as it sounds now: keep, fix, cut or split; empty while nobody has
     */
    public record Standing(String name, boolean ships, boolean saved, boolean named, boolean levelled, Integer faults, String verdict) {

        /** Whether nothing is left to do. */
        public boolean ready() {
            return saved && named && levelled && faults != null && faults == 0 && verdict.equals("keep");
        }
    }

    /** What stands against a release. Patches that do not ship block nothing. @param blocking what blocks in this house */
    public static List<Obstacle> obstacles(String author, String licence, List<Standing> patches, List<GateStep> blocking) {
        List<Standing> shipping = patches.stream().filter(Standing::ships).toList();
        List<Obstacle> found = new ArrayList<>();
        if (licence.isBlank()) {
            found.add(new Obstacle(blocking.contains(GateStep.LICENCE), "The collection has no licence: nobody knows what they may do with it."));
        }
        if (author.isBlank()) {
            found.add(new Obstacle(blocking.contains(GateStep.AUTHOR), "The collection has no author."));
        }
        add(found, blocking.contains(GateStep.NAMES), shipping, p -> !p.named(), "breaks the house's rules for names, categories or tags", "break the house's rules for names, categories or tags");
        add(found, blocking.contains(GateStep.FAULTS), shipping, p -> p.faults() != null && p.faults() > 0, "has faults that nobody has waived", "have faults that nobody has waived");
        add(found, blocking.contains(GateStep.UNCHECKED), shipping, p -> p.faults() == null, "has not been checked in its present state", "have not been checked in their present state");
        add(found, blocking.contains(GateStep.LEVEL), shipping, p -> !p.levelled(), "is not at the house's loudness, or has not been measured", "are not at the house's loudness, or have not been measured");
        add(found, blocking.contains(GateStep.NOT_KEPT), shipping, p -> !p.verdict().isEmpty() && !p.verdict().equals("keep"), "was heard and is not kept: to be fixed, to be cut, or reviewers differ",
                "were heard and are not kept: to be fixed, to be cut, or reviewers differ");
        add(found, blocking.contains(GateStep.NOT_HEARD), shipping, p -> p.verdict().isEmpty(), "has not been heard as it sounds now", "have not been heard as they sound now");
        add(found, blocking.contains(GateStep.EDITED), shipping, p -> !p.saved(), "has edits after its last revision, which do not ship", "have edits after their last revision, which do not ship");
        add(found, blocking.contains(GateStep.NEVER_SAVED), patches, p -> !p.ships(), "has never been saved and does not ship", "have never been saved and do not ship");
        return found;
    }

    private static void add(List<Obstacle> found, boolean blocks, List<Standing> patches, Predicate<Standing> which, String one, String many) {
        List<String> some = patches.stream().filter(which).map(Standing::name).toList();
        if (!some.isEmpty()) {
            found.add(new Obstacle(blocks, (some.size() == 1 ? "1 patch " + one : some.size() + " patches " + many) + ": " + String.join(", ", some.subList(0, Math.min(NAMED, some.size())))
                    + (some.size() > NAMED ? " ..." : ".")));
        }
    }
}
