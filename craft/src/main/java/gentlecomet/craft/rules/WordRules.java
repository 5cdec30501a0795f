package gentlecomet.craft.rules;

import java.util.List;
import java.util.Map;

/**
 * What the words of names may be.
 *
 * @param forbidden  words that no name has, whatever their capitals
 * @param preferred  words by those that are to be used in their place
 * @param spelling   whether words are looked up in the dictionary
 * @param own        words of the collection that the dictionary does not know
 * @param fitsSmall  whether a name has to fit a display of {@value NameRules#SMALL_DISPLAY} characters
 * @param alike      whether names that are almost the same, or sound alike, are told
 */
public record WordRules(List<String> forbidden, Map<String, String> preferred, boolean spelling, List<String> own, boolean fitsSmall, boolean alike) {

    /** Nothing is asked of words. */
    public static final WordRules NONE = new WordRules(List.of(), Map.of(), false, List.of(), false, false);

    public WordRules {
        forbidden = forbidden == null ? List.of() : List.copyOf(forbidden);
        preferred = preferred == null ? Map.of() : Map.copyOf(preferred);
        own = own == null ? List.of() : List.copyOf(own);
    }
}
