package gentlecomet.craft.rules;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.text.ParseException;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.zip.GZIPInputStream;
import org.apache.lucene.analysis.hunspell.Dictionary;
import org.apache.lucene.analysis.hunspell.Hunspell;
import org.apache.lucene.store.ByteBuffersDirectory;

/** English words, by the dictionary that is shipped with the program ({@code spelling/}, SCOWL size 60). */
public final class Spelling {

    private static final int LEAST_LETTERS = 3;

    private Spelling() {
    }

    /** Read when the first word is looked up, which takes some tenths of a second. */
    private static final class English {
        private static final Hunspell WORDS = read();

        private static Hunspell read() {
            try (InputStream rules = Spelling.class.getResourceAsStream("/spelling/en.aff"); InputStream words = new GZIPInputStream(Spelling.class.getResourceAsStream("/spelling/en.dic.gz"))) {
                return new Hunspell(new Dictionary(new ByteBuffersDirectory(), "spelling", rules, words));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            } catch (ParseException e) {
                throw new IllegalStateException("the dictionary that is shipped cannot be read", e);
            }
        }
    }

    /** Words of a name that are neither in the dictionary nor in one's own list; short ones and those with digits are not looked up. */
    public static List<String> unknown(String name, Collection<String> own) {
        Set<String> known = own.stream().map(w -> w.toLowerCase(Locale.ROOT)).collect(Collectors.toSet());
        return Arrays.stream(name.split("[\\s-]+")).filter(w -> w.length() >= LEAST_LETTERS && w.chars().allMatch(c -> Character.isLetter(c) || c == '\''))
                .filter(w -> !known.contains(w.toLowerCase(Locale.ROOT)) && !spelled(w)).toList();
    }

    private static boolean spelled(String word) {
        return English.WORDS.spell(word) || English.WORDS.spell(word.toLowerCase(Locale.ROOT));
    }
}
