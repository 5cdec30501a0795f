package gentlecomet.craft.listen;

import java.util.List;
import java.util.Locale;

/** What a listening round asks of each place. */
public enum Question {
    VERDICT("Keep, fix or cut?", List.of("keep", "fix", "cut")),
    RATING("How good, from 1 to 5?", List.of("1", "2", "3", "4", "5")),
    PAIR("Which of the two?", List.of("first", "second", "equal")),
    ORDER("Which of the two, until all stand in order?", List.of("first", "second"));

    private final String words;
    private final List<String> answers;

    Question(String words, List<String> answers) {
        this.words = words;
        this.answers = answers;
    }

    /** Text id, for forms and stores. */
    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** As it is asked on the screen. */
    public String words() {
        return words;
    }

    /** Text ids of what can be answered. */
    public List<String> answers() {
        return answers;
    }

    /** Whether two sounds are held against each other. */
    public boolean ofTwo() {
        return this == PAIR || this == ORDER;
    }

    /** @return null where no question has this id */
    public static Question find(String id) {
        for (Question q : values()) {
            if (q.id().equals(id)) {
                return q;
            }
        }
        return null;
    }
}
