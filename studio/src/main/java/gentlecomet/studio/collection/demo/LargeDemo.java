package gentlecomet.studio.collection.demo;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.sound.maths.NoiseGenerator;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Taper;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A collection as large as one can be, for trying sizes: sixteen full banks of patches that are varied from the demo's. The same every time. */
final class LargeDemo {

    static final String NAME = "Two Thousand Tides";

    private static final String[] FIRST = ("Amber Ashen Bitter Blown Broad Calm Chalk Clear Cold Copper Dim Drowned Dusk Early Ebbing Faint Far Flint Foam Grey Hollow Hushed Iron Kelp Late Lean Long Low Misty Narrow "
            + "Northern Old Pale Quiet Red Reed Restless Salt Shallow Silver Slow Small Soft Southern Still Tall Thin Wide").split(" ");
    private static final String[] SECOND = ("Anchor Bank Bar Basin Beacon Bight Boom Bridge Buoy Channel Cove Creek Current Cut Dike Drift Eddy Ferry Flat Ford Gate Groyne Harbour Hull Inlet Jetty Ledge Lock Mole Mooring "
            + "Mouth Narrows Oar Pier Point Pool Quay Race Reach Rill Rope Shoal Slip Sluice Spit Swell Wharf Weir").split(" ");
    /** What is moved a little: what a demo patch has set, on a scale of octaves where that is its taper. */
    private static final List<String> MOVED = List.of("layer1.filter1.cutoff", "layer1.filter1.resonance", "layer1.amplitude.attack", "layer1.amplitude.decay", "layer1.amplitude.release", "layer1.source1.detune",
            "layer1.source1.level", "layer1.source2.level", "layer1.filter1.envelopeAmount", "effect1.mix", "effect2.mix");
    private static final int BANKS = CollectionFormat.MOST_BANKS;

    private LargeDemo() {
    }

    /** @param demo whose patches are varied */
    static CollectionFile of(CollectionFile demo) {
        List<Patch> bases = demo.banks().stream().flatMap(b -> b.slots().stream()).map(CollectionFile.Slot::patch).filter(p -> !p.naming().tags().contains("faulty")).toList();
        List<CollectionFile.Bank> banks = new ArrayList<>();
        for (int b = 0; b < BANKS; b++) {
            List<CollectionFile.Slot> slots = new ArrayList<>();
            for (int s = 0; s < CollectionFormat.SLOTS; s++) {
                int n = b * CollectionFormat.SLOTS + s;
                slots.add(new CollectionFile.Slot(s + 1, varied(bases.get(n * 7 % bases.size()), n)));
            }
            banks.add(new CollectionFile.Bank(String.format("Tide %02d", b + 1), 0, b, slots));
        }
        Map<String, byte[]> assets = new LinkedHashMap<>(demo.assets());
        return new CollectionFile(NAME, demo.author(), demo.licence(), demo.rules(), banks, assets);
    }

    private static Patch varied(Patch base, int n) {
        Patch patch = base.withNaming(base.naming().withName(FIRST[n % FIRST.length] + " " + SECOND[(n / FIRST.length + n) % SECOND.length]));
        for (int m = 0; m < MOVED.size(); m++) {
            Parameter p = Parameters.find(MOVED.get(m));
            double value = base.value(p.index());
            double turn = 2 * NoiseGenerator.fraction(n, 40 + m, 1) - 1;
            if (value != p.neutral() || m == 0) {
                double moved = p.taper() == Taper.LOGARITHMIC ? value * Math.pow(2, turn) : value + turn * 0.06 * (p.max() - p.min());
                patch = patch.withValue(p, p.clamp(moved));
            }
        }
        return patch;
    }
}
