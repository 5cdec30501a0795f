package gentlecomet.studio.patch;

import java.util.List;

/** A patch of another collection that fits some words. @param collection its name */
public record FoundPatch(long id, int slot, String name, List<String> tags, String collection) {
}
