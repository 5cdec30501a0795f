package gentlecomet.sound.engine;

import gentlecomet.sound.maths.CachedGain;
import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.source.Pan;

/** The last stage of a voice: level and place between the sides, which move in straight lines over a control step. */
final class VoiceOut {

    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final double FAULT_LEVEL = 1e4;
    private static final double OFF_DB = -72;

    private final Pan pan = new Pan();
    private final CachedGain zoneLevel = new CachedGain();
    private double left;
    private double right;

    /** From silence. */
    void reset() {
        left = 0;
        right = 0;
    }

    /** The greater of both sides' gains, as they stand at the end of the last step. */
    double loudest() {
        return Math.max(left, right);
    }

    /**
     * Adds a control step to the output and leaves zeros for the sources to add to.
     *
     * @param block    the voice's parameters, for the zone's level and place
     * @param level    gain of the voice at the end of the step, without the zone's
     * @param stackPan -1 to 1, added to the zone's place
     * @return false when the samples are no sound; then nothing is added
     */
    boolean add(double[] fromLeft, double[] fromRight, double[] block, double level, double stackPan, double[] toLeft, double[] toRight) {
        // What is not a number stays in a filter once it is there, so a few samples tell.
        double sum = Math.abs(fromLeft[0]) + Math.abs(fromRight[0]) + Math.abs(fromLeft[SAMPLES / 2]) + Math.abs(fromRight[SAMPLES / 2])
                + Math.abs(fromLeft[SAMPLES - 1]) + Math.abs(fromRight[SAMPLES - 1]);
        if (!(sum < FAULT_LEVEL)) {
            return false;
        }
        double place = block[LayerParameters.ZONE_PAN] * 0.01;
        pan.set(stackPan == 0 ? place : Math.max(-1, Math.min(1, place + stackPan)));
        double zone = block[LayerParameters.ZONE_LEVEL] <= OFF_DB ? 0 : zoneLevel.gainOfDb(block[LayerParameters.ZONE_LEVEL]);
        double endLeft = level * zone * pan.left();
        double endRight = level * zone * pan.right();
        take(fromLeft, left, (endLeft - left) / SAMPLES, toLeft, fromRight, right, (endRight - right) / SAMPLES, toRight, ControlStep.RAMP);
        left = endLeft;
        right = endRight;
        return true;
    }

    private static void take(double[] left, double gainLeft, double slopeLeft, double[] toLeft, double[] right, double gainRight, double slopeRight,
            double[] toRight, double[] ramp) {
        if (slopeLeft == 0 && slopeRight == 0) {
            for (int i = 0; i < SAMPLES; i++) {
                toLeft[i] += left[i] * gainLeft;
                toRight[i] += right[i] * gainRight;
                left[i] = 0;
                right[i] = 0;
            }
            return;
        }
        for (int i = 0; i < SAMPLES; i++) {
            double t = ramp[i] + 1;
            toLeft[i] += left[i] * (gainLeft + slopeLeft * t);
            toRight[i] += right[i] * (gainRight + slopeRight * t);
            left[i] = 0;
            right[i] = 0;
        }
    }
}
