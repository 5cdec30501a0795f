package gentlecomet.craft.listen;

import java.util.Random;
import org.apache.commons.math3.distribution.BinomialDistribution;

/**
 * A/B/X trials: X is A or B, drawn anew for each trial, and the listener says which. Whoever hears nothing is right every other time, so that the number of
 * right answers has a binomial distribution (NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.6.6.18; the use of it for listening is common practice).
 */
public final class BlindTrials {

    /** The level at which a difference is usually taken as heard: common practice. */
    public static final double SIGNIFICANT = 0.05;

    private BlindTrials() {
    }

    /** Whether X is B in a trial. @param trial from 0 @param seed of the series */
    public static boolean second(long seed, int trial) {
        Random random = new Random(seed);
        boolean second = random.nextBoolean();
        for (int i = 0; i < trial; i++) {
            second = random.nextBoolean();
        }
        return second;
    }

    /** How probable it is to have at least so many right by guessing, 0 to 1. */
    public static double byChance(int right, int trials) {
        if (right < 0 || right > trials) {
            throw new IllegalArgumentException(right + " of " + trials + " trials cannot be right");
        }
        return right == 0 ? 1 : 1 - new BinomialDistribution(null, trials, 0.5).cumulativeProbability(right - 1);
    }
}
