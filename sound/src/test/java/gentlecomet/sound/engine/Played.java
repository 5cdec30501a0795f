package gentlecomet.sound.engine;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/** Builds patches from typed values and plays them. */
public final class Played {

    private Played() {
    }

    /** The neutral patch with an open amplitude envelope and some values changed, each as "id=typed text". */
    public static Patch patch(String... changes) {
        Patch patch = Patch.neutral("Test");
        for (String change : changes) {
            int at = change.indexOf('=');
            var parameter = Parameters.find(change.substring(0, at));
            patch = patch.withValue(parameter, ValueText.parse(parameter, change.substring(at + 1)));
        }
        return patch;
    }

    public static Patch routed(Patch patch, Modulator source, String target, double depth) {
        List<Route> routes = new ArrayList<>(patch.routes());
        routes.add(new Route(source, Parameters.find(target), depth));
        return patch.withRoutes(routes);
    }

    /** With all four LFOs heard: on the pitch, on the cutoff and on the levels of two sources. */
    static Patch stirred(Patch patch) {
        Patch more = routed(patch, Modulator.LFO_1, "layer1.pitch.shift", 0.5);
        more = routed(more, Modulator.LFO_2, "layer1.filter1.cutoff", 0.5);
        more = routed(more, Modulator.LFO_3, "layer1.source1.level", 3);
        return routed(more, Modulator.LFO_4, "layer1.source2.level", 3);
    }

    /** With drawn unison voices in the first layer. */
    static Patch mapped(Patch patch) {
        Patch drawn = patch;
        for (int source = 0; source < 3; source++) {
            drawn = drawn.withShape(gentlecomet.sound.parameter.Shapes.copies(0, source), new double[] {8, -20, 10, -3, -5, 30, 40, 0, 3, 0, 70, -6});
        }
        return drawn;
    }

    public static Engine engine(Patch patch, double rate) {
        Engine engine = new Engine(rate);
        engine.load(PatchImage.of(patch));
        return engine;
    }

    /** Left channel of one held key. */
    public static double[] left(Patch patch, int key, int velocity, double rate, int frames) {
        return left(patch, rate, frames, e -> e.noteOn(key, velocity));
    }

    public static double[] left(Patch patch, double rate, int frames, Consumer<Engine> hands) {
        Engine engine = engine(patch, rate);
        hands.accept(engine);
        double[] left = new double[frames];
        engine.render(left, new double[frames], 0, frames);
        return left;
    }

    public static double steepest(double[] samples, int from, int to) {
        double most = 0;
        for (int i = from; i < to; i++) {
            most = Math.max(most, Math.abs(samples[i] - samples[i - 1]));
        }
        return most;
    }

    public static double rms(double[] samples, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += samples[i] * samples[i];
        }
        return Math.sqrt(sum / (to - from));
    }

    /** Decay time in seconds by backward integration (M. R. Schroeder, 1965), from -5 to -35 dB and doubled: T30. */
    public static double t30(double[] sound, double rate) {
        double[] energy = new double[sound.length + 1];
        for (int i = sound.length - 1; i >= 0; i--) {
            energy[i] = energy[i + 1] + sound[i] * sound[i];
        }
        int five = 0;
        int thirtyFive = 0;
        for (int i = 0; i < sound.length; i++) {
            double db = 10 * Math.log10(energy[i] / energy[0]);
            five = db > -5 ? i : five;
            thirtyFive = db > -35 ? i : thirtyFive;
        }
        return (thirtyFive - five) / rate * 2;
    }

    /** Frequency of a steady periodic sound: from the phase advance of its fundamental between two stretches. */
    public static double frequency(double[] samples, double nearHz, double rate) {
        return frequency(samples, nearHz, rate, 16384);
    }

    /** The same over stretches of a length in samples; low pitches need long ones. */
    public static double frequency(double[] samples, double nearHz, double rate, int length) {
        int gap = length / 2;
        double first = phase(samples, 4096, length, nearHz, rate);
        double second = phase(samples, 4096 + gap, length, nearHz, rate);
        double advance = second - first - 2 * Math.PI * nearHz * gap / rate;
        advance -= 2 * Math.PI * Math.rint(advance / (2 * Math.PI));
        return nearHz + advance * rate / (2 * Math.PI * gap);
    }

    private static double phase(double[] x, int from, int length, double hz, double rate) {
        double re = 0;
        double im = 0;
        for (int i = 0; i < length; i++) {
            double w = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / length);
            double angle = 2 * Math.PI * hz * i / rate;
            re += x[from + i] * w * Math.cos(angle);
            im -= x[from + i] * w * Math.sin(angle);
        }
        return Math.atan2(im, re);
    }
}
