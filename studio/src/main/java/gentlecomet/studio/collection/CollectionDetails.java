package gentlecomet.studio.collection;

import gentlecomet.studio.page.RefusedException;

/**
 * What a collection says of itself.
 *
 * @param licence     the text of a licence, or its name
 * @param version     of the next release, as its people count
 * @param description for those who use it
 * @param contact     where its people can be asked
 */
public record CollectionDetails(String name, String author, String licence, String version, String description, String contact) {

    private static final int LONGEST_NAME = 80;
    private static final int LONGEST_VERSION = 20;
    private static final int LONGEST_CONTACT = 200;
    private static final int LONGEST_TEXT = 20_000;

    /** As typed in a form. @throws RefusedException with its field where a text cannot be kept */
    static CollectionDetails typed(String name, String author, String licence, String version, String description, String contact) {
        if (name.isBlank() || name.strip().length() > LONGEST_NAME) {
            throw new RefusedException("A collection needs a name of up to " + LONGEST_NAME + " characters.", "name");
        }
        limited("author", "The author", author, LONGEST_NAME);
        limited("version", "The version", version, LONGEST_VERSION);
        limited("contact", "The contact", contact, LONGEST_CONTACT);
        limited("licence", "The licence", licence, LONGEST_TEXT);
        limited("description", "The description", description, LONGEST_TEXT);
        return new CollectionDetails(name.strip(), author.strip(), licence.strip(), version.strip(), description.strip(), contact.strip());
    }

    private static void limited(String field, String what, String text, int longest) {
        if (text.strip().length() > longest) {
            throw new RefusedException(what + " has " + text.strip().length() + " characters; at most " + longest + " can be kept.", field);
        }
    }
}
