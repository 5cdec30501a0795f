package gentlecomet.craft.check;

import gentlecomet.craft.check.Finding.Severity;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Findings of a rule about a patch while they are being put together. */
public final class Findings {

    private final String rule;
    private final Severity severity;
    private final List<Entry> entries = new ArrayList<>();

    Findings(String rule, Severity severity) {
        this.rule = rule;
        this.severity = severity;
    }

    /** A finding in the making. */
    public final class Entry {
        private final String message;
        private final Map<String, String> numbers = new LinkedHashMap<>();
        private String place = "";
        private String clip = "";
        private Picture picture;

        private Entry(String message) {
            this.message = message;
        }

        /** @param id of the parameter to open, or "macro3" */
        public Entry at(String id) {
            place = id;
            return this;
        }

        /** @param notes to hear it by, in the notation of clips */
        public Entry clip(String notes) {
            clip = notes;
            return this;
        }

        public Entry number(String name, String value) {
            numbers.put(name, value);
            return this;
        }

        public Entry picture(Picture shown) {
            picture = shown;
            return this;
        }

        private Finding done() {
            return new Finding(rule, severity, message, numbers, place, clip, picture);
        }
    }

    /** @param message with %s and the like for the values that follow */
    public Entry add(String message, Object... values) {
        Entry entry = new Entry(values.length == 0 ? message : String.format(Locale.ROOT, message, values));
        entries.add(entry);
        return entry;
    }

    List<Finding> all() {
        return entries.stream().map(Entry::done).toList();
    }
}
