package gentlecomet.craft.release;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.FormatException;
import gentlecomet.craft.format.ZipFormat;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.commons.csv.CSVFormat;
import org.junit.jupiter.api.Test;

class ReleaseTest {

    private static final List<CollectionFile.Slot> SLOTS = List.of(new CollectionFile.Slot(1, patch("Low Tide", -20)),
            new CollectionFile.Slot(7, patch("High, \"Tide\"", -14)));
    private static final CollectionFile COLLECTION =
            new CollectionFile("Test Kit", "Nobody", "Do as you like.\n", HouseRules.DEFAULT, List.of(new CollectionFile.Bank("A", SLOTS)));
    private static final List<ReleasePatch> APPROVED = SLOTS.stream().map(s -> new ReleasePatch(0, "A", s, 3,
            new Measuring().measure(s.patch(), Phrases.get("line")))).toList();
    private static final byte[] ARCHIVE = build();

    private static Patch patch(String name, double level) {
        Patch patch = Patch.neutral(name).withValue(Parameters.find("layer1.source1.level"), level);
        return patch.withNaming(patch.naming().withCategory("lead"));
    }

    private static byte[] build() {
        return new ReleaseBuilder().build(new ReleaseContents(COLLECTION, APPROVED, "1.0"), part -> { });
    }

    @Test
    void theSameInputsGiveTheSameBytes() {
        assertArrayEquals(ARCHIVE, build());
    }

    @Test
    void theArchiveVerifiesAndReadsBackEqual() {
        ReleaseCheck.Report report = new ReleaseCheck().verify(ARCHIVE, APPROVED, part -> { });
        assertTrue(report.passed(), report.lines().toString());
        CollectionFile read = ReleaseCheck.read(new java.io.ByteArrayInputStream(ARCHIVE), "kit.zip");
        assertEquals(COLLECTION, read);
    }

    @Test
    void theCatalogueIsRfc4180() throws Exception {
        String csv = new String(ZipFormat.read(ARCHIVE, "kit.zip").get(CatalogueExporter.PATH), StandardCharsets.UTF_8);
        var records = CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).get().parse(new StringReader(csv)).getRecords();
        assertEquals(2, records.size());
        assertEquals("High, \"Tide\"", records.get(1).get("name"));
        assertEquals("6", records.get(1).get("program"));
        assertTrue(csv.contains("\r\n"));
    }

    @Test
    void aChangedFileIsFound() {
        Map<String, byte[]> files = new TreeMap<>(ZipFormat.read(ARCHIVE, "kit.zip"));
        String demo = files.keySet().stream().filter(f -> f.endsWith(".wav")).findFirst().orElseThrow();
        files.get(demo)[500] ^= 1;
        byte[] changed = ZipFormat.write(files);
        assertFalse(new ReleaseCheck().verify(changed, APPROVED, part -> { }).passed());
        assertTrue(assertThrows(FormatException.class, () -> ReleaseCheck.read(new java.io.ByteArrayInputStream(changed), "kit.zip")).getMessage().contains(demo));
    }

    @Test
    void anotherRevisionThanTheApprovedOneIsFound() {
        List<ReleasePatch> other = List.of(new ReleasePatch(0, "A", new CollectionFile.Slot(1, patch("Low Tide", -21)), 4, APPROVED.get(0).measurement()),
                APPROVED.get(1));
        ReleaseCheck.Report report = new ReleaseCheck().verify(ARCHIVE, other, part -> { });
        assertFalse(report.passed());
        assertTrue(report.lines().stream().anyMatch(l -> l.startsWith("FAULT") && l.contains("revision 4")));
    }

    /** What begins like a formula gets an apostrophe (OWASP, "CSV Injection"); numbers stay numbers. */
    @Test
    void noCellOfTheCatalogueIsAFormula() {
        for (String evil : List.of("=1+1", "+SUM(A1)", "-2+3", "@cmd", "\tx", "\rx")) {
            assertEquals("'" + evil, CatalogueExporter.harmless(evil));
        }
        for (String plain : List.of("", "Heron Glass", "2 Hands", "a=b")) {
            assertEquals(plain, CatalogueExporter.harmless(plain));
        }
    }
}
