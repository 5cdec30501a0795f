package gentlecomet.craft.format;

import gentlecomet.sound.performance.Audio;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/** RIFF/WAVE: writes 24-bit stereo, reads 16 and 24-bit integer and 32-bit float, mono and stereo. */
public final class WavFormat {

    private static final int HEADER = 44;
    /** Full scale of whole numbers is two to the power of their bits less one, whatever their size: -1 is the least of them, and +1 is one step beyond the greatest. */
    private static final double FULL_SCALE_24 = 8388608;
    private static final int MOST_24 = 8388607;
    private static final int LONGEST_FRAMES = 60 * 10 * 192000;

    private WavFormat() {
    }

    /** 24-bit stereo; samples beyond full scale are held at it. */
    public static byte[] write24(Audio audio) {
        int data = audio.frames() * 6;
        ByteBuffer out = ByteBuffer.allocate(HEADER + data).order(ByteOrder.LITTLE_ENDIAN);
        out.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(HEADER - 8 + data).put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII));
        out.putInt(16).putShort((short) 1).putShort((short) 2).putInt(audio.sampleRate()).putInt(audio.sampleRate() * 6)
                .putShort((short) 6).putShort((short) 24);
        out.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(data);
        for (int i = 0; i < audio.frames(); i++) {
            put24(out, audio.left()[i]);
            put24(out, audio.right()[i]);
        }
        return out.array();
    }

    /** 32-bit float stereo, which keeps samples beyond full scale as they are. */
    public static byte[] writeFloat(Audio audio) {
        int data = audio.frames() * 8;
        ByteBuffer out = ByteBuffer.allocate(HEADER + data).order(ByteOrder.LITTLE_ENDIAN);
        out.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(HEADER - 8 + data).put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII));
        out.putInt(16).putShort((short) 3).putShort((short) 2).putInt(audio.sampleRate()).putInt(audio.sampleRate() * 8).putShort((short) 8).putShort((short) 32);
        out.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(data);
        for (int i = 0; i < audio.frames(); i++) {
            out.putFloat(audio.left()[i]).putFloat(audio.right()[i]);
        }
        return out.array();
    }

    /** The 24-bit number that stands for a sample. */
    public static int quantised(float sample) {
        return (int) Math.min(MOST_24, Math.rint(Math.max(-1, Math.min(1, sample)) * FULL_SCALE_24));
    }

    /** @throws FormatException when it is no WAV that this reads */
    public static Audio read(byte[] bytes, String place) {
        ByteBuffer in = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
        if (bytes.length < HEADER || !tag(in).equals("RIFF") || in.getInt() < 0 || !tag(in).equals("WAVE")) {
            throw new FormatException(place, "expected a RIFF/WAVE file");
        }
        int format = 0;
        int channels = 0;
        int rate = 0;
        int bits = 0;
        while (in.remaining() >= 8) {
            String name = tag(in);
            int size = in.getInt();
            if (size < 0 || size > in.remaining()) {
                throw new FormatException(place, "the part \"" + name + "\" says it has " + size + " bytes, but " + in.remaining() + " are left");
            }
            int next = in.position() + size + (size & 1);
            if (name.equals("fmt ") && size >= 16) {
                format = in.getShort() & 0xFFFF;
                channels = in.getShort();
                rate = in.getInt();
                in.position(in.position() + 6);
                bits = in.getShort();
                format = format == 0xFFFE && size >= 26 ? bytes[in.position() + 8] : format;
            } else if (name.equals("data")) {
                return samples(in, size, format, channels, rate, bits, place);
            }
            in.position(Math.min(next, bytes.length));
        }
        throw new FormatException(place, "has no part \"data\"");
    }

    /** What the "smpl" part of a file tells a sampler: its root key, and its first loop in frames, or -1 where it has none. */
    public record Sampler(int rootKey, int loopStart, int loopEnd) {
        public boolean loops() {
            return loopStart >= 0 && loopEnd > loopStart;
        }
    }

    /** The "smpl" part of a file that {@link #read} takes, or null. */
    public static Sampler sampler(byte[] bytes) {
        ByteBuffer in = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
        in.position(12);
        while (in.remaining() >= 8) {
            String name = tag(in);
            int size = in.getInt();
            if (size < 0 || size > in.remaining()) {
                return null;
            }
            int start = in.position();
            if (name.equals("smpl") && size >= 36) {
                int key = in.getInt(start + 12);
                boolean loop = in.getInt(start + 28) > 0 && size >= 60;
                return key < 0 || key > 127 ? null : new Sampler(key, loop ? in.getInt(start + 44) : -1, loop ? in.getInt(start + 48) : -1);
            }
            in.position((int) Math.min(bytes.length, (long) start + size + (size & 1)));
        }
        return null;
    }

    private static Audio samples(ByteBuffer in, int size, int format, int channels, int rate, int bits, String place) {
        boolean whole = format == 1 && (bits == 16 || bits == 24);
        boolean floating = format == 3 && bits == 32;
        if (!whole && !floating || channels < 1 || channels > 2 || rate < 8000 || rate > 192000) {
            throw new FormatException(place, "expected 16 or 24-bit integer or 32-bit float, mono or stereo, 8 to 192 kHz; found format "
                    + format + ", " + bits + " bits, " + channels + " channels, " + rate + " Hz");
        }
        int frames = size / (channels * bits / 8);
        if (frames > LONGEST_FRAMES) {
            throw new FormatException(place, "is longer than ten minutes");
        }
        float[][] out = new float[channels][frames];
        for (int i = 0; i < frames; i++) {
            for (int c = 0; c < channels; c++) {
                float v = floating ? in.getFloat() : bits == 16 ? in.getShort() / 32768f : get24(in) / (float) FULL_SCALE_24;
                if (!Float.isFinite(v)) {
                    throw new FormatException(place, "expected a number in frame " + i + ", found " + (Float.isNaN(v) ? "none (NaN)" : "an infinite one"));
                }
                out[c][i] = v;
            }
        }
        return new Audio(out[0], out[channels - 1], rate);
    }

    private static void put24(ByteBuffer out, float sample) {
        int v = quantised(sample);
        out.put((byte) v).put((byte) (v >> 8)).put((byte) (v >> 16));
    }

    private static int get24(ByteBuffer in) {
        return in.get() & 0xFF | (in.get() & 0xFF) << 8 | in.get() << 16;
    }

    private static String tag(ByteBuffer in) {
        byte[] tag = new byte[4];
        in.get(tag);
        return new String(tag, StandardCharsets.US_ASCII);
    }
}
