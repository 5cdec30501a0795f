package gentlecomet.studio.bench.version;

import gentlecomet.craft.edit.PatchDifference;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.vary.Morph;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.bank.Banks;
import gentlecomet.studio.bench.vary.PatchVariations;
import gentlecomet.studio.bench.vary.VariationRow;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.patch.StateKind;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Other versions of a patch to hold against the present one: pads, revisions, other patches, variations. */
@Service
public class Versions {

    private static final String ONE = "pad[AB]|revision\\d{1,6}|patch\\d{1,12}|variation\\d{1,12}|saved|now";
    private static final Pattern REFERENCE = Pattern.compile("pad([AB])|revision(\\d{1,6})|patch(\\d{1,12})|variation(\\d{1,12})|saved|now");
    private static final Pattern BETWEEN = Pattern.compile("between\\.(" + ONE + ")\\.(" + ONE + ")\\.(\\d{1,3})");

    private final VersionStore store;
    private final Patches patches;
    private final PatchVariations variations;
    private final Banks banks;

    Versions(VersionStore store, Patches patches, PatchVariations variations, Banks banks) {
        this.banks = banks;
        this.store = store;
        this.patches = patches;
        this.variations = variations;
    }

    /** A version and where it is from. */
    public record Version(String reference, String words, Patch patch) {
    }

    /**
     * A version by its reference: padA, padB, revision3, patch12, variation5, saved for the last revision, now for the state on the bench, or
     * between.padA.padB.35 for what is 35 % of the way from the first to the second.
     *
     * @throws MissingException when there is none
     */
    public Version find(long patchId, String reference) {
        Ends ends = ends(patchId, reference);
        if (ends != null) {
            return ends.version();
        }
        Matcher m = REFERENCE.matcher(reference);
        if (!m.matches()) {
            throw new MissingException("There is no version \"" + reference + "\".");
        }
        if (reference.equals("now")) {
            return new Version(reference, "the state on the bench", patches.get(patchId).patch());
        }
        if (m.group(1) != null) {
            Patch held = store.pad(patchId, m.group(1)).orElseThrow(() -> new MissingException("Pad " + m.group(1) + " is empty."));
            String words = store.pads(patchId).stream().filter(p -> p.letter().equals(m.group(1))).map(PadRow::words).findFirst().orElse("");
            return new Version(reference, "Pad " + m.group(1) + ": " + words, held);
        }
        if (m.group(3) != null) {
            PatchRow other = patches.get(Long.parseLong(m.group(3)));
            return new Version(reference, "\"" + other.name() + "\"", other.patch());
        }
        if (m.group(4) != null) {
            VariationRow v = variations.find(Long.parseLong(m.group(4)));
            return new Version(reference, "Variation: " + v.quality() + ", " + v.words(), variations.state(v));
        }
        int number = m.group(2) != null ? Integer.parseInt(m.group(2)) : patches.summary(patchId).revision();
        return patches.revision(patchId, number).map(state -> new Version(reference, "Revision " + number, state))
                .orElseThrow(() -> new MissingException("There is no revision " + number + "."));
    }

    /** What a reference to something between stands between; null for any other reference. */
    public Ends ends(long patchId, String reference) {
        Matcher m = BETWEEN.matcher(reference);
        if (!m.matches()) {
            return null;
        }
        Version from = find(patchId, m.group(1));
        Version to = find(patchId, m.group(2));
        return new Ends(reference, from, to, Math.min(100, Integer.parseInt(m.group(3))) / 100.0, new Morph(from.patch(), to.patch()));
    }

    /** Two versions and a place on the way from one to the other. @param place 0 to 1 */
    public record Ends(String reference, Version from, Version to, double place, Morph morph) {

        /** What stands there. */
        public Version version() {
            return new Version(reference, Math.round(100 * place) + " % of the way from " + from.words() + " to " + to.words(), morph.at(place));
        }
    }

    /** Keeps what is between two versions as a patch of its own in the next free slot. Answers its id. */
    @Transactional
    public long keepBetween(long patchId, String reference) {
        Ends ends = ends(patchId, reference);
        if (ends == null) {
            throw new MissingException("There is nothing between \"" + reference.replaceAll("\\p{Cntrl}", "?") + "\".");
        }
        return banks.variation(patchId, ends.version().patch(), "Between");
    }

    /** Puts the present state, or another version, onto a pad. */
    @Transactional
    public void putPad(long patchId, String letter, String reference) {
        PatchRow row = patches.get(patchId);
        if (!letter.equals("A") && !letter.equals("B")) {
            throw new RefusedException("There are pads A and B.");
        }
        Version version = reference.isEmpty() ? new Version("", patches.steps(row).undo().isEmpty() ? "as it began" : "after: " + patches.steps(row).undo(),
                row.patch()) : find(patchId, reference);
        store.putPad(patchId, letter, version.words(), version.patch());
        patches.noteAssets(patchId, StateKind.PAD, letter.equals("A") ? 0 : 1, version.patch());
    }

    public List<PatchDifference.Line> differences(long patchId, String reference) {
        return PatchDifference.between(find(patchId, reference).patch(), patches.get(patchId).patch());
    }

    /** Takes one line of a difference back. @param version the version of the patch that the page shows */
    public PatchRow takeBack(long patchId, long version, String reference, int line) {
        List<PatchDifference.Line> lines = differences(patchId, reference);
        if (line < 0 || line >= lines.size()) {
            throw new RefusedException("This difference is no longer there.");
        }
        return patches.edit(patchId, version, "", lines.get(line).back());
    }

    /** Makes a version the working state; an edit that can be undone. */
    public PatchRow bringBack(long patchId, long version, String reference) {
        Version found = find(patchId, reference);
        Patch present = patches.get(patchId).patch();
        Patch state = found.patch().withNaming(reference.matches("(patch|variation|between).*") ? present.naming() : found.patch().naming());
        return patches.edit(patchId, version, "", new PatchEdit.Restore(state, found.words() + " brought back"));
    }

    /** What the pads of a patch hold. */
    public List<PadRow> pads(long patchId) {
        return store.pads(patchId);
    }
}
