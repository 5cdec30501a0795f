package gentlecomet.sound.engine;

import gentlecomet.sound.maths.Bend;

/** What becomes of aftertouch: nothing up to a threshold, and a bent line from there to full. */
public final class PressureCurve {

    private PressureCurve() {
    }

    /** @param pressure 0 to 1 @param threshold 0 to 0.9 @param curve see {@link Bend} */
    public static double at(double pressure, double threshold, double curve) {
        return pressure <= threshold && threshold > 0 ? 0 : Bend.at((pressure - threshold) / (1 - threshold), curve);
    }
}
