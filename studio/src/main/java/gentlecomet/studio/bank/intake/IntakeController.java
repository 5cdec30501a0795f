package gentlecomet.studio.bank.intake;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.release.Arrivals;
import gentlecomet.craft.release.check.ReleaseCheck;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.collection.CollectionCard;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.ProgressStream;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.work.WorkQueue;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Releases that are brought: looked at, told what they would change, and taken in the background. */
@Controller
class IntakeController {

    private final IntakeWork work;
    private final IntakeTask task;
    private final WorkQueue queue;
    private final Collections collections;
    private final ProgressStream progress;

    IntakeController(IntakeWork work, IntakeTask task, WorkQueue queue, Collections collections, ProgressStream progress) {
        this.work = work;
        this.task = task;
        this.queue = queue;
        this.collections = collections;
        this.progress = progress;
    }

    /** Keeps an archive that can be taken, and shows what it would bring. @throws gentlecomet.craft.format.FormatException when it cannot be */
    @PostMapping("/imports")
    String bring(@RequestParam MultipartFile file, Model model) throws IOException {
        if (file.isEmpty()) {
            throw new RefusedException("Choose a release ZIP first.", "file");
        }
        String name = Assets.name(file);
        try (InputStream in = file.getInputStream()) {
            CollectionFile brought = ReleaseCheck.read(in, name);
            return look(work.keep(name, brought), brought, 0, model);
        }
    }

    /** What it would bring into another collection. @param into 0 for a new one */
    @GetMapping("/imports/{id}/look")
    String look(@PathVariable long id, @RequestParam long into, Model model) {
        IntakeRow row = work.get(id);
        return look(row, work.read(row), into, model);
    }

    @PostMapping("/imports/{id}/take")
    @Transactional
    public String take(@PathVariable long id, @RequestParam long into, @RequestParam(defaultValue = "KEEP") IntakeRow.Changed changed, Model model) {
        if (work.begin(id, into, changed)) {
            queue.ask(task, List.of(new WorkQueue.Item<>(String.valueOf(id), new IntakeTask.Data(id))));
        }
        return standing(id, model);
    }

    @GetMapping("/imports/{id}")
    String standing(@PathVariable long id, Model model) {
        model.addAttribute("intake", work.get(id));
        return "bank/intake :: standing";
    }

    @GetMapping("/imports/{id}/progress")
    @ResponseBody
    SseEmitter follow(@PathVariable long id) {
        work.get(id);
        return progress.follow("intake " + id, () -> {
            IntakeRow row = work.get(id);
            return row.state().equals("taking") ? new ProgressStream.Progress(Math.min(row.done(), row.total() - 1), row.total(), 0) : new ProgressStream.Progress(row.total(), row.total(), 0);
        });
    }

    private String look(IntakeRow row, CollectionFile brought, long into, Model model) {
        model.addAttribute("intake", row);
        model.addAttribute("brought", brought);
        model.addAttribute("patches", row.total());
        model.addAttribute("into", into);
        model.addAttribute("changedWays", IntakeRow.Changed.values());
        model.addAttribute("targets", collections.cards().stream().filter(c -> c.trashedAt() == null && !c.archived()).toList());
        model.addAttribute("ownName", collections.cards().stream().map(CollectionCard::name).noneMatch(brought.name()::equalsIgnoreCase));
        if (into != 0) {
            Arrivals arrivals = work.arrivals(brought, collections.get(into).id());
            model.addAttribute("news", names(arrivals, Arrivals.Kind.NEW));
            model.addAttribute("same", names(arrivals, Arrivals.Kind.SAME));
            model.addAttribute("changed", names(arrivals, Arrivals.Kind.CHANGED));
        }
        return "bank/intake :: looked";
    }

    private static List<String> names(Arrivals arrivals, Arrivals.Kind kind) {
        return arrivals.of(kind).stream().map(a -> a.slot().patch().name()).toList();
    }
}
