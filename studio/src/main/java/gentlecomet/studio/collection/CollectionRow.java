package gentlecomet.studio.collection;

import gentlecomet.craft.rules.HouseRules;

/** A collection without its banks. */
public record CollectionRow(long id, String name, String author, String licence, HouseRules rules) {
}
