package gentlecomet.studio.bank.many;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.level.PeakRelief;
import gentlecomet.studio.bank.desk.Deed;
import gentlecomet.studio.bank.desk.Desk;
import gentlecomet.studio.bank.desk.DeskStep;
import gentlecomet.studio.bank.desk.StepProgress;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Levels of many patches as one step of the desk; each answers with the ladder. */
@Controller
class BankLevelController {

    private static final String LEVEL = "Level ";
    private static final String LIMIT = "Limit ";

    private final DeskWork work;
    private final Desk desk;
    private final Collections collections;
    private final Patches patches;
    private final Measures measures;

    BankLevelController(DeskWork work, Desk desk, Collections collections, Patches patches, Measures measures) {
        this.work = work;
        this.desk = desk;
        this.collections = collections;
        this.patches = patches;
        this.measures = measures;
    }

    /**
     * Brings the chosen patches to the target; those that have not been measured yet stay as they are.
     *
     * @param patch patches with the version that the page shows, as "12.3"
     */
    @PostMapping("/banks/{id}/level")
    String level(@PathVariable long id, @RequestParam(defaultValue = "") List<String> patch) {
        if (patch.isEmpty()) {
            throw new RefusedException("Choose the patches to level first.");
        }
        work.perform(id, new DeskForm("level", patch, 0L, "", "", "", false, 0, "", "", 0L, 0, 0L), new StepProgress(patch.size()));
        return ladder(id);
    }

    /** Puts a limiter into a patch that its peaks hold below the target. */
    @PostMapping("/banks/{id}/level/{patch}/limit")
    String limit(@PathVariable long id, @PathVariable long patch, @RequestParam long version) {
        PatchRow row = patches.get(patch);
        CollectionRow collection = collections.ofBank(id);
        PeakRelief.Relief relief = PeakRelief.of(row.patch(), measures.of(row.summary(), collection.rules())
                .orElseThrow(() -> new RefusedException("The patch is still being measured; try again in a moment.")), collection.rules());
        desk.perform(collection.id(), LIMIT + "\"" + row.name() + "\": " + relief.words(), List.of(new Deed.Edit(patch, version, new PatchEdit.Restore(relief.patch(), "Level by a " + relief.words()))));
        return ladder(id);
    }

    @PostMapping("/banks/{id}/level/undo")
    String undo(@PathVariable long id) {
        long collection = collections.ofBank(id).id();
        desk.takeBack(collection, last(collection).orElseThrow(() -> new RefusedException("The last step was not one of levels.")), new StepProgress(0));
        return ladder(id);
    }

    /** What undo would take back, as a button; nothing where the last step was another. */
    @GetMapping("/banks/{id}/level/last")
    String lastStep(@PathVariable long id, Model model) {
        model.addAttribute("bankId", id);
        model.addAttribute("label", last(collections.ofBank(id).id()).map(DeskStep::label).orElse(""));
        return "levels/levels :: last";
    }

    private Optional<DeskStep> last(long collectionId) {
        return desk.next(collectionId).filter(s -> s.label().startsWith(LEVEL) || s.label().startsWith(LIMIT));
    }

    private String ladder(long bankId) {
        measures.askForBank(bankId, collections.ofBank(bankId).rules());
        return "redirect:/banks/" + bankId + "/levels/rows";
    }
}
