package gentlecomet.sound.source;

import gentlecomet.sound.maths.ControlStep;

/** The moments within one control step at which a source begins its cycle anew, in samples from the step's start. */
final class SyncTimes {

    private final double[] when = new double[ControlStep.SAMPLES];
    private int count;

    /** Works out when a phase passes whole numbers. */
    void set(double phase, double increment) {
        count = 0;
        if (increment <= 0) {
            return;
        }
        for (double at = (1 - phase) / increment; at <= ControlStep.SAMPLES && count < when.length; at += 1 / increment) {
            if (at > 0) {
                when[count] = at;
                count++;
            }
        }
    }

    int count() {
        return count;
    }

    double at(int index) {
        return when[index];
    }
}
