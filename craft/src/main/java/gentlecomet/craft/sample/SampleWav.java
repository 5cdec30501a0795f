package gentlecomet.craft.sample;

import gentlecomet.craft.format.WavFormat;
import gentlecomet.sound.performance.Audio;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Map;

/** Samples as RIFF/WAVE with what a sampler wants to know: root key and loop ("smpl"), title and author ("LIST INFO"); Multimedia Programming Interface and Data Specifications 1.0. */
public final class SampleWav {

    private static final int FULL_SCALE_16 = 32_768;
    private static final int SMPL = 36;
    private static final int LOOP = 24;
    private static final double NANOSECONDS = 1e9;

    private SampleWav() {
    }

    /** One channel where both are the same. @param bits 16 or 24 @param info texts by their four letters, for example INAM */
    public static byte[] write(SampledNote note, int bits, Map<String, String> info) {
        Audio audio = note.audio();
        int channels = note.mono() ? 1 : 2;
        int frame = channels * bits / 8;
        int data = audio.frames() * frame;
        int padded = data + (data & 1);
        byte[] list = list(info);
        int smpl = SMPL + (note.loop() == null ? 0 : LOOP);
        int riff = 4 + 8 + 16 + 8 + smpl + 8 + list.length + 8 + padded;
        ByteBuffer out = ByteBuffer.allocate(8 + riff).order(ByteOrder.LITTLE_ENDIAN);
        tag(out, "RIFF").putInt(riff);
        tag(out, "WAVE");
        tag(out, "fmt ").putInt(16).putShort((short) 1).putShort((short) channels).putInt(audio.sampleRate()).putInt(audio.sampleRate() * frame).putShort((short) frame).putShort((short) bits);
        tag(out, "smpl").putInt(smpl).putInt(0).putInt(0).putInt((int) Math.round(NANOSECONDS / audio.sampleRate())).putInt(note.key()).putInt(0).putInt(0).putInt(0)
                .putInt(note.loop() == null ? 0 : 1).putInt(0);
        if (note.loop() != null) {
            // Cue, forward, first and last frame of the loop, no fraction, for ever.
            out.putInt(0).putInt(0).putInt(note.loop().start()).putInt(note.loop().end() - 1).putInt(0).putInt(0);
        }
        tag(out, "LIST").putInt(list.length).put(list);
        tag(out, "data").putInt(data);
        for (int i = 0; i < audio.frames(); i++) {
            put(out, audio.left()[i], bits);
            if (channels == 2) {
                put(out, audio.right()[i], bits);
            }
        }
        return out.array();
    }

    private static void put(ByteBuffer out, float sample, int bits) {
        if (bits == 16) {
            out.putShort((short) Math.min(FULL_SCALE_16 - 1, Math.rint(FULL_SCALE_16 * Math.max(-1, sample))));
            return;
        }
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
