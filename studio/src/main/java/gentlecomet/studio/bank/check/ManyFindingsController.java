package gentlecomet.studio.bank.check;

import gentlecomet.craft.check.SoundcheckRules;
import gentlecomet.studio.bank.mend.ChosenFindings;
import gentlecomet.studio.bank.mend.MendingRow;
import gentlecomet.studio.bank.mend.Mendings;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.soundcheck.Waivers;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Many findings of a bank together, all of a rule or chosen ones: their repairs, and leave to stand. */
@Controller
class ManyFindingsController {

    private final Patches patches;
    private final Collections collections;
    private final Mendings mendings;
    private final Waivers waivers;

    ManyFindingsController(Patches patches, Collections collections, Mendings mendings, Waivers waivers) {
        this.patches = patches;
        this.collections = collections;
        this.mendings = mendings;
        this.waivers = waivers;
    }

    /** How far their repairs have been tried. A form, for there may be more findings than an address holds; it changes nothing. */
    @PostMapping("/banks/{id}/mending/look")
    String look(@PathVariable long id, @RequestParam(defaultValue = "") String rule, @RequestParam(defaultValue = "") String findings, Model model) {
        return show(id, ChosenFindings.read(rule, findings), model);
    }

    /** Tries the repairs in the background. */
    @PostMapping("/banks/{id}/mending")
    String mend(@PathVariable long id, @RequestParam(defaultValue = "") String rule, @RequestParam(defaultValue = "") String findings, Model model) {
        ChosenFindings chosen = ChosenFindings.read(rule, findings);
        mendings.tryMany(id, collections.ofBank(id), chosen);
        return show(id, chosen, model);
    }

    /** Takes every repair that works, as one step. */
    @PostMapping("/banks/{id}/mending/apply")
    String apply(@PathVariable long id, @RequestParam(defaultValue = "") String rule, @RequestParam(defaultValue = "") String findings, Model model) {
        CollectionRow collection = collections.ofBank(id);
        ChosenFindings chosen = ChosenFindings.read(rule, findings);
        model.addAttribute("done", mendings.apply(collection, mendings.ofMany(id, collection, chosen).tried(), Map.of()));
        return show(id, chosen, model);
    }

    /** Lets chosen findings stand, all for the same reason. */
    @PostMapping("/banks/{id}/waivers")
    @Transactional
    public String waive(@PathVariable long id, @RequestParam String findings, @RequestParam(defaultValue = "") String reason, @RequestParam(defaultValue = "") String person, Model model) {
        ChosenFindings chosen = ChosenFindings.read("", findings);
        Map<Long, PatchSummary> here = byId(id);
        int waived = 0;
        for (Map.Entry<Long, Set<String>> of : chosen.single().entrySet()) {
            for (String key : here.containsKey(of.getKey()) ? of.getValue() : Set.<String>of()) {
                waivers.waive(here.get(of.getKey()), key, reason, person);
                waived++;
            }
        }
        model.addAttribute("waived", waived);
        return show(id, chosen, model);
    }

    private String show(long id, ChosenFindings chosen, Model model) {
        Mendings.OfMany many = mendings.ofMany(id, collections.ofBank(id), chosen);
        model.addAttribute("rule", SoundcheckRules.find(chosen.rule()).orElse(null));
        model.addAttribute("chosen", chosen);
        model.addAttribute("standing", many.standing());
        model.addAttribute("behind", many.behind());
        model.addAttribute("mendings", many.tried());
        model.addAttribute("working", many.tried().stream().filter(MendingRow::works).count());
        model.addAttribute("patches", byId(id));
        return "soundcheck/finding :: many";
    }

    private Map<Long, PatchSummary> byId(long bankId) {
        return patches.inBank(bankId).stream().collect(Collectors.toMap(PatchSummary::id, p -> p));
    }
}
