package gentlecomet.craft.release;

import gentlecomet.craft.edit.PatchDifference;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.measure.HeardDifference;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * What a release changes against the one before, made from the revisions that both have.
 *
 * @param since   version of the one before, empty for the first
 * @param entries what changes, in the order of the banks; what is gone at the end
 */
public record Changes(String since, List<Entry> entries) {

    /** Of a first release. */
    public static final Changes FIRST = new Changes("", List.of());

    /** Kinds of changes. */
    public enum Kind {
        NEW("new"), REMOVED("removed"), RENAMED("renamed"), MOVED("moved to another program number"), SOUND("sounds otherwise"), MACROS("other macros");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * A change of one patch; a patch may have several.
     *
     * @param details what exactly: old name or place, what is heard to differ, parameters, macros
     */
    public record Entry(Kind kind, String name, String bank, int slot, List<String> details) {

        /** Program number as MIDI counts it, from 0. */
        public int program() {
            return slot - 1;
        }
    }

    public Changes {
        entries = List.copyOf(entries);
    }

    /**
     * Compares two releases by their patches.
     *
     * @param before of the release before, by what stays the same of a patch: its id in a database, or its name
     * @param now    of the one that is being made, by the same
     */
    public static Changes between(String since, Map<String, ReleasePatch> before, Map<String, ReleasePatch> now) {
        List<Entry> entries = new ArrayList<>();
        now.forEach((id, p) -> {
            if (before.containsKey(id)) {
                of(before.get(id), p, entries);
            } else {
                entries.add(entry(Kind.NEW, p, List.of()));
            }
        });
        Map<String, ReleasePatch> gone = new LinkedHashMap<>(before);
        gone.keySet().removeAll(now.keySet());
        gone.values().forEach(p -> entries.add(entry(Kind.REMOVED, p, List.of())));
        return new Changes(since, entries);
    }

    /** The same where patches have no id: they are told apart by their names, and those without a namesake by their sound. */
    public static Changes between(String since, List<ReleasePatch> before, List<ReleasePatch> now) {
        Map<String, ReleasePatch> old = byName(before);
        Map<String, ReleasePatch> own = byName(now);
        Map<String, String> byNewName = new HashMap<>();
        Map<String, String> oldNames = new HashMap<>();
        old.forEach((name, p) -> {
            if (!own.containsKey(name)) {
                oldNames.putIfAbsent(Hashes.sound(p.slot().patch()), name);
            }
        });
        own.forEach((name, p) -> {
            String oldName = old.containsKey(name) ? name : oldNames.remove(Hashes.sound(p.slot().patch()));
            byNewName.put(name, oldName == null ? name : oldName);
        });
        Map<String, ReleasePatch> matched = new LinkedHashMap<>();
        own.forEach((name, p) -> matched.put(byNewName.get(name), p));
        return between(since, old, matched);
    }

    /** Namesakes are numbered in their order. */
    private static Map<String, ReleasePatch> byName(List<ReleasePatch> patches) {
        Map<String, ReleasePatch> byName = new LinkedHashMap<>();
        for (ReleasePatch p : patches) {
            String name = p.slot().patch().name();
            for (int n = 2; byName.containsKey(name); n++) {
                name = p.slot().patch().name() + "\n" + n;
            }
            byName.put(name, p);
        }
        return byName;
    }

    private static void of(ReleasePatch before, ReleasePatch now, List<Entry> entries) {
        Patch old = before.slot().patch();
        Patch patch = now.slot().patch();
        if (!old.name().equals(patch.name())) {
            entries.add(entry(Kind.RENAMED, now, List.of("was \"" + old.name() + "\"")));
        }
        if (before.bank() != now.bank() || before.slot().number() != now.slot().number()) {
            entries.add(entry(Kind.MOVED, now, List.of("was program " + (before.slot().number() - 1) + " of " + before.bankName())));
        }
        List<String> sound = new ArrayList<>();
        List<String> macros = new ArrayList<>();
        for (PatchDifference.Line line : PatchDifference.between(old, patch)) {
            boolean macro = line.what().startsWith("Macro");
            boolean word = List.of("Name", "Category", "Tags", "Author", "Notes").contains(line.what());
            if (!word) {
                (macro ? macros : sound).add(line.what() + ": " + line.from() + " to " + line.to());
            }
        }
        if (!Hashes.sound(old).equals(Hashes.sound(patch)) && !sound.isEmpty()) {
            if (before.measurement() != null && now.measurement() != null) {
                sound.add(0, HeardDifference.words(now.measurement(), before.measurement()));
                sound.add(1, String.format(Locale.ROOT, "loudness %.1f LUFS before, %.1f after", before.measurement().integratedLufs(), now.measurement().integratedLufs()));
            }
            entries.add(entry(Kind.SOUND, now, sound));
        }
        if (!macros.isEmpty()) {
            entries.add(entry(Kind.MACROS, now, macros));
        }
    }

    private static Entry entry(Kind kind, ReleasePatch p, List<String> details) {
        return new Entry(kind, p.slot().patch().name(), p.bankName(), p.slot().number(), details);
    }

    /** What a customer has to bear. */
    public Version.Step step() {
        return entries.stream().anyMatch(e -> e.kind() == Kind.REMOVED || e.kind() == Kind.MOVED) ? Version.Step.MAJOR
                : entries.stream().anyMatch(e -> e.kind() == Kind.NEW || e.kind() == Kind.SOUND || e.kind() == Kind.MACROS) ? Version.Step.MINOR : Version.Step.PATCH;
    }

    /** How many changes of a kind there are. */
    public long count(Kind kind) {
        return entries.stream().filter(e -> e.kind() == kind).count();
    }

    /** Where a customer's sets will call another sound: one line for each patch that moves or is gone. */
    public List<String> warnings() {
        return entries.stream().filter(e -> e.kind() == Kind.MOVED || e.kind() == Kind.REMOVED).map(e -> e.kind() == Kind.MOVED
                ? "\"" + e.name() + "\" is program " + e.program() + " of " + e.bank() + " now, " + e.details().get(0) + "."
                : "\"" + e.name() + "\", program " + e.program() + " of " + e.bank() + ", is no longer there.").toList();
    }

    /** As a text. */
    public String text() {
        StringBuilder out = new StringBuilder(since.isEmpty() ? "First release.\n" : entries.isEmpty() ? "Nothing has changed since " + since + ".\n" : "Changes since " + since + "\n");
        for (Kind kind : Kind.values()) {
            if (count(kind) > 0) {
                out.append('\n').append(kind.words().substring(0, 1).toUpperCase(Locale.ROOT)).append(kind.words().substring(1)).append('\n');
                entries.stream().filter(e -> e.kind() == kind).forEach(e -> {
                    out.append(String.format("  %s, %03d %s%n", e.bank(), e.slot(), e.name()).replace("\r", ""));
                    e.details().forEach(d -> out.append("      ").append(d).append('\n'));
                });
            }
        }
        return out.toString();
    }
}
