package gentlecomet.sound.engine;

import gentlecomet.sound.patch.Modulator;

/** What effects hear of the modulators: they follow the newest note, and after it only what all notes share goes on. */
final class EffectModulation {

    private final double[] values = new double[Modulator.COUNT];

    void reset() {
        for (int m = 0; m < values.length; m++) {
            values[m] = 0;
        }
    }

    /**
     * Takes over what the routes of effects listen to, and answers the values. Not to be written to.
     *
     * @param newest the newest note, or null when none sounds
     * @param shared modulators that all notes share
     */
    double[] follow(ModulationMatrix routing, Voice newest, double[] shared) {
        int[] used = routing.listensTo();
        for (int m : used) {
            if (newest != null) {
                values[m] = newest.modulation()[m];
            } else if (m >= Modulator.MACRO_1.ordinal() || m >= Modulator.AFTERTOUCH.ordinal() && m <= Modulator.PEDAL.ordinal()
                    || m == Modulator.CONSTANT.ordinal()) {
                values[m] = shared[m];
            }
        }
        return values;
    }
}
