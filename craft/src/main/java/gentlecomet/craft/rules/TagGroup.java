package gentlecomet.craft.rules;

import java.util.List;

/**
 * Tags that belong together, such as those of character or of use.
 *
 * @param least how many of them a patch has at least
 * @param most  how many at most
 */
public record TagGroup(String name, List<String> tags, int least, int most) {

    public TagGroup {
        tags = List.copyOf(tags);
    }
}
