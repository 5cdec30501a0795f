package gentlecomet.studio.bank.many;

import gentlecomet.craft.curate.PatchTable;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** The patches of a collection as a table that a spreadsheet opens. */
@Controller
class TableController {

    private final Tables tables;
    private final Collections collections;
    private final StepAnswers answers;

    TableController(Tables tables, Collections collections, StepAnswers answers) {
        this.tables = tables;
        this.collections = collections;
        this.answers = answers;
    }

    @GetMapping("/collections/{id}/table.csv")
    ResponseEntity<byte[]> table(@PathVariable long id) {
        CollectionRow collection = collections.get(id);
        return ResponseEntity.ok().contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(CollectionFormat.plainName(collection.name()) + ".csv").build().toString())
                .body(tables.write(id).getBytes(StandardCharsets.UTF_8));
    }

    /** What a table would change. */
    @PostMapping("/banks/{id}/table/preview")
    String preview(@PathVariable long id, @RequestParam MultipartFile file, Model model) throws IOException {
        model.addAttribute("plan", tables.plan(collections.ofBank(id).id(), content(file)));
        return "bank/answer :: preview";
    }

    @PostMapping("/banks/{id}/table")
    String take(@PathVariable long id, @RequestParam MultipartFile file, Model model) throws IOException {
        byte[] table = content(file);
        return answers.begin(id, 0, progress -> tables.take(collections.ofBank(id).id(), table, progress), done -> done.label() + ".", model);
    }

    private static byte[] content(MultipartFile file) throws IOException {
        if (file.isEmpty()) {
            throw new RefusedException("Choose a table first.", "file");
        }
        if (file.getSize() > PatchTable.MOST_BYTES) {
            throw new RefusedException("The table has more than " + (PatchTable.MOST_BYTES >> 20) + " MB. Nothing was read.", "file");
        }
        return file.getBytes();
    }
}
