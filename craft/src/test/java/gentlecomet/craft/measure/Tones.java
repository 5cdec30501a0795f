package gentlecomet.craft.measure;

import gentlecomet.sound.performance.Audio;
import java.util.ArrayList;
import java.util.List;

/** Test tones put together from stretches of sine. */
final class Tones {

    private final List<float[]> parts = new ArrayList<>();
    private final int rate;
    private final double hz;
    private long frame;

    Tones(int rate, double hz) {
        this.rate = rate;
        this.hz = hz;
    }

    /** Adds a stretch whose peak is at a level in dBFS. */
    Tones then(double dbfs, double seconds) {
        float[] part = new float[(int) Math.round(seconds * rate)];
        double amplitude = Math.pow(10, dbfs / 20);
        for (int i = 0; i < part.length; i++) {
            part[i] = (float) (amplitude * Math.sin(2 * Math.PI * hz * frame++ / rate));
        }
        parts.add(part);
        return this;
    }

    Audio stereo() {
        float[] all = joined();
        return new Audio(all, all.clone(), rate);
    }

    Audio leftOnly() {
        float[] all = joined();
        return new Audio(all, new float[all.length], rate);
    }

    private float[] joined() {
        float[] all = new float[parts.stream().mapToInt(p -> p.length).sum()];
        int at = 0;
        for (float[] part : parts) {
            System.arraycopy(part, 0, all, at, part.length);
            at += part.length;
        }
        return all;
    }
}
