package gentlecomet.sound.patch;

import java.util.List;

/**
 * What a patch is called and said to be.
 *
 * @param name     name shown everywhere
 * @param category id of a category of the house rules, empty when none is chosen
 * @param tags     free words in the order given
 * @param author   who made it
 * @param notes    playing notes
 */
public record Naming(String name, String category, List<String> tags, String author, String notes) {

    /** Most tags of a patch. */
    public static final int MOST_TAGS = 12;
    /** Most characters of a tag. */
    public static final int LONGEST_TAG = 30;

    public Naming {
        tags = List.copyOf(tags);
    }

    public Naming withName(String newName) {
        return new Naming(newName, category, tags, author, notes);
    }

    public Naming withCategory(String newCategory) {
        return new Naming(name, newCategory, tags, author, notes);
    }

    public Naming withTags(List<String> newTags) {
        return new Naming(name, category, newTags, author, notes);
    }

    public Naming withAuthor(String newAuthor) {
        return new Naming(name, category, tags, newAuthor, notes);
    }

    public Naming withNotes(String newNotes) {
        return new Naming(name, category, tags, author, newNotes);
    }
}
