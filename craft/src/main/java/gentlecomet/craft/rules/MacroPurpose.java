package gentlecomet.craft.rules;

/**
 * What a macro slot has to do over its travel, from low to high.
 *
 * @param least in the unit of the change
 */
public record MacroPurpose(Change change, double least) {

    /** Nothing is asked. */
    public static final MacroPurpose ANY = new MacroPurpose(Change.ANY, 0);

    /** A change that is measured. */
    public enum Change {
        ANY("whatever it likes", ""),
        BRIGHTER("brighter", "oct"),
        DARKER("darker", "oct"),
        LOUDER("louder", "LU"),
        LONGER_TAIL("a longer tail", "times"),
        SLOWER_ATTACK("a slower attack", "times"),
        WIDER("wider", "dB"),
        ROUGHER("more noise", "%"),
        HEARD("a change of any kind", "dB");

        private final String words;
        private final String unit;

        Change(String words, String unit) {
            this.words = words;
            this.unit = unit;
        }

        /** As in "makes the sound brighter". */
        public String words() {
            return words;
        }

        public String unit() {
            return unit;
        }
    }
}
