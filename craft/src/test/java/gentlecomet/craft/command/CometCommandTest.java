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
