package gentlecomet.craft.check;

import gentlecomet.craft.measure.Difference;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import java.util.ArrayList;
import java.util.List;

/** A patch under the soundcheck: what rules may ask of it. What several rules want to hear is rendered once. One thread at a time. */
public final class Subject {

    /** Below this a changed control counts as unheard. */
    public static final Threshold UNHEARD = new Threshold("unheard", "dB", -50, "difference to the sound itself below which a change is not heard");
    private static final double TAIL_SECONDS = 2;

    private final Patch patch;
    private final Measurement measurement;
    private final Phrase phrase;
    private final HouseRules house;
    private final Rendering rendering;
    private Rendering.Result played;

    Subject(Patch patch, Measurement measurement, Phrase phrase, HouseRules house, Rendering rendering) {
        this.patch = patch;
        this.measurement = measurement;
        this.phrase = phrase;
        this.house = house;
        this.rendering = rendering;
    }

    public Patch patch() {
        return patch;
    }

    public Measurement measurement() {
        return measurement;
    }

    public HouseRules house() {
        return house;
    }

    /** The key of the probe note, at which most rules listen. */
    public int key() {
        return measurement.probeKey();
    }

    /** The probe note as a clip. */
    public String probe() {
        return KeyName.of(key()) + ":100:1.5";
    }

    /** The phrase of the patch's category as it is played. */
    public Rendering.Result played() {
        if (played == null) {
            played = rendering.render(PatchImage.of(patch), phrase, 1, Rendering.ControllerState.AT_REST);
        }
        return played;
    }

    /** A note of a second at the probe's key, with two seconds of tail. */
    public Audio note(double[] image, int velocity, Rendering.ControllerState controllers) {
        return rendering.render(image, Phrase.single(key(), velocity, 1), TAIL_SECONDS, controllers).audio();
    }

    /** How different two states sound at the probe's key, in dB to the sound itself. */
    public double difference(double[] first, double[] second, int firstVelocity, int secondVelocity) {
        return Difference.db(note(first, firstVelocity, Rendering.ControllerState.AT_REST), note(second, secondVelocity, Rendering.ControllerState.AT_REST));
    }

    /** Layers that play the probe's key, counted from 0; the first one where none does. */
    public List<Integer> soundingLayers() {
        List<Integer> layers = new ArrayList<>();
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            int at = Parameters.ofLayer(layer, 0);
            if (patch.layerOn(layer) && key() >= patch.value(at + LayerParameters.LOW_KEY) && key() <= patch.value(at + LayerParameters.HIGH_KEY)) {
                layers.add(layer);
            }
        }
        return layers.isEmpty() ? List.of(0) : layers;
    }
}
