package gentlecomet.craft.command;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.ObjectMapper;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.patch.Patch;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class CometCommandTest {

    @TempDir
    Path folder;

    private static String output(int expectedExit, String... args) {
        PrintStream before = System.out;
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            System.setOut(new PrintStream(bytes, true, StandardCharsets.UTF_8));
            assertEquals(expectedExit, CometCommand.run(args));
        } finally {
            System.setOut(before);
        }
        return bytes.toString(StandardCharsets.UTF_8);
    }

    private Path neutral() throws Exception {
        Path file = folder.resolve("neutral.json");
        Files.writeString(file, PatchFormat.write(Patch.neutral("Neutral Sine")));
        return file;
    }

    @Test
    void rendersAndMeasures() throws Exception {
        Path wav = folder.resolve("out.wav");
        output(0, "render", neutral().toString(), "--notes", "B5:127:20", "--out", wav.toString());
        byte[] first = Files.readAllBytes(wav);
        output(0, "render", neutral().toString(), "--notes", "B5:127:20", "--out", wav.toString());
        assertArrayEquals(first, Files.readAllBytes(wav));
        var json = new ObjectMapper().readTree(output(0, "measure", wav.toString(), "--json"));
        // EBU Tech 3341: a sine near 1 kHz in both channels reads its level in dBFS; B5 is 988 Hz.
        assertEquals(-12, json.get("integratedLufs").asDouble(), 0.1);
        assertEquals(-12, json.get("truePeakDbtp").asDouble(), 0.05);
    }

    /** ITU-R BS.1770-4: a tone in one channel of two reads 3.01 LU less than in both; a file of one channel is one channel. */
    @Test
    void oneChannelIsMeasuredAsOneAndSaysSo() throws Exception {
        Path mono = folder.resolve("mono.wav");
        Files.write(mono, wav(48000 * 5, 1, i -> 0.1 * Math.sin(2 * Math.PI * 997 * i / 48000)));
        var json = new ObjectMapper().readTree(output(0, "measure", mono.toString(), "--json"));
        assertEquals(1, json.get("channels").asInt());
        assertEquals("one channel", json.get("measuredAs").asText());
        assertEquals(-23.01, json.get("integratedLufs").asDouble(), 0.05);
        assertEquals(-20.0, new ObjectMapper().readTree(output(0, "measure", mono.toString(), "--json", "--dual-mono")).get("integratedLufs").asDouble(), 0.05);
    }

    @Test
    void whatIsTooShortOrNoNumberIsNotMeasured() throws Exception {
        Path brief = folder.resolve("brief.wav");
        Files.write(brief, wav(48000 * 399 / 1000, 1, i -> 0.1));
        assertTrue(output(0, "measure", brief.toString()).contains("too short to measure"));
        Path broken = folder.resolve("nan.wav");
        Files.write(broken, wav(48000, 1, i -> i == 777 ? Double.NaN : 0.1));
        output(2, "measure", broken.toString());
        Files.write(broken, wav(48000, 1, i -> i == 777 ? Double.POSITIVE_INFINITY : 0.1));
        output(2, "measure", broken.toString());
    }

    @Test
    void aRenderAboveFullScaleSaysSo() throws Exception {
        Path loud = folder.resolve("loud.json");
        Files.writeString(loud, PatchFormat.write(Patch.neutral("Loud").withValue(gentlecomet.sound.parameter.Parameters.find("levelTrim"), 20)));
        Path out = folder.resolve("loud.wav");
        output(3, "render", loud.toString(), "--notes", "C4:127:0.5", "--out", out.toString());
        output(0, "render", loud.toString(), "--notes", "C4:127:0.5", "--float", "--out", out.toString());
        var json = new ObjectMapper().readTree(output(0, "measure", out.toString(), "--json"));
        assertTrue(json.get("truePeakDbtp").asDouble() > 1, json.toString());
    }

    /** 32-bit float WAV made here, by the published header (RIFF, format 3). */
    private static byte[] wav(int frames, int channels, java.util.function.IntToDoubleFunction sample) {
        java.nio.ByteBuffer out = java.nio.ByteBuffer.allocate(44 + 4 * frames * channels).order(java.nio.ByteOrder.LITTLE_ENDIAN);
        out.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(36 + 4 * frames * channels).put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII)).putInt(16).putShort((short) 3)
                .putShort((short) channels).putInt(48000).putInt(48000 * 4 * channels).putShort((short) (4 * channels)).putShort((short) 32)
                .put("data".getBytes(StandardCharsets.US_ASCII)).putInt(4 * frames * channels);
        for (int i = 0; i < frames * channels; i++) {
            out.putFloat((float) sample.applyAsDouble(i / channels));
        }
        return out.array();
    }

    @Test
    void checkFailsWhenARuleFails() throws Exception {
        String json = output(1, "check", neutral().toString(), "--json");
        assertTrue(json.contains("category.missing"), json);
    }

    @Test
    void badInputIsAMessageAndExitTwo() throws Exception {
        Path bad = folder.resolve("bad.json");
        Files.writeString(bad, "{ nonsense");
        output(2, "check", bad.toString());
        output(2, "check", folder.resolve("missing.json").toString());
        output(2, "render", neutral().toString(), "--notes", "H4:1:1", "--out", folder.resolve("x.wav").toString());
        output(2, "measure", bad.toString());
    }
}
