package gentlecomet.craft.rules;

import java.util.Arrays;
import java.util.List;

/** What can stand against a release. Each blocks it or only warns, as the house has it. */
public enum GateStep {
    LICENCE("no licence", true), AUTHOR("no author", true), NAMES("names, categories or tags that break the rules", true), FAULTS("faults that nobody has waived", true),
    UNCHECKED("patches that are not checked as they are now", true), LEVEL("patches off the house's loudness, or not measured", true),
    NOT_KEPT("patches that were heard and are not kept", true), NOT_HEARD("patches that nobody has heard as they are now", false),
    EDITED("edits after the last revision, which do not ship", false), NEVER_SAVED("patches that were never saved and do not ship", false);

    private final String words;
    private final boolean blocks;

    GateStep(String words, boolean blocks) {
        this.words = words;
        this.blocks = blocks;
    }

    /** For people. */
    public String words() {
        return words;
    }

    /** Those that block unless a house says otherwise. */
    public static List<GateStep> usual() {
        return Arrays.stream(values()).filter(step -> step.blocks).toList();
    }
}
