package gentlecomet.craft.check;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.probe.Probes;
import gentlecomet.craft.rules.Expectations;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;

/** A patch under the soundcheck: what rules may ask of it. Nothing is rendered here. */
public record Subject(Patch patch, Probes probes, HouseRules house) {

    public Measurement measurement() {
        return probes.measurement();
    }

    /** The house's value of a threshold. */
    public double limit(Threshold threshold) {
        return house.conventions().checks().limit(threshold.rule(), threshold.id(), threshold.standard());
    }

    public String category() {
        return patch.naming().category();
    }

    /** What its category sounds like. */
    public Expectations expected() {
        return house.expectationsOf(category());
    }

    /** The key of the probe note, at which most rules listen. */
    public int key() {
        return measurement().probeKey();
    }

    /** The probe note as a clip. */
    public String probe() {
        return note(key(), 100, 1.5);
    }

    /** One note as a clip. */
    public static String note(int key, int velocity, double seconds) {
        return KeyName.of(key) + ":" + velocity + ":" + seconds;
    }

    /** Layers that play the probe's key, counted from 0; the first one where none does. */
    public List<Integer> soundingLayers() {
        return soundingLayers(key());
    }

    /** Layers that play a key, counted from 0; the first one where none does. */
    public List<Integer> soundingLayers(int key) {
        List<Integer> layers = new ArrayList<>();
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            int at = Parameters.ofLayer(layer, 0);
            if (patch.layerOn(layer) && key >= patch.value(at + LayerParameters.LOW_KEY) && key <= patch.value(at + LayerParameters.HIGH_KEY)) {
                layers.add(layer);
            }
        }
        return layers.isEmpty() ? List.of(0) : layers;
    }
}
