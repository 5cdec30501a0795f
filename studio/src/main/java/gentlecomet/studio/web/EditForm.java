package gentlecomet.studio.web;

import gentlecomet.craft.edit.DepthText;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import java.util.Locale;
import java.util.Map;

/** Reads an edit from the fields of a form. */
final class EditForm {

    private EditForm() {
    }

    /** @throws PatchEdit.EditException when a field has no meaning */
    static PatchEdit read(Map<String, String> form, Patch patch) {
        switch (form.getOrDefault("kind", "")) {
            case "rename":
                return new PatchEdit.Rename(field(form, "name"));
            case "categorise":
                return new PatchEdit.Categorise(field(form, "category"));
            case "describe":
                return new PatchEdit.Describe(field(form, "tags"), field(form, "notes"));
            case "addRoute":
                Parameter target = target(field(form, "target"));
                return new PatchEdit.AddRoute(modulator(field(form, "source")), target,
                        DepthText.parse(target, patch.soundingValue(target), field(form, "depth")));
            case "setDepth":
                int route = number(form, "route");
                if (route < 0 || route >= patch.routes().size()) {
                    throw new PatchEdit.EditException("This route is no longer there.");
                }
                Route old = patch.routes().get(route);
                return new PatchEdit.SetDepth(route, DepthText.parse(old.target(), patch.soundingValue(old.target()), field(form, "depth")));
            case "removeRoute":
                return new PatchEdit.RemoveRoute(number(form, "route"));
            case "nameMacro":
                return new PatchEdit.NameMacro(macro(form), field(form, "name"), field(form, "lowEnd"), field(form, "highEnd"));
            case "addTarget":
                return new PatchEdit.AddTarget(macro(form), target(field(form, "target")));
            case "removeTarget":
                return new PatchEdit.RemoveTarget(macro(form), target(field(form, "target")));
            case "setEnd":
                Parameter held = target(field(form, "target"));
                String text = field(form, "value");
                double value = text.equals("now") ? patch.soundingValue(held) : ValueText.parse(held, text);
                if (Double.isNaN(value)) {
                    throw new PatchEdit.EditException("\"" + text + "\" is not a value of " + BenchController.targetName(held) + ".");
                }
                return new PatchEdit.SetEnd(macro(form), held, field(form, "end").equals("high"), value);
            case "split":
                int key = KeyName.parse(field(form, "key"));
                if (key < 0) {
                    throw new PatchEdit.EditException("\"" + field(form, "key") + "\" is not a key; expected a name such as C3.");
                }
                return new PatchEdit.Split(key);
            default:
                throw new PatchEdit.EditException("The page asked for something that this version does not know. Load the page again.");
        }
    }

    private static String field(Map<String, String> form, String name) {
        return form.getOrDefault(name, "");
    }

    private static int number(Map<String, String> form, String name) {
        try {
            return Integer.parseInt(field(form, name));
        } catch (NumberFormatException e) {
            return -1;
        }
    }

    private static int macro(Map<String, String> form) {
        int number = number(form, "macro");
        if (number < 1 || number > PatchParameters.MACROS) {
            throw new PatchEdit.EditException("A patch has macros 1 to " + PatchParameters.MACROS + ".");
        }
        return number - 1;
    }

    private static Modulator modulator(String id) {
        Modulator m = Modulator.find(id);
        if (m == null) {
            throw new PatchEdit.EditException("Choose where the route starts.");
        }
        return m;
    }

    /** A parameter by id, by the name that the pages show, or by the beginnings of its words where that is enough. */
    static Parameter target(String text) {
        Parameter byId = Parameters.find(text);
        if (byId != null) {
            return byId;
        }
        String wanted = text.toLowerCase(Locale.ROOT).strip();
        Parameter only = null;
        for (Parameter p : Parameters.ALL) {
            String name = BenchController.targetName(p).toLowerCase(Locale.ROOT);
            if (name.equals(wanted)) {
                return p;
            }
            if (Parameters.movable(p) && !wanted.isEmpty() && beginsWords(name, wanted)) {
                if (only != null) {
                    throw new PatchEdit.EditException("\"" + text + "\" could be " + BenchController.targetName(only) + " or "
                            + BenchController.targetName(p) + "; type a little more.");
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
