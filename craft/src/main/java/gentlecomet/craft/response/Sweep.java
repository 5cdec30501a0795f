package gentlecomet.craft.response;

import gentlecomet.craft.measure.Difference;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.BiConsumer;

/**
 * What a control does to a held note over its travel, by rendering at eleven positions.
 *
 * @param name        of the control
 * @param points      figures at 0, 10 ... 100 %
 * @param difference  energy of the greatest difference between the sounds of any two neighbours, against the louder, in dB
 */
public record Sweep(String name, List<NoteFigures> points, double difference) {

    /** Positions that are rendered. */
    public static final int POSITIONS = 11;
    private static final double HELD_SECONDS = 0.7;
    private static final double TAIL_SECONDS = 1.5;
    /** Neighbours that differ less than this cannot be told apart (common practice). */
    private static final double UNHEARD_DB = -50;
    private static final double JUMP_LU = 3;
    private static final double JUMP_OCTAVES = 0.8;

    /** A controller of the hands that has no parameter of its own. */
    public enum Hand {
        /** From all the way down to all the way up. */
        BEND("Pitch bend", (engine, position) -> engine.bend(2 * position - 1)),
        WHEEL("Mod wheel", Engine::modWheel), TOUCH("Aftertouch", Engine::aftertouch), BREATH("Breath", Engine::breath),
        EXPRESSION("Expression", Engine::expression),
        /** Heard while the key is down: that a pedal holds notes is not an effect of the patch. */
        PEDAL("Pedal", Engine::pedal) {
            @Override
            Audio heard(Audio audio) {
                return audio.part(0, heldFrames(audio));
            }
        },
        /** Heard from the moment on at which the key goes up. */
        RELEASE("Release velocity", (engine, position) -> { }) {
            @Override
            Audio heard(Audio audio) {
                return audio.part(heldFrames(audio), audio.frames());
            }
        };

        private final String label;
        private final BiConsumer<Engine, Double> move;

        Hand(String label, BiConsumer<Engine, Double> move) {
            this.label = label;
            this.move = move;
        }

        /** What of a rendered note tells something of this hand. */
        Audio heard(Audio audio) {
            return audio;
        }

        private static int heldFrames(Audio audio) {
            return (int) (HELD_SECONDS * audio.sampleRate());
        }

        public String label() {
            return label;
        }
    }

    /** @param macro from 0 */
    public static Sweep ofMacro(Patch patch, int macro, Recordings recordings) {
        String name = patch.macros().get(macro).name();
        List<Audio> sounds = new ArrayList<>();
        Rendering rendering = new Rendering(Measuring.RATE, recordings);
        for (int i = 0; i < POSITIONS; i++) {
            Patch moved = patch.withValue(Parameters.at(PatchParameters.MACRO + macro), 100.0 * i / (POSITIONS - 1));
            sounds.add(render(rendering, moved, Note.USUAL_RELEASE, Rendering.ControllerState.AT_REST));
        }
        return of(name.isEmpty() ? "Macro " + (macro + 1) : name, sounds, Measuring.probeKey(patch));
    }

    public static Sweep ofHand(Patch patch, Hand hand, Recordings recordings) {
        Rendering rendering = new Rendering(Measuring.RATE, recordings);
        List<Audio> sounds = new ArrayList<>();
        for (int i = 0; i < POSITIONS; i++) {
            double position = i / (POSITIONS - 1.0);
            int release = hand == Hand.RELEASE ? (int) Math.round(127 * position) : Note.USUAL_RELEASE;
            sounds.add(hand.heard(render(rendering, patch, release, engine -> hand.move.accept(engine, position))));
        }
        return of(hand.label, sounds, Measuring.probeKey(patch));
    }

    private static Audio render(Rendering rendering, Patch patch, int release, Rendering.ControllerState hands) {
        Note note = new Note(Measuring.probeKey(patch), 100, 0, HELD_SECONDS, release);
        Phrase phrase = new Phrase("sweep", "Sweep", 60, HELD_SECONDS, List.of(note));
        return rendering.render(PatchImage.of(patch), phrase, TAIL_SECONDS, hands).audio();
    }

    private static Sweep of(String name, List<Audio> sounds, int key) {
        double most = Loudness.SILENT;
        for (int i = 1; i < sounds.size(); i++) {
            most = Math.max(most, Difference.db(sounds.get(i - 1), sounds.get(i)));
        }
        return new Sweep(name, sounds.stream().map(a -> NoteFigures.withOctaves(a, key, HELD_SECONDS)).toList(), most);
    }

    /** Whether nothing is heard of it. */
    public boolean dead() {
        return difference < UNHEARD_DB;
    }

    /** From the least to the greatest, in LU. */
    public double loudnessLu() {
        return range(points.stream().mapToDouble(p -> Math.max(-70, p.loudness())).toArray());
    }

    /** From the dullest to the brightest, in octaves. */
    public double brightnessOctaves() {
        return range(brightness());
    }

    /** From the narrowest to the widest, as parts of the energy. */
    public double width() {
        return range(points.stream().mapToDouble(NoteFigures::sideToMid).toArray());
    }

    /** From the lowest to the highest, in cents; 0 without a clear pitch. */
    public double pitchCents() {
        double[] cents = points.stream().filter(p -> p.cents() != null).mapToDouble(NoteFigures::cents).toArray();
        return cents.length < 2 ? 0 : range(cents);
    }

    /** Greatest true peak on the way. */
    public double peakDbtp() {
        return points.stream().mapToDouble(NoteFigures::peakDbtp).max().orElse(Loudness.SILENT);
    }

    /** Position in % before which it jumps: most of its way in a tenth of its travel; -1 where it moves smoothly. */
    public int jumpsAt() {
        int loud = jump(points.stream().mapToDouble(p -> Math.max(-70, p.loudness())).toArray(), JUMP_LU);
        return loud >= 0 ? loud : jump(brightness(), JUMP_OCTAVES);
    }

    private double[] brightness() {
        return points.stream().mapToDouble(p -> Math.log(Math.max(20, p.brightnessHz())) / Math.log(2)).toArray();
    }

    private static int jump(double[] values, double least) {
        double all = range(values);
        for (int i = 1; i < values.length; i++) {
            double step = Math.abs(values[i] - values[i - 1]);
            if (step >= least && step > 0.6 * all) {
                return 100 * i / (values.length - 1);
            }
        }
        return -1;
    }

    /**
     * What there is to say against it; empty when it is as it should be.
     *
     * @param ceilingDbtp the house's ceiling
     */
    public List<String> faults(double ceilingDbtp) {
        List<String> faults = new ArrayList<>();
        if (dead()) {
            faults.add("dead: nothing changes that can be heard");
        }
        if (jumpsAt() >= 0) {
            faults.add("jumps before " + jumpsAt() + " %");
        }
        if (peakDbtp() > 0) {
            faults.add(String.format(Locale.ROOT, "clips: %+.1f dBTP", peakDbtp()));
        } else if (peakDbtp() > ceilingDbtp) {
            faults.add(String.format(Locale.ROOT, "over the ceiling: %.1f dBTP", peakDbtp()));
        }
        if (points.stream().anyMatch(p -> !p.heard())) {
            faults.add("silent at a part of its travel");
        }
        return faults;
    }

    private static double range(double[] values) {
        double least = Double.MAX_VALUE;
        double most = -Double.MAX_VALUE;
        for (double v : values) {
            least = Math.min(least, v);
            most = Math.max(most, v);
        }
        return most - least;
    }
}
