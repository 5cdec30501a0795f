package gentlecomet.studio.web;

import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Unit;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.RefusedException;
import gentlecomet.studio.store.CollectionStore.CollectionRow;
import gentlecomet.studio.store.CollectionStore;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.regex.PatternSyntaxException;
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
        try {
            Pattern.compile(namePattern);
        } catch (PatternSyntaxException e) {
            throw new RefusedException("The name pattern is not a regular expression: " + e.getDescription() + ".");
        }
        require(namePattern.length() <= 200 && namePatternHint.length() <= 100, "The pattern has at most 200 characters, its words 100.");
        require(nameMaxLength >= 4 && nameMaxLength <= 64, "The longest name is from 4 to 64 characters.");
        require(targetLufs >= -40 && targetLufs <= -6, "The loudness target is from -40 to -6 LUFS.");
        require(toleranceLu >= 0.1 && toleranceLu <= 6, "The tolerance is from 0.1 to 6 LU.");
        require(ceilingDbtp >= -12 && ceilingDbtp <= 0, "The ceiling is from -12 to 0 dBTP.");
        require(tuningCents >= 1 && tuningCents <= 100, "The tuning tolerance is from 1 to 100 cents.");
        require(fewestMacros >= 0 && fewestMacros <= 8, "The fewest macros are from 0 to 8.");
        require(macroName.size() == 8 && macroName.stream().allMatch(n -> n.length() <= 40), "The eight macro names have at most 40 characters.");
        collections.updateRules(id, new HouseRules(namePattern, namePatternHint, nameMaxLength, old.categories(), targetLufs, toleranceLu,
                ceilingDbtp, tuningCents, macroName.stream().map(String::strip).toList(), fewestMacros, macroDefault.stream().map(RulesController::position).toList()));
        fill(id, model);
        return "rules :: rules";
    }

    private static double position(String text) {
        if (text.isBlank()) {
            return HouseRules.ANYWHERE;
        }
        double value = ValueText.quantity(text, Unit.PERCENT);
        require(value >= 0 && value <= 100, "A macro stands from 0 to 100 %, or anywhere when the field is empty; found \"" + text + "\".");
        return value;
    }

    private static void require(boolean allowed, String message) {
        if (!allowed) {
            throw new RefusedException(message);
        }
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
