package gentlecomet.craft.check;

import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.engine.Engine;
import java.nio.charset.StandardCharsets;

/** Identity of everything that makes a measurement or a finding, but for the sound and the house rules: results that others have made are not found again. */
public final class Analysis {

    /** Goes up when a measure is worked out in another way; what is a number among the constants or the phrases changes the version by itself. */
    private static final int NUMBER = 7;

    /** Of what is measured and probed: the engine's version, and a short hash of the analysis. Other rules measure nothing again. */
    public static final String MEASURES = Engine.VERSION + "+" + hash(NUMBER + Measuring.SETTINGS + Phrases.all());
    /** Of what is found: the rules as well. */
    public static final String VERSION = MEASURES + "+" + hash(SoundcheckRules.SETTINGS);

    private Analysis() {
    }

    /** Eight hexadecimal digits that stand for a text. */
    static String hash(String made) {
        return Hashes.of(made.getBytes(StandardCharsets.UTF_8)).substring(0, 8);
    }
}
