package gentlecomet.craft.curate;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.sound.patch.Naming;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PatchTableTest {

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static PatchTable.Contents read(String text) {
        return PatchTable.read(bytes(text));
    }

    @Test
    void whatIsWrittenIsReadBack() {
        Naming naming = new Naming("Heron, \"Glass\"", "bell", List.of("struck", "very wide"), "Ann", "two\nlines; and more");
        PatchTable.Line line = PatchTable.line(93, "Bank A", 4, naming, "Bell");
        PatchTable.Line back = PatchTable.read(bytes(PatchTable.write(List.of(line)))).lines().get(0);
        assertEquals(naming, new Naming(back.name(), "bell", back.tags(), back.author(), back.notes()));
        assertEquals(List.of(93L, "Bank A", 4, "Bell"), List.of(back.patch(), back.bank(), back.slot(), back.category()));
    }

    /** RFC 4180, section 2: lines end with CRLF, and a quotation mark within quotation marks is written twice. */
    @Test
    void theTextIsAsTheStandardWantsIt() {
        String text = PatchTable.write(List.of(PatchTable.line(1, "A", 1, new Naming("a \"b\"", "", List.of(), "", ""), "")));
        assertEquals("patch,bank,slot,name,category,tags,author,notes\r\n1,A,1,\"a \"\"b\"\"\",,,,\r\n", text);
    }

    @ParameterizedTest
    @ValueSource(strings = {"=1+1", "+1", "-1", "@SUM(A1)", "\tx", "\rx"})
    void noSpreadsheetRunsWhatSomebodyTyped(String name) {
        String text = PatchTable.write(List.of(PatchTable.line(1, "A", 1, new Naming(name, "", List.of(), "", ""), "")));
        assertTrue(text.contains("'" + name), text);
        assertFalse(text.contains("," + name) || text.contains("\"" + name), text);
        assertEquals(name, read(text).lines().get(0).name());
    }

    @Test
    void columnsThatAreNotThereStayAsTheyAreAndOtherSeparatorsAreKnown() {
        for (String separator : List.of(",", ";", "\t")) {
            PatchTable.Line line = read("\uFEFFName" + separator + "PATCH\nSalt" + separator + "7\n").lines().get(0);
            assertEquals("Salt", line.name());
            assertEquals(7, line.patch());
            assertNull(line.tags());
            assertNull(line.category());
            assertEquals(0, line.slot());
        }
    }

    @Test
    void linesThatCannotBeReadAreNamedAndTheOthersAreRead() {
        PatchTable.Contents contents = read("patch,slot,name\n7,1,Salt\nseven,2,Pan\n7,3,Twice\n9,x,Reed\n10,4,Weir\n");
        assertEquals(List.of(7L, 10L), contents.lines().stream().map(PatchTable.Line::patch).toList());
        assertEquals(List.of("Line 3: \"seven\" is not the number of a patch.", "Line 4: patch 7 stands on an earlier line as well.", "Line 5: \"x\" is not a slot."), contents.refused());
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "name,category\nSalt,Bell\n", "patch,name\n1,\"open", "\u0000\u0001"})
    void whatIsNoSuchTableIsRefusedInWords(String text) {
        assertTrue(assertThrows(EditException.class, () -> read(text)).getMessage().endsWith("."));
    }

    @Test
    void aHundredThousandLinesAreTooMany() {
        assertTrue(assertThrows(EditException.class, () -> read("patch\n" + "1\n".repeat(100_000))).getMessage().contains("more than 2048 lines"));
        assertTrue(assertThrows(EditException.class, () -> PatchTable.read(new byte[PatchTable.MOST_BYTES + 1])).getMessage().contains("4 MB"));
        assertTrue(assertThrows(EditException.class, () -> PatchTable.read(new byte[] {'p', (byte) 0xFF, (byte) 0xFE})).getMessage().contains("UTF-8"));
    }
}
