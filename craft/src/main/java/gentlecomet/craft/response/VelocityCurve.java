package gentlecomet.craft.response;

import gentlecomet.craft.edit.CompositeEdit;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.edit.SetShape;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Velocity as it is measured, and as a player plays it. */
public final class VelocityCurve {

    /** Velocities that are rendered. */
    public static final List<Integer> VELOCITIES = List.of(1, 8, 16, 28, 40, 52, 64, 76, 88, 100, 112, 120, 127);
    private static final double HELD_SECONDS = 0.5;
    private static final double TAIL_SECONDS = 0.1;
    private static final int FEWEST = 4;
    private static final int POINTS = 5;

    /** Figures at one velocity. */
    public record Point(int velocity, NoteFigures figures) {
    }

    private VelocityCurve() {
    }

    /** The middle key at each of {@link #VELOCITIES}. */
    public static List<Point> measure(Patch patch, Recordings recordings) {
        Rendering rendering = new Rendering(Measuring.RATE, recordings);
        double[] image = PatchImage.of(patch);
        int key = Measuring.probeKey(patch);
        return VELOCITIES.stream().map(v -> new Point(v, NoteFigures.of(
                rendering.render(image, Phrase.single(key, v, HELD_SECONDS), TAIL_SECONDS, Rendering.ControllerState.AT_REST).audio(), key, HELD_SECONDS))).toList();
    }

    /**
     * A drawn velocity curve from notes that were played from soft to hard, as an edit.
     *
     * @param played velocities from 1 to 127
     * @throws PatchEdit.EditException when they cannot make a curve
     */
    public static PatchEdit fitted(int[] played) {
        try {
            return new CompositeEdit("Velocity curve fitted to " + played.length + " notes", List.of(
                    new PatchEdit.SetValue(Parameters.at(PatchParameters.VELOCITY_CURVE), PatchParameters.VELOCITY_DRAWN),
                    new SetShape(Shapes.ALL.get(Shapes.VELOCITY), fit(played))));
        } catch (IllegalArgumentException e) {
            throw new PatchEdit.EditException(e.getMessage());
        }
    }

    /**
     * A drawn velocity curve that spreads a player's strikes evenly from soft to hard: the player's own distribution becomes a straight
     * line (the quantiles of the strikes against evenly spaced levels).
     *
     * @param played velocities from 1 to 127 of notes played from soft to hard, in any order; at least {@value #FEWEST}
     * @return rows of velocity and level in %, as {@link gentlecomet.sound.parameter.Shapes#VELOCITY} takes them
     * @throws IllegalArgumentException in words for people, when the strikes do not give a curve
     */
    public static double[] fit(int[] played) {
        int[] sorted = played.clone();
        Arrays.sort(sorted);
        if (sorted.length < FEWEST) {
            throw new IllegalArgumentException("Play at least " + FEWEST + " notes from soft to hard; ten are better.");
        }
        if (sorted[0] < 1 || sorted[sorted.length - 1] > 127) {
            throw new IllegalArgumentException("Velocities go from 1 to 127.");
        }
        if (sorted[sorted.length - 1] - sorted[0] < 16) {
            throw new IllegalArgumentException("All notes were struck alike (" + sorted[0] + " to " + sorted[sorted.length - 1] + "); play from soft to hard.");
        }
        List<Double> rows = new ArrayList<>();
        double last = -1;
        for (int p = 0; p < POINTS; p++) {
            double part = p / (POINTS - 1.0);
            double at = part * (sorted.length - 1);
            int below = Math.min(sorted.length - 2, (int) at);
            double velocity = (sorted[below] + (sorted[below + 1] - sorted[below]) * (at - below)) / 1.27;
            if (velocity > last + 0.5) {
                rows.add(Math.rint(velocity * 10) / 10);
                rows.add(Math.rint(1000 * part) / 10);
                last = velocity;
            } else {
                rows.set(rows.size() - 1, Math.rint(1000 * part) / 10);
            }
        }
        return rows.stream().mapToDouble(Double::doubleValue).toArray();
    }
}
