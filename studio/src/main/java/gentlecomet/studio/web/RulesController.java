package gentlecomet.studio.web;

import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.RuleValues;
import gentlecomet.sound.parameter.Unit;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.RefusedException;
import gentlecomet.studio.store.CollectionStore.CollectionRow;
import gentlecomet.studio.store.CollectionStore;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The house rules of a collection. */
@Controller
class RulesController {

    private final CollectionStore collections;
    private final Banks banks;
    private final BankRows rows;
    private final Frames frames;

    RulesController(CollectionStore collections, Banks banks, BankRows rows, Frames frames) {
        this.collections = collections;
        this.banks = banks;
        this.rows = rows;
        this.frames = frames;
    }

    @GetMapping("/collections/{id}/rules")
    String rules(@PathVariable long id, Model model) {
        fill(id, model);
        return "rules";
    }

    @PostMapping("/collections/{id}/rules")
    String change(@PathVariable long id, @RequestParam String namePattern, @RequestParam String namePatternHint,
            @RequestParam int nameMaxLength, @RequestParam double targetLufs, @RequestParam double toleranceLu,
            @RequestParam double ceilingDbtp, @RequestParam double tuningCents, @RequestParam int fewestMacros,
            @RequestParam List<String> macroName, @RequestParam(defaultValue = "") List<String> macroDefault, Model model) {
        HouseRules old = banks.collection(id).rules();
        HouseRules changed = new HouseRules(namePattern, namePatternHint, nameMaxLength, old.categories(), targetLufs, toleranceLu,
                ceilingDbtp, tuningCents, macroName.stream().map(String::strip).toList(), fewestMacros, macroDefault.stream().map(RulesController::position).toList());
        RuleValues.fault(changed).ifPresent(fault -> {
            throw new RefusedException(fault.message(), fault.field());
        });
        collections.updateRules(id, changed);
        fill(id, model);
        return "rules :: rules";
    }

    private static double position(String text) {
        if (text.isBlank()) {
            return HouseRules.ANYWHERE;
        }
        double value = ValueText.quantity(text, Unit.PERCENT);
        if (!(value >= 0 && value <= 100)) {
            throw new RefusedException("A macro stands from 0 to 100 %, or anywhere when the field is empty; found \"" + text + "\".", "macroDefault");
        }
        return value;
    }

    private void fill(long id, Model model) {
        CollectionRow collection = banks.collection(id);
        List<BankRows.Row> all = new ArrayList<>();
        collections.banks(id).forEach(b -> all.addAll(rows.of(b, collection)));
        model.addAttribute("frame", frames.ofCollection("House rules", "rules", id));
        model.addAttribute("rules", collection.rules());
        model.addAttribute("breaking", all.stream().filter(r -> !r.breaches().isEmpty()).toList());
        model.addAttribute("unlevelled", all.stream().filter(r -> r.measured() && !r.levelled()).toList());
    }
}
