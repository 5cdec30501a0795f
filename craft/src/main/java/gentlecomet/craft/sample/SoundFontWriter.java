package gentlecomet.craft.sample;

import gentlecomet.sound.performance.Audio;
import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.text.Normalizer;
import java.util.Map;

/**
 * A bank of patches as a SoundFont (SoundFont Technical Specification 2.04, E-mu Systems 2006): one preset and one instrument for each patch, 16-bit samples. Samples go to a file
 * beside it while they come, so that memory holds their descriptions alone. Level, filter and envelope stand in the samples; velocity changes neither.
 */
public final class SoundFontWriter implements Closeable {

    /** Generators, by the numbers of section 8.1.3. */
    private static final int PAN = 17;
    private static final int RELEASE_VOLUME_ENVELOPE = 38;
    private static final int INSTRUMENT = 41;
    private static final int KEY_RANGE = 43;
    private static final int VELOCITY_RANGE = 44;
    private static final int FIXED_VELOCITY = 47;
    private static final int INITIAL_ATTENUATION = 48;
    private static final int INITIAL_FILTER_CUTOFF = 8;
    private static final int SAMPLE = 53;
    private static final int SAMPLE_MODES = 54;
    /** Modulator sources of section 8.4: velocity, unipolar, falling, concave; and the same as a switch. */
    private static final int VELOCITY_CONCAVE = 0x0502;
    private static final int VELOCITY_LINEAR = 0x0102;
    private static final int MONO = 1;
    private static final int RIGHT = 2;
    private static final int LEFT = 4;
    /** Section 7.10: at least 46 zero frames follow every sample. */
    private static final int GAP = 46;
    /** Section 7.10: so many frames behind a loop's end are those at its start. */
    private static final int AROUND = 8;
    private static final int MOST_INDEX = 65_535;
    private static final long LARGEST = 4_000_000_000L;
    private static final int FULL_SCALE = 32_767;
    private static final int NAME = 20;

    private final Path data;
    private final OutputStream samples;
    private final Records presets = new Records();
    private final Records presetBags = new Records();
    private final Records presetGenerators = new Records();
    private final Records instruments = new Records();
    private final Records bags = new Records();
    private final Records modulators = new Records();
    private final Records generators = new Records();
    private final Records headers = new Records();
    private long frames;
    private int sampleCount;

    /** One part of the description: fixed records, little end first. */
    private static final class Records {
        private final ByteArrayOutputStream out = new ByteArrayOutputStream();
        private int count;

        ByteBuffer buffer(int size) {
            return ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
        }

        void add(ByteBuffer record) {
            out.writeBytes(record.array());
            count++;
        }
    }

    /** @param data a file for the samples until the bank is written; whoever gives it removes it */
    public SoundFontWriter(Path data) throws IOException {
        this.data = data;
        samples = new BufferedOutputStream(Files.newOutputStream(data));
    }

    /** The name of a preset: 20 characters of ASCII at most, marks taken off letters, anything else a question mark. */
    public static String name(String text) {
        String plain = Normalizer.normalize(text, Normalizer.Form.NFD).replaceAll("\\p{M}", "").replaceAll("[^\\x20-\\x7e]", "?").strip();
        return plain.length() > NAME ? plain.substring(0, NAME).strip() : plain;
    }

    /** Begins a patch; its samples follow. @param bank from 0 @param program from 0 */
    public void begin(String patch, int bank, int program) {
        ByteBuffer preset = presets.buffer(38);
        name(preset, patch).putShort((short) program).putShort((short) bank).putShort((short) presetBags.count).putInt(0).putInt(0).putInt(0);
        presets.add(preset);
        bag(presetBags, presetGenerators.count, 0);
        generator(presetGenerators, INSTRUMENT, instruments.count);
        ByteBuffer instrument = instruments.buffer(22);
        name(instrument, patch).putShort((short) bags.count);
        instruments.add(instrument);
        // A zone without a sample holds for the whole instrument.
        bag(bags, generators.count, modulators.count);
        // Some players keep the default modulators whatever is said; at the highest velocity these do nothing.
        generator(generators, FIXED_VELOCITY, 127);
        modulator(VELOCITY_CONCAVE, INITIAL_ATTENUATION);
    }

    /** Adds a sample to the patch that was begun last. @throws IllegalArgumentException where the format can hold no more */
    public void add(SampledNote note) throws IOException {
        Audio audio = note.audio();
        if (note.mono()) {
            zone(note, 0, header(note, audio.left(), MONO, 0));
        } else {
            int first = sampleCount;
            zone(note, -500, header(note, audio.left(), LEFT, first + 1));
            zone(note, 500, header(note, audio.right(), RIGHT, first));
        }
        if (generators.count > MOST_INDEX || bags.count > MOST_INDEX || 2 * frames > LARGEST) {
            throw new IllegalArgumentException("a SoundFont holds at most " + MOST_INDEX + " generators and 4 GB of samples; take fewer keys or velocities");
        }
    }

    private void zone(SampledNote note, int pan, int sample) {
        bag(bags, generators.count, modulators.count);
        range(KEY_RANGE, note.lowKey(), note.highKey());
        range(VELOCITY_RANGE, note.lowVelocity(), note.highVelocity());
        if (pan != 0) {
            generator(generators, PAN, pan);
        }
        // Section 8.1.3: timecents, 1200 log2 of the seconds; the envelope falls by 100 dB in that time, the sound is told to -60.
        generator(generators, RELEASE_VOLUME_ENVELOPE, (int) Math.max(-12_000, Math.min(8_000, Math.round(1200 * Math.log(note.release() / 0.6) / Math.log(2)))));
        if (note.loop() != null) {
            generator(generators, SAMPLE_MODES, 1);
        }
        generator(generators, SAMPLE, sample);
        modulator(VELOCITY_CONCAVE, INITIAL_ATTENUATION);
        modulator(VELOCITY_LINEAR, INITIAL_FILTER_CUTOFF);
        // The JDK's reader looks up the zone of a modulator in the list of generators. With as many of one as of the other both readings agree; those that fill up do nothing.
        while (modulators.count < generators.count) {
            modulator(0, 0);
        }
    }

    private int header(SampledNote note, float[] channel, int type, int link) throws IOException {
        long start = frames;
        int length = channel.length + (note.loop() == null ? 0 : AROUND);
        // Players pan with even power: a sample in the middle comes 3 dB lower from each side than one that is wholly there.
        double scale = type == MONO ? FULL_SCALE : FULL_SCALE / Math.sqrt(2);
        ByteBuffer bytes = ByteBuffer.allocate(2 * (length + GAP)).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < length; i++) {
            float v = i < channel.length ? channel[i] : channel[note.loop().start() + i - channel.length];
            bytes.putShort((short) Math.rint(scale * Math.max(-1, Math.min(1, v))));
        }
        samples.write(bytes.array());
        frames += length + GAP;
        ByteBuffer header = headers.buffer(46);
        name(header, String.format("k%03d v%03d %d%s", note.key(), note.velocity(), instruments.count, type == LEFT ? " L" : type == RIGHT ? " R" : ""));
        header.putInt((int) start).putInt((int) (start + length));
        header.putInt((int) (start + (note.loop() == null ? 0 : note.loop().start()))).putInt((int) (start + (note.loop() == null ? channel.length : note.loop().end())));
        header.putInt(note.audio().sampleRate()).put((byte) note.key()).put((byte) 0).putShort((short) link).putShort((short) type);
        headers.add(header);
        return sampleCount++;
    }

    private void range(int generator, int low, int high) {
        ByteBuffer record = generators.buffer(4);
        record.putShort((short) generator).put((byte) low).put((byte) high);
        generators.add(record);
    }

    private static void generator(Records into, int generator, int amount) {
        ByteBuffer record = into.buffer(4);
        record.putShort((short) generator).putShort((short) amount);
        into.add(record);
    }

    /** Takes the place of a default modulator of the same source and destination (section 9.5.1) with an amount of nothing. */
    private void modulator(int source, int destination) {
        ByteBuffer record = modulators.buffer(10);
        record.putShort((short) source).putShort((short) destination).putShort((short) 0).putShort((short) 0).putShort((short) 0);
        modulators.add(record);
    }

    private static void bag(Records into, int generator, int modulator) {
        ByteBuffer record = into.buffer(4);
        record.putShort((short) generator).putShort((short) modulator);
        into.add(record);
    }

    private static ByteBuffer name(ByteBuffer into, String text) {
        byte[] name = name(text).getBytes(StandardCharsets.US_ASCII);
        return into.put(name).put(new byte[NAME - name.length]);
    }

    /** Ends every list as the format wants it, and writes the bank. @param info texts by their four letters, INAM for the name of the bank */
    public void write(Path bank, Map<String, String> info) throws IOException {
        samples.close();
        ByteBuffer end = presets.buffer(38);
        name(end, "EOP").putShort((short) 0).putShort((short) 0).putShort((short) presetBags.count).putInt(0).putInt(0).putInt(0);
        presets.add(end);
        bag(presetBags, presetGenerators.count, 0);
        generator(presetGenerators, 0, 0);
        ByteBuffer last = instruments.buffer(22);
        name(last, "EOI").putShort((short) bags.count);
        instruments.add(last);
        bag(bags, generators.count, modulators.count);
        generator(generators, 0, 0);
        modulators.add(modulators.buffer(10));
        ByteBuffer eos = headers.buffer(46);
        name(eos, "EOS");
        headers.add(eos);
        byte[] list = info(info);
        byte[] description = description();
        long smpl = 2 * frames;
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(bank))) {
            out.write(head("RIFF", 4 + 8 + list.length + 8 + 4 + 8 + smpl + 8 + description.length, "sfbk"));
            out.write(head("LIST", list.length, ""));
            out.write(list);
            out.write(head("LIST", 4 + 8 + smpl, "sdta"));
            out.write(head("smpl", smpl, ""));
            Files.copy(data, out);
            out.write(head("LIST", description.length, ""));
            out.write(description);
        }
    }

    private byte[] description() {
        Records noModulators = new Records();
        noModulators.add(noModulators.buffer(10));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes("pdta".getBytes(StandardCharsets.US_ASCII));
        String[] names = {"phdr", "pbag", "pmod", "pgen", "inst", "ibag", "imod", "igen", "shdr"};
        Records[] parts = {presets, presetBags, noModulators, presetGenerators, instruments, bags, modulators, generators, headers};
        for (int i = 0; i < names.length; i++) {
            out.writeBytes(head(names[i], parts[i].out.size(), ""));
            out.writeBytes(parts[i].out.toByteArray());
        }
        return out.toByteArray();
    }

    private static byte[] info(Map<String, String> info) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes("INFO".getBytes(StandardCharsets.US_ASCII));
        out.writeBytes(head("ifil", 4, ""));
        out.writeBytes(new byte[] {2, 0, 4, 0});
        info.forEach((id, text) -> {
            byte[] bytes = text.getBytes(StandardCharsets.US_ASCII);
            int size = Math.min(254, bytes.length) + 1;
            out.writeBytes(head(id, size + (size & 1), ""));
            out.write(bytes, 0, Math.min(254, bytes.length));
            out.writeBytes(new byte[1 + (size & 1)]);
        });
        return out.toByteArray();
    }

    private static byte[] head(String tag, long size, String type) {
        ByteBuffer head = ByteBuffer.allocate(8 + type.length()).order(ByteOrder.LITTLE_ENDIAN);
        head.put(tag.getBytes(StandardCharsets.US_ASCII)).putInt((int) size).put(type.getBytes(StandardCharsets.US_ASCII));
        return head.array();
    }

    @Override
    public void close() throws IOException {
        samples.close();
    }
}
