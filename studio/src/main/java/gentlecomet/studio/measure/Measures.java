package gentlecomet.studio.measure;

import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.LevelMeasure;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.work.Standing;
import gentlecomet.studio.work.WorkQueue;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** What is known about patches by measuring, and the work that finds out what is not. Looking asks for nothing; {@code ask} does. */
@Service
public class Measures {

    private final MeasureStore store;
    private final Patches patches;
    private final WorkQueue queue;
    private final MeasureTask task;

    Measures(MeasureStore store, Patches patches, WorkQueue queue, MeasureTask task) {
        this.store = store;
        this.patches = patches;
        this.queue = queue;
        this.task = task;
    }

    /** The measurement of a patch's working state, if it has been made. */
    public Optional<Measurement> of(PatchSummary patch, HouseRules rules) {
        return store.find(patch.soundHash(), rules.phraseOf(patch.category()));
    }

    /** The measurement of any state of a patch, if it has been made. */
    public Optional<Measurement> of(Patch state, HouseRules rules) {
        return store.find(Hashes.sound(state), rules.phraseOf(state.naming().category()));
    }

    /** Measurements of sounds under one phrase, by their hashes. */
    public Map<String, Measurement> of(List<String> soundHashes, String phrase) {
        return store.find(soundHashes, phrase);
    }

    /** Measurements of a bank's patches by patch; those that have not been made are left out. */
    public Map<Long, Measurement> ofBank(long bankId, List<PatchSummary> bank, HouseRules rules) {
        return byPatch(store.ofBank(bankId), bank, rules);
    }

    /** Measurements of a collection's patches by patch; those that have not been made are left out. @param all every patch of the collection */
    public Map<Long, Measurement> ofCollection(long collectionId, List<PatchSummary> all, HouseRules rules) {
        return byPatch(store.ofCollection(collectionId), all, rules);
    }

    /** Loudness of a collection's patches by patch; those that have not been measured are left out. */
    public Map<Long, PatchLoudness> loudness(long collectionId, List<PatchSummary> all, HouseRules rules) {
        Map<Long, MeasureStore.Figures> figures = byPatch(store.figures(collectionId), all, rules);
        Map<Long, PatchLoudness> loudness = new HashMap<>();
        for (PatchSummary patch : all) {
            MeasureStore.Figures f = figures.get(patch.id());
            if (f != null) {
                boolean integrated = rules.measureOf(patch.category()) == LevelMeasure.INTEGRATED;
                loudness.put(patch.id(), new PatchLoudness(integrated ? f.integratedLufs() : f.momentaryMaxLufs(), f.truePeakDbtp(), rules.targetOf(patch.category())));
            }
        }
        return loudness;
    }

    /** What was found by the phrase of each patch's category. */
    private static <T> Map<Long, T> byPatch(List<MeasureStore.Measured<T>> found, List<PatchSummary> patches, HouseRules rules) {
        Map<Long, String> phrases = new HashMap<>();
        patches.forEach(p -> phrases.put(p.id(), rules.phraseOf(p.category())));
        Map<Long, T> byPatch = new HashMap<>();
        for (MeasureStore.Measured<T> m : found) {
            if (m.phrase().equals(phrases.get(m.patchId()))) {
                byPatch.put(m.patchId(), m.found());
            }
        }
        return byPatch;
    }

    /** Asks for the measurements of a bank that have not been made, in the background. What has failed is tried again. */
    public void askForBank(long bankId, HouseRules rules) {
        List<PatchSummary> bank = patches.inBank(bankId);
        Set<Long> known = measured(bankId, bank, rules);
        queue.ask(task, bank.stream().filter(p -> !known.contains(p.id())).map(p -> data(patches.get(p.id()).patch(), p.soundHash(), rules))
                .map(d -> new WorkQueue.Item<>(d.id(), d)).toList());
    }

    /** Asks for the measurement of a patch that somebody is looking at, ahead of everything that waits. What has failed is tried again. */
    public void ask(PatchRow row, HouseRules rules) {
        ahead(row.patch(), row.soundHash(), rules);
    }

    /** The same of any state of a patch. */
    public void ask(Patch state, HouseRules rules) {
        ahead(state, Hashes.sound(state), rules);
    }

    private void ahead(Patch patch, String soundHash, HouseRules rules) {
        MeasureTask.Data data = data(patch, soundHash, rules);
        if (store.find(soundHash, data.phrase()).isPresent()) {
            return;
        }
        queue.ahead(task, new WorkQueue.Item<>(data.id(), data));
    }

    private static MeasureTask.Data data(Patch patch, String soundHash, HouseRules rules) {
        String phrase = rules.phraseOf(patch.naming().category());
        return new MeasureTask.Data(soundHash.strip(), phrase, PatchFormat.write(patch), rules.ownPhrase(phrase).orElse(null));
    }

    /** Measures a state now, unless it has been measured. */
    public Measurement measure(Patch state, String soundHash, HouseRules rules) {
        return task.measure(data(state, soundHash, rules));
    }

    /** How far measuring of a bank is. */
    public Standing standing(long bankId, HouseRules rules) {
        List<PatchSummary> bank = patches.inBank(bankId);
        Set<Long> known = measured(bankId, bank, rules);
        return standing(bank, known, rules);
    }

    /** How far measuring of one patch is. */
    public Standing standing(PatchSummary patch, HouseRules rules) {
        return standing(List.of(patch), of(patch, rules).isPresent() ? Set.of(patch.id()) : Set.of(), rules);
    }

    private Set<Long> measured(long bankId, List<PatchSummary> bank, HouseRules rules) {
        return new HashSet<>(byPatch(store.measuredInBank(bankId), bank, rules).keySet());
    }

    private Standing standing(List<PatchSummary> some, Set<Long> known, HouseRules rules) {
        Map<Long, String> missing = some.stream().filter(p -> !known.contains(p.id()))
                .collect(Collectors.toMap(PatchSummary::id, p -> MeasureTask.id(p.soundHash(), rules.phraseOf(p.category())), (a, b) -> a, LinkedHashMap::new));
        return queue.standing(task, missing, some.size());
    }
}
