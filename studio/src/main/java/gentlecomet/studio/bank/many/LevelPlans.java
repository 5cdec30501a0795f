package gentlecomet.studio.bank.many;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.studio.bank.desk.Deed;
import gentlecomet.studio.levels.LevelRow;
import gentlecomet.studio.levels.Levels;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Many patches brought to the house loudness. */
@Component
class LevelPlans {

    private static final Parameter TRIM = Parameters.at(PatchParameters.LEVEL_TRIM);

    private final Levels levels;
    private final Patches patches;

    LevelPlans(Levels levels, Patches patches) {
        this.levels = levels;
        this.patches = patches;
    }

    Plan level(Chosen chosen) {
        Map<Long, LevelRow> rows = new HashMap<>();
        levels.ofBank(chosen.bankId(), chosen.collection()).forEach(r -> rows.put(r.patch().id(), r));
        List<Plan.Line> lines = new ArrayList<>();
        List<Deed> deeds = new ArrayList<>();
        for (PatchSummary p : chosen.chosen()) {
            LevelRow row = rows.get(p.id());
            if (row.proposal() == null) {
                lines.add(new Plan.Line(p.slot(), p.name(), "", "", "It has not been measured yet.", true));
                continue;
            }
            String from = trim(row.trimDb());
            boolean locked = row.toLevel() && patches.locked(p.id()).contains(TRIM);
            String to = row.toLevel() ? trim(row.proposal().trimDb()) : from;
            lines.add(new Plan.Line(p.slot(), p.name(), from, to, locked ? "Its level is locked." : row.proposal().words(), locked));
            if (row.toLevel() && !locked) {
                deeds.add(new Deed.Edit(p.id(), chosen.version(p), new PatchEdit.SetValue(TRIM, row.proposal().trimDb())));
            }
        }
        return new Plan("Level " + chosen.words(), lines, deeds);
    }

    private static String trim(double db) {
        return String.format(Locale.ROOT, "%+.2f dB", db);
    }
}
