package gentlecomet.studio.patch;

/** The level trim of a patch in dB. */
public record PatchTrim(long patchId, double db) {
}
