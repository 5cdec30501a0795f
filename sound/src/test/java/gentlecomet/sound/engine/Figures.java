package gentlecomet.sound.engine;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Patch;
import java.util.List;
import java.util.Locale;

/**
 * Prints the figures of docs/quality.md that tests only hold to a bound: how near to the bound the engine comes. Started by
 * {@code bench/figures.sh}; measures by the same means as the tests.
 */
public final class Figures {

    private static final List<String> WAVES = List.of("sine", "triangle", "saw", "pulse", "round square", "table");

    private Figures() {
    }

    public static void main(String[] args) {
        pitch();
        aliases();
        harmonics();
        bent();
        filters();
        singing();
        envelopes();
        delays();
        reverb();
        compressor();
        for (String change : List.of("layer1.source1.level=-72", "layer1.filter1.cutoff=60", "layer1.filter1.resonance=30 dB", "layer1.source1.pan=100",
                "layer1.source1.pulseWidth=5", "layer1.zone.level=-60", "effect1.mix=0", "effect1.output=-20 dB", "levelTrim=-20 dB")) {
            System.out.printf(Locale.ROOT, "moved in one go, %s: loudest above 6 kHz beyond the ends %.1f dBFS%n", change, click(change));
        }
        for (String change : List.of("chorus.delay=30 ms", "chorus.depth=10 ms", "reverb.size=20", "reverb.size=90")) {
            String effect = change.substring(0, change.indexOf('.'));
            System.out.printf(Locale.ROOT, "moved in one go, %s: loudest above 6 kHz beyond the ends %.1f dBFS%n", change, click("effect1." + change, effect));
        }
    }

    private static double hz(int key) {
        return 440 * Math.pow(2, (key - 69) / 12.0);
    }

    private static double cents(double found, double wanted) {
        return 1200 * Math.log(found / wanted) / Math.log(2);
    }

    private static void pitch() {
        double worst = 0;
        for (String wave : WAVES) {
            for (double rate : new double[] {44100, 48000, 96000}) {
                for (int key = 12; key <= 120; key += 12) {
                    double[] sound = Played.left(Played.patch("layer1.source1.wave=" + wave), key, 127, rate, 400000);
                    worst = Math.max(worst, Math.abs(cents(Played.frequency(sound, hz(key), rate, 131072), hz(key))));
                }
            }
        }
        System.out.printf(Locale.ROOT, "pitch, every wave, keys 12 to 120, three rates: worst %.4f cents%n", worst);
    }

    private static Spectrum spectrum(int key, String... changes) {
        return new Spectrum(Played.left(Played.patch(changes), key, 127, 48000, 80000), 8192, 65536, 48000);
    }

    private static void aliases() {
        for (String wave : List.of("saw", "pulse", "triangle", "table")) {
            Spectrum s = spectrum(96, "layer1.source1.wave=" + wave);
            System.out.printf(Locale.ROOT, "alias at C7, %s: %.1f dB%n", wave, Spectrum.db(s.strongestBetweenHarmonics(hz(96), 20000) / s.amplitude(hz(96))));
        }
    }

    private static void harmonics() {
        double worst = 0;
        for (String wave : List.of("saw", "triangle", "pulse")) {
            Spectrum s = spectrum(45, "layer1.source1.wave=" + wave);
            double level = Math.pow(10, -12 / 20.0);
            for (int n = 1; n * hz(45) < 15000; n++) {
                double expected = level * switch (wave) {
                    case "saw" -> 2 / (Math.PI * n);
                    case "triangle" -> n % 2 == 1 ? 8 / (Math.PI * Math.PI * n * n) : 0;
                    default -> n % 2 == 1 ? 4 / (Math.PI * n) : 0;
                };
                if (expected > 1e-5) {
                    worst = Math.max(worst, Math.abs(Spectrum.db(s.amplitude(n * hz(45)) / expected)));
                }
            }
        }
        System.out.printf(Locale.ROOT, "harmonics of saw, triangle, square at A2 up to 15 kHz: worst %.3f dB%n", worst);
    }

    private static void bent() {
        for (String over : List.of("1x", "2x", "4x")) {
            Spectrum sync = spectrum(96, "layer1.source1.wave=saw", "layer1.source1.ratio=1.37", "layer1.source1.sync=source2", "performance.oversampling=" + over);
            double strongest = 0;
            for (int n = 1; n < 8; n++) {
                strongest = Math.max(strongest, sync.amplitude(n * hz(96)));
            }
            Spectrum phase = spectrum(96, "layer1.source1.phaseModulation2=2 rad", "performance.oversampling=" + over);
            System.out.printf(Locale.ROOT, "alias at C7 at %s: hard sync of saws %.1f dB, phase modulation of sines by 2 rad %.1f dB%n", over,
                    Spectrum.db(sync.strongestBetweenHarmonics(hz(96), 20000) / strongest),
                    Spectrum.db(phase.strongestBetweenHarmonics(hz(96), 20000) / phase.amplitude(hz(96))));
        }
    }

    private static double level(int key, double pitchRatio, String... changes) {
        String[] all = java.util.Arrays.copyOf(changes, changes.length + 1);
        all[changes.length] = "layer1.source1.ratio=" + pitchRatio;
        return Spectrum.db(Played.rms(Played.left(Played.patch(all), key, 127, 48000, 60000), 30000, 60000));
    }

    private static void filters() {
        double worstHz = 0;
        double[] steeper = new double[2];
        for (int cutoff : new int[] {50, 200, 1000, 3000, 6000, 12000}) {
            String[] filter = {"layer1.filter1.type=low pass 12", "layer1.filter1.cutoff=" + cutoff};
            double low = 0.9;
            double high = 1.1;
            for (int i = 0; i < 14; i++) {
                double middle = (low + high) / 2;
                double ratio = middle * cutoff / hz(84);
                double gain = level(84, ratio, filter) - level(84, ratio);
                if (gain > -3.0103) {
                    low = middle;
                } else {
                    high = middle;
                }
            }
            worstHz = Math.max(worstHz, Math.abs(low - 1) * 100);
            if (cutoff * 8 <= 8000) {
                double near = level(84, 4.0 * cutoff / hz(84), filter) - level(84, 4.0 * cutoff / hz(84));
                double far = level(84, 8.0 * cutoff / hz(84), filter) - level(84, 8.0 * cutoff / hz(84));
                int octave = cutoff * 8 > 4000 ? 1 : 0;
                steeper[octave] = Math.max(steeper[octave], Math.abs(near - far - 12.04));
            }
        }
        System.out.printf(Locale.ROOT, "low-pass 12: -3 dB point off by at most %.2f %% (50 Hz to 12 kHz), slope by %.2f dB per octave up to 4 kHz, "
                + "%.2f from 4 to 8 kHz%n", worstHz, steeper[0], steeper[1]);
    }

    private static void singing() {
        double worst = 0;
        for (String type : List.of("low pass 24", "low pass 12", "high pass 24", "band pass 12", "ladder 24")) {
            for (int key : new int[] {36, 48, 60, 72, 84, 96}) {
                double[] sound = Played.left(Played.patch("layer1.source1.level=-60", "layer1.source1.ratio=0.1", "layer1.filter1.type=" + type,
                        "layer1.filter1.cutoff=261.6256", "layer1.filter1.resonance=60", "layer1.filter1.keyTracking=100"), key, 127, 48000, 80000);
                worst = Math.max(worst, Math.abs(cents(Played.frequency(java.util.Arrays.copyOfRange(sound, 40000, 80000), hz(key), 48000), hz(key))));
            }
        }
        System.out.printf(Locale.ROOT, "self-oscillation, five types, C2 to C7: worst %.2f cents%n", worst);
    }

    private static void envelopes() {
        double[] sound = Played.left(Played.patch("layer1.source1.wave=saw", "layer1.source1.keyFollow=0", "layer1.source1.octave=4", "layer1.amplitude.attack=100 ms",
                "layer1.amplitude.decay=1 s", "layer1.amplitude.sustain=0"), 60, 127, 48000, 60000);
        int top = 0;
        double best = 0;
        for (int i = 0; i + 240 < sound.length; i += 24) {
            double now = Played.rms(sound, i, i + 240);
            if (now > best) {
                best = now;
                top = i + 120;
            }
        }
        System.out.printf(Locale.ROOT, "attack of 100 ms reaches its top after %.1f ms%n", top / 48.0);
    }

    private static void delays() {
        int worst = 0;
        for (double tempo : new double[] {72, 120, 133}) {
            double[] sound = Played.left(Played.patch("layer1.amplitude.attack=0", "layer1.amplitude.decay=2 ms", "layer1.amplitude.sustain=0", "effect1.type=delay",
                    "effect1.mix=50", "effect1.delay.divisionLeft=1/8D", "effect1.delay.highCut=20k", "effect1.delay.lowCut=20", "performance.tempo=" + tempo), 84, 127,
                    48000, 60000);
            int expected = (int) Math.rint(60 / tempo * 0.75 * 48000);
            double bestFit = -1;
            int at = 0;
            for (int lag = expected - 20; lag <= expected + 20; lag++) {
                double sum = 0;
                for (int i = 0; i < 1200; i++) {
                    sum += sound[i] * sound[i + lag];
                }
                if (sum > bestFit) {
                    bestFit = sum;
                    at = lag;
                }
            }
            worst = Math.max(worst, Math.abs(at - expected));
        }
        System.out.printf(Locale.ROOT, "dotted eighth at 72, 120, 133 BPM: off by at most %d samples%n", worst);
    }

    private static void reverb() {
        for (double decay : new double[] {0.5, 2, 6}) {
            double[] sound = Played.left(Played.patch("layer1.source1.octave=0", "layer1.amplitude.attack=0", "layer1.amplitude.decay=20 ms", "layer1.amplitude.sustain=0",
                    "effect2.type=reverb", "effect2.mix=100", "effect2.reverb.decay=" + decay + " s", "effect2.reverb.damping=20k", "effect2.reverb.lowCut=20"), 84,
                    127, 48000, (int) (48000 * decay * 1.6));
            System.out.printf(Locale.ROOT, "reverb set to %.1f s, struck at 1047 Hz: T30 gives %.2f s%n", decay, Played.t30(sound, 48000));
        }
    }

    private static void compressor() {
        double worst = 0;
        for (int in = -40; in <= 0; in += 5) {
            Patch patch = Played.patch("layer1.source1.level=" + in, "effect1.type=compressor", "effect1.compressor.threshold=-24", "effect1.compressor.ratio=4",
                    "effect1.compressor.knee=0", "effect1.compressor.attack=0.2 ms", "effect1.compressor.release=2 s");
            double out = Spectrum.db(Played.rms(Played.left(patch, 72, 127, 48000, 96000), 72000, 96000) * Math.sqrt(2));
            double expected = in <= -24 ? in : -24 + (in + 24) / 4.0;
            worst = Math.max(worst, Math.abs(out - expected));
        }
        System.out.printf(Locale.ROOT, "compressor 4:1 from -24 dB, sines of -40 to 0 dBFS: off by at most %.2f dB%n", worst);
    }

    /** A sine of 220 Hz through an open filter: what is louder above 6 kHz while the parameter moves than before and after, in dBFS. */
    static double click(String change) {
        return click(change, "stereo");
    }

    static double click(String change, String effect) {
        Patch patch = Played.patch("layer1.filter1.type=low pass 24", "layer1.filter1.cutoff=5k", "effect1.type=" + effect);
        Parameter parameter = Parameters.find(change.substring(0, change.indexOf('=')));
        return click(patch, parameter, ValueText.parse(parameter, change.substring(change.indexOf('=') + 1)));
    }

    /** What comes up above 6 kHz when a parameter of a held note is moved fully within 10 ms, beyond what is there before and after; in dBFS, or against what is louder than that. */
    static double click(Patch patch, Parameter parameter, double end) {
        Engine engine = Played.engine(patch, 48000);
        double[] left = new double[96000];
        double[] right = new double[96000];
        engine.noteOn(57, 127);
        engine.render(left, right, 0, 48000);
        double from = parameter.position(patch.soundingValue(parameter));
        double to = parameter.position(end);
        // Fully within 10 ms, as a quick hand moves it: fifteen control steps.
        for (int step = 1; step <= 15; step++) {
            engine.setParameter(parameter.index(), parameter.value(from + (to - from) * step / 15));
            engine.render(left, right, 48000 + 32 * (step - 1), 32);
        }
        engine.render(left, right, 48480, 96000 - 48480);
        double[] highs = highs(left);
        double still = Math.max(peak(highs, 40000, 47000), peak(highs, 70000, 95000));
        return Spectrum.db(Math.max(0, peak(highs, 47900, 60000) - still) / Math.max(1, peak(left, 40000, 95000)) + 1e-9);
    }

    /** Four first-order high-passes at 6 kHz. */
    private static double[] highs(double[] samples) {
        double[] x = samples.clone();
        double a = Math.exp(-2 * Math.PI * 6000 / 48000);
        for (int pass = 0; pass < 4; pass++) {
            double before = 0;
            double y = 0;
            for (int i = 0; i < x.length; i++) {
                y = a * (y + x[i] - before);
                before = x[i];
                x[i] = y;
            }
        }
        return x;
    }

    private static double peak(double[] x, int from, int to) {
        double most = 0;
        for (int i = from; i < to; i++) {
            most = Math.max(most, Math.abs(x[i]));
        }
        return most;
    }
}
