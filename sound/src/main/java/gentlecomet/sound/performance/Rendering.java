package gentlecomet.sound.performance;

import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.Ride;
import gentlecomet.sound.source.Recording;
import gentlecomet.sound.source.Recordings;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Plays phrases through the engine as fast as the machine can and gives the samples. A rendering owns one engine and may be
 * used again and again, by one thread at a time.
 */
public final class Rendering {

    /** The tail is taken to have ended when it stays this far below full scale for a tenth of a second and longer than any echo takes. */
    public static final double SILENCE = 1e-4;

    private static final double QUIET_SECONDS = 0.1;
    /** Time from one step of a ridden hand to the next. */
    private static final double RIDE_SECONDS = 0.01;

    private final Engine engine;
    private final Recordings recordings;

    /** Renders patches without recordings; a source that has one is silent. */
    public Rendering(double sampleRate) {
        this(sampleRate, Recordings.NONE);
    }

    /** @param recordings asked for each recording that a patch needs, once */
    public Rendering(double sampleRate, Recordings recordings) {
        engine = new Engine(sampleRate);
        this.recordings = recordings;
    }

    /** Moves the wheels or the pressure before the first note. */
    @FunctionalInterface
    public interface ControllerState {
        /** Nothing is moved. */
        ControllerState AT_REST = engine -> { };

        void place(Engine engine);
    }

    /** What came out. */
    public record Result(Audio audio, boolean endless, int faults) {
    }

    /** As {@link #render(double[], Phrase, double, ControllerState)} at the phrase's own tempo, with the hands at rest and up to 12 s of tail. */
    public Audio render(Patch patch, Phrase phrase) {
        return render(PatchImage.of(patch), phrase, 12, ControllerState.AT_REST).audio();
    }

    /**
     * Plays a phrase and lets it ring out.
     *
     * @param image       the patch; the phrase's tempo takes the place of the patch's own
     * @param tailSeconds longest tail; a sound that goes on is cut there and called endless
     */
    public Result render(double[] image, Phrase phrase, double tailSeconds, ControllerState hands) {
        double[] atTempo = image.clone();
        atTempo[PatchParameters.TEMPO] = Parameters.at(PatchParameters.TEMPO).clamp(phrase.tempo());
        int faultsBefore = engine.faults();
        provide(image);
        engine.load(atTempo);
        hands.place(engine);
        List<Event> events = events(phrase);
        int played = (int) Math.ceil(phrase.seconds() * engine.sampleRate() / Engine.STEP) * Engine.STEP;
        int longest = played + (int) (tailSeconds * engine.sampleRate() / Engine.STEP) * Engine.STEP;
        double[] left = new double[longest];
        double[] right = new double[longest];
        int quietNeeded = Integer.MAX_VALUE;
        int quiet = 0;
        int next = 0;
        int at = 0;
        while (at < longest && (at < played || quiet < quietNeeded)) {
            while (next < events.size() && events.get(next).frame <= at) {
                events.get(next++).play();
            }
            engine.render(left, right, at, Engine.STEP);
            quiet = loud(left, right, at) ? 0 : quiet + Engine.STEP;
            quietNeeded = (int) ((engine.longestGapSeconds() + QUIET_SECONDS) * engine.sampleRate());
            at += Engine.STEP;
        }
        return new Result(Audio.of(left, right, at, (int) engine.sampleRate()), quiet < quietNeeded && at >= longest,
                engine.faults() - faultsBefore);
    }

    private void provide(double[] image) {
        for (double key : PatchImage.recordings(image)) {
            Recording found = engine.holds(key) ? null : recordings.find(key);
            if (found != null) {
                engine.provide(found);
            }
        }
    }

    private static boolean loud(double[] left, double[] right, int at) {
        for (int i = at; i < at + Engine.STEP; i++) {
            if (Math.abs(left[i]) > SILENCE || Math.abs(right[i]) > SILENCE) {
                return true;
            }
        }
        return false;
    }

    private List<Event> events(Phrase phrase) {
        double framesPerBeat = 60 / phrase.tempo() * engine.sampleRate();
        List<Event> events = new ArrayList<>();
        for (Note n : phrase.notes()) {
            events.add(new Event(frame(n.start(), framesPerBeat), 2, n.key(), () -> engine.noteOn(n.key(), n.velocity())));
            events.add(new Event(frame(n.start() + n.length(), framesPerBeat), 0, n.key(), () -> engine.noteOff(n.key(), n.release())));
        }
        MidiInput hands = new MidiInput(engine);
        List<Move> moves = new ArrayList<>(phrase.moves());
        moves.sort(Comparator.comparingDouble(Move::start));
        for (int i = 0; i < moves.size(); i++) {
            Move m = moves.get(i);
            events.add(new Event(frame(m.start(), framesPerBeat), 1, i, () -> hands.take(m.status(), m.first(), m.second())));
        }
        for (TempoChange t : phrase.tempoChanges()) {
            double tempo = Parameters.at(PatchParameters.TEMPO).clamp(phrase.tempo() * t.ratio());
            events.add(new Event(frame(t.start(), framesPerBeat), 1, -1, () -> engine.setParameter(PatchParameters.TEMPO, tempo)));
        }
        for (Ride ride : phrase.rides()) {
            double last = ride.points().get(ride.points().size() - 1).beat();
            double before = Double.NaN;
            for (int frame = 0; frame <= frame(Math.min(last, phrase.beats()), framesPerBeat) + rideFrames(); frame += rideFrames()) {
                double value = ride.at(frame / framesPerBeat);
                if (value != before) {
                    events.add(new Event(frame, 1, -2, () -> move(ride.hand(), value)));
                }
                before = value;
            }
        }
        // At the same frame keys go up, then hands move, then keys go down: a repeated key sounds again, and as the hands stand.
        events.sort(Comparator.comparingInt((Event e) -> e.frame).thenComparingInt(e -> e.turn).thenComparingInt(e -> e.place));
        return events;
    }

    private int rideFrames() {
        return (int) Math.floor(RIDE_SECONDS * engine.sampleRate() + 0.5);
    }

    private void move(Ride.Hand hand, double percent) {
        switch (hand) {
            case WHEEL -> engine.modWheel(percent / 100);
            case PRESSURE -> engine.aftertouch(percent / 100);
            case BEND -> engine.bend(percent / 100);
            default -> engine.setParameter(PatchParameters.MACRO + hand.macro(), percent);
        }
    }

    private static int frame(double beat, double framesPerBeat) {
        return (int) Math.floor(beat * framesPerBeat + 0.5);
    }

    /** @param turn among what happens at the same frame @param place among what has the same turn */
    private record Event(int frame, int turn, int place, Runnable act) {
        void play() {
            act.run();
        }
    }
}
