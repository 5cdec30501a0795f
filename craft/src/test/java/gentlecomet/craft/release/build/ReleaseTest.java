package gentlecomet.craft.release.build;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.FormatException;
import gentlecomet.craft.format.MidiFormat;
import gentlecomet.craft.format.ScalaFormat;
import gentlecomet.craft.format.SheetCell;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.format.ZipFormat;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.measure.PitchFinder;
import gentlecomet.craft.phrase.OwnPhrase;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.release.Changes;
import gentlecomet.craft.release.ReelPlan;
import gentlecomet.craft.release.ReleaseBank;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.craft.release.check.ReleaseCheck;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.LevelMeasure;
import gentlecomet.craft.sample.SamplingPlan;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Ride;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Move;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Track;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.commons.csv.CSVFormat;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.w3c.dom.NodeList;

class ReleaseTest {

    private static final List<CollectionFile.Slot> SLOTS = List.of(new CollectionFile.Slot(1, patch("Low Tide", -20)),
            new CollectionFile.Slot(7, patch("High, \"Tide\"", -14)));
    private static final CollectionFile COLLECTION =
            new CollectionFile("Test Kit", "Nobody", "Do as you like.\n", HouseRules.DEFAULT, List.of(new CollectionFile.Bank("A", 5, 9, SLOTS)), Map.of(), "Tides & other tests.", "kit@example.org");
    private static final List<ReleasePatch> APPROVED = SLOTS.stream().map(s -> new ReleasePatch(new ReleaseBank(0, "A", 5, 9), s, 3,
            new Measuring().measure(s.patch(), Phrases.get("line")))).toList();

    /** Built by several threads, which must not have to wait for the class around it. */
    private static final class Built {
        private static final byte[] ARCHIVE = build();
    }

    private static Patch patch(String name, double level) {
        Patch patch = Patch.neutral(name).withValue(Parameters.find("layer1.source1.level"), level);
        return patch.withNaming(patch.naming().withCategory("lead"));
    }

    private static byte[] build() {
        return onDisk(new byte[0], file -> {
            new ReleaseBuilder().build(new ReleaseContents(COLLECTION, APPROVED, "1.0"), file, part -> { });
            return Files.readAllBytes(file);
        });
    }

    private static final SamplingPlan SAMPLED = SamplingPlan.of(12, 2, 2, 1, 24, 48_000, false);

    private static ReleaseCheck.Report verified(byte[] archive, List<ReleasePatch> approved) {
        return verified(archive, approved, SamplingPlan.USUAL);
    }

    private static ReleaseCheck.Report verified(byte[] archive, List<ReleasePatch> approved, SamplingPlan plan) {
        return onDisk(archive, file -> ReleaseCheck.verify(file, approved, plan, part -> { }));
    }

    /** What is done with a file that holds some bytes. */
    private static <T> T onDisk(byte[] content, FileWork<T> work) {
        try {
            Path file = Files.createTempFile("release-test", ".zip");
            try {
                Files.write(file, content);
                return work.with(file);
            } finally {
                Files.delete(file);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private interface FileWork<T> {
        T with(Path file) throws IOException;
    }

    @Test
    void theSameInputsGiveTheSameBytes() {
        assertArrayEquals(Built.ARCHIVE, build());
    }

    @Test
    void theArchiveVerifiesAndReadsBackEqual() {
        ReleaseCheck.Report report = verified(Built.ARCHIVE, APPROVED);
        assertTrue(report.passed(), report.lines().toString());
        CollectionFile read = ReleaseCheck.read(new java.io.ByteArrayInputStream(Built.ARCHIVE), "kit.zip");
        assertEquals(COLLECTION, read);
    }

    /** A phrase of the house goes along in the rules: demo, MIDI file and player play it, and the archive verifies on its own. */
    @Test
    void aPhraseOfTheHouseGoesAlong() throws Exception {
        OwnPhrase call = new OwnPhrase("Rising call", 120, 4, List.of(new Note(62, 80, 0, 1), new Note(69, 110, 1, 3)), List.of());
        HouseRules house = HouseRules.DEFAULT.withConventions(HouseRules.DEFAULT.conventions().withPhrases(List.of(call)))
                .withCategories(List.of(new Category("lead", "Lead", call.id(), LevelMeasure.INTEGRATED, 6, 4)));
        CollectionFile collection = new CollectionFile("Test Kit", "Nobody", "Do as you like.", house, COLLECTION.banks(), Map.of(), "", "");
        byte[] archive = built(new ReleaseContents(collection, APPROVED, "1.0.0", Changes.FIRST, Set.of("midi"), SamplingPlan.USUAL, ReelPlan.USUAL, ""), ReleaseBuilder.Parts.NONE);
        ReleaseCheck.Report report = verified(archive, APPROVED);
        assertTrue(report.passed(), report.lines().toString());
        Map<String, byte[]> files = ZipFormat.read(archive, "kit.zip");
        assertEquals(List.of(62, 69), MidiFormat.read(files.get("midi/a001-low-tide.mid"), "low.mid").phrase().notes().stream().map(Note::key).toList());
        Audio demo = WavFormat.read(files.get("demos/a001-low-tide.wav"), "low.wav");
        assertEquals(293.66, PitchFinder.hz(demo, 0.1, 0.45), 1, "D4 in its first half second");
        assertEquals(440, PitchFinder.hz(demo, 0.7, 1.8), 1, "A4 from then on");
    }

    /** A ride of a macro goes along as its controller: the file, read and played, is as loud as the demo in every half second, which the macro turns down by 26 dB. */
    @Test
    void ridesOfMacrosGoAlongAsTheirControllers() {
        Patch ridden = patch("Ridden", -14).withMacro(2, new Macro("Softer", "", "", List.of(new MacroTarget(Parameters.find("layer1.source1.level"), -14, -40))))
                .withRide(new Ride("line", Ride.Hand.MACRO3, List.of(new Ride.Point(0, 0), new Ride.Point(8, 100))));
        byte[] file = MidiExporter.file(new ReleasePatch(new ReleaseBank(0, "A", 0, 0), new CollectionFile.Slot(1, ridden), 1, null), Phrases.get("line"));
        Phrase read = MidiFormat.read(file, "ridden.mid").phrase();
        List<Integer> values = read.moves().stream().filter(m -> m.status() == 0xB0 && m.first() == 104).map(Move::second).toList();
        assertEquals(IntStream.rangeClosed(0, 127).boxed().toList(), values);
        Audio demo = DemoExporter.demo(new Rendering(48_000), ridden, Phrases.get("line"));
        Audio played = new Rendering(48_000).render(ridden, read);
        for (double at = 0.1; at < 4; at += 0.5) {
            assertEquals(db(demo, at), db(played, at), 0.4, "a step of the controller is 0.2 dB, at " + at + " s");
        }
        assertTrue(db(demo, 0.1) - db(demo, 4.4) > 20, "the macro is heard");
    }

    private static double db(Audio audio, double from) {
        int start = (int) (from * audio.sampleRate());
        return 10 * Math.log10(IntStream.range(start, start + audio.sampleRate() / 5).mapToDouble(i -> (double) audio.left()[i] * audio.left()[i]).sum());
    }

    /** Parts that were made before are taken as they are: the archive is the same byte for byte, and nothing is rendered for it again. */
    @Test
    void partsOfPatchesComeTogetherAsIfTheyHadBeenMadeAtOnce() throws Exception {
        SamplingPlan plan = SamplingPlan.of(24, 1, 0.5, 1, 16, 44_100, true);
        ReleaseContents contents = new ReleaseContents(COLLECTION, APPROVED, "1.0.0", Changes.FIRST, Set.of("soundfont", "multisamples"), plan, ReelPlan.USUAL, "");
        List<byte[]> parts = new ArrayList<>();
        for (ReleasePatch p : APPROVED) {
            ByteArrayOutputStream part = new ByteArrayOutputStream();
            new ReleaseBuilder().part(contents, p, part);
            parts.add(part.toByteArray());
        }
        byte[] whole = built(contents, ReleaseBuilder.Parts.NONE);
        assertArrayEquals(whole, built(contents, place -> new ByteArrayInputStream(parts.get(place))));
        Collections.reverse(parts);
        ReleaseCheck.Report report = verified(built(contents, place -> new ByteArrayInputStream(parts.get(1 - place))), APPROVED, plan);
        assertTrue(report.passed(), report.lines().toString());
        assertThrows(UncheckedIOException.class, () -> built(contents, place -> new ByteArrayInputStream(parts.get(1 - place), 0, 4000)), "a part that ends too early");
    }

    private static byte[] built(ReleaseContents contents, ReleaseBuilder.Parts parts) throws Exception {
        return onDisk(new byte[0], file -> {
            new ReleaseBuilder().build(contents, parts, file, part -> { });
            return Files.readAllBytes(file);
        });
    }

    /** By a validator of JSON Schema that is not ours. */
    @Test
    void patchesInTheArchiveKeepToTheSchemaInTheArchive() throws Exception {
        Map<String, byte[]> files = ZipFormat.read(Built.ARCHIVE, "kit.zip");
        var schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(new String(files.get(PatchExporter.SCHEMA), StandardCharsets.UTF_8));
        List<String> patches = files.keySet().stream().filter(f -> f.startsWith("patches/")).toList();
        assertEquals(2, patches.size());
        for (String patch : patches) {
            assertEquals(Set.of(), schema.validate(new ObjectMapper().readTree(files.get(patch))), patch);
        }
    }

    /** A stretched tuning comes back through the reader of Scala files, which is held against published scales elsewhere. */
    @Test
    void tuningsGoAlongAsScalaFiles(@TempDir Path folder) {
        double[] stretched = IntStream.range(0, 128).mapToDouble(key -> (key - 69) * 0.3 - 12.25).toArray();
        Patch tuned = Patch.neutral("Stretched").withShape(Shapes.SCALE, stretched);
        ReleasePatch patch = new ReleasePatch(new ReleaseBank(0, "A", 0, 0), new CollectionFile.Slot(3, tuned), 1, null);
        ReleaseFiles files = new ReleaseFiles(folder);
        new TuningExporter().export(new ReleaseContents(COLLECTION, List.of(APPROVED.get(0), patch), "1.0.0"), files, part -> { });
        assertEquals(Set.of("tunings/a003-stretched.kbm", "tunings/a003-stretched.scl"), files.hashes().keySet());
        assertArrayEquals(stretched, ScalaFormat.offsets(text(files, "tunings/a003-stretched.scl"), "scl", text(files, "tunings/a003-stretched.kbm"), "kbm"), 1e-4);
    }

    /** A file in which a number of four bytes behind the name of a chunk is less than it was. */
    private static byte[] earlier(byte[] file, String chunk, int offset, int less) {
        byte[] copy = file.clone();
        int at = new String(copy, StandardCharsets.ISO_8859_1).lastIndexOf(chunk) + offset;
        java.nio.ByteBuffer bytes = java.nio.ByteBuffer.wrap(copy).order(java.nio.ByteOrder.LITTLE_ENDIAN);
        bytes.putInt(at, bytes.getInt(at) - less);
        return copy;
    }

    private static String text(ReleaseFiles files, String path) {
        return new String(files.read(path), StandardCharsets.UTF_8);
    }

    @Test
    void theCatalogueIsRfc4180() throws Exception {
        String csv = new String(ZipFormat.read(Built.ARCHIVE, "kit.zip").get(CatalogueExporter.PATH), StandardCharsets.UTF_8);
        var records = CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).get().parse(new StringReader(csv)).getRecords();
        assertEquals(2, records.size());
        assertEquals("High, \"Tide\"", records.get(1).get("name"));
        assertEquals("6", records.get(1).get("program"));
        assertTrue(csv.contains("\r\n"));
    }

    /** Every format that can be chosen without the browser's engine, read by others than their writers: the JDK's XML, MIDI and SoundFont readers, and this program's reader of recordings. */
    @Test
    void chosenFormatsAreReadBackByOthers(@TempDir Path folder) throws Exception {
        Set<String> wanted = Set.of("page", "pdf", "reel", "midi", "names", "multisamples", "soundfont");
        assertEquals(wanted, ReleaseBuilder.chosen().stream().map(Exporter::id).collect(Collectors.toSet()));
        ReleaseContents contents = new ReleaseContents(COLLECTION, APPROVED, "1.0.0", Changes.FIRST, wanted, SAMPLED, ReelPlan.USUAL, "");
        byte[] archive = onDisk(new byte[0], file -> {
            new ReleaseBuilder().build(contents, file, part -> assertTrue(part >= 0 && part <= 1.0001));
            return Files.readAllBytes(file);
        });
        ReleaseCheck.Report report = verified(archive, APPROVED, SAMPLED);
        assertTrue(report.passed(), report.lines().toString());
        for (String read : List.of("MIDI files of 2 patches", "SFZ files name", "2 presets", "28 of their sampled notes were played", "every name as text", "2 patch files keep to patch.schema.json",
            "loops of samples go round", "loops of SoundFonts go round")) {
            assertTrue(report.lines().stream().anyMatch(l -> l.startsWith("ok") && l.contains(read)), read);
        }
        Map<String, byte[]> files = ZipFormat.read(archive, "kit.zip");
        Map<String, byte[]> without = new TreeMap<>(files);
        List<ReleasePatch> softer = List.of(APPROVED.get(0), new ReleasePatch(APPROVED.get(1).in(), new CollectionFile.Slot(7, APPROVED.get(1).slot().patch().withValue(Parameters.find("layer1.source1.cents"), 8)), 3, null));
        assertTrue(verified(archive, softer, SAMPLED).lines().stream().anyMatch(l -> l.startsWith("FAULT") && l.contains("of their sampled notes") && l.contains("High, \"Tide\", key") && l.contains("-8 cents")),
                "samples that are not those of the patch are told");
        without.remove(files.keySet().stream().filter(f -> f.startsWith("samples/a001-low-tide/")).findFirst().orElseThrow());
        assertTrue(verified(ZipFormat.write(without), APPROVED).lines().stream().anyMatch(l -> l.startsWith("FAULT") && l.contains("SFZ")), "a sample that is missing is told");

        Map<String, byte[]> torn = new TreeMap<>(files);
        String looped = files.keySet().stream().filter(f -> f.endsWith(".wav") && f.startsWith("samples/") && WavFormat.sampler(files.get(f)).loops()).findFirst().orElseThrow();
        // Eleven frames too early: the sine of a held note does not go on there. Loop ends stand 28 bytes behind the count in "smpl", 32 behind the name of a sample's header.
        torn.put(looped, earlier(files.get(looped), "smpl", 8 + 48, 11));
        torn.put("soundfont/a.sf2", earlier(files.get("soundfont/a.sf2"), "shdr", 8 + 32, 11));
        torn.put(PatchExporter.SCHEMA, "{\"required\": [\"moon\"]}".getBytes(StandardCharsets.UTF_8));
        List<String> faults = verified(ZipFormat.write(torn), APPROVED, SAMPLED).lines().stream().filter(l -> l.startsWith("FAULT")).toList();
        String regions = "samples/a007-high-tide.sfz";
        Map<String, byte[]> beyond = new TreeMap<>(files);
        beyond.put(regions, new String(files.get(regions), StandardCharsets.UTF_8).replaceFirst("loop_end=[0-9]+", "loop_end=99999999").getBytes(StandardCharsets.UTF_8));
        assertTrue(verified(ZipFormat.write(beyond), APPROVED, SAMPLED).lines().stream().anyMatch(l -> l.startsWith("FAULT: SFZ") && l.contains("goes round beyond its end")));
        for (String fault : List.of("loops of samples", "loops of SoundFonts", "moon")) {
            assertTrue(faults.stream().anyMatch(l -> l.contains(fault)), fault + ": " + faults);
        }

        String page = new String(files.get(PageExporter.PATH), StandardCharsets.UTF_8);
        assertTrue(page.contains("High, &quot;Tide&quot;") && page.contains("<svg") && !page.contains("http://fonts"), "names are text, portraits are in it");
        try (PDDocument pdf = Loader.loadPDF(files.get(PdfExporter.PATH))) {
            String text = new PDFTextStripper().getText(pdf);
            assertTrue(text.contains("Low Tide") && text.contains("High, \"Tide\"") && text.contains("Do as you like") && text.contains("Tides & other tests.") && text.contains("kit@example.org") && text.contains("LUFS"), text);
        }
        Audio reel = WavFormat.read(files.get(ReelExporter.PATH), ReelExporter.PATH);
        assertEquals(2 * 5.5 + 0.5, reel.seconds(), 0.01);
        assertEquals(-23, Loudness.of(reel.part(0, 5 * 48000)).integrated(), 1.5, "the two differ by 6 dB by themselves");
        assertEquals(Loudness.of(reel.part(0, 5 * 48000)).integrated(), Loudness.of(reel.part((int) (5.5 * 48000), (int) (10.5 * 48000))).integrated(), 0.2);
        List<String> cues = new String(files.get(ReelExporter.CUES), StandardCharsets.UTF_8).lines().toList();
        assertEquals("0:05.500,A,7,\"High, \"\"Tide\"\"\"", cues.get(2));

        ReleaseFiles again = new ReleaseFiles(folder);
        new PdfExporter().export(contents, again, part -> { });
        assertArrayEquals(files.get(PdfExporter.PATH), again.read(PdfExporter.PATH), "the same catalogue is the same file");

        DocumentBuilderFactory xml = DocumentBuilderFactory.newInstance();
        xml.setFeature("http://apache.org/xml/features/nonvalidating/load-external-dtd", false);
        NodeList named = xml.newDocumentBuilder().parse(new ByteArrayInputStream(files.get(NameDocumentExporter.PATH))).getElementsByTagName("Patch");
        assertEquals(2, named.getLength());
        assertEquals("High, \"Tide\"", named.item(1).getAttributes().getNamedItem("Name").getNodeValue());
        assertEquals("6", named.item(1).getAttributes().getNamedItem("ProgramChange").getNodeValue());

        MidiFormat.Read midi = MidiFormat.read(files.get("midi/a007-high-tide.mid"), "high.mid");
        assertEquals(Phrases.get("line").notes().size(), midi.phrase().notes().size());
        assertEquals(Phrases.get("line").tempo(), midi.phrase().tempo(), 0.01);
        byte[] message = files.get("midi/a007-high-tide.mid");
        assertTrue(new String(message, StandardCharsets.ISO_8859_1).contains("\u00b0\u0000\u0005\u0000\u0020\u0009"), "bank select 5/9 (MIDI 1.0: controllers 0 and 32, the second by running status)");
        assertArrayEquals(new int[] {0xC0, 6}, programChange(files.get("midi/a007-high-tide.mid")));

        String sfz = new String(files.get("samples/a001-low-tide.sfz"), StandardCharsets.UTF_8);
        List<String> samples = Pattern.compile("sample=(\\S+)").matcher(sfz).results().map(m -> "samples/a001-low-tide/" + m.group(1)).toList();
        assertEquals(samples.size(), samples.stream().filter(files::containsKey).distinct().count(), "every sample that is named is there");
        assertEquals(samples.size(), files.keySet().stream().filter(f -> f.startsWith("samples/a001-low-tide/")).count(), "and no other");
        WavFormat.read(files.get(samples.get(0)), samples.get(0));

        List<String> presets = onDisk(files.get("soundfont/a.sf2"), file -> {
            try {
                return Arrays.stream(MidiSystem.getSoundbank(file.toFile()).getInstruments()).map(i -> i.getPatch().getProgram() + " " + i.getName().strip()).toList();
            } catch (InvalidMidiDataException e) {
                throw new IllegalStateException(e);
            }
        });
        assertEquals(List.of("0 Low Tide", "6 High, \"Tide\""), presets);
    }

    private static int[] programChange(byte[] file) throws Exception {
        Track track = MidiSystem.getSequence(new ByteArrayInputStream(file)).getTracks()[0];
        for (int i = 0; i < track.size(); i++) {
            byte[] message = track.get(i).getMessage().getMessage();
            if ((message[0] & 0xF0) == 0xC0) {
                return new int[] {message[0] & 0xFF, message[1]};
            }
        }
        return new int[0];
    }

    @Test
    void aChangedFileIsFound() {
        Map<String, byte[]> files = new TreeMap<>(ZipFormat.read(Built.ARCHIVE, "kit.zip"));
        String demo = files.keySet().stream().filter(f -> f.endsWith(".wav")).findFirst().orElseThrow();
        files.get(demo)[500] ^= 1;
        byte[] changed = ZipFormat.write(files);
        assertFalse(verified(changed, APPROVED).passed());
        assertTrue(assertThrows(FormatException.class, () -> ReleaseCheck.read(new java.io.ByteArrayInputStream(changed), "kit.zip")).getMessage().contains(demo));
    }

    @Test
    void anotherRevisionThanTheApprovedOneIsFound() {
        List<ReleasePatch> other = List.of(new ReleasePatch(new ReleaseBank(0, "A", 5, 9), new CollectionFile.Slot(1, patch("Low Tide", -21)), 4, APPROVED.get(0).measurement()),
                APPROVED.get(1));
        ReleaseCheck.Report report = verified(Built.ARCHIVE, other);
        assertFalse(report.passed());
        assertTrue(report.lines().stream().anyMatch(l -> l.startsWith("FAULT") && l.contains("revision 4")));
    }

    /** What begins like a formula gets an apostrophe (OWASP, "CSV Injection"); numbers stay numbers. */
    @Test
    void noCellOfTheCatalogueIsAFormula() {
        for (String evil : List.of("=1+1", "+SUM(A1)", "-2+3", "@cmd", "\tx", "\rx")) {
            assertEquals("'" + evil, SheetCell.written(evil));
            assertEquals(evil, SheetCell.read(SheetCell.written(evil)));
        }
        for (String plain : List.of("", "Heron Glass", "2 Hands", "a=b")) {
            assertEquals(plain, SheetCell.written(plain));
        }
    }
}
