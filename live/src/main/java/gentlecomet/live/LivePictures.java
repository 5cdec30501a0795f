package gentlecomet.live;

import gentlecomet.sound.picture.Pictures;
import gentlecomet.sound.picture.Tuner;
import org.teavm.jso.JSExport;
import org.teavm.jso.typedarrays.Float32Array;
import org.teavm.jso.typedarrays.Float64Array;

/** Pictures of a patch's parts, and readings of what sounds, for JavaScript. An image is a patch as numbers, see {@link gentlecomet.sound.patch.PatchImage}. */
public final class LivePictures {

    private static Pictures pictures;

    private LivePictures() {
    }

    @JSExport
    public static Float64Array wave(Float64Array image, int layer, int source, int points) {
        return Float64Array.fromJavaArray(pictures().wave(LivePatch.copied(image), layer, source, points));
    }

    @JSExport
    public static Float64Array filter(Float64Array image, int layer, int filter, int points) {
        return Float64Array.fromJavaArray(Pictures.filter(LivePatch.copied(image), layer, filter, points));
    }

    /** Both filters of a layer with their routing, as a sound goes through them. */
    @JSExport
    public static Float64Array filters(Float64Array image, int layer, int points) {
        return Float64Array.fromJavaArray(Pictures.filters(LivePatch.copied(image), layer, points));
    }

    /** Levels in dB of the first harmonics of a source as it is played. */
    @JSExport
    public static Float64Array harmonics(Float64Array image, int layer, int source, int count) {
        return Float64Array.fromJavaArray(pictures().harmonics(LivePatch.copied(image), layer, source, count));
    }

    /** An envelope; 0 is the amplitude envelope. */
    @JSExport
    public static Float64Array envelope(Float64Array image, int layer, int which, double held, double seconds, int points) {
        return Float64Array.fromJavaArray(Pictures.envelope(LivePatch.copied(image), layer, which, held, seconds, points));
    }

    @JSExport
    public static Float64Array lfo(Float64Array image, int layer, int which, double seconds, int points) {
        return Float64Array.fromJavaArray(Pictures.lfo(LivePatch.copied(image), layer, which, seconds, points));
    }

    @JSExport
    public static Float64Array curve(Float64Array image, int layer, int which, double held, double seconds, int points) {
        return Float64Array.fromJavaArray(Pictures.curve(LivePatch.copied(image), layer, which, held, seconds, points));
    }

    /** What an equaliser or compressor does; {@code slot} is the index of the slot's first parameter. */
    @JSExport
    public static Float64Array effect(Float64Array image, int slot, int points) {
        return Float64Array.fromJavaArray(Pictures.effect(LivePatch.copied(image), slot, points));
    }

    /** Level in dB over velocity. */
    @JSExport
    public static Float64Array velocity(Float64Array image, int points) {
        return Float64Array.fromJavaArray(Pictures.velocity(LivePatch.copied(image), points));
    }

    /** What becomes of pressure. */
    @JSExport
    public static Float64Array touch(Float64Array image, int points) {
        return Float64Array.fromJavaArray(Pictures.touch(LivePatch.copied(image), points));
    }

    /** Fundamental of the latest samples in Hz, 0 without a clear pitch; see {@link Tuner}. */
    @JSExport
    public static double tunerHz(Float32Array left, Float32Array right, double sampleRate) {
        double[] one = new double[Tuner.FRAMES];
        double[] other = new double[Tuner.FRAMES];
        for (int i = 0; i < Tuner.FRAMES; i++) {
            one[i] = left.get(i);
            other[i] = right.get(i);
        }
        return Tuner.hz(one, other, sampleRate);
    }

    static Pictures pictures() {
        if (pictures == null) {
            pictures = new Pictures();
        }
        return pictures;
    }
}
