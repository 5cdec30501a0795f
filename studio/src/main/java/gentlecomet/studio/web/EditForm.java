package gentlecomet.studio.web;

import gentlecomet.craft.edit.DepthText;
import gentlecomet.craft.edit.FillRows;
import gentlecomet.craft.edit.MoveEffect;
import gentlecomet.craft.edit.PastePart;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.edit.SetRecording;
import gentlecomet.craft.edit.SetShape;
import gentlecomet.craft.edit.ShapeRoute;
import gentlecomet.craft.edit.SplitLayer;
import gentlecomet.craft.edit.Together;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.response.VelocityCurve;
import gentlecomet.sound.parameter.EffectParameters;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.parameter.Unit;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Reads an edit from the fields of a form. */
final class EditForm {

    private static final int MOST_NUMBERS = 400;

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
                Parameter target = target(field(form, "target"), patch);
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
                return new PatchEdit.AddTarget(macro(form), target(field(form, "target"), patch));
            case "removeTarget":
                return new PatchEdit.RemoveTarget(macro(form), target(field(form, "target"), patch));
            case "setEnd":
                Parameter held = target(field(form, "target"), patch);
                String text = field(form, "value");
                double value = text.equals("now") ? patch.soundingValue(held) : ValueText.parse(held, text);
                if (Double.isNaN(value)) {
                    throw new PatchEdit.EditException("\"" + text + "\" is not a value of " + BenchController.targetName(held) + ".");
                }
                return new PatchEdit.SetEnd(macro(form), held, field(form, "end").equals("high"), value);
            case "bendTarget":
                return new PatchEdit.BendTarget(macro(form), target(field(form, "target"), patch), percent(form, "bend") / 100);
            case "choose":
                Parameter chosen = target(field(form, "target"), patch);
                return new PatchEdit.SetValue(chosen, ValueText.parse(chosen, field(form, "value")));
            case "shapeRoute":
                return shapeRoute(form);
            case "setShape":
                return setShape(form);
            case "fillRows":
                return fillRows(form, patch);
            case "alikeBands":
                return alikeBands(form, patch);
            case "addEffect":
                return addEffect(form, patch);
            case "moveEffect":
                return new MoveEffect(number(form, "layer"), number(form, "slot"), number(form, "to"));
            case "paste":
                return new PastePart(PatchFormat.read(field(form, "content"), "what was copied"), field(form, "from"), field(form, "to"));
            case "setValue":
                Parameter set = target(field(form, "target"), patch);
                return new PatchEdit.SetValue(set, ValueText.quantity(field(form, "value"), Unit.NONE));
            case "removeRecording":
                return new SetRecording(layer(form), source(form), null);
            case "swapLayers":
                return swapLayers(form, patch);
            case "fitVelocity":
                return fitVelocity(form);
            case "split":
                int key = KeyName.parse(field(form, "key"));
                if (key < 0) {
                    throw new PatchEdit.EditException("\"" + field(form, "key") + "\" is not a key; expected a name such as C3.");
                }
                return new SplitLayer(form.containsKey("layer") ? layer(form) : 0, key);
            default:
                throw new PatchEdit.EditException("The page asked for something that this version does not know. Load the page again.");
        }
    }

    private static PatchEdit shapeRoute(Map<String, String> form) {
        Route.Side side = Route.Side.find(field(form, "side"));
        Modulator scaler = field(form, "scaler").isEmpty() ? null : modulator(field(form, "scaler"));
        return new ShapeRoute(number(form, "route"), side == null ? Route.Side.OWN : side, percent(form, "bend"), percent(form, "low"),
                percent(form, "high"), scaler);
    }

    private static double percent(Map<String, String> form, String name) {
        double value = ValueText.quantity(field(form, name), Unit.PERCENT);
        if (Double.isNaN(value)) {
            throw new PatchEdit.EditException("\"" + field(form, name) + "\" is not a percentage.");
        }
        return value;
    }

    /** Rows between semicolons or line ends, numbers between blanks or commas. */
    private static PatchEdit setShape(Map<String, String> form) {
        ShapeKind kind = Shapes.find(field(form, "shape"));
        if (kind == null) {
            throw new PatchEdit.EditException("There is no such drawn list.");
        }
        String[] words = field(form, "rows").strip().split("[;,\\s]+");
        if (words.length == 1 && words[0].isEmpty()) {
            return new SetShape(kind, new double[0]);
        }
        if (words.length > MOST_NUMBERS) {
            throw new PatchEdit.EditException(kind.label() + ": there are too many numbers.");
        }
        double[] numbers = new double[words.length];
        for (int i = 0; i < words.length; i++) {
            numbers[i] = ValueText.quantity(words[i], Unit.NONE);
            if (Double.isNaN(numbers[i])) {
                throw new PatchEdit.EditException(kind.label() + ": \"" + words[i] + "\" is not a number.");
            }
        }
        return new SetShape(kind, numbers);
    }

    /** Two layers change places, with everything that belongs to them. */
    private static PatchEdit swapLayers(Map<String, String> form, Patch patch) {
        int one = number(form, "one");
        int other = number(form, "other");
        if (one < 1 || other < 1 || one > Parameters.LAYERS || other > Parameters.LAYERS || one == other) {
            throw new PatchEdit.EditException("Choose two different layers of 1 to " + Parameters.LAYERS + ".");
        }
        String a = "layer" + one + ".";
        String b = "layer" + other + ".";
        return new Together("Layers " + one + " and " + other + " swapped", List.of(new PastePart(patch, a, b), new PastePart(patch, b, a)));
    }

    /** A drawn velocity curve from notes that were played from soft to hard. */
    private static PatchEdit fitVelocity(Map<String, String> form) {
        String[] words = field(form, "played").strip().split("[\\s,;]+");
        int[] played = new int[words.length];
        try {
            for (int i = 0; i < words.length; i++) {
                played[i] = Integer.parseInt(words[i]);
            }
            return new Together("Velocity curve fitted to " + played.length + " notes", List.of(
                    new PatchEdit.SetValue(Parameters.at(PatchParameters.VELOCITY_CURVE), PatchParameters.VELOCITY_DRAWN),
                    new SetShape(Shapes.ALL.get(Shapes.VELOCITY), VelocityCurve.fit(played))));
        } catch (NumberFormatException e) {
            throw new PatchEdit.EditException("Velocities are whole numbers from 1 to 127.");
        } catch (IllegalArgumentException e) {
            throw new PatchEdit.EditException(e.getMessage());
        }
    }

    private static PatchEdit fillRows(Map<String, String> form, Patch patch) {
        ShapeKind kind = Shapes.find(field(form, "shape"));
        if (kind == null) {
            throw new PatchEdit.EditException("There is no such drawn list.");
        }
        double value = ValueText.quantity(field(form, "value"), Unit.NONE);
        if (Double.isNaN(value)) {
            throw new PatchEdit.EditException("\"" + field(form, "value") + "\" is not a number.");
        }
        Parameter counts = Parameters.find(kind.id().replaceFirst("\\.modes$", ".bodyPartials"));
        FillRows.How how = switch (field(form, "how")) {
            case "set" -> FillRows.How.SET;
            case "times" -> FillRows.How.TIMES;
            default -> FillRows.How.ADD;
        };
        return new FillRows(kind, number(form, "column"), how, value, counts == null ? 0 : (int) patch.value(counts.index()));
    }

    /** The rise and time of one band of partials for all of them. */
    private static PatchEdit alikeBands(Map<String, String> form, Patch patch) {
        int first = Parameters.ofSource(layer(form), source(form), SourceParameters.BAND);
        int band = number(form, "band");
        if (band < 1 || band > SourceParameters.BANDS) {
            throw new PatchEdit.EditException("Partials have bands 1 to " + SourceParameters.BANDS + ".");
        }
        List<PatchEdit> edits = new ArrayList<>();
        for (int b = 0; b < SourceParameters.BANDS; b++) {
            for (int part = 0; part < 2; part++) {
                edits.add(new PatchEdit.SetValue(Parameters.at(first + 2 * b + part), patch.value(first + 2 * (band - 1) + part)));
            }
        }
        return new Together("Band " + band + " of layer " + (layer(form) + 1) + " source " + (source(form) + 1) + " to all bands", edits);
    }

    private static PatchEdit addEffect(Map<String, String> form, Patch patch) {
        int layer = number(form, "layer");
        int slots = layer < 0 ? PatchParameters.EFFECTS : LayerParameters.EFFECTS;
        int free = -1;
        for (int slot = slots - 1; slot >= 0 && patch.value(EffectCards.first(layer, slot)) == EffectParameters.NONE; slot--) {
            free = slot;
        }
        for (int slot = 0; slot < slots && free < 0; slot++) {
            free = patch.value(EffectCards.first(layer, slot)) == EffectParameters.NONE ? slot : -1;
        }
        if (free < 0) {
            throw new PatchEdit.EditException("All " + slots + " places of the chain are taken.");
        }
        return new PatchEdit.SetValue(Parameters.at(EffectCards.first(layer, free)), number(form, "type"));
    }

    private static int layer(Map<String, String> form) {
        int layer = number(form, "layer");
        if (layer < 0 || layer >= Parameters.LAYERS) {
            throw new PatchEdit.EditException("There is no such layer.");
        }
        return layer;
    }

    private static int source(Map<String, String> form) {
        int source = number(form, "source");
        if (source < 0 || source >= LayerParameters.SOURCES) {
            throw new PatchEdit.EditException("There is no such source.");
        }
        return source;
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

    /** A modulator by id, by its name, or by the beginnings of its words where that is enough. */
    private static Modulator modulator(String id) {
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
            String name = BenchController.targetName(p).toLowerCase(Locale.ROOT);
            if (name.equals(wanted)) {
                return p;
            }
            if (Parameters.movable(p) && patch.relevant(p) && !wanted.isEmpty()
                    && beginsWords(name + " " + EffectCards.typeOf(patch, p).toLowerCase(Locale.ROOT), wanted)) {
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
