package gentlecomet.craft.sample;

import gentlecomet.craft.format.WavFormat;
import gentlecomet.sound.performance.Audio;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Map;

/** Samples as RIFF/WAVE with what a sampler wants to know: root key and loop ("smpl"), title and author ("LIST INFO"); Multimedia Programming Interface and Data Specifications 1.0. */
public final class SampleWav {

    private static final int BYTES = 3;
    private static final int SMPL = 36;
    private static final int LOOP = 24;
    private static final double NANOSECONDS = 1e9;

    private SampleWav() {
    }

    /** 24 bits, one channel where both are the same. @param info texts by their four letters, for example INAM */
    public static byte[] write(SampledNote note, Map<String, String> info) {
        Audio audio = note.audio();
        int channels = note.mono() ? 1 : 2;
        int frame = channels * BYTES;
        int data = audio.frames() * frame;
        int padded = data + (data & 1);
        byte[] list = list(info);
        int smpl = SMPL + (note.loop() == null ? 0 : LOOP);
        int riff = 4 + 8 + 16 + 8 + smpl + 8 + list.length + 8 + padded;
        ByteBuffer out = ByteBuffer.allocate(8 + riff).order(ByteOrder.LITTLE_ENDIAN);
        tag(out, "RIFF").putInt(riff);
        tag(out, "WAVE");
        tag(out, "fmt ").putInt(16).putShort((short) 1).putShort((short) channels).putInt(audio.sampleRate()).putInt(audio.sampleRate() * frame).putShort((short) frame).putShort((short) (8 * BYTES));
        tag(out, "smpl").putInt(smpl).putInt(0).putInt(0).putInt((int) Math.round(NANOSECONDS / audio.sampleRate())).putInt(note.key()).putInt(0).putInt(0).putInt(0)
                .putInt(note.loop() == null ? 0 : 1).putInt(0);
        if (note.loop() != null) {
            // Cue, forward, first and last frame of the loop, no fraction, for ever.
            out.putInt(0).putInt(0).putInt(note.loop().start()).putInt(note.loop().end() - 1).putInt(0).putInt(0);
        }
        tag(out, "LIST").putInt(list.length).put(list);
        tag(out, "data").putInt(data);
        for (int i = 0; i < audio.frames(); i++) {
            put(out, audio.left()[i]);
            if (channels == 2) {
                put(out, audio.right()[i]);
            }
        }
        return out.array();
    }

    private static void put(ByteBuffer out, float sample) {
        int value = WavFormat.quantised(sample);
        out.put((byte) value).put((byte) (value >> 8)).put((byte) (value >> 16));
    }

    private static byte[] list(Map<String, String> info) {
        ByteBuffer out = ByteBuffer.allocate(4 + info.values().stream().mapToInt(v -> 10 + v.getBytes(StandardCharsets.UTF_8).length).sum()).order(ByteOrder.LITTLE_ENDIAN);
        tag(out, "INFO");
        info.forEach((id, text) -> {
            byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
            tag(out, id).putInt(bytes.length + 1).put(bytes).put((byte) 0);
            if ((bytes.length & 1) == 0) {
                out.put((byte) 0);
            }
        });
        byte[] list = new byte[out.position()];
        out.flip().get(list);
        return list;
    }

    private static ByteBuffer tag(ByteBuffer out, String tag) {
        return out.put(tag.getBytes(StandardCharsets.US_ASCII));
    }
}
