package gentlecomet.craft.release;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.rules.NameRules;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** What a release would bring into a collection, patch by patch in the order of its banks. */
public record Arrivals(List<Arrival> patches) {

    /** How a patch that is brought stands to those that are here. */
    public enum Kind {
        /** No patch here has its name. */
        NEW,
        /** One here has the same content. */
        SAME,
        /** One here has its name and another content. */
        CHANGED
    }

    /** A patch that is here. @param contentHash of {@link Hashes#content} */
    public record Here(long id, String name, String contentHash) {
    }

    /** A patch that is brought. @param bank place of its bank in the file, from 0 @param here the patch it meets, 0 for a new one */
    public record Arrival(int bank, CollectionFile.Slot slot, Kind kind, long here) {
    }

    /** Compares a release with the patches of a collection; each of them is met once. */
    public static Arrivals of(CollectionFile file, List<Here> here) {
        Map<String, Long> contents = new HashMap<>();
        Map<String, Long> names = new HashMap<>();
        here.forEach(h -> {
            contents.putIfAbsent(h.contentHash(), h.id());
            names.putIfAbsent(NameRules.key(h.name()), h.id());
        });
        List<Arrival> found = new ArrayList<>();
        for (int bank = 0; bank < file.banks().size(); bank++) {
            for (CollectionFile.Slot slot : file.banks().get(bank).slots()) {
                Long same = contents.get(Hashes.content(slot.patch()));
                Long named = same == null ? names.remove(NameRules.key(slot.patch().name())) : null;
                found.add(new Arrival(bank, slot, same != null ? Kind.SAME : named != null ? Kind.CHANGED : Kind.NEW, same != null ? same : named != null ? named : 0));
            }
        }
        return new Arrivals(List.copyOf(found));
    }

    /** Those of one kind. */
    public List<Arrival> of(Kind kind) {
        return patches.stream().filter(p -> p.kind() == kind).toList();
    }
}
