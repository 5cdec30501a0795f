package gentlecomet.studio.collection;

import gentlecomet.craft.rules.HouseRules;

/** A collection without its banks. */
public record CollectionRow(long id, CollectionDetails details, HouseRules rules) {

    public String name() {
        return details.name();
    }

    public String author() {
        return details.author();
    }

    public String licence() {
        return details.licence();
    }
}
