package gentlecomet.studio.levels;

import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.rules.RuleEffect;
import gentlecomet.studio.measure.Measures;
import gentlecomet.studio.measure.PatchLoudness;
import gentlecomet.studio.measure.SoundView;
import gentlecomet.studio.patch.PatchSummary;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Patches outside the tolerance of the house loudness. */
@Component
class LoudnessEffect implements RuleEffect {

    private final Measures measures;

    LoudnessEffect(Measures measures) {
        this.measures = measures;
    }

    @Override
    public String name() {
        return "outside the loudness tolerance";
    }

    @Override
    public List<Broken> broken(CollectionRow collection, List<PatchSummary> all) {
        Map<Long, PatchLoudness> loudness = measures.loudness(collection.id(), all, collection.rules());
        return all.stream().filter(p -> loudness.containsKey(p.id()) && !loudness.get(p.id()).onTarget(collection.rules()))
                .map(p -> new Broken(p, SoundView.signed(loudness.get(p.id()).off(), 2))).toList();
    }
}
