package gentlecomet.studio.bench.edit;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.PatchRules;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.bench.view.EffectCards;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Finds modulators and parameters by what people type. */
final class NamedParts {

    private NamedParts() {
    }

    /** A modulator by id, by its name, or by the beginnings of its words where that is enough. */
    static Modulator modulator(String id) {
        Modulator byId = Modulator.find(id);
        if (byId != null) {
            return byId;
        }
        String wanted = id.toLowerCase(Locale.ROOT).strip();
        List<Modulator> fitting = new ArrayList<>();
        for (Modulator m : Modulator.values()) {
            String label = m.label().toLowerCase(Locale.ROOT);
            if (label.equals(wanted)) {
                return m;
            }
            if (!wanted.isEmpty() && beginsWords(label, wanted)) {
                fitting.add(m);
            }
        }
        if (fitting.size() == 1) {
            return fitting.get(0);
        }
        throw new PatchEdit.EditException(wanted.isEmpty() ? "Choose where the route starts."
                : fitting.isEmpty() ? "There is no modulator \"" + id + "\" for a route to start from."
                        : "\"" + id + "\" could be " + fitting.get(0).label() + " or " + fitting.get(1).label() + "; type a little more.");
    }

    /** A parameter by id, by the name that the pages show, or by the beginnings of its words where that is enough among what means something now. */
    static Parameter target(String text, Patch patch) {
        Parameter byId = Parameters.find(text);
        if (byId != null) {
            return byId;
        }
        String wanted = text.toLowerCase(Locale.ROOT).strip();
        Parameter only = null;
        for (Parameter p : Parameters.ALL) {
            String name = PatchRules.name(p).toLowerCase(Locale.ROOT);
            if (name.equals(wanted)) {
                return p;
            }
            if (Parameters.movable(p) && patch.relevant(p) && !wanted.isEmpty()
                    && beginsWords(name + " " + EffectCards.typeOf(patch, p).toLowerCase(Locale.ROOT), wanted)) {
                if (only != null) {
                    throw new PatchEdit.EditException("\"" + text + "\" could be " + PatchRules.name(only) + " or "
                            + PatchRules.name(p) + "; type a little more.");
                }
                only = p;
            }
        }
        if (only == null) {
            throw new PatchEdit.EditException("There is no parameter \"" + text + "\" that can be moved.");
        }
        return only;
    }

    private static boolean beginsWords(String name, String wanted) {
        for (String part : wanted.split("[\\s:]+")) {
            if (!name.startsWith(part) && !name.contains(" " + part)) {
                return false;
            }
        }
        return true;
    }
}
