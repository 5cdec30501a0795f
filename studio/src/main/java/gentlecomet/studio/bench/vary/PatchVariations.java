package gentlecomet.studio.bench.vary;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.portrait.Portrait;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.vary.Neighbourhood;
import gentlecomet.craft.vary.Place;
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
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Variations of a patch: made in the background, kept beside it until somebody keeps them as patches or discards them. */
@Service
public class PatchVariations {

    private static final int MOST = 12;
    private static final double LEAST_STEP = 0.02;
    private static final double MOST_OCTAVES = 3;
    private static final double MOST_DB = 24;

    private final VariationStore store;
    private final VariationWork work;
    private final Patches patches;
    private final Banks banks;
    private final Measures measures;
    private final Assets assets;
    private final TransactionTemplate transaction;

    PatchVariations(VariationStore store, VariationWork work, Patches patches, Banks banks, Measures measures, Assets assets, TransactionTemplate transaction) {
        this.store = store;
        this.work = work;
        this.patches = patches;
        this.banks = banks;
        this.measures = measures;
        this.assets = assets;
        this.transaction = transaction;
    }

    /** @throws MissingException when it has been kept or discarded */
    public VariationRow find(long id) {
        return store.find(id).orElseThrow(() -> new MissingException("This variation is no longer there."));
    }

    /** The sound of a variation. */
    public Patch state(VariationRow variation) {
        return store.state(variation.id()).orElseThrow(() -> new MissingException("This variation is no longer there."));
    }

    public List<VariationRow> of(long patchId) {
        return store.of(patchId);
    }

    /** With their portraits, as far as they have been measured. */
    public List<VariationCard> cards(long patchId, String phrase) {
        List<VariationRow> made = store.of(patchId);
        Map<String, Measurement> measured = measures.of(made.stream().map(v -> v.soundHash().strip()).toList(), phrase);
        return made.stream().map(v -> {
            Measurement m = measured.get(v.soundHash().strip());
            return new VariationCard(v, m == null ? VariationCard.UNMEASURED : Portrait.svg(m));
        }).toList();
    }

    /** Asks for the measures of a patch's variations, ahead of everything. */
    public void measure(long patchId, HouseRules rules) {
        store.of(patchId).forEach(v -> measures.ask(state(v), rules));
    }

    /** How far the making of a patch's variations is. */
    public VariationProgress progress(long patchId) {
        return work.progress(patchId);
    }

    void stop(long patchId) {
        work.stop(patchId);
    }

    /** Some in each direction, beside those that are there. @param octaves of brightness and length @param decibels of width and roughness */
    void vary(long patchId, List<Quality> qualities, double octaves, double decibels, int count, int seed) {
        if (qualities.isEmpty()) {
            throw new RefusedException("Choose at least one direction.");
        }
        if (count < 1 || qualities.size() * count > MOST) {
            throw new RefusedException("At most " + MOST + " variations are made at a time.");
        }
        List<Variations.Aim> aims = qualities.stream().map(q -> aim(q, q.inOctaves() ? octaves : decibels)).toList();
        start(patchId, qualities.size() * count, (patch, variations, made) -> {
            for (int n = 0; n < count; n++) {
                for (Variations.Aim aim : aims) {
                    if (made.goesOn()) {
                        made.accept(variations.of(patch, aim, 1, seed + n).get(0));
                    }
                }
            }
        });
    }

    /** The neighbours of the present state on a map of two measures, in place of the variations that are there. */
    void map(long patchId, String across, double acrossStep, String up, double upStep, int seed) {
        if (across.equals(up)) {
            throw new RefusedException("Choose two different measures for the map.");
        }
        Neighbourhood.Axis x = axis(across, acrossStep);
        Neighbourhood.Axis y = axis(up, upStep);
        discardAll(patchId);
        start(patchId, Neighbourhood.SIZE, (patch, variations, made) -> new Neighbourhood(variations, x, y, seed).of(patch, made::accept, made::goesOn));
    }

    /** Siblings at even steps in one direction, in place of the variations that are there. */
    void row(long patchId, Quality quality, double step, int count, int seed) {
        Variations.Aim aim = aim(quality, step);
        if (count < 1 || count > MOST) {
            throw new RefusedException("A row has 1 to " + MOST + " variations.");
        }
        discardAll(patchId);
        start(patchId, count, (patch, variations, made) -> variations.row(patch, aim, count, seed, made::accept, made::goesOn));
    }

    /** A quality by its label. */
    static Quality quality(String label) {
        try {
            return Quality.valueOf(label.toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            throw new RefusedException("There is no direction \"" + label.replaceAll("\\p{Cntrl}", "?") + "\".");
        }
    }

    private static Neighbourhood.Axis axis(String measure, double step) {
        try {
            Neighbourhood.Axis axis = Neighbourhood.Axis.of(measure, step);
            aim(axis.more(), step);
            return axis;
        } catch (IllegalArgumentException e) {
            throw new RefusedException("There is no measure \"" + measure.replaceAll("\\p{Cntrl}", "?") + "\".");
        }
    }

    private static Variations.Aim aim(Quality quality, double amount) {
        double most = quality.inOctaves() ? MOST_OCTAVES : MOST_DB;
        if (!(amount >= LEAST_STEP && amount <= most)) {
            throw new RefusedException(String.format(Locale.ROOT, "A step of %s goes from %.2f to %.0f %s.", quality.measure(), LEAST_STEP, most, quality.inOctaves() ? "octaves" : "dB"));
        }
        return new Variations.Aim(quality, amount);
    }

    /** What makes them. */
    private interface Making {
        void make(Patch patch, Variations variations, Made made);
    }

    /** Keeps what is found, one after the other. */
    private final class Made {
        private final long patchId;
        private final VariationWork.Job job;
        private final Variations variations;
        private final Place origin;

        private Made(PatchRow row, VariationWork.Job job, Variations variations) {
            patchId = row.id();
            this.job = job;
            this.variations = variations;
            origin = variations.place(row.patch());
        }

        boolean goesOn() {
            return job.goesOn();
        }

        void accept(Variations.Sibling sibling) {
            String words = sibling.wentThere() ? sibling.from() + " to " + sibling.to() + (sibling.held().isEmpty() ? "" : "; more would change its " + sibling.held())
                    : "could not be made " + sibling.label() + (sibling.held().isEmpty() ? "" : " without changing its " + sibling.held());
            Place place = sibling.wentThere() ? variations.place(sibling.patch()) : null;
            if (job.goesOn()) {
                transaction.executeWithoutResult(t -> {
                    long id = store.add(patchId, sibling.label(), words, sibling.moves(), sibling.patch(), place, origin);
                    patches.noteAssets(patchId, StateKind.VARIATION, id, sibling.patch());
                });
                job.madeOne();
            }
        }
    }

    private void start(long patchId, int asked, Making making) {
        PatchRow row = patches.get(patchId);
        Variations variations = new Variations(assets, patches.locked(patchId));
        work.start(patchId, asked, job -> making.make(row.patch(), variations, new Made(row, job, variations)));
    }

    /** Keeps a variation: it gets the next free slot and a name after its parent's. Answers the id of the new patch. */
    @Transactional
    public long keep(long id) {
        VariationRow row = find(id);
        long kept = banks.variation(row.patchId(), state(row), quality(row.quality().split(",")[0]).word());
        discard(row.patchId(), id);
        return kept;
    }

    @Transactional
    public void discard(long patchId, long id) {
        store.discard(id);
        patches.forgetAssets(patchId, StateKind.VARIATION, id);
    }

    /** Discards all, and ends the making of more. */
    @Transactional
    public void discardAll(long patchId) {
        work.stop(patchId);
        store.discardAll(patchId);
        patches.forgetAssets(patchId, StateKind.VARIATION);
    }
}
