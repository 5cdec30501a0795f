package gentlecomet.craft.measure;

import gentlecomet.sound.performance.Audio;

/** How far two renders are from being the same. */
public final class Difference {

    private Difference() {
    }

    /** Energy of the difference of two sounds against the louder of them, in dB; {@link Loudness#SILENT} when they are equal. The shorter is followed by silence. */
    public static double db(Audio a, Audio b) {
        double difference = 0;
        double energyA = 0;
        double energyB = 0;
        for (int i = 0; i < Math.max(a.frames(), b.frames()); i++) {
            double aLeft = at(a.left(), i);
            double bLeft = at(b.left(), i);
            double aRight = at(a.right(), i);
            double bRight = at(b.right(), i);
            difference += (aLeft - bLeft) * (aLeft - bLeft) + (aRight - bRight) * (aRight - bRight);
            energyA += aLeft * aLeft + aRight * aRight;
            energyB += bLeft * bLeft + bRight * bRight;
        }
        return difference == 0 ? Loudness.SILENT : 10 * Math.log10(difference / Math.max(energyA, energyB));
    }

    private static double at(float[] samples, int i) {
        return i < samples.length ? samples[i] : 0;
    }
}
