package gentlecomet.studio.listening;

/** What was said of a patch in a round: keep, fix, cut, or none with a note alone. @param contentHash the state that was heard */
public record Verdict(long patchId, String contentHash, String verdict, String note) {

    /** Whether it was said of a state, not of an earlier one. */
    public boolean isOf(String hash) {
        return contentHash.strip().equals(hash.strip());
    }
}
