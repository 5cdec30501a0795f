package gentlecomet.studio.bank;

import gentlecomet.craft.format.PatchFiles;
import gentlecomet.studio.page.RefusedException;
import java.io.IOException;
import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.multipart.MultipartFile;

/** Patches as files: downloaded, and opened by choosing or dropping. */
@Controller
class PatchFileController {

    private final PatchTransfer transfer;

    PatchFileController(PatchTransfer transfer) {
        this.transfer = transfer;
    }

    @GetMapping("/patches/{id}/file")
    ResponseEntity<byte[]> file(@PathVariable long id) {
        return download(transfer.write(id));
    }

    /** Chosen patches of a bank in one ZIP. */
    @GetMapping("/banks/{id}/chosen.zip")
    ResponseEntity<byte[]> files(@PathVariable long id, @RequestParam List<Long> patch) {
        return download(transfer.writeAll(id, patch));
    }

    private static ResponseEntity<byte[]> download(PatchFiles.Written file) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(file.name()).build().toString()).body(file.content());
    }

    /** Patch files, ZIPs and the files of folders, named with their paths. */
    @PostMapping("/banks/{id}/files")
    @ResponseBody
    List<PatchTransfer.Taken> take(@PathVariable long id, @RequestParam(required = false) List<MultipartFile> file) throws IOException {
        if (file == null) {
            throw new RefusedException("Choose a patch file first.", "file");
        }
        return transfer.take(id, PatchTransfer.unpacked(file));
    }
}
