package gentlecomet.craft.vary;

import gentlecomet.craft.measure.Roughness;
import gentlecomet.craft.measure.Timbre;
import gentlecomet.sound.parameter.Facts;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.performance.Audio;
import java.util.Arrays;
import java.util.Locale;

/** A direction in which a sound can be varied, and the measure that says how far it went. Every measure is a logarithm or a level. */
public enum Quality {
    DARKER("Dark", "brightness", -1),
    BRIGHTER("Bright", "brightness", 1),
    SHORTER("Short", "length", -1),
    LONGER("Long", "length", 1),
    WIDER("Wide", "width", 1),
    NARROWER("Narrow", "width", -1),
    ROUGHER("Rough", "roughness", 1),
    SMOOTHER("Smooth", "roughness", -1);

    /** What of a note is its start and no part of its roughness. */
    private static final double SETTLED_SECONDS = 0.1;
    /** Swings of a tenth of the level: below about a quarter nobody hears roughness (Fastl and Zwicker, chapter 11: 0.07 asper), so nothing is smoother than this. */
    private static final double SMOOTHEST = 5e-3;

    private final String word;
    private final String measure;
    private final int direction;

    Quality(String word, String measure, int direction) {
        this.word = word;
        this.measure = measure;
        this.direction = direction;
    }

    /** The quality with more (1) or less (-1) of a measure. @throws IllegalArgumentException where there is no such measure */
    public static Quality of(String measure, int direction) {
        return Arrays.stream(values()).filter(q -> q.measure.equals(measure) && q.direction == direction).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no measure \"" + measure + "\""));
    }

    /** For names: "Dark". */
    public String word() {
        return word;
    }

    /** On the screen: "darker". */
    public String label() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** What is measured: brightness, length, width or roughness. */
    public String measure() {
        return measure;
    }

    /** What the registry calls it. */
    Facts.Quality part() {
        return Facts.Quality.valueOf(measure.toUpperCase(Locale.ROOT));
    }

    /** How many tiers of parameters there are for it. */
    int tiers() {
        return (int) Parameters.ALL.stream().flatMap(p -> p.facts().purposes().stream()).filter(u -> u.quality() == part()).mapToInt(Facts.Purpose::tier).max().orElse(0);
    }

    /** 1 where more of the measure is meant, -1 where less is. */
    public int direction() {
        return direction;
    }

    /** The measure of a probe note: octaves of brightness above 20 Hz, octaves of length above 1 ms, width in dB, roughness in dB. */
    double of(Audio audio) {
        return switch (measure) {
            case "brightness" -> Math.log(Math.max(20, held(audio).brightnessHz()) / 20)
                    / Math.log(2);
            case "length" -> Math.log(Math.max(1, 1000 * lengthSeconds(audio))) / Math.log(2);
            case "width" -> 10 * Math.log10(held(audio).sideToMid() + 1e-4);
            default -> 10 * Math.log10(new Roughness(audio.sampleRate(), SETTLED_SECONDS, Variations.HELD_SECONDS).of(audio) + SMOOTHEST);
        };
    }

    /** A measure in words, for example "840 Hz". */
    public String told(double value) {
        return switch (measure) {
            case "brightness" -> String.format(Locale.ROOT, "%.0f Hz", 20 * Math.pow(2, value));
            case "length" -> String.format(Locale.ROOT, "%.2f s", Math.pow(2, value) / 1000);
            case "width" -> String.format(Locale.ROOT, "%.1f dB side", value);
            default -> String.format(Locale.ROOT, "%.1f dB rough", value);
        };
    }

    /** Whether its measure counts in octaves; else it counts in dB. */
    public boolean inOctaves() {
        return measure.equals("brightness") || measure.equals("length");
    }

    /** A step of the measure that everybody hears: an octave of brightness or length, 6 dB of width or roughness. */
    double unit() {
        return inOctaves() ? 1 : 6;
    }

    /** The least change that is called one: more than a fifth of the measure, so that other ways of measuring it agree. */
    double least() {
        return switch (measure) {
            case "brightness" -> 0.36;
            case "length" -> 0.28;
            case "width" -> 1.8;
            default -> 1.5;
        };
    }

    /** The part of a probe note during which its key is down. */
    private static Timbre held(Audio audio) {
        return Timbre.of(audio, 0, Math.min(audio.frames(), (int) (Variations.HELD_SECONDS * audio.sampleRate())));
    }

    private static double lengthSeconds(Audio audio) {
        double peak = 1e-9;
        for (int i = 0; i < audio.frames(); i++) {
            peak = Math.max(peak, Math.abs(audio.left()[i]) + Math.abs(audio.right()[i]));
        }
        for (int i = audio.frames() - 1; i >= 0; i--) {
            if (Math.abs(audio.left()[i]) + Math.abs(audio.right()[i]) > peak * 0.01) {
                return (double) i / audio.sampleRate();
            }
        }
        return 0;
    }
}
