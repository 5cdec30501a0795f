package gentlecomet.craft.format;

import gentlecomet.sound.patch.SoundFile;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.source.Recording;

/**
 * A sound file that patches refer to by its hash.
 *
 * @param hash    SHA-256 of the content, 64 hexadecimal digits
 * @param name    for people
 * @param content a RIFF/WAVE file, exactly as it came in
 * @param audio   the same, read
 */
public record SoundAsset(String hash, String name, byte[] content, Audio audio) {

    /** Largest file that is taken, in bytes. */
    public static final int LARGEST = 64_000_000;
    /** Longest sound that is taken, in seconds. */
    public static final double LONGEST_SECONDS = 60;
    private static final int LONGEST_NAME = 60;

    /** @throws FormatException when the file is no WAV that can be taken; the message says why */
    public static SoundAsset read(byte[] content, String fileName) {
        if (content.length > LARGEST) {
            throw new FormatException(fileName, "expected at most " + LARGEST / 1_000_000 + " MB, found " + content.length / 1_000_000 + " MB");
        }
        Audio audio = WavFormat.read(content, fileName);
        if (audio.frames() < 16) {
            throw new FormatException(fileName, "expected at least 16 samples, found " + audio.frames());
        }
        if (audio.seconds() > LONGEST_SECONDS) {
            throw new FormatException(fileName, String.format(java.util.Locale.ROOT, "expected at most %.0f s, found %.1f s", LONGEST_SECONDS,
                    audio.seconds()));
        }
        for (int i = 0; i < audio.frames(); i++) {
            if (!(Math.abs(audio.left()[i]) <= 16) || !(Math.abs(audio.right()[i]) <= 16)) {
                throw new FormatException(fileName, "frame " + i + " is not a sample: " + audio.left()[i]);
            }
        }
        return new SoundAsset(Hashes.of(content), plainName(fileName), content, audio);
    }

    /** The number by which patch images refer to it. */
    public double key() {
        return new SoundFile(0, hash, name).key();
    }

    /** For the engine's shelf. */
    public Recording recording() {
        return new Recording(key(), audio.left(), audio.right(), audio.sampleRate());
    }

    private static String plainName(String fileName) {
        String last = fileName.substring(Math.max(fileName.lastIndexOf('/'), fileName.lastIndexOf('\\')) + 1).replaceAll("\\p{Cntrl}", "");
        String stem = last.replaceFirst("(?i)\\.wave?$", "").strip();
        stem = stem.isEmpty() ? "Recording" : stem;
        return stem.length() > LONGEST_NAME ? stem.substring(0, LONGEST_NAME) : stem;
    }
}
