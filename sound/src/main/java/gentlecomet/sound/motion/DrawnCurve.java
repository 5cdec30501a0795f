package gentlecomet.sound.motion;

import gentlecomet.sound.parameter.CurveParameters;
import gentlecomet.sound.parameter.Division;

/** A drawn curve of one voice: it runs once, loops between two points while the key is down, or waits at a point for the key to go up. */
public final class DrawnCurve {

    private static final int LOOP = 1;
    private static final int HOLD = 2;

    private double time;
    private boolean held;

    public void start() {
        time = 0;
        held = true;
    }

    /** The key goes up. */
    public void release() {
        held = false;
    }

    /** Moves on by a control step and answers the level from -1 to 1 at its start. @param points rows as {@link Points} reads them */
    public double advance(double[] block, int at, double[] points, double tempo, double step) {
        double value = Points.at(points, Math.min(1, time));
        int division = (int) block[at + CurveParameters.DIVISION];
        double length = division == 0 ? block[at + CurveParameters.LENGTH] : Division.seconds(division, tempo);
        time += step / length;
        int mode = (int) block[at + CurveParameters.MODE];
        if (held && mode == LOOP) {
            double from = Points.time(points, (int) block[at + CurveParameters.FROM_POINT] - 1);
            double to = Points.time(points, (int) block[at + CurveParameters.TO_POINT] - 1);
            if (to > from && time >= to) {
                time -= (to - from) * Math.floor((time - from) / (to - from));
            }
        } else if (held && mode == HOLD) {
            time = Math.min(time, Points.time(points, (int) block[at + CurveParameters.TO_POINT] - 1));
        }
        time = Math.min(time, 2);
        return value;
    }
}
