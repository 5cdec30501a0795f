package gentlecomet.studio.service;

import gentlecomet.craft.edit.PatchDifference;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.vary.Quality;
import gentlecomet.craft.vary.Variations;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.jobs.Jobs;
import gentlecomet.studio.store.MeasureStore;
import gentlecomet.studio.store.PatchStore;
import gentlecomet.studio.store.PatchStore.PatchRow;
import gentlecomet.studio.store.VersionStore;
import gentlecomet.studio.store.VersionStore.VariationRow;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Other versions of a patch to hold against the present one: pads, revisions, other patches, siblings. */
@Service
public class Versions {

    private static final Pattern REFERENCE = Pattern.compile("pad([AB])|revision(\\d{1,6})|patch(\\d{1,12})|sibling(\\d{1,12})|saved");
    private static final int MOST_SIBLINGS = 12;

    private final VersionStore store;
    private final PatchStore patches;
    private final PatchEditing editing;
    private final Banks banks;
    private final MeasureStore measures;
    private final Jobs jobs;
    private final Assets assets;

    public Versions(VersionStore store, PatchStore patches, PatchEditing editing, Banks banks, MeasureStore measures, Jobs jobs, Assets assets) {
        this.store = store;
        this.patches = patches;
        this.editing = editing;
        this.banks = banks;
        this.measures = measures;
        this.jobs = jobs;
        this.assets = assets;
    }

    /** A version and where it is from. */
    public record Version(String reference, String words, Patch patch) {
    }

    /**
     * A version by its reference: padA, padB, revision3, patch12, sibling5, or saved for the last revision.
     *
     * @throws MissingException when there is none
     */
    public Version find(long patchId, String reference) {
        Matcher m = REFERENCE.matcher(reference);
        if (!m.matches()) {
            throw new MissingException("There is no version \"" + reference + "\".");
        }
        if (m.group(1) != null) {
            return store.pad(patchId, m.group(1)).map(p -> new Version(reference, "Pad " + p.letter() + ": " + p.words(), p.patch()))
                    .orElseThrow(() -> new MissingException("Pad " + m.group(1) + " is empty."));
        }
        if (m.group(3) != null) {
            PatchRow other = editing.get(Long.parseLong(m.group(3)));
            return new Version(reference, "\"" + other.name() + "\"", other.patch());
        }
        if (m.group(4) != null) {
            VariationRow v = sibling(Long.parseLong(m.group(4)));
            return new Version(reference, "Sibling: " + v.quality() + ", " + v.words(), v.patch());
        }
        int number = m.group(2) != null ? Integer.parseInt(m.group(2)) : editing.get(patchId).revision();
        return patches.revision(patchId, number).map(r -> new Version(reference, "Revision " + r.number(), r.patch()))
                .orElseThrow(() -> new MissingException("There is no revision " + number + "."));
    }

    /** Puts the present state, or another version, onto a pad. */
    @Transactional
    public void putPad(long patchId, String letter, String reference) {
        PatchRow row = editing.get(patchId);
        if (!letter.equals("A") && !letter.equals("B")) {
            throw new RefusedException("There are pads A and B.");
        }
        Version version = reference.isEmpty() ? new Version("", editing.steps(row).undo().isEmpty() ? "as it began" : "after: " + editing.steps(row).undo(),
                row.patch()) : find(patchId, reference);
        store.putPad(patchId, letter, version.words(), version.patch());
    }

    public List<PatchDifference.Line> differences(long patchId, String reference) {
        return PatchDifference.between(find(patchId, reference).patch(), editing.get(patchId).patch());
    }

    /** Takes one line of a difference back. @param version the version of the patch that the page shows */
    public PatchRow takeBack(long patchId, long version, String reference, int line) {
        List<PatchDifference.Line> lines = differences(patchId, reference);
        if (line < 0 || line >= lines.size()) {
            throw new RefusedException("This difference is no longer there.");
        }
        return editing.edit(patchId, version, "", lines.get(line).back());
    }

    /** Makes a version the working state; an edit that can be undone. */
    public PatchRow bringBack(long patchId, long version, String reference) {
        Version found = find(patchId, reference);
        Patch present = editing.get(patchId).patch();
        Patch state = found.patch().withNaming(reference.startsWith("patch") || reference.startsWith("sibling") ? present.naming() : found.patch().naming());
        return editing.edit(patchId, version, "", new PatchEdit.Restore(state, found.words() + " brought back"));
    }

    /** What is known about a version's sound. */
    public Optional<Measurement> measured(Patch patch, HouseRules rules) {
        return measures.measurement(Hashes.sound(patch), rules.phraseOf(patch.naming().category()));
    }

    /** Asks for what is not known about a version's sound, ahead of everything. */
    public void ask(Patch patch, HouseRules rules) {
        if (measured(patch, rules).isEmpty()) {
            jobs.measureAhead(Hashes.sound(patch), rules.phraseOf(patch.naming().category()), patch);
        }
    }

    /**
     * Makes siblings and keeps them beside the patch until they are kept or discarded.
     *
     * @param count for each quality
     */
    public void vary(long patchId, List<Quality> qualities, double strength, int count, int seed) {
        if (qualities.isEmpty()) {
            throw new RefusedException("Choose at least one direction.");
        }
        if (!(strength >= 0.1 && strength <= 3) || count < 1 || qualities.size() * count > MOST_SIBLINGS) {
            throw new RefusedException("Strength goes from 0.1 to 3, and at most " + MOST_SIBLINGS + " siblings are made at a time.");
        }
        PatchRow row = editing.get(patchId);
        Variations variations = new Variations(assets, editing.locked(patchId));
        for (Quality quality : qualities) {
            for (Variations.Sibling s : variations.of(row.patch(), quality, strength, count, seed)) {
                store.addVariation(patchId, quality.label(), s.wentThere() ? s.from() + " to " + s.to() + (s.held().isEmpty() ? "" : "; more would change its " + s.held())
                        : "could not be made " + quality.label() + (s.held().isEmpty() ? "" : " without changing its " + s.held()), s.moves(),
                        s.patch());
            }
        }
    }

    public VariationRow sibling(long id) {
        return store.variation(id).orElseThrow(() -> new MissingException("This sibling is no longer there."));
    }

    /** Keeps a sibling: it gets the next free slot and a name after its parent's. Answers its id. */
    @Transactional
    public long keep(long id) {
        VariationRow row = sibling(id);
        String word = Quality.valueOf(row.quality().toUpperCase(java.util.Locale.ROOT)).word();
        long kept = banks.sibling(row.patchId(), row.patch(), word);
        store.discard(id);
        return kept;
    }
}
