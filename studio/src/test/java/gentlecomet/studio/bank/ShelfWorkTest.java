package gentlecomet.studio.bank;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.studio.StudioTest;
import gentlecomet.studio.WebWork;
import gentlecomet.studio.collection.BankRow;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.ResultActions;

/** Banks as wholes, the trash, and the table of a collection. */
@StudioTest
class ShelfWorkTest extends WebWork {

    @Autowired
    private JdbcClient jdbc;
    private long second;

    @BeforeEach
    void twoPatches() {
        begin("Shelf", 1);
        second = banks.newPatch(bank, 2);
        patches.edit(id, 0, "", new PatchEdit.Rename("Ebb Bell"));
        patches.edit(second, 0, "", new PatchEdit.Rename("Flood Pad"));
    }

    private List<String> bankNames() {
        return collections.banks(collection).stream().map(BankRow::name).toList();
    }

    private List<String> all() {
        return patches.inCollection(collection).stream().map(p -> collections.bank(p.bankId()).name() + " " + p.slot() + " " + p.name()).toList();
    }

    private ResultActions add(String name) throws Exception {
        return send(post("/collections/{id}/banks", collection).param("name", name));
    }

    @Test
    void banksAreAddedNamedAndOrdered() throws Exception {
        add("Low Water").andExpect(status().isOk());
        add("low water").andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("Another bank is called")));
        add(" ").andExpect(status().isUnprocessableEntity());
        BankRow low = collections.banks(collection).get(1);
        assertEquals(1, low.lsb(), "the next number of MIDI");
        send(post("/banks/{id}/shift", low.id()).param("down", "false")).andExpect(status().isOk());
        assertEquals(List.of("Low Water", "Bank A"), bankNames());
        send(post("/banks/{id}/rename", low.id()).param("name", "Neap").param("msb", "2").param("lsb", "127")).andExpect(status().isOk());
        assertEquals(List.of(2, 127), List.of(collections.bank(low.id()).msb(), collections.bank(low.id()).lsb()));
        send(post("/banks/{id}/rename", low.id()).param("name", "Neap").param("msb", "128").param("lsb", "0")).andExpect(status().isUnprocessableEntity())
                .andExpect(content().string(containsString("0 to 127")));
        for (int i = 2; i < 16; i++) {
            add("Bank " + i).andExpect(status().isOk());
        }
        add("One more").andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("at most 16 banks")));
    }

    @Test
    void banksAreMergedAndSplitAndNothingIsLost() throws Exception {
        patches.edit(id, 0, "", new PatchEdit.Categorise("bell"));
        patches.edit(second, 0, "", new PatchEdit.Categorise("pad"));
        long third = banks.newPatch(bank, 3);
        send(post("/banks/{id}/split", bank)).andExpect(status().isOk());
        assertEquals(List.of("Bank A 3 New Patch", "Bank A Pad 1 Flood Pad", "Bank A Bell 1 Ebb Bell"), all());
        long bells = collections.banks(collection).get(2).id();
        send(post("/banks/{id}/merge", bells).param("into", "" + bank)).andExpect(status().isOk());
        assertEquals(List.of("Bank A 1 Ebb Bell", "Bank A 3 New Patch", "Bank A Pad 1 Flood Pad"), all());
        send(post("/banks/{id}/merge", bank).param("into", "" + bank)).andExpect(status().isUnprocessableEntity());
        assertEquals("New Patch", patches.get(third).name());
    }

    @Test
    void aDeletedBankPutsItsPatchesIntoTheTrashFromWhichTheyComeBack() throws Exception {
        send(post("/banks/{id}/delete", bank)).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("at least one bank")));
        add("Low Water");
        send(post("/banks/{id}/delete", bank)).andExpect(status().isOk()).andExpect(content().string(containsString("Flood Pad")));
        assertEquals(List.of("Low Water"), bankNames());
        assertEquals(List.of(), all());
        send(post("/collections/{id}/trash/restore", collection).param("patch", "" + second)).andExpect(status().isOk())
                .andExpect(content().string(containsString("&quot;Flood Pad&quot; stands in slot 1 of Low Water.")));
        assertEquals(List.of("Low Water 1 Flood Pad"), all());
        send(post("/collections/{id}/trash/empty", collection).param("patch", "" + id)).andExpect(status().isOk()).andExpect(content().string(containsString("The trash is empty")));
        assertEquals(0L, jdbc.sql("select count(*) from patch where id = :id").param("id", id).query(Long.class).single());
    }

    @Test
    void theTrashForgetsAfterItsThirtyDaysAndNotBefore() {
        delete(id);
        delete(second);
        jdbc.sql("update trashed_patch set trashed_at = now() - interval '29 days' where patch_id = :id").param("id", id).update();
        jdbc.sql("update trashed_patch set trashed_at = now() - interval '31 days' where patch_id = :id").param("id", second).update();
        places.purge();
        assertEquals(List.of(id), places.trashed(collection).stream().map(t -> t.id()).toList());
    }

    private String table() throws Exception {
        return send(get("/collections/{id}/table.csv", collection)).andExpect(status().isOk()).andReturn().getResponse().getContentAsString(StandardCharsets.UTF_8);
    }

    private ResultActions take(String path, String table) throws Exception {
        return send(multipart("/banks/{id}/" + path, bank).file(new MockMultipartFile("file", "t.csv", "text/csv", table.getBytes(StandardCharsets.UTF_8))));
    }

    @Test
    void aTableGoesOutIsEditedAndComesBackAsOneStep() throws Exception {
        patches.edit(id, 0, "", new PatchEdit.Describe("glass", "slow"));
        add("Low Water");
        String table = table();
        take("table", table).andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("Nothing of the table")));
        String edited = table.replace("Ebb Bell,", "Neap Bell,Bell").replace("Bell,,glass", "Bell,glass").replace(id + ",Bank A,1", id + ",Low Water,7").replace(second + ",Bank A,2", second + ",Bank A,1");
        take("table/preview", edited).andExpect(status().isOk()).andExpect(content().string(containsString("Low Water slot 7"))).andExpect(content().string(containsString("Neap Bell")));
        assertEquals(List.of("Bank A 1 Ebb Bell", "Bank A 2 Flood Pad"), all());
        take("table", edited).andExpect(status().isOk());
        assertEquals(List.of("Bank A 1 Flood Pad", "Low Water 7 Neap Bell"), all());
        send(post("/banks/{id}/desk/undo", bank)).andExpect(status().isOk());
        assertEquals(List.of("Bank A 1 Ebb Bell", "Bank A 2 Flood Pad"), all());
        assertArrayEquals(table.getBytes(StandardCharsets.UTF_8), table().getBytes(StandardCharsets.UTF_8), "as it went out");
    }

    @Test
    void linesThatCannotBeFollowedAreNamedAndLeft() throws Exception {
        take("table", "patch,name,slot\n" + id + ",Neap Bell,2\n" + second + ",Spring Pad,2\n999999,Nobody,3\n").andExpect(status().isOk())
                .andExpect(content().string(containsString("this collection has no patch 999999"))).andExpect(content().string(containsString("is taken by")));
        assertEquals(List.of("Bank A 1 Ebb Bell", "Bank A 2 Spring Pad"), all(), "who stays in slot 2 is in the way of the other");
        take("table", "patch,category,slot\n" + id + ",nonsense,9\n" + second + ",,1\n").andExpect(status().isUnprocessableEntity());
        assertEquals(List.of("Bank A 1 Ebb Bell", "Bank A 2 Spring Pad"), all(), "who stays for another reason is in the way as well");
        take("table", "name\nx\n").andExpect(status().isUnprocessableEntity()).andExpect(content().string(containsString("needs the column")));
    }

    @Test
    void chosenPatchesGoOutInOneZip() throws Exception {
        byte[] zip = send(get("/banks/{id}/chosen.zip", bank).param("patch", second + "," + id)).andExpect(status().isOk()).andReturn().getResponse().getContentAsByteArray();
        assertEquals(List.of("001-flood-pad.json", "002-ebb-bell.json"), List.copyOf(gentlecomet.craft.format.ZipFormat.read(zip, "zip").keySet()));
    }
}
