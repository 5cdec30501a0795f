package gentlecomet.craft.level;

import gentlecomet.craft.format.StartPatches;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.Naming;
import gentlecomet.sound.patch.Patch;

/** The start of a category as a house wants it: its macros under its names and where it has them stand, and at its loudness. */
public final class HouseStart {

    private HouseStart() {
    }

    /** Renders the category's phrase to find the level, which takes some tenths of a second. */
    public static Patch of(String category, HouseRules rules) {
        return of(category, StartPatches.of(category), rules);
    }

    /** The same from a patch of the house: without its notes, and named as new. */
    public static Patch from(Patch own, String category, HouseRules rules) {
        String name = "New " + rules.category(category).map(Category::name).orElse("Patch");
        return of(category, own.withNaming(new Naming(name, category, own.naming().tags(), own.naming().author(), "")), rules);
    }

    private static Patch of(String category, Patch start, HouseRules rules) {
        Naming naming = start.naming();
        Patch patch = start.withNaming(new Naming(naming.name(), category, naming.tags(), naming.author(), naming.notes()));
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            Macro macro = patch.macros().get(m);
            String house = m < rules.macroNames().size() ? rules.macroNames().get(m) : "";
            if (!macro.unused() && !house.isEmpty()) {
                patch = patch.withMacro(m, macro.named(house, macro.lowEnd(), macro.highEnd()));
            }
            if (rules.macroDefault(m) >= 0) {
                patch = patch.withValue(Parameters.at(PatchParameters.MACRO + m), rules.macroDefault(m));
            }
        }
        double bend = rules.conventions().bendRange();
        if (bend > 0) {
            patch = patch.withValue(Parameters.at(PatchParameters.BEND_UP), bend).withValue(Parameters.at(PatchParameters.BEND_DOWN), bend);
        }
        return Levelling.apply(patch, Levelling.propose(patch, new Measuring().measure(patch, rules.phraseFor(category)), rules));
    }
}
