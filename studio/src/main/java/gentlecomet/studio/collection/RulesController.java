package gentlecomet.studio.collection;

import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.sound.parameter.Unit;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.studio.page.PageContexts;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The house rules of a collection. */
@Controller
class RulesController {

    private final Collections collections;
    private final Patches patches;
    private final NameChecks names;
    private final List<RuleEffect> effects;
    private final PageContexts contexts;

    RulesController(Collections collections, Patches patches, NameChecks names, List<RuleEffect> effects, PageContexts contexts) {
        this.collections = collections;
        this.patches = patches;
        this.names = names;
        this.effects = effects;
        this.contexts = contexts;
    }

    /** A patch whose name or category breaks a rule. */
    record Misnamed(PatchSummary patch, List<NameRules.RuleViolation> breaches) {
    }

    /** What the rules say beyond names. */
    record EffectLine(String name, List<RuleEffect.Broken> broken) {
    }

    @GetMapping("/collections/{id}/rules")
    String rules(@PathVariable long id, Model model) {
        fill(id, model);
        return "collection/rules";
    }

    @PostMapping("/collections/{id}/rules")
    String change(@PathVariable long id, @RequestParam String namePattern, @RequestParam String namePatternHint,
            @RequestParam int nameMaxLength, @RequestParam double targetLufs, @RequestParam double toleranceLu,
            @RequestParam double ceilingDbtp, @RequestParam double tuningCents, @RequestParam int fewestMacros,
            @RequestParam List<String> macroName, @RequestParam(defaultValue = "") List<String> macroDefault, Model model) {
        HouseRules old = collections.get(id).rules();
        collections.changeRules(id, new HouseRules(namePattern, namePatternHint, nameMaxLength, old.categories(), targetLufs, toleranceLu,
                ceilingDbtp, tuningCents, macroName.stream().map(String::strip).toList(), fewestMacros, macroDefault.stream().map(RulesController::position).toList()));
        fill(id, model);
        return "collection/rules :: rules";
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
        CollectionRow collection = collections.get(id);
        List<PatchSummary> all = patches.inCollection(id);
        Map<Long, List<NameRules.RuleViolation>> breaches = names.ofCollection(all, collection.rules());
        model.addAttribute("context", contexts.ofCollection("House rules", "rules", id));
        model.addAttribute("rules", collection.rules());
        model.addAttribute("misnamed", all.stream().map(p -> new Misnamed(p, breaches.get(p.id()))).filter(m -> !m.breaches().isEmpty()).toList());
        model.addAttribute("effects", effects.stream().map(e -> new EffectLine(e.name(), e.broken(collection, all))).filter(e -> !e.broken().isEmpty()).toList());
    }
}
