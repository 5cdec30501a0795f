package gentlecomet.craft.release.check;

import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.measure.ClickFinder;
import gentlecomet.sound.performance.Audio;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** Plays the places where loops of samples go round, and listens for what the sound itself does not have there. */
final class LoopJoints {

    /** On both sides of a joint. */
    private static final double HEARD_SECONDS = 0.15;
    private static final double JOINT_SECONDS = 0.001;
    /** Against the neighbourhood of the joint: less is the sound's own coming and going. */
    private static final double EXCESS_DB = 6;
    private static final double LEVEL_DB = -60;
    private static final int CHUNK_HEAD = 8;
    private static final int LIST_HEAD = 12;
    /** Section 7.10 of the SoundFont Technical Specification 2.04. */
    private static final int HEADER = 46;
    private static final int NAME = 20;
    private static final int SAMPLE = 53;
    private static final int SAMPLE_MODES = 54;
    private static final double FULL_SCALE = 32_768;

    private int joints;
    private final List<String> wrong = new ArrayList<>();

    /** How many loops there were. */
    int joints() {
        return joints;
    }

    /** Those whose joint is heard, in words. */
    List<String> wrong() {
        return wrong;
    }

    /** @param wav with the loop that its "smpl" says, or without one */
    void wav(byte[] wav, String name) {
        WavFormat.Sampler sampler = WavFormat.sampler(wav);
        if (sampler != null && sampler.loops()) {
            Audio audio = WavFormat.read(wav, name);
            hear(new Audio(around(audio.left(), sampler.loopStart(), sampler.loopEnd() + 1, audio.sampleRate()),
                    around(audio.right(), sampler.loopStart(), sampler.loopEnd() + 1, audio.sampleRate()), audio.sampleRate()), name);
        }
    }

    /** Every sample of a SoundFont that goes round, by its header; its sound is read where its loop goes round and nowhere else. */
    void soundFont(Path file) throws IOException {
        try (FileChannel in = FileChannel.open(file)) {
            long samples = chunk(in, "sdta", "smpl") + CHUNK_HEAD;
            long headers = chunk(in, "pdta", "shdr");
            ByteBuffer list = read(in, headers + CHUNK_HEAD, size(in, headers));
            for (int sample : looped(in)) {
                int at = sample * HEADER;
                byte[] name = new byte[NAME];
                list.position(at).get(name);
                list.getInt();
                list.getInt();
                long start = Integer.toUnsignedLong(list.getInt());
                long end = Integer.toUnsignedLong(list.getInt());
                int rate = list.getInt();
                int reach = (int) (HEARD_SECONDS * rate);
                if (end - start >= reach) {
                    float[] heard = new float[2 * reach];
                    frames(in, samples, end - reach, heard, 0, reach);
                    frames(in, samples, start, heard, reach, reach);
                    hear(new Audio(heard, heard, rate), new String(name, StandardCharsets.US_ASCII).replace("\0", "").strip() + ", sample " + (sample + 1));
                }
            }
        }
    }

    /** Samples of zones whose mode (generator 54) is to go round; the sample (53) is the last generator of its zone (section 8.1.2). */
    private static Set<Integer> looped(FileChannel in) throws IOException {
        long chunk = chunk(in, "pdta", "igen");
        ByteBuffer generators = read(in, chunk + CHUNK_HEAD, size(in, chunk));
        Set<Integer> samples = new TreeSet<>();
        int mode = 0;
        while (generators.hasRemaining()) {
            int generator = generators.getShort();
            int amount = Short.toUnsignedInt(generators.getShort());
            if (generator == SAMPLE_MODES) {
                mode = amount;
            } else if (generator == SAMPLE) {
                if ((mode & 1) == 1) {
                    samples.add(amount);
                }
                mode = 0;
            }
        }
        return samples;
    }

    private static void frames(FileChannel in, long samples, long from, float[] into, int place, int count) throws IOException {
        ByteBuffer bytes = read(in, samples + Short.BYTES * from, count * Short.BYTES);
        for (int i = 0; i < count; i++) {
            into[place + i] = (float) (bytes.getShort() / FULL_SCALE);
        }
    }

    /** Where a chunk of a list begins. */
    private static long chunk(FileChannel in, String list, String id) throws IOException {
        long at = LIST_HEAD;
        while (at + LIST_HEAD <= in.size()) {
            if (text(in, at + CHUNK_HEAD).equals(list)) {
                long inner = at + LIST_HEAD;
                while (inner < at + CHUNK_HEAD + Integer.toUnsignedLong(size(in, at))) {
                    if (text(in, inner).equals(id)) {
                        return inner;
                    }
                    inner += CHUNK_HEAD + Integer.toUnsignedLong(size(in, inner));
                }
            }
            at += CHUNK_HEAD + Integer.toUnsignedLong(size(in, at));
        }
        throw new IOException("the SoundFont has no " + id);
    }

    private static int size(FileChannel in, long chunk) throws IOException {
        return read(in, chunk + Integer.BYTES, Integer.BYTES).getInt();
    }

    private static String text(FileChannel in, long at) throws IOException {
        return new String(read(in, at, Integer.BYTES).array(), StandardCharsets.US_ASCII);
    }

    private static ByteBuffer read(FileChannel in, long at, int bytes) throws IOException {
        ByteBuffer buffer = ByteBuffer.allocate(bytes).order(ByteOrder.LITTLE_ENDIAN);
        while (buffer.hasRemaining()) {
            if (in.read(buffer, at + buffer.position()) < 0) {
                throw new IOException("the SoundFont ends in the middle");
            }
        }
        return buffer.flip();
    }

    /** What is heard before and behind a joint. @param end frame behind the loop's last */
    private static float[] around(float[] x, int start, int end, int rate) {
        int reach = (int) (HEARD_SECONDS * rate);
        float[] heard = new float[2 * reach];
        for (int i = 0; i < reach; i++) {
            heard[i] = end - reach + i < 0 ? 0 : x[end - reach + i];
            heard[reach + i] = x[start + i % (end - start)];
        }
        return heard;
    }

    private void hear(Audio around, String name) {
        joints++;
        ClickFinder.Click click = new ClickFinder(around).between(HEARD_SECONDS - JOINT_SECONDS, HEARD_SECONDS + JOINT_SECONDS);
        if (click.excessDb() > EXCESS_DB && click.levelDb() > LEVEL_DB) {
            wrong.add(String.format("%s goes round with a click of %.0f dB", name, click.levelDb()));
        }
    }
}
