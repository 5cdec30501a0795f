package gentlecomet.studio.web;

import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.MissingException;
import gentlecomet.studio.service.Releases;
import gentlecomet.studio.store.CollectionStore;
import gentlecomet.studio.store.CollectionStore.CollectionRow;
import gentlecomet.studio.store.ReleaseStore;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Releases: readiness, building, verification and download. */
@Controller
class ReleaseController {

    private final Banks banks;
    private final CollectionStore collections;
    private final Releases releases;
    private final ReleaseStore store;
    private final BankRows rows;
    private final Frames frames;
    private final ProgressStream progress;

    ReleaseController(Banks banks, CollectionStore collections, Releases releases, ReleaseStore store, BankRows rows,
            Frames frames, ProgressStream progress) {
        this.banks = banks;
        this.collections = collections;
        this.releases = releases;
        this.store = store;
        this.rows = rows;
        this.frames = frames;
        this.progress = progress;
    }

    @GetMapping("/collections/{id}/releases")
    String list(@PathVariable long id, Model model) {
        fill(id, model);
        return "releases";
    }

    @GetMapping("/collections/{id}/releases/list")
    String listAlone(@PathVariable long id, Model model) {
        fill(id, model);
        return "releases :: built";
    }

    @PostMapping("/collections/{id}/releases")
    String start(@PathVariable long id, @RequestParam String version, Model model) {
        banks.collection(id);
        releases.start(id, version.strip());
        return listAlone(id, model);
    }

    @GetMapping("/releases/{id}/progress")
    @ResponseBody
    SseEmitter follow(@PathVariable long id) {
        find(id);
        return progress.follow("release " + id, () -> {
            ReleaseStore.ReleaseRow row = find(id);
            return row.state().equals("building") ? new ProgressStream.Progress((int) (row.progress() * 99), 100, 0)
                    : new ProgressStream.Progress(100, 100, 0);
        });
    }

    @GetMapping("/releases/{id}/archive.zip")
    ResponseEntity<byte[]> download(@PathVariable long id) {
        ReleaseStore.ReleaseRow row = find(id);
        CollectionRow collection = banks.collection(row.collectionId());
        byte[] archive = store.archive(id).orElseThrow(() -> new MissingException("This release has no verified archive."));
        String name = collection.name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-") + "-" + row.version() + ".zip";
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("application/zip"))
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(name).build().toString()).body(archive);
    }

    private ReleaseStore.ReleaseRow find(long id) {
        return store.find(id).orElseThrow(() -> new MissingException("This release is no longer there."));
    }

    private void fill(long id, Model model) {
        CollectionRow collection = banks.collection(id);
        List<BankRows.Row> all = new ArrayList<>();
        collections.banks(id).forEach(b -> all.addAll(rows.of(b, collection)));
        model.addAttribute("frame", frames.ofCollection("Releases " + collection.name(), "releases", id));
        model.addAttribute("collection", collection);
        model.addAttribute("rows", all);
        model.addAttribute("shipping", all.stream().filter(r -> r.patch().revision() > 0).count());
        model.addAttribute("ready", all.stream().filter(r -> r.patch().saved() && r.breaches().isEmpty() && r.levelled()
                && r.findings() != null && r.faults() == 0).count());
        List<ReleaseStore.ReleaseRow> built = store.of(id);
        model.addAttribute("releases", built);
        model.addAttribute("building", built.stream().filter(r -> r.state().equals("building")).findFirst().orElse(null));
    }
}
