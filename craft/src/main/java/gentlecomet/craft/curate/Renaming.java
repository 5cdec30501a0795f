package gentlecomet.craft.curate;

import gentlecomet.craft.edit.PatchEdit.EditException;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A way to give many patches new names at once. */
public sealed interface Renaming {

    /** Longest text of a form's field, in characters. */
    int LONGEST = 200;

    /**
     * What a new name is made from.
     *
     * @param name     the present name
     * @param category name of the category, empty for none
     * @param slot     number of the slot from 1
     * @param position place among the chosen patches from 0
     */
    record Subject(String name, String category, int slot, int position) {
    }

    /** The new name. */
    String name(Subject subject);

    /**
     * A name put together from placeholders: {@code {name}}, its {@code {first}} and {@code {last}} word, {@code {category}}, {@code {slot}} and
     * {@code {number}}. A colon and a width fill numbers up with zeros: {@code {number:3}}.
     *
     * @param from number of the first patch
     */
    record Assembled(String pattern, int from) implements Renaming {

        private static final Pattern PLACE = Pattern.compile("\\{([a-z]*)(?::([1-9]))?}");
        private static final List<String> PLACES = List.of("name", "first", "last", "category", "slot", "number");

        /** @throws EditException where a placeholder is not known or the pattern is empty */
        public Assembled {
            limited("The pattern", pattern);
            if (pattern.isBlank()) {
                throw new EditException("A pattern is needed, for example \"{name} {number}\".");
            }
            Matcher places = PLACE.matcher(pattern);
            while (places.find()) {
                if (!PLACES.contains(places.group(1))) {
                    throw new EditException("The pattern has \"" + places.group() + "\"; placeholders are {" + String.join("}, {", PLACES) + "}.");
                }
            }
            if (places.reset().replaceAll("").matches(".*[{}].*")) {
                throw new EditException("A brace of the pattern has no partner; placeholders are {" + String.join("}, {", PLACES) + "}.");
            }
        }

        @Override
        public String name(Subject subject) {
            return PLACE.matcher(pattern).replaceAll(place -> Matcher.quoteReplacement(value(place.group(1), place.group(2), subject))).strip().replaceAll(" {2,}", " ");
        }

        private String value(String place, String width, Subject subject) {
            String[] words = subject.name().strip().split("\\s+");
            return switch (place) {
                case "name" -> subject.name();
                case "first" -> words[0];
                case "last" -> words[words.length - 1];
                case "category" -> subject.category();
                case "slot" -> number(subject.slot(), width);
                default -> number(from + subject.position(), width);
            };
        }

        private static String number(int value, String width) {
            return width == null ? String.valueOf(value) : String.format(Locale.ROOT, "%0" + width + "d", value);
        }
    }

    /** A text exchanged for another wherever it stands. @param anyCase whether capitals do not matter */
    record Replaced(String find, String with, boolean anyCase) implements Renaming {

        /** @throws EditException where there is nothing to find */
        public Replaced {
            limited("The text to find", find);
            limited("The new text", with);
            if (find.isEmpty()) {
                throw new EditException("Type what is to be found in the names.");
            }
        }

        @Override
        public String name(Subject subject) {
            return Pattern.compile(Pattern.quote(find), anyCase ? Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE : 0).matcher(subject.name())
                    .replaceAll(Matcher.quoteReplacement(with)).strip().replaceAll(" {2,}", " ");
        }
    }

    /** Capitals and small letters. */
    enum Case implements Renaming {
        /** A capital at the beginning of every word. */
        WORDS,
        /** A capital at the beginning. */
        SENTENCE,
        CAPITALS,
        SMALL;

        private static final Pattern FIRST = Pattern.compile("(^|[\\s-])(\\p{L})");

        @Override
        public String name(Subject subject) {
            String small = subject.name().toLowerCase(Locale.ROOT);
            return switch (this) {
                case WORDS -> FIRST.matcher(small).replaceAll(m -> m.group(1) + m.group(2).toUpperCase(Locale.ROOT));
                case SENTENCE -> small.isEmpty() ? small : small.substring(0, 1).toUpperCase(Locale.ROOT) + small.substring(1);
                case CAPITALS -> small.toUpperCase(Locale.ROOT);
                case SMALL -> small;
            };
        }
    }

    /** Names of a list, one for each patch in their order; patches beyond its end, and those at an empty line, keep theirs. */
    record Listed(List<String> names) implements Renaming {

        /** Most lines of a list. */
        public static final int MOST = 2048;

        /** @throws EditException where there are too many */
        public Listed {
            if (names.size() > MOST) {
                throw new EditException("The list has " + names.size() + " names; at most " + MOST + " can be taken.");
            }
            names = names.stream().map(String::strip).toList();
        }

        @Override
        public String name(Subject subject) {
            String own = subject.position() < names.size() ? names.get(subject.position()) : "";
            return own.isEmpty() ? subject.name() : own;
        }
    }

    private static void limited(String what, String text) {
        if (text.length() > LONGEST) {
            throw new EditException(what + " has " + text.length() + " characters; at most " + LONGEST + " can be taken.");
        }
    }
}
