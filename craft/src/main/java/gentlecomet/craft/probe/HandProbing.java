package gentlecomet.craft.probe;

import gentlecomet.craft.measure.ClickFinder;
import gentlecomet.craft.measure.Course;
import gentlecomet.craft.measure.Difference;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.measure.PowerSpectrum;
import gentlecomet.craft.measure.Timbre;
import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.Ride;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.DoubleFunction;
import java.util.stream.IntStream;

/** Moves every hand that a patch has through its travel. */
final class HandProbing {

    private static final double HELD_SECONDS = 1;
    private static final double TAIL_SECONDS = 1;
    private static final double END_TAIL_SECONDS = 3;
    /** A tail that has fallen by less in all of its time goes on. */
    private static final double FALLS_DB = 9;
    private static final double AUDIBLE_DBFS = -60;
    private static final double SWEEP_SECONDS = 0.15;
    private static final double[] TRAVEL = {0, 25, 50, 75, 100};
    private static final double[] ENDS = {0, 100};

    private final ProbeNotes notes;
    private final Patch patch;
    private final double[] image;
    private final int middle;
    private final Heard heard;
    private final ProbePieces pieces;

    HandProbing(ProbeNotes notes, Patch patch, Heard heard, ProbePieces pieces) {
        this.notes = notes;
        this.heard = heard;
        this.pieces = pieces;
        this.patch = patch;
        this.image = PatchImage.of(patch);
        this.middle = Measuring.probeKey(patch);
    }

    /** Every hand that the patch uses, and those that every keyboard has; each on a key that it moves. */
    List<HandProbe> all() {
        List<HandProbe> hands = new ArrayList<>();
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            if (!patch.macros().get(m).targets().isEmpty() || routed(Modulator.macro(m))) {
                int macro = m;
                hands.add(hand("macro" + (m + 1), EnumSet.of(Modulator.macro(m)), TRAVEL, position -> moved(macro, position), (engine, key, p) -> { }));
            }
        }
        hands.add(hand("wheel", EnumSet.of(Modulator.MOD_WHEEL), routed(Modulator.MOD_WHEEL) ? TRAVEL : ENDS, p -> image, (engine, key, p) -> engine.modWheel(p / 100)));
        hands.add(hand("pressure", EnumSet.of(Modulator.AFTERTOUCH, Modulator.KEY_AFTERTOUCH), routed(Modulator.AFTERTOUCH) || routed(Modulator.KEY_AFTERTOUCH) ? TRAVEL : ENDS, p -> image,
                (engine, key, p) -> {
                    engine.aftertouch(p / 100);
                    engine.keyAftertouch(key, p / 100);
                }));
        hands.add(hand("bend", EnumSet.of(Modulator.BEND), new double[] {0, 50, 100}, p -> image, (engine, key, p) -> engine.bend(p / 50 - 1)));
        if (routed(Modulator.BREATH)) {
            hands.add(hand("breath", EnumSet.of(Modulator.BREATH), TRAVEL, p -> image, (engine, key, p) -> engine.breath(p / 100)));
        }
        if (routed(Modulator.PEDAL)) {
            hands.add(hand("pedal", EnumSet.of(Modulator.PEDAL), ENDS, p -> image, (engine, key, p) -> engine.pedal(p / 100)));
        }
        if (routed(Modulator.RELEASE_VELOCITY)) {
            hands.add(hand("release", EnumSet.of(Modulator.RELEASE_VELOCITY), ENDS, p -> image, (engine, key, p) -> { }));
        }
        return hands;
    }

    private HandProbe hand(String hand, Set<Modulator> moving, double[] positions, DoubleFunction<double[]> images, Placing placing) {
        int key = key(moving);
        return pieces.of("hand " + hand, key + " " + positions.length + " " + heard.note(key, ProbeNotes.VELOCITY, moving),
                p -> p.hand(hand).orElse(null), () -> swept(hand, key, positions, images, placing));
    }

    /** The middle key, or the one next to it at which something sounds that the hand moves: of a split it may move one side alone. */
    private int key(Set<Modulator> moving) {
        Set<Integer> layers = new TreeSet<>();
        patch.routes().stream().filter(r -> r.depth() != 0 && (moving.contains(r.source()) || moving.contains(r.scaler()))).forEach(r -> layers.add(Parameters.layerOf(r.target().index())));
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            if (moving.contains(Modulator.macro(m))) {
                patch.macros().get(m).targets().forEach(t -> layers.add(Parameters.layerOf(t.target().index())));
            }
        }
        int wanted = layers.stream().filter(layer -> layer >= 0).mapToInt(layer -> 1 << layer).sum();
        if (wanted == 0 || layers.contains(-1)) {
            return middle;
        }
        return IntStream.range(0, 128).filter(k -> (ProbeNotes.layers(patch, k, ProbeNotes.VELOCITY) & wanted) != 0).boxed().min(Comparator.comparingInt(k -> Math.abs(k - middle))).orElse(middle);
    }

    private boolean routed(Modulator modulator) {
        return patch.routes().stream().anyMatch(r -> r.depth() != 0 && (r.source() == modulator || r.scaler() == modulator));
    }

    private double[] moved(int macro, double position) {
        return PatchImage.of(patch.withValue(Parameters.at(PatchParameters.MACRO + macro), position));
    }

    /** Puts a hand somewhere, in per cent, before a key is struck. */
    @FunctionalInterface
    private interface Placing {
        void place(Engine engine, int key, double percent);
    }

    private HandProbe swept(String hand, int key, double[] positions, DoubleFunction<double[]> images, Placing placing) {
        List<Audio> sounds = new ArrayList<>();
        List<HandProbe.Point> points = new ArrayList<>();
        boolean bend = hand.equals("bend");
        for (int i = 0; i < positions.length; i++) {
            boolean end = (i == 0 || i == positions.length - 1) && !bend;
            int release = hand.equals("release") ? (int) Math.round(1.27 * positions[i]) : Note.USUAL_RELEASE;
            Phrase note = ProbeNotes.notes(HELD_SECONDS, List.of(new Note(key, ProbeNotes.VELOCITY, 0, HELD_SECONDS, release)));
            double position = positions[i];
            Audio audio = notes.play(images.apply(position), note, end ? END_TAIL_SECONDS : TAIL_SECONDS, engine -> placing.place(engine, key, position)).audio();
            sounds.add(audio);
            points.add(point(position, key, audio, end || bend));
        }
        Audio first = sounds.get(0);
        Audio last = sounds.get(sounds.size() - 1);
        // Between the ends a tail is not waited for as long: what comes later in it is no difference.
        Audio begun = begun(first);
        double most = Difference.db(first, last);
        for (Audio sound : sounds) {
            most = Math.max(most, Difference.db(begun, begun(sound)));
        }
        // A note that begins with the pitch bent is another note; what the hand does on the way is heard in its clicks.
        return new HandProbe(hand, key, points, most, Difference.db(first, last), bend || points.size() < 3 ? ClickProbe.NONE : click(hand, key), change(first, last));
    }

    private static Audio begun(Audio audio) {
        return audio.part(0, ProbeNotes.held(audio, HELD_SECONDS + TAIL_SECONDS));
    }

    private HandProbe.Point point(double position, int key, Audio audio, boolean pitch) {
        Course course = new Course(audio);
        Timbre timbre = Timbre.of(audio, 0, ProbeNotes.held(audio, HELD_SECONDS));
        double attack = course.attackSeconds();
        Double cents = pitch && !course.silent() ? ProbeNotes.cents(audio, key, Math.min(0.5 * HELD_SECONDS, attack + 0.05), HELD_SECONDS) : null;
        return new HandProbe.Point(position, ProbeNotes.loudness(audio, HELD_SECONDS), ProbeNotes.peak(audio), timbre.brightnessHz(), timbre.noisiness(), timbre.sideToMid(), attack,
                Math.max(0, course.endSeconds() - HELD_SECONDS), cents, rings(audio), ProbeNotes.shriek(PowerSpectrum.of(audio, 0, ProbeNotes.held(audio, HELD_SECONDS)), key));
    }

    /** Whether a tail that was waited for hardly falls: from the first half second of it to the last. */
    private static boolean rings(Audio audio) {
        if (audio.seconds() < HELD_SECONDS + END_TAIL_SECONDS - 0.1) {
            return false;
        }
        double early = SampleLevels.dbfs(audio, HELD_SECONDS + 0.5, HELD_SECONDS + 1.5);
        double late = SampleLevels.dbfs(audio, HELD_SECONDS + END_TAIL_SECONDS - 1, HELD_SECONDS + END_TAIL_SECONDS);
        return late > AUDIBLE_DBFS && early - late < FALLS_DB * (END_TAIL_SECONDS - 1.5) / END_TAIL_SECONDS;
    }

    /** The hand goes up quickly while the note is held, and down again. */
    private ClickProbe click(String hand, int key) {
        Ride.Hand ride = Ride.Hand.find(hand);
        if (ride == null) {
            return ClickProbe.NONE;
        }
        double up = 0.6;
        double down = 1.3;
        List<Ride.Point> points = List.of(new Ride.Point(0, 0), new Ride.Point(up, 0), new Ride.Point(up + SWEEP_SECONDS, 100), new Ride.Point(down, 100), new Ride.Point(down + SWEEP_SECONDS, 0));
        double held = 2;
        Phrase phrase = new Phrase("sweep", "Sweep", 60, held, List.of(new Note(key, ProbeNotes.VELOCITY, 0, held)), List.of(), List.of(), List.of(new Ride("sweep", ride, points)));
        double[] still = ride.macro() >= 0 ? moved(ride.macro(), 0) : image;
        ClickFinder finder = new ClickFinder(notes.play(still, phrase, 0, Rendering.ControllerState.AT_REST).audio());
        ClickFinder.Click rising = finder.between(up - 0.005, up + SWEEP_SECONDS + 0.02);
        ClickFinder.Click falling = finder.between(down - 0.005, down + SWEEP_SECONDS + 0.02);
        boolean first = rising.or(falling) == rising;
        return ClickProbe.of(first ? rising : falling, first ? up : down, "sweep=" + hand + " " + KeyName.of(key) + ":" + ProbeNotes.VELOCITY + ":2");
    }

    private static List<Double> change(Audio first, Audio last) {
        PowerSpectrum from = PowerSpectrum.of(first, 0, ProbeNotes.held(first, HELD_SECONDS));
        PowerSpectrum to = PowerSpectrum.of(last, 0, ProbeNotes.held(last, HELD_SECONDS));
        List<Double> change = new ArrayList<>();
        for (int band = 0; band < HandProbe.BANDS; band++) {
            double low = 40 * Math.pow(2, band);
            change.add(SampleLevels.rounded(10 * Math.log10((to.power(low, 2 * low) + 1e-9) / (from.power(low, 2 * low) + 1e-9))));
        }
        Course before = new Course(first);
        Course after = new Course(last);
        change.add(SampleLevels.rounded(10 * Math.log10(Math.max(0.005, after.attackSeconds()) / Math.max(0.005, before.attackSeconds()))));
        change.add(SampleLevels.rounded(10 * Math.log10(Math.max(0.02, after.endSeconds() - HELD_SECONDS) / Math.max(0.02, before.endSeconds() - HELD_SECONDS))));
        double side = from.side(20, 20000) / Math.max(1e-12, from.power(20, 20000));
        double sideAfter = to.side(20, 20000) / Math.max(1e-12, to.power(20, 20000));
        change.add(SampleLevels.rounded(20 * (sideAfter - side)));
        return change;
    }
}
