package gentlecomet.studio.bench.response;

import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.response.KeyLevelBalance;
import gentlecomet.craft.response.ResponseMap;
import gentlecomet.craft.response.SplitStep;
import gentlecomet.craft.response.Sweep;
import gentlecomet.craft.response.VelocityCurve;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.work.InteractiveWork;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Service;

/** How a patch answers to hands: its response map, its splits, what its macros and wheels do, its velocity. */
@Service
public class Responses {

    private static final double STEEPEST = 12;

    private final Patches patches;
    private final ResponseStore store;
    private final Assets assets;
    private final InteractiveWork interactive;
    /** The sound that a patch's map was last asked for; work on an older one is left. */
    private final Map<Long, String> wanted = new ConcurrentHashMap<>();

    Responses(Patches patches, ResponseStore store, Assets assets, InteractiveWork interactive) {
        this.patches = patches;
        this.store = store;
        this.assets = assets;
        this.interactive = interactive;
    }

    /** A map that may still grow. @param total keys that it will have */
    public record Growing(ResponseMap map, int total) {
        public boolean complete() {
            return map.keys().size() >= total;
        }
    }

    /** What is known of a patch as it stands. */
    public Growing map(long patchId) {
        PatchRow row = patches.get(patchId);
        return new Growing(store.find(row.soundHash()), ResponseMap.order(row.patch()).size());
    }

    /** Asks for what is missing of the map; every third key comes first. */
    public void ask(long patchId) {
        PatchRow row = patches.get(patchId);
        String hash = row.soundHash();
        wanted.put(patchId, hash);
        Patch patch = row.patch();
        ResponseMap known = store.find(hash);
        List<Integer> order = ResponseMap.order(patch);
        // All of a map is measured in one thread, so it can share one engine.
        Rendering rendering = new Rendering(Measuring.RATE, assets);
        for (int i = order.size() - 1; i >= 0; i--) {
            int key = order.get(i);
            if (!known.keys().containsKey(key)) {
                interactive.soon("response " + hash + " " + key, () -> {
                    if (hash.equals(wanted.get(patchId))) {
                        store.save(hash, key, ResponseMap.measure(patch, key, rendering));
                    }
                });
            }
        }
    }

    public List<SplitStep> splits(long patchId) {
        return SplitStep.of(patches.get(patchId).patch(), assets);
    }

    /** @param control "macro1" to "macro8", or a hand such as "wheel" */
    public Sweep sweep(long patchId, String control) {
        Patch patch = patches.get(patchId).patch();
        if (control.matches("macro[1-" + PatchParameters.MACROS + "]")) {
            return Sweep.ofMacro(patch, control.charAt(5) - '1', assets);
        }
        for (Sweep.Hand hand : Sweep.Hand.values()) {
            if (hand.name().equals(control.toUpperCase(Locale.ROOT))) {
                return Sweep.ofHand(patch, hand, assets);
            }
        }
        throw new RefusedException("There is no control \"" + control + "\".");
    }

    public List<VelocityCurve.Point> velocity(long patchId) {
        return VelocityCurve.measure(patches.get(patchId).patch(), assets);
    }

    /** Levels along the keys, as one edit that can be undone. */
    public PatchRow even(long patchId, long version, double slopeDbPerOctave) {
        if (!(Math.abs(slopeDbPerOctave) <= STEEPEST)) {
            throw new RefusedException("The slope goes from -12 to 12 dB per octave.");
        }
        KeyLevelBalance.Proposal proposal = new KeyLevelBalance(assets).propose(patches.get(patchId).patch(), slopeDbPerOctave);
        if (proposal.edit() == null) {
            throw new RefusedException("The patch is even already: no key is more than 0.3 dB off.");
        }
        return patches.edit(patchId, version, "", proposal.edit());
    }
}
