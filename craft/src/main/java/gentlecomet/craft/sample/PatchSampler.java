package gentlecomet.craft.sample;

import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.pattern.Patterns;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;

/** Records a patch key by key and layer by layer, as a player of samples needs it. Splits of the patch stay where they are. */
public final class PatchSampler {

    /** The keys of a piano. */
    private static final int LOWEST = 21;
    private static final int HIGHEST = 108;
    /** So long a sound that ends by itself is waited for. */
    private static final double LONGEST_DECAY = 8;
    private static final double LONGEST_RELEASE = 6;
    /** -60 dB. */
    private static final double ENDED = 1e-3;
    /** So long a note is compared with itself to know whether chance plays a part. */
    private static final double CHANCE = 0.5;
    private static final double LEAST_RELEASE = 0.01;

    private final Rendering rendering;
    private final SamplingPlan plan;

    /** @param recordings that patches refer to */
    public PatchSampler(Recordings recordings, SamplingPlan plan) {
        rendering = new Rendering(plan.rate(), recordings);
        this.plan = plan;
    }

    /** A stretch of keys that sound by the same layers. */
    private record Stretch(int low, int high) {
    }

    /** Records every sample and hands it over, one after the other; none is kept. Of a patch with a pattern the notes are recorded: whoever plays the samples holds keys by hand. */
    public void sample(Patch whole, Consumer<SampledNote> taker) {
        Patch patch = Patterns.without(whole);
        List<double[]> images = images(patch);
        for (Point point : points(patch)) {
            for (int robin = 0; robin < images.size(); robin++) {
                SampledNote note = note(images.get(robin), point);
                if (note != null) {
                    taker.accept(images.size() == 1 ? note : note.turn(robin, images.size()));
                }
            }
        }
    }

    /** A key and a velocity at which a patch is recorded. @param low and {@code high} the keys that it stands for @param layer of velocities, from 0 */
    public record Point(int key, int low, int high, int velocity, int layer) {
    }

    /** Where a patch is recorded. */
    public List<Point> points(Patch patch) {
        List<Point> points = new ArrayList<>();
        for (int layer = 0; layer < plan.velocities().size(); layer++) {
            int velocity = plan.velocities().get(layer);
            for (Stretch stretch : stretches(patch, velocity)) {
                List<Integer> keys = keys(stretch);
                for (int k = 0; k < keys.size(); k++) {
                    points.add(new Point(keys.get(k), k == 0 ? stretch.low() : (keys.get(k - 1) + keys.get(k)) / 2 + 1,
                            k == keys.size() - 1 ? stretch.high() : (keys.get(k) + keys.get(k + 1)) / 2, velocity, layer));
                }
            }
        }
        return points;
    }

    /** The patch with as many seeds as there are to be recordings of a key; with its own alone where chance plays no part in it. */
    private List<double[]> images(Patch patch) {
        List<double[]> images = new ArrayList<>(List.of(PatchImage.of(patch)));
        Parameter seed = Parameters.at(PatchParameters.SEED);
        for (int robin = 1; robin < plan.robins(); robin++) {
            double next = patch.value(seed.index()) + robin;
            images.add(PatchImage.of(patch.withValue(seed, next > seed.max() ? next - seed.max() : next)));
        }
        return images.size() == 1 || !same(images.get(0), images.get(1), patch) ? images : images.subList(0, 1);
    }

    private boolean same(double[] one, double[] other, Patch patch) {
        int velocity = plan.velocities().get(plan.velocities().size() - 1);
        return stretches(patch, velocity).stream().map(s -> keys(s).get(0)).allMatch(key -> {
            Audio first = render(one, key, velocity, CHANCE);
            Audio second = render(other, key, velocity, CHANCE);
            return Arrays.equals(first.left(), second.left()) && Arrays.equals(first.right(), second.right());
        });
    }

    private SampledNote note(double[] image, Point at) {
        Audio held = render(image, at.key(), at.velocity(), plan.held());
        int frames = (int) (plan.held() * held.sampleRate());
        double peak = peak(held, 0, held.frames());
        if (peak == 0) {
            return null;
        }
        LoopFinder.Looped looped = LoopFinder.find(held, frames);
        if (looped != null) {
            double release = Math.max(LEAST_RELEASE, (end(held, peak(held, Math.max(0, frames - held.sampleRate() / 10), frames)) - frames) / (double) held.sampleRate());
            return new SampledNote(at.key(), at.low(), at.high(), at.velocity(), plan.lowest(at.layer()), plan.highest(at.layer()), looped.audio(), looped.loop(), release, 0, 1);
        }
        // It ends by itself: its key is held until it has, which it may have done by now.
        Audio whole = end(held, peak) < frames ? held : render(image, at.key(), at.velocity(), LONGEST_DECAY);
        int end = Math.max(held.sampleRate() / 20, end(whole, peak));
        float[] left = Arrays.copyOf(whole.left(), end);
        Audio cut = new Audio(left, whole.oneChannel() ? left : Arrays.copyOf(whole.right(), end), whole.sampleRate());
        double release = Math.max(LEAST_RELEASE, (end(held, peak) - Math.min(frames, end(whole, peak))) / (double) held.sampleRate());
        return new SampledNote(at.key(), at.low(), at.high(), at.velocity(), plan.lowest(at.layer()), plan.highest(at.layer()), cut, null, release, 0, 1);
    }

    private Audio render(double[] image, int key, int velocity, double seconds) {
        Audio audio = rendering.render(image, Phrase.single(key, velocity, seconds), LONGEST_RELEASE, Rendering.ControllerState.AT_REST).audio();
        if (plan.mono() && audio.left() != audio.right()) {
            return folded(audio);
        }
        return Arrays.equals(audio.left(), audio.right()) ? new Audio(audio.left(), audio.left(), audio.sampleRate()) : audio;
    }

    /** Both channels as one, half of each. */
    public static Audio folded(Audio audio) {
        float[] both = new float[audio.frames()];
        for (int i = 0; i < both.length; i++) {
            both[i] = 0.5f * (audio.left()[i] + audio.right()[i]);
        }
        return new Audio(both, both, audio.sampleRate());
    }

    /** Frame behind the last that reaches -60 dB of a level. */
    private static int end(Audio audio, double level) {
        int at = audio.frames();
        while (at > 0 && Math.abs(audio.left()[at - 1]) < ENDED * level && Math.abs(audio.right()[at - 1]) < ENDED * level) {
            at--;
        }
        return at;
    }

    private static double peak(Audio audio, int from, int to) {
        double peak = 0;
        for (int i = from; i < Math.min(to, audio.frames()); i++) {
            peak = Math.max(peak, Math.max(Math.abs(audio.left()[i]), Math.abs(audio.right()[i])));
        }
        return peak;
    }

    /** Sampled keys of a stretch: from its lower end on, the last no further from the upper end than half a step. */
    private List<Integer> keys(Stretch stretch) {
        int from = Math.max(stretch.low(), LOWEST);
        int to = Math.min(stretch.high(), HIGHEST);
        List<Integer> keys = new ArrayList<>();
        if (to < from) {
            keys.add((stretch.low() + stretch.high()) / 2);
        }
        for (int key = Math.min(to, from + plan.keyStep() / 2); key <= to; key += plan.keyStep()) {
            keys.add(key);
        }
        return keys;
    }

    private static List<Stretch> stretches(Patch patch, int velocity) {
        List<Stretch> stretches = new ArrayList<>();
        int from = 0;
        for (int key = 1; key <= 128; key++) {
            if (key == 128 || layers(patch, key, velocity) != layers(patch, from, velocity)) {
                if (layers(patch, from, velocity) != 0) {
                    stretches.add(new Stretch(from, key - 1));
                }
                from = key;
            }
        }
        return stretches;
    }

    /** Which layers a key and a velocity reach, one bit each. */
    private static int layers(Patch patch, int key, int velocity) {
        int layers = 0;
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            int at = Parameters.ofLayer(layer, 0);
            if (patch.layerOn(layer) && key >= patch.value(at + LayerParameters.LOW_KEY) && key <= patch.value(at + LayerParameters.HIGH_KEY)
                    && velocity >= patch.value(at + LayerParameters.LOW_VELOCITY) && velocity <= patch.value(at + LayerParameters.HIGH_VELOCITY)) {
                layers |= 1 << layer;
            }
        }
        return layers;
    }
}
