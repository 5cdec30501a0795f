package gentlecomet.studio.bank.intake;

/**
 * An archive that was brought.
 *
 * @param state      looked (at, and nothing else), taking, taken or failed
 * @param into       the collection that takes it, 0 for a new one
 * @param changed    what becomes of patches that are here under the same name with other content
 * @param result     what came of it, in words
 * @param collection where it went, 0 while it has not
 */
record IntakeRow(long id, String name, String state, long into, Changed changed, int done, int total, String result, long collection) {

    /** What becomes of patches that are here under the same name with other content. */
    enum Changed {
        KEEP("stay as they are here"), TAKE("become as the release has them, which can be undone"), BESIDE("come in beside those that are here, under other names");

        private final String words;

        Changed(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
