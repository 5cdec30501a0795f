package gentlecomet.studio.release;

import gentlecomet.craft.release.build.Exporter;
import gentlecomet.craft.release.Gate;
import gentlecomet.craft.release.ReelPlan;
import gentlecomet.craft.release.build.ReleaseBuilder;
import gentlecomet.craft.release.Version;
import gentlecomet.craft.sample.SamplingPlan;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.page.ProgressStream;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import java.util.Locale;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
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
    private static final long SMALL_BYTES = 10_000_000;

    private final Collections collections;
    private final Releases releases;
    private final ReleaseGate gate;
    private final PageContexts contexts;
    private final ProgressStream progress;

    ReleaseController(Collections collections, Releases releases, ReleaseGate gate, PageContexts contexts, ProgressStream progress) {
        this.collections = collections;
        this.releases = releases;
        this.gate = gate;
        this.contexts = contexts;
        this.progress = progress;
    }

    /** A format that can be chosen. @param cost about how much it adds, in words @param chosen unless somebody says otherwise */
    record FormatChoice(String id, String text, String cost, boolean chosen) {
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
    String start(@PathVariable long id, @RequestParam String version, @RequestParam(defaultValue = "") String reason,
            ReleaseChoice choice, Model model) {
        releases.start(id, version, reason, choice);
        return listAlone(id, model);
    }

    /** What formats cost as they are to be made, those that are chosen still chosen. */
    @GetMapping("/collections/{id}/releases/costs")
    String costs(@PathVariable long id, ReleaseChoice choice, Model model) {
        int shipping = releases.shipping(collections.get(id).id());
        SamplingPlan plan = choice.plan();
        model.addAttribute("formats", ReleaseBuilder.chosen().stream().map(e -> new FormatChoice(e.id(), e.text(), cost(e, shipping, plan), choice.formats().contains(e.id()))).toList());
        return "release/releases :: costs";
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
    void download(@PathVariable long id, HttpServletResponse response) throws IOException {
        ReleaseRow row = releases.get(id);
        CollectionRow collection = collections.get(row.collectionId());
        String name = collection.name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-") + "-" + row.version() + ".zip";
        response.setContentType("application/zip");
        response.setContentLengthLong(row.bytes());
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(name).build().toString());
        releases.archive(id, response.getOutputStream());
    }

    @PostMapping("/releases/{id}/cancel")
    String cancel(@PathVariable long id, Model model) {
        releases.cancel(id);
        return listAlone(releases.get(id).collectionId(), model);
    }

    /** Lets the archive go; the report stays. */
    @PostMapping("/releases/{id}/thin")
    String thin(@PathVariable long id, Model model) {
        releases.thin(id);
        return listAlone(releases.get(id).collectionId(), model);
    }

    private CollectionRow fill(long id, Model model) {
        CollectionRow collection = collections.get(id);
        List<ReleaseGate.ReadyRow> rows = gate.rows(collection);
        List<Gate.Obstacle> obstacles = ReleaseGate.obstacles(collection, rows);
        Releases.Next next = releases.next(id);
        List<ReleaseRow> built = releases.of(id);
        model.addAttribute("collection", collection);
        int shipping = (int) rows.stream().filter(r -> r.patch().revision() > 0).count();
        model.addAttribute("rows", rows);
        model.addAttribute("shipping", shipping);
        model.addAttribute("formats", ReleaseBuilder.chosen().stream().map(e -> new FormatChoice(e.id(), e.text(), cost(e, shipping, SamplingPlan.USUAL), e.bytes(shipping, SamplingPlan.USUAL) < SMALL_BYTES)).toList());
        model.addAttribute("reelOrders", ReelPlan.Order.values());
        model.addAttribute("ready", rows.stream().filter(ReleaseGate.ReadyRow::ready).count());
        model.addAttribute("obstacles", obstacles);
        model.addAttribute("blocked", obstacles.stream().anyMatch(Gate.Obstacle::blocks));
        model.addAttribute("suggested", suggested(collection, next, built));
        model.addAttribute("changes", next.changes());
        model.addAttribute("releases", built);
        model.addAttribute("building", built.stream().filter(r -> r.state().equals("building")).findFirst().orElse(null));
        return collection;
    }

    /** What the collection says its next version is, where that is still to come; else what follows from the changes. */
    private static Version suggested(CollectionRow collection, Releases.Next next, List<ReleaseRow> built) {
        return Version.parse(collection.details().version()).filter(wanted -> built.stream().filter(r -> !r.state().equals("failed"))
                .allMatch(r -> Version.parse(r.version()).filter(v -> v.compareTo(wanted) >= 0).isEmpty())).orElse(next.version());
    }

    private static String cost(Exporter exporter, int patches, SamplingPlan plan) {
        double mebibytes = exporter.bytes(patches, plan) / (double) (1 << 20);
        double seconds = exporter.seconds(patches, plan);
        return (mebibytes < 1 ? "under 1 MiB" : "about " + Math.round(mebibytes) + " MiB") + (seconds < 2 ? "" : seconds < 120 ? ", " + Math.round(seconds) + " s" : ", " + Math.round(seconds / 60) + " min");
    }
}
