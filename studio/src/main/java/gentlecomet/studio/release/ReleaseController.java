package gentlecomet.studio.release;

import gentlecomet.craft.rules.NameRules;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.collection.NameChecks;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.measure.PatchLoudness;
import gentlecomet.studio.measure.SoundView;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.page.ProgressStream;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.soundcheck.Soundchecks;
import java.util.List;
import java.util.Locale;
import java.util.Map;
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

    private static final int LATEST = 4;

    private final Collections collections;
    private final Patches patches;
    private final Releases releases;
    private final NameChecks names;
    private final Measures measures;
    private final Soundchecks soundchecks;
    private final PageContexts contexts;
    private final ProgressStream progress;

    ReleaseController(Collections collections, Patches patches, Releases releases, NameChecks names, Measures measures, Soundchecks soundchecks,
            PageContexts contexts, ProgressStream progress) {
        this.collections = collections;
        this.patches = patches;
        this.releases = releases;
        this.names = names;
        this.measures = measures;
        this.soundchecks = soundchecks;
        this.contexts = contexts;
        this.progress = progress;
    }

    /**
     * Whether a patch is ready to ship.
     *
     * @param off    distance from the house loudness in LU, empty when it is on target
     * @param faults of its sound, null while it has not been checked
     */
    record ReadyRow(PatchSummary patch, boolean named, boolean levelled, String off, Integer faults) {

        public boolean ready() {
            return patch.saved() && named && levelled && faults != null && faults == 0;
        }

        public String ships() {
            return patch.revision() == 0 ? "no, never saved" : patch.saved() ? "r" + patch.revision() : "r" + patch.revision() + ", without later edits";
        }

        public String checkText() {
            return faults == null ? "not checked" : faults == 0 ? "passed" : faults + (faults == 1 ? " fault" : " faults");
        }
    }

    @GetMapping("/collections/{id}/releases")
    String list(@PathVariable long id, Model model) {
        model.addAttribute("context", contexts.ofCollection("Releases " + fill(id, model).name(), "releases", id));
        return "release/releases";
    }

    @GetMapping("/collections/{id}/releases/list")
    String listAlone(@PathVariable long id, Model model) {
        fill(id, model);
        return "release/releases :: built";
    }

    /** The newest ones, for the home page. */
    @GetMapping("/collections/{id}/releases/latest")
    String latest(@PathVariable long id, Model model) {
        model.addAttribute("collection", collections.get(id));
        model.addAttribute("releases", releases.latest(id, LATEST));
        return "release/latest :: latest";
    }

    @PostMapping("/collections/{id}/releases")
    String start(@PathVariable long id, @RequestParam String version, Model model) {
        collections.get(id);
        releases.start(id, version.strip());
        return listAlone(id, model);
    }

    @GetMapping("/releases/{id}/progress")
    @ResponseBody
    SseEmitter follow(@PathVariable long id) {
        releases.get(id);
        return progress.follow("release " + id, () -> {
            ReleaseRow row = releases.get(id);
            return row.state().equals("building") ? new ProgressStream.Progress((int) (row.progress() * 99), 100, 0)
                    : new ProgressStream.Progress(100, 100, 0);
        });
    }

    @GetMapping("/releases/{id}/archive.zip")
    ResponseEntity<byte[]> download(@PathVariable long id) {
        ReleaseRow row = releases.get(id);
        CollectionRow collection = collections.get(row.collectionId());
        byte[] archive = releases.archive(id);
        String name = collection.name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-") + "-" + row.version() + ".zip";
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("application/zip"))
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(name).build().toString()).body(archive);
    }

    private CollectionRow fill(long id, Model model) {
        CollectionRow collection = collections.get(id);
        List<ReadyRow> rows = rows(collection);
        List<ReleaseRow> built = releases.of(id);
        model.addAttribute("collection", collection);
        model.addAttribute("rows", rows);
        model.addAttribute("shipping", rows.stream().filter(r -> r.patch().revision() > 0).count());
        model.addAttribute("ready", rows.stream().filter(ReadyRow::ready).count());
        model.addAttribute("releases", built);
        model.addAttribute("building", built.stream().filter(r -> r.state().equals("building")).findFirst().orElse(null));
        return collection;
    }

    private List<ReadyRow> rows(CollectionRow collection) {
        List<PatchSummary> all = patches.inCollection(collection.id());
        Map<Long, List<NameRules.RuleViolation>> breaches = names.ofCollection(all, collection.rules());
        Map<Long, PatchLoudness> loudness = measures.loudness(collection.id(), all, collection.rules());
        Map<Long, Integer> faults = soundchecks.faults(collection);
        return all.stream().map(p -> {
            PatchLoudness l = loudness.get(p.id());
            boolean levelled = l != null && l.onTarget(collection.rules());
            return new ReadyRow(p, breaches.get(p.id()).isEmpty(), levelled, levelled || l == null ? "" : SoundView.signed(l.off(collection.rules()), 2),
                    faults.get(p.id()));
        }).toList();
    }
}
