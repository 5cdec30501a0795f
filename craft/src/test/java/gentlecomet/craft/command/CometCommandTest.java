package gentlecomet.craft.command;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.ObjectMapper;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.format.ZipFormat;
import gentlecomet.craft.measure.PitchFinder;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Ride;
import gentlecomet.sound.patch.Route;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.w3c.dom.Element;

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

    /** A macro and a wheel that each move the level by 12 dB, heard as 12 LU; a bend of two semitones, as equal temperament has it. */
    @Test
    void macrosAndControllersStandWhereTheyAreAskedTo() throws Exception {
        var level = Parameters.find("layer1.source1.level");
        Path swell = folder.resolve("swell.json");
        Files.writeString(swell, PatchFormat.write(Patch.neutral("Swell").withMacro(1, new Macro("Swell", "", "", List.of(new MacroTarget(level, -24, -12))))));
        Path wheel = folder.resolve("wheel.json");
        Files.writeString(wheel, PatchFormat.write(Patch.neutral("Wheel").withRoutes(List.of(new Route(Modulator.MOD_WHEEL, level, -12), new Route(Modulator.AFTERTOUCH, level, -6)))));
        assertEquals(12, loudness(swell, "--macro", "2=100") - loudness(swell, "--macro", "2=0"), 0.05);
        assertEquals(-12, loudness(wheel, "--cc", "1=127") - loudness(wheel), 0.05);
        assertEquals(-6, loudness(wheel, "--pressure", "127") - loudness(wheel), 0.05);
        Path bent = folder.resolve("bent.wav");
        output(0, "render", neutral().toString(), "--notes", "A4:100:2", "--bend", "100", "--out", bent.toString());
        double hz = PitchFinder.hz(WavFormat.read(Files.readAllBytes(bent), "bent"), 0.2, 1);
        assertEquals(440 * Math.pow(2, 2 / 12.0), hz, 0.2);
        for (String[] wrong : new String[][] {{"--macro", "9=5"}, {"--macro", "1=101"}, {"--cc", "1"}, {"--cc", "120=1"}, {"--cc", "1=x"}, {"--pressure", "128"}, {"--bend", "-101"}}) {
            output(2, "render", neutral().toString(), "--notes", "C4:100:1", wrong[0], wrong[1], "--out", folder.resolve("x.wav").toString());
        }
    }

    /** A phrase of the program is played as the patch rides it: its level falls by 12 dB from end to end. */
    @Test
    void aPhraseIsPlayedAsThePatchRidesIt() throws Exception {
        var level = Parameters.find("layer1.source1.level");
        Patch plain = Patch.neutral("Ridden").withMacro(0, new Macro("Fall", "", "", List.of(new MacroTarget(level, -24, -12))));
        Path file = folder.resolve("ridden.json");
        Files.writeString(file, PatchFormat.write(plain.withRide(new Ride("long-notes", Ride.Hand.MACRO1, List.of(new Ride.Point(0, 100), new Ride.Point(8, 0))))));
        Path wav = folder.resolve("ridden.wav");
        output(0, "render", file.toString(), "--phrase", "long-notes", "--out", wav.toString());
        var audio = WavFormat.read(Files.readAllBytes(wav), "ridden");
        // Both of its notes are two keys; the second is struck harder, which this patch does not hear.
        assertEquals(-3, rms(audio, 2.5) - rms(audio, 0.5), 0.3);
        output(2, "render", file.toString(), "--phrase", "no-such-phrase", "--out", wav.toString());
    }

    private static double rms(gentlecomet.sound.performance.Audio audio, double at) {
        double sum = 0;
        for (int i = (int) ((at - 0.2) * 48000); i < (at + 0.2) * 48000; i++) {
            sum += audio.left()[i] * audio.left()[i];
        }
        return 10 * Math.log10(sum);
    }

    private double loudness(Path patch, String... options) throws Exception {
        Path wav = folder.resolve("level.wav");
        List<String> args = new java.util.ArrayList<>(List.of("render", patch.toString(), "--notes", "B5:127:4", "--out", wav.toString()));
        args.addAll(List.of(options));
        output(0, args.toArray(String[]::new));
        return new ObjectMapper().readTree(output(0, "measure", wav.toString(), "--json")).get("integratedLufs").asDouble();
    }

    @Test
    void checkFailsWhenARuleFails() throws Exception {
        String json = output(1, "check", neutral().toString(), "--json");
        assertTrue(json.contains("category.missing"), json);
    }

    /** What build servers read: as many suites as patches, a failure for each rule that is broken in earnest. */
    @Test
    void findingsAreWrittenAsJUnitXmlAndTheExitCodeGoesByTheWeight() throws Exception {
        Path report = folder.resolve("report.xml");
        output(1, "check", neutral().toString(), "--junit", report.toString());
        var document = DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(report.toFile());
        var suite = (Element) document.getElementsByTagName("testsuite").item(0);
        assertEquals(1, document.getElementsByTagName("testsuite").getLength());
        assertEquals(Integer.parseInt(suite.getAttribute("failures")), document.getElementsByTagName("failure").getLength());
        assertTrue(document.getElementsByTagName("failure").getLength() >= 1);
        assertEquals(Integer.parseInt(suite.getAttribute("tests")), document.getElementsByTagName("testcase").getLength());
        output(0, "check", neutral().toString(), "--fail-on", "never");
        output(1, "check", neutral().toString(), "--fail-on", "look");
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

    /** A folder that is released, taken apart, changed and released again: nothing is lost, and the second release says what changed. */
    @Test
    void releasesFollowEachOtherAndCanBeTakenApart() throws Exception {
        Path kit = kit("Reed Bed", "Low Bank");
        Path first = folder.resolve("first.zip");
        output(0, "release", kit.toString(), "--out", first.toString());
        Path apart = folder.resolve("apart");
        assertTrue(output(0, "import", first.toString(), "--into", apart.toString()).contains("2 patches"));
        assertEquals(2, output(2, "import", first.toString(), "--into", apart.toString()).isEmpty() ? 2 : 0, "a folder that holds something is left alone");
        CollectionFile taken = CollectionFolder.read(apart);
        assertEquals(List.of("Low Bank", "Reed Bed"), taken.banks().get(0).slots().stream().map(s -> s.patch().name()).sorted().toList());
        Files.writeString(apart.resolve("patches/new.json"), PatchFormat.write(Patch.neutral("Weir Hum")));
        String index = Files.readString(apart.resolve("collection.json"));
        Files.writeString(apart.resolve("collection.json"), index.replaceFirst("\"slots\" ?: ?\\[", "\"slots\": [ {\"slot\": 9, \"file\": \"patches/new.json\"},"));
        Path second = folder.resolve("second.zip");
        output(0, "release", apart.toString(), "--out", second.toString(), "--since", first.toString());
        Map<String, byte[]> files = ZipFormat.read(Files.readAllBytes(second), "second.zip");
        assertEquals("1.1.0", new ObjectMapper().readTree(files.get("manifest.json")).get("release").asText(), "a new patch counts the second number up");
        assertTrue(new String(files.get("CHANGES.txt"), StandardCharsets.UTF_8).contains("Weir Hum"));
    }

    /** Without author and licence the gate holds; with a reason it opens, and the reason stands in the archive. */
    @Test
    void theGateHoldsUnlessAReasonIsGiven() throws Exception {
        Path kit = kit("Reed Bed");
        Path out = folder.resolve("kit.zip");
        output(1, "release", kit.toString(), "--out", out.toString(), "--gate");
        assertFalse(Files.exists(out));
        output(0, "release", kit.toString(), "--out", out.toString(), "--gate", "--anyway", "for a friend's ears alone");
        assertTrue(Files.exists(out));
        assertEquals(List.of("kit.zip"), names(folder).stream().filter(n -> n.endsWith(".zip")).toList(), "nothing half built is left");
    }

    private static List<String> names(Path folder) throws Exception {
        try (Stream<Path> files = Files.list(folder)) {
            return files.map(f -> f.getFileName().toString()).toList();
        }
    }

    private Path kit(String... names) throws Exception {
        Path kit = Files.createDirectory(folder.resolve("kit"));
        for (String name : names) {
            Files.writeString(kit.resolve(name.replace(' ', '-') + ".json"), PatchFormat.write(Patch.neutral(name)));
        }
        return kit;
    }
}
