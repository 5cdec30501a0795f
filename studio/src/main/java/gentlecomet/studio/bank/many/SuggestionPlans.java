package gentlecomet.studio.bank.many;

import gentlecomet.craft.curate.KnownSound;
import gentlecomet.craft.curate.SoundSuggestions;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.patch.Naming;
import gentlecomet.studio.bank.KnownSounds;
import gentlecomet.studio.bank.desk.Deed;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchSummary;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Categories and tags that measures and neighbours suggest, each with its reason; done only where somebody applies them. */
@Component
class SuggestionPlans {

    private final KnownSounds sounds;

    SuggestionPlans(KnownSounds sounds) {
        this.sounds = sounds;
    }

    Plan suggest(Chosen chosen, String way) {
        if (!way.equals("category") && !way.equals("tags")) {
            throw new RefusedException("Choose what is to be suggested.", "way");
        }
        HouseRules rules = chosen.collection().rules();
        List<KnownSound> all = sounds.ofCollection(chosen.collection());
        Map<Long, KnownSound> byId = all.stream().collect(Collectors.toMap(KnownSound::id, Function.identity(), (a, b) -> a));
        SoundSuggestions suggestions = new SoundSuggestions(all, rules);
        List<Plan.Line> lines = new ArrayList<>();
        List<Deed> deeds = new ArrayList<>();
        for (PatchSummary p : chosen.chosen()) {
            KnownSound sound = byId.get(p.id());
            if (sound == null || Double.isNaN(sound.brightness()) || sound.fingerprint() == null) {
                lines.add(new Plan.Line(p.slot(), p.name(), "", "", "It has not been measured yet, or is silent.", true));
                continue;
            }
            if (way.equals("category")) {
                category(p, suggestions.category(sound), rules, chosen, lines, deeds);
            } else {
                tags(p, suggestions.tags(sound), chosen, lines, deeds);
            }
        }
        return new Plan((way.equals("tags") ? "Tags" : "Categories") + " by sound for " + chosen.words(), lines, deeds);
    }

    private static void category(PatchSummary p, Optional<SoundSuggestions.CategoryHint> hint, HouseRules rules, Chosen chosen, List<Plan.Line> lines, List<Deed> deeds) {
        String now = name(p.category(), rules);
        lines.add(new Plan.Line(p.slot(), p.name(), now, hint.map(h -> name(h.id(), rules)).orElse(now), hint.map(SoundSuggestions.CategoryHint::because).orElse(""), false));
        hint.ifPresent(h -> deeds.add(new Deed.Edit(p.id(), chosen.version(p), new PatchEdit.Categorise(h.id()))));
    }

    private static String name(String id, HouseRules rules) {
        return id.isEmpty() ? "none" : rules.category(id).map(Category::name).orElse(id);
    }

    private static void tags(PatchSummary p, Map<String, String> hints, Chosen chosen, List<Plan.Line> lines, List<Deed> deeds) {
        List<String> after = new ArrayList<>(p.tags());
        hints.keySet().stream().limit(Naming.MOST_TAGS - (long) after.size()).forEach(after::add);
        String now = p.tags().isEmpty() ? "none" : String.join(", ", p.tags());
        String reasons = hints.entrySet().stream().map(e -> e.getKey() + " (" + e.getValue() + ")").collect(Collectors.joining(", "));
        lines.add(new Plan.Line(p.slot(), p.name(), now, after.isEmpty() ? "none" : String.join(", ", after), reasons, false));
        if (!hints.isEmpty()) {
            deeds.add(new Deed.Edit(p.id(), chosen.version(p), new PatchEdit.Tag(after)));
        }
    }
}
