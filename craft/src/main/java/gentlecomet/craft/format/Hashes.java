package gentlecomet.craft.format;

import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Audio;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** SHA-256 of contents, as lower-case hexadecimal text. */
public final class Hashes {

    private Hashes() {
    }

    public static String of(byte[] bytes) {
        return HexFormat.of().formatHex(digest().digest(bytes));
    }

    /** A digest for content that comes in pieces. */
    public static MessageDigest digest() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    /** Identity of a patch with its name and words: the hash of its JSON. */
    public static String content(Patch patch) {
        return of(PatchFormat.write(patch).getBytes(StandardCharsets.UTF_8));
    }

    /** Identity of a patch's sound: renaming does not change it. */
    public static String sound(Patch patch) {
        return of(Json.write(PatchFormat.soundPart(patch)).getBytes(StandardCharsets.UTF_8));
    }

    /** Identity of samples: left then right for each frame, as little-endian 32-bit floats. */
    public static String samples(Audio audio) {
        ByteBuffer buffer = ByteBuffer.allocate(audio.frames() * 8).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < audio.frames(); i++) {
            buffer.putFloat(audio.left()[i]).putFloat(audio.right()[i]);
        }
        return of(buffer.array());
    }
}
