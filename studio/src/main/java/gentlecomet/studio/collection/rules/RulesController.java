package gentlecomet.studio.collection.rules;

import gentlecomet.craft.check.SoundcheckRules;
import gentlecomet.craft.curate.BankCheck;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.phrase.OwnPhrase;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.CheckSettings;
import gentlecomet.craft.rules.FreeName;
import gentlecomet.craft.rules.GateStep;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.rules.MacroPurpose;
import gentlecomet.craft.rules.NameParts;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.PageContexts;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The house rules of a collection: looked at before they change, changed, and taken back. */
@Controller
class RulesController {

    private static final List<String> EXAMPLES = List.of("Heron Glass", "heron glass", "Tide Organ Loft 2", "MUDFLAT", "Low-Water Pad", "Ebb & Flow", "7 Sisters");

    private final Collections collections;
    private final RuleChanges changes;
    private final CategoryMoves moves;
    private final PageContexts contexts;

    RulesController(Collections collections, RuleChanges changes, CategoryMoves moves, PageContexts contexts) {
        this.collections = collections;
        this.changes = changes;
        this.moves = moves;
        this.contexts = contexts;
    }

    /** A name held against the pattern. */
    record Example(String name, boolean fits) {
    }

    /** A phrase of the house as the page shows it. @param content as its form sends it back @param heardBy names of the categories that it is the phrase of */
    record HousePhrase(OwnPhrase phrase, String content, List<String> heardBy) {
    }

    @GetMapping("/collections/{id}/rules")
    String rules(@PathVariable long id, Model model) {
        fill(id, model);
        return "collection/rules";
    }

    /** What the rules of a form would break. */
    @PostMapping("/collections/{id}/rules/preview")
    String preview(@PathVariable long id, @RequestParam MultiValueMap<String, String> fields, Model model) {
        CollectionRow collection = collections.get(id);
        RulesForm form = new RulesForm(fields);
        HouseRules wanted = form.rules(collection.rules());
        Collections.refuse(wanted);
        effect(collection, wanted, form.merged(), model);
        return "collection/rules :: effect";
    }

    @PostMapping("/collections/{id}/rules")
    String change(@PathVariable long id, @RequestParam MultiValueMap<String, String> fields, Model model) {
        HouseRules old = collections.get(id).rules();
        RulesForm form = new RulesForm(fields);
        HouseRules wanted = form.rules(old);
        moves.change(id, wanted, form.merged(), RuleChanges.label(old, wanted));
        fill(id, model);
        return "collection/rules :: rules";
    }

    @PostMapping("/collections/{id}/rules/undo")
    String undo(@PathVariable long id, Model model) {
        collections.takeRulesBack(id);
        fill(id, model);
        return "collection/rules :: rules";
    }

    private void effect(CollectionRow collection, HouseRules wanted, Map<String, String> merged, Model model) {
        NameRules check = new NameRules(wanted);
        model.addAttribute("effect", changes.of(collection, wanted, merged));
        model.addAttribute("wanted", wanted);
        model.addAttribute("unchanged", wanted.equals(collection.rules()));
        model.addAttribute("examples", EXAMPLES.stream().map(n -> new Example(n, check.check(n, "", List.of()).stream().noneMatch(b -> b.rule().startsWith("name.")))).toList());
        model.addAttribute("made", FreeName.of("New Patch", List.of(), wanted));
    }

    private void fill(long id, Model model) {
        CollectionRow collection = collections.get(id);
        HouseRules rules = collection.rules();
        model.addAttribute("context", contexts.ofCollection("House rules", "rules", id));
        model.addAttribute("rules", rules);
        model.addAttribute("house", rules.conventions());
        model.addAttribute("gateSteps", GateStep.values());
        model.addAttribute("parts", rules.conventions().parts() == null ? new NameParts(2, 4, NameParts.Capitals.EVERY_WORD, true, "") : rules.conventions().parts());
        model.addAttribute("capitals", NameParts.Capitals.values());
        model.addAttribute("changes", MacroPurpose.Change.values());
        model.addAttribute("phrases", rules.phrases());
        model.addAttribute("ownPhrases", rules.conventions().phrases().stream().map(p -> new HousePhrase(p, Json.compact(p),
                rules.categories().stream().filter(c -> c.phrase().equals(p.id())).map(Category::name).toList())).toList());
        model.addAttribute("counts", changes.counts(id));
        model.addAttribute("checkRules", SoundcheckRules.ALL);
        model.addAttribute("bankLimits", BankCheck.THRESHOLDS);
        model.addAttribute("weights", CheckSettings.Weight.values());
        model.addAttribute("last", collections.lastRuleChange(id));
        effect(collection, rules, Map.of(), model);
    }
}
