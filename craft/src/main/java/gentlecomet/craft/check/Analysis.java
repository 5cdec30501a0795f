package gentlecomet.craft.check;

import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.engine.Engine;
import java.nio.charset.StandardCharsets;

/** Identity of everything that makes a measurement or a finding, but for the sound and the house rules: results that others have made are not found again. */
public final class Analysis {

    /** Goes up when a measure is worked out in another way; what is a number among the constants or the phrases changes the version by itself. */
    private static final int NUMBER = 3;

    /** For the stores: the engine's version, and a short hash of the analysis. */
    public static final String VERSION = Engine.VERSION + "+" + hash(NUMBER + Measuring.SETTINGS + SoundcheckRules.SETTINGS + Phrases.all());

    private Analysis() {
    }

    /** Eight hexadecimal digits that stand for a text. */
    static String hash(String made) {
        return Hashes.of(made.getBytes(StandardCharsets.UTF_8)).substring(0, 8);
    }
}
