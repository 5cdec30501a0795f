package gentlecomet.studio.release;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.release.build.PlayerExporter;
import gentlecomet.craft.release.ReleaseBank;
import gentlecomet.craft.release.check.ReleaseCheck;
import gentlecomet.craft.release.build.ReleaseContents;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.page.RefusedException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** Releases as a customer plays them: by the player that ships in one, or by the same player with any release that is loaded. */
@Controller
class PlayerController {

    /** The page holds its scripts itself and asks nobody for anything. */
    private static final String POLICY = "default-src 'none'; script-src 'unsafe-inline' data:; style-src 'unsafe-inline'; img-src data:; connect-src 'none'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";

    private final Releases releases;

    PlayerController(Releases releases) {
        this.releases = releases;
    }

    @GetMapping("/releases/{id}/player.html")
    ResponseEntity<byte[]> shipped(@PathVariable long id) throws IOException {
        return page(releases.player(id));
    }

    /** The player with what a release holds, wherever it was built; nothing of it is kept. */
    @PostMapping("/player")
    ResponseEntity<byte[]> loaded(@RequestParam MultipartFile file) throws IOException {
        if (file.isEmpty()) {
            throw new RefusedException("Choose the ZIP of a release.", "file");
        }
        String name = Assets.name(file);
        CollectionFile collection;
        try (InputStream in = file.getInputStream()) {
            collection = ReleaseCheck.read(in, name);
        }
        List<ReleasePatch> patches = new ArrayList<>();
        for (int bank = 0; bank < collection.banks().size(); bank++) {
            CollectionFile.Bank from = collection.banks().get(bank);
            for (CollectionFile.Slot slot : from.slots()) {
                patches.add(new ReleasePatch(ReleaseBank.of(bank, from), slot, 0, null));
            }
        }
        if (patches.isEmpty()) {
            throw new RefusedException(name + " holds no patch.", "file");
        }
        return page(PlayerExporter.page(new ReleaseContents(collection, patches, "")).getBytes(StandardCharsets.UTF_8));
    }

    private static ResponseEntity<byte[]> page(byte[] html) {
        return ResponseEntity.ok().contentType(new MediaType("text", "html", StandardCharsets.UTF_8)).header("Content-Security-Policy", POLICY).body(html);
    }
}
