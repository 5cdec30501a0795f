package gentlecomet.craft.edit;

import gentlecomet.craft.format.PatchRules;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Finds modulators and parameters by what people type. */
public final class NamedParts {

    private static final Pattern SLOT = Pattern.compile("^(layer\\d\\.)?effect\\d+\\.");

    private NamedParts() {
    }

    /**
     * A modulator by id, by its name, or by the beginnings of its words where that is enough.
     *
     * @throws PatchEdit.EditException when there is none, or more than one
     */
    public static Modulator modulator(String id) {
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

    /**
     * A parameter by id, by the name that the pages show, or by the beginnings of its words where that is enough among what means something now.
     *
     * @throws PatchEdit.EditException when there is none, or more than one
     */
    public static Parameter target(String text, Patch patch) {
        return target(text, patch, -1);
    }

    /** As {@link #target(String, Patch)}; where several fit, one of the given layer is meant. @param layer from 0, -1 for none */
    public static Parameter target(String text, Patch patch, int layer) {
        Parameter byId = Parameters.find(text);
        if (byId != null) {
            return byId;
        }
        String wanted = text.toLowerCase(Locale.ROOT).strip();
        List<Parameter> fitting = new ArrayList<>();
        for (Parameter p : Parameters.ALL) {
            String name = PatchRules.name(p).toLowerCase(Locale.ROOT);
            if (name.equals(wanted)) {
                return p;
            }
            if (Parameters.movable(p) && patch.relevant(p) && !wanted.isEmpty()
                    && beginsWords(name + " " + effectOf(patch, p).toLowerCase(Locale.ROOT), wanted)) {
                fitting.add(p);
            }
        }
        List<Parameter> near = fitting.stream().filter(p -> layer >= 0 && Parameters.layerOf(p.index()) == layer).toList();
        List<Parameter> meant = near.isEmpty() ? fitting : near;
        if (meant.size() > 1) {
            throw new PatchEdit.EditException("\"" + text + "\" could be " + PatchRules.name(meant.get(0)) + " or "
                    + PatchRules.name(meant.get(1)) + "; type a little more.");
        }
        if (meant.isEmpty()) {
            throw new PatchEdit.EditException("There is no parameter \"" + text + "\" that can be moved.");
        }
        return meant.get(0);
    }

    /** What effect a parameter belongs to, as the cards call it; empty for one that belongs to none. */
    public static String effectOf(Patch patch, Parameter parameter) {
        Matcher slot = SLOT.matcher(parameter.id());
        if (!slot.find()) {
            return "";
        }
        Parameter type = Parameters.find(slot.group() + "type");
        String name = ValueText.spoken(type.choices().get((int) patch.value(type.index())));
        return name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1);
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
