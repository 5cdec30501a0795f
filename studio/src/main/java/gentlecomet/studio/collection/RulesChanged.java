package gentlecomet.studio.collection;

import gentlecomet.craft.rules.HouseRules;

/** Told when a collection has other house rules. */
public record RulesChanged(long collectionId, HouseRules rules) {
}
