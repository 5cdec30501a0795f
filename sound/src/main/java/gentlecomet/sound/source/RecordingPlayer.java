package gentlecomet.sound.source;

import gentlecomet.sound.maths.ControlStep;
import gentlecomet.sound.maths.Polynomials;
import gentlecomet.sound.parameter.SourceParameters;

/** Plays a recording at the pitch of the key, with loop, crossfade and reverse; one place for each copy. */
final class RecordingPlayer {

    private static final int SAMPLES = ControlStep.SAMPLES;
    private static final double A4_HZ = 440;
    private static final int A4_KEY = 69;

    private final double[] places;

    RecordingPlayer(int copies) {
        places = new double[copies];
    }

    void start(double[] block, int at, Recording recording) {
        double first = block[at + SourceParameters.START] / 100;
        for (int copy = 0; copy < places.length; copy++) {
            places[copy] = recording == null ? 0 : first * recording.frames();
        }
    }

    void draw(double[] block, int at, Recording recording, double frequencyHz, double sampleRate, UnisonSpread spread, int copies, SourceOutput outlet) {
        double rootHz = A4_HZ * Polynomials.exp2((block[at + SourceParameters.ROOT_KEY] - A4_KEY) / 12);
        double pace = frequencyHz / rootHz * recording.sampleRate() / sampleRate;
        double frames = recording.frames();
        double end = Math.max(1, block[at + SourceParameters.END] / 100 * frames);
        boolean loops = block[at + SourceParameters.LOOP] == 1;
        double from = Math.min(end - 2, block[at + SourceParameters.LOOP_START] / 100 * frames);
        double to = Math.min(end, block[at + SourceParameters.LOOP_END] / 100 * frames);
        double length = to - from;
        loops &= length >= 2;
        double fade = Math.min(from, Math.min(length, block[at + SourceParameters.CROSSFADE] / 100 * length));
        boolean reverse = block[at + SourceParameters.DIRECTION] == 1;
        double[] left = outlet.left;
        double[] right = outlet.right;
        int first = outlet.at + BlepTables.LAG;
        for (int copy = 0; copy < copies; copy++) {
            double step = pace * spread.ratio(copy);
            double l = spread.left(copy);
            double r = spread.right(copy);
            double place = places[copy];
            for (int i = 0; i < SAMPLES; i++) {
                if (loops && place >= to) {
                    place -= length * Math.floor((place - from) / length);
                } else if (place >= end) {
                    break;
                }
                double within = loops && fade > 0 && place > to - fade ? (place - (to - fade)) / fade : 0;
                left[first + i] += l * blended(recording.left(), place, within, length, frames, reverse);
                right[first + i] += r * blended(recording.right(), place, within, length, frames, reverse);
                place += step;
            }
            places[copy] = place;
        }
    }

    private static double blended(float[] samples, double place, double within, double length, double frames, boolean reverse) {
        double now = read(samples, reverse ? frames - 1 - place : place);
        if (within <= 0) {
            return now;
        }
        double before = read(samples, reverse ? frames - 1 - place + length : place - length);
        return now + (before - now) * within;
    }

    /** Four points, third-order (Catmull and Rom, 1974). */
    private static double read(float[] samples, double place) {
        double floor = Math.floor(place);
        int i = (int) floor;
        double t = place - floor;
        double a = sample(samples, i - 1);
        double b = sample(samples, i);
        double c = sample(samples, i + 1);
        double d = sample(samples, i + 2);
        return b + 0.5 * t * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)));
    }

    private static double sample(float[] samples, int at) {
        return at < 0 || at >= samples.length ? 0 : samples[at];
    }
}
