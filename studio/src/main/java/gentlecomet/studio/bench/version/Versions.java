package gentlecomet.studio.bench.version;

import gentlecomet.craft.edit.PatchDifference;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.vary.Quality;
import gentlecomet.craft.vary.Variations;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.bank.Banks;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.patch.StateKind;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Other versions of a patch to hold against the present one: pads, revisions, other patches, variations. */
@Service
public class Versions {

    private static final Pattern REFERENCE = Pattern.compile("pad([AB])|revision(\\d{1,6})|patch(\\d{1,12})|variation(\\d{1,12})|saved");
    private static final int MOST_VARIATIONS = 12;

    private final VersionStore store;
    private final Patches patches;
    private final Banks banks;
    private final Measures measures;
    private final Assets assets;

    Versions(VersionStore store, Patches patches, Banks banks, Measures measures, Assets assets) {
        this.store = store;
        this.patches = patches;
        this.banks = banks;
        this.measures = measures;
        this.assets = assets;
    }

    /** A version and where it is from. */
    public record Version(String reference, String words, Patch patch) {
    }

    /**
     * A version by its reference: padA, padB, revision3, patch12, variation5, or saved for the last revision.
     *
     * @throws MissingException when there is none
     */
    public Version find(long patchId, String reference) {
        Matcher m = REFERENCE.matcher(reference);
        if (!m.matches()) {
            throw new MissingException("There is no version \"" + reference + "\".");
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
            VariationRow v = variation(Long.parseLong(m.group(4)));
            return new Version(reference, "Variation: " + v.quality() + ", " + v.words(), state(v));
        }
        int number = m.group(2) != null ? Integer.parseInt(m.group(2)) : patches.summary(patchId).revision();
        return patches.revision(patchId, number).map(state -> new Version(reference, "Revision " + number, state))
                .orElseThrow(() -> new MissingException("There is no revision " + number + "."));
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
        Patch state = found.patch().withNaming(reference.startsWith("patch") || reference.startsWith("variation") ? present.naming() : found.patch().naming());
        return patches.edit(patchId, version, "", new PatchEdit.Restore(state, found.words() + " brought back"));
    }

    /** What the pads of a patch hold. */
    public List<PadRow> pads(long patchId) {
        return store.pads(patchId);
    }

    /** The variations of a patch that wait to be kept or discarded. */
    public List<VariationRow> variations(long patchId) {
        return store.variations(patchId);
    }

    /** Asks for the measures of a patch's variations, ahead of everything. */
    public void measureVariations(long patchId, HouseRules rules) {
        store.variations(patchId).forEach(v -> measures.ask(state(v), rules));
    }

    /**
     * Makes variations and keeps them beside the patch until they are kept or discarded.
     *
     * @param count for each quality
     */
    public void vary(long patchId, List<Quality> qualities, double strength, int count, int seed) {
        if (qualities.isEmpty()) {
            throw new RefusedException("Choose at least one direction.");
        }
        if (!(strength >= 0.1 && strength <= 3) || count < 1 || qualities.size() * count > MOST_VARIATIONS) {
            throw new RefusedException("Strength goes from 0.1 to 3, and at most " + MOST_VARIATIONS + " variations are made at a time.");
        }
        PatchRow row = patches.get(patchId);
        Variations variations = new Variations(assets, patches.locked(patchId));
        for (Quality quality : qualities) {
            for (Variations.Sibling s : variations.of(row.patch(), quality, strength, count, seed)) {
                long id = store.addVariation(patchId, quality.label(), s.wentThere() ? s.from() + " to " + s.to() + (s.held().isEmpty() ? "" : "; more would change its " + s.held())
                        : "could not be made " + quality.label() + (s.held().isEmpty() ? "" : " without changing its " + s.held()), s.moves(),
                        s.patch());
                patches.noteAssets(patchId, StateKind.VARIATION, id, s.patch());
            }
        }
    }

    private VariationRow variation(long id) {
        return store.variation(id).orElseThrow(() -> new MissingException("This variation is no longer there."));
    }

    private Patch state(VariationRow variation) {
        return store.variationState(variation.id()).orElseThrow(() -> new MissingException("This variation is no longer there."));
    }

    /** Keeps a variation: it gets the next free slot and a name after its parent's. Answers the id of the new patch. */
    @Transactional
    public long keep(long id) {
        VariationRow row = variation(id);
        String word = Quality.valueOf(row.quality().toUpperCase(Locale.ROOT)).word();
        long kept = banks.variation(row.patchId(), state(row), word);
        discard(row.patchId(), id);
        return kept;
    }

    @Transactional
    public void discard(long patchId, long id) {
        store.discard(id);
        patches.forgetAssets(patchId, StateKind.VARIATION, id);
    }

    @Transactional
    public void discardAll(long patchId) {
        store.discardAll(patchId);
        patches.forgetAssets(patchId, StateKind.VARIATION);
    }
}
