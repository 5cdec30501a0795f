package gentlecomet.craft.curate;

import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.NameRules;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** New names for patches of a collection, held against the house rules as they would all stand together. */
public final class NewNames {

    private NewNames() {
    }

    /** A patch whose name may change. */
    public record Candidate(long id, Renaming.Subject subject, String category) {
    }

    /**
     * What would become of a name.
     *
     * @param fault  why it cannot be stored at all, empty where it can
     * @param breaks sentences about the house rules that it would break
     */
    public record NewName(long id, String from, String to, String fault, List<String> breaks) {

        public boolean changes() {
            return !from.equals(to);
        }
    }

    /**
     * What would become of names.
     *
     * @param names of all patches of the collection by id, the chosen ones among them
     */
    public static List<NewName> of(List<Candidate> chosen, Renaming renaming, Map<Long, String> names, HouseRules rules) {
        Map<Long, String> after = new HashMap<>(names);
        Map<Long, String> wanted = new LinkedHashMap<>();
        chosen.forEach(c -> wanted.put(c.id(), renaming.name(c.subject())));
        after.putAll(wanted);
        Map<String, List<String>> alike = new HashMap<>();
        after.values().forEach(name -> alike.computeIfAbsent(NameRules.key(name), key -> new ArrayList<>(1)).add(name));
        NameRules check = new NameRules(rules);
        List<NewName> result = new ArrayList<>();
        for (Candidate c : chosen) {
            String to = wanted.get(c.id());
            List<String> others = new ArrayList<>(alike.get(NameRules.key(to)));
            others.remove(to);
            result.add(new NewName(c.id(), c.subject().name(), to, fault(to), check.check(to, c.category(), others).stream()
                    .filter(b -> b.rule().startsWith("name.")).map(NameRules.RuleViolation::message).toList()));
        }
        return result;
    }

    private static String fault(String name) {
        return name.isEmpty() ? "Nothing would be left of the name." : name.length() > NameRules.STORED_LENGTH
                ? "The name would have " + name.length() + " characters; at most " + NameRules.STORED_LENGTH + " can be kept."
                : name.chars().anyMatch(Character::isISOControl) ? "The name would have characters that cannot be shown." : "";
    }
}
