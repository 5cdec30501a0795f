package gentlecomet.studio.bench.edit;

import gentlecomet.craft.edit.AddEffect;
import gentlecomet.craft.edit.CompositeEdit;
import gentlecomet.craft.edit.DepthText;
import gentlecomet.craft.edit.FillRows;
import gentlecomet.craft.edit.MirrorSource;
import gentlecomet.craft.edit.MoveEffect;
import gentlecomet.craft.edit.NamedParts;
import gentlecomet.craft.edit.PastePart;
import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.edit.PatchEdit.EditException;
import gentlecomet.craft.edit.SetRecording;
import gentlecomet.craft.edit.SetRides;
import gentlecomet.craft.edit.SetShape;
import gentlecomet.craft.edit.ShapeRoute;
import gentlecomet.craft.edit.SplitLayer;
import gentlecomet.craft.edit.TargetEdits;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.format.PatchRules;
import gentlecomet.craft.quick.QuickLine;
import gentlecomet.craft.quick.ReadyParts;
import gentlecomet.craft.response.VelocityCurve;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.Unit;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Ride;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The kinds of edits that forms of the bench can ask for, each with how its fields are read. */
public final class EditKinds {

    private static final int MOST_NUMBERS = 400;
    private static final Map<String, Reader> KINDS = kinds();

    /** What a recorded ride may be thinned by, in per cent. */
    private static final double RIDE_TOLERANCE = 2;

    private EditKinds() {
    }

    /** Reads an edit from the fields of a form and the patch as it stands. */
    private interface Reader {
        PatchEdit read(EditFields fields, Patch patch);
    }

    /** @throws EditException when a field has no meaning */
    public static PatchEdit read(EditFields fields, Patch patch) {
        Reader reader = KINDS.get(fields.text("kind"));
        if (reader == null) {
            throw new EditException("The page asked for something that this version does not know. Load the page again.");
        }
        return reader.read(fields, patch);
    }

    private static Map<String, Reader> kinds() {
        Map<String, Reader> kinds = new LinkedHashMap<>();
        kinds.put("rename", (f, patch) -> new PatchEdit.Rename(f.text("name")));
        kinds.put("categorise", (f, patch) -> new PatchEdit.Categorise(f.text("category")));
        kinds.put("describe", (f, patch) -> new PatchEdit.Describe(f.text("tags"), f.text("notes")));
        kinds.put("choose", EditKinds::choose);
        kinds.put("chooseDivision", EditKinds::chooseDivision);
        kinds.put("setValue", (f, patch) -> new PatchEdit.SetValue(target(f, patch), ValueText.quantity(f.text("value"), Unit.NONE)));
        kinds.put("addRoute", EditKinds::addRoute);
        kinds.put("setDepth", EditKinds::setDepth);
        kinds.put("shapeRoute", EditKinds::shapeRoute);
        kinds.put("removeRoute", (f, patch) -> new PatchEdit.RemoveRoute(f.number("route")));
        kinds.put("nameMacro", (f, patch) -> new PatchEdit.NameMacro(f.macro(), f.text("name"), f.text("lowEnd"), f.text("highEnd")));
        kinds.put("reach", (f, patch) -> CompositeEdit.reach(patch, NamedParts.modulator(f.text("source")), target(f, patch), f.plain("value")));
        kinds.put("addTarget", (f, patch) -> CompositeEdit.hold(patch, f.macro(), target(f, patch), otherEnd(f, patch)));
        kinds.put("removeTarget", (f, patch) -> new PatchEdit.RemoveTarget(f.macro(), target(f, patch)));
        kinds.put("targetToMacro", (f, patch) -> TargetEdits.toMacro(patch, f.macro(), target(f, patch), f.number("to") - 1));
        kinds.put("targetOnLayer", (f, patch) -> TargetEdits.onLayer(patch, f.macro(), target(f, patch), f.number("to") - 1));
        kinds.put("setEnd", EditKinds::setEnd);
        kinds.put("bendTarget", (f, patch) -> new PatchEdit.BendTarget(f.macro(), target(f, patch), f.percent("bend") / 100));
        kinds.put("setShape", (f, patch) -> setShape(f));
        kinds.put("fillRows", EditKinds::fillRows);
        kinds.put("mirrorSource", (f, patch) -> new MirrorSource(f.layer(), f.number("from"), f.source()));
        kinds.put("rides", (f, patch) -> rides(f));
        kinds.put("alikeBands", (f, patch) -> CompositeEdit.alikeBands(patch, f.layer(), f.source(), f.number("band")));
        kinds.put("addEffect", (f, patch) -> new AddEffect(f.number("layer"), f.number("type")));
        kinds.put("moveEffect", (f, patch) -> new MoveEffect(f.number("layer"), f.number("slot"), f.number("to")));
        kinds.put("copyEffect", (f, patch) -> CompositeEdit.copyEffect(patch, f.text("part"), f.number("layer")));
        kinds.put("readyPart", (f, patch) -> ReadyParts.edit(patch, f.text("ready"), f.text("part")));
        kinds.put("paste", (f, patch) -> new PastePart(PatchFormat.read(f.text("content"), "what was copied"), f.text("from"), f.text("to")));
        kinds.put("removeRecording", (f, patch) -> new SetRecording(f.layer(), f.source(), null));
        kinds.put("swapLayers", (f, patch) -> CompositeEdit.swapLayers(patch, f.number("one"), f.number("other")));
        kinds.put("fitVelocity", (f, patch) -> fitVelocity(f));
        kinds.put("quickLine", (f, patch) -> QuickLine.edit(patch, f.layer(), f.text("line")));
        kinds.put("split", (f, patch) -> new SplitLayer(f.form().containsKey("layer") ? f.layer() : 0, f.key()));
        return kinds;
    }

    private static Parameter target(EditFields f, Patch patch) {
        return NamedParts.target(f.text("target"), patch);
    }

    private static PatchEdit choose(EditFields f, Patch patch) {
        Parameter chosen = target(f, patch);
        return new PatchEdit.SetValue(chosen, ValueText.parse(chosen, f.text("value")));
    }

    /** A note division typed where a time or a rate stands. */
    private static PatchEdit chooseDivision(EditFields f, Patch patch) {
        Parameter timed = target(f, patch);
        Parameter division = timed.decider() < 0 ? null : Parameters.at(timed.decider());
        double value = division == null || !division.division() ? Double.NaN : ValueText.parse(division, f.text("value"));
        if (Double.isNaN(value)) {
            throw new EditException("\"" + f.text("value") + "\" is not a value of " + PatchRules.name(timed) + ".");
        }
        return new PatchEdit.SetValue(division, value);
    }

    private static PatchEdit addRoute(EditFields f, Patch patch) {
        Parameter target = target(f, patch);
        return new PatchEdit.AddRoute(NamedParts.modulator(f.text("source")), target, DepthText.parse(target, patch.soundingValue(target), f.text("depth")));
    }

    private static PatchEdit setDepth(EditFields f, Patch patch) {
        int number = f.number("route");
        if (number < 0 || number >= patch.routes().size()) {
            throw new EditException("This route is no longer there.");
        }
        Parameter target = patch.routes().get(number).target();
        return new PatchEdit.SetDepth(number, DepthText.parse(target, patch.soundingValue(target), f.text("depth")));
    }

    private static PatchEdit shapeRoute(EditFields f, Patch patch) {
        Route.Side side = Route.Side.find(f.text("side"));
        Modulator scaler = f.text("scaler").isEmpty() ? null : NamedParts.modulator(f.text("scaler"));
        int number = f.number("route");
        Route old = number >= 0 && number < patch.routes().size() ? patch.routes().get(number) : null;
        // What comes from one side only shows 0 for every lower limit; the limit stays for the day on which it swings both ways.
        double low = old != null && old.oneSided() && old.low() < 0 && f.percent("low") == 0 ? 100 * old.low() : f.percent("low");
        return new ShapeRoute(number, side == null ? Route.Side.OWN : side, f.percent("bend"), low, f.percent("high"), scaler);
    }

    /** The end of a macro that is given as a number or as text; NaN where none is. */
    private static double otherEnd(EditFields f, Patch patch) {
        if (!f.text("value").isEmpty()) {
            return f.plain("value");
        }
        Parameter held = target(f, patch);
        double end = f.text("end").isEmpty() ? Double.NaN : ValueText.parse(held, f.text("end"));
        if (Double.isNaN(end) && !f.text("end").isEmpty()) {
            throw new EditException("\"" + f.text("end") + "\" is not a value of " + PatchRules.name(held) + ".");
        }
        return end;
    }

    private static PatchEdit setEnd(EditFields f, Patch patch) {
        Parameter held = target(f, patch);
        String text = f.text("value");
        double value = text.equals("now") ? patch.soundingValue(held) : ValueText.parse(held, text);
        if (Double.isNaN(value)) {
            throw new EditException("\"" + text + "\" is not a value of " + PatchRules.name(held) + ".");
        }
        return new PatchEdit.SetEnd(f.macro(), held, f.text("end").equals("high"), value);
    }

    /** Rows between semicolons or line ends, numbers between blanks or commas. */
    private static PatchEdit setShape(EditFields f) {
        ShapeKind kind = f.shape();
        String[] words = f.text("rows").strip().split("[;,\\s]+");
        if (words.length == 1 && words[0].isEmpty()) {
            return new SetShape(kind, new double[0]);
        }
        if (words.length > MOST_NUMBERS) {
            throw new EditException(kind.label() + ": there are too many numbers.");
        }
        double[] numbers = new double[words.length];
        for (int i = 0; i < words.length; i++) {
            numbers[i] = ValueText.quantity(words[i], Unit.NONE);
            if (Double.isNaN(numbers[i])) {
                throw new EditException(kind.label() + ": \"" + words[i] + "\" is not a number.");
            }
        }
        return new SetShape(kind, kind.completed(numbers, f.text("rows").strip().split("[;\n]")[0].strip().split("[,\\s]+").length));
    }

    /** A hand to a line: its id, then beats and values in turn; as few points as say the same are kept. */
    private static PatchEdit rides(EditFields f) {
        List<Ride> rides = new ArrayList<>();
        for (String line : f.text("rides").strip().split("\n")) {
            String[] words = line.strip().split("[;,\\s]+");
            Ride.Hand hand = Ride.Hand.find(words[0]);
            if (hand == null || words.length % 2 == 0 || words.length > MOST_NUMBERS) {
                throw new EditException(hand == null ? "There is no hand \"" + words[0].replaceAll("\\p{Cntrl}", "?") + "\"."
                        : words.length > MOST_NUMBERS ? "There are too many points." : "A ride has a beat and a value for each point, for example 0 20; 4 80.");
            }
            List<Ride.Point> points = new ArrayList<>();
            for (int i = 1; i < words.length; i += 2) {
                points.add(new Ride.Point(number(words[i]), number(words[i + 1])));
            }
            Ride ride = new Ride(f.text("phrase"), hand, points);
            rides.add(points.isEmpty() || f.text("as").equals("drawn") ? ride : ride.thinned(RIDE_TOLERANCE));
        }
        return new SetRides(rides);
    }

    private static double number(String word) {
        double number = ValueText.quantity(word, Unit.NONE);
        if (Double.isNaN(number)) {
            throw new EditException("\"" + word + "\" is not a number.");
        }
        return number;
    }

    private static PatchEdit fillRows(EditFields f, Patch patch) {
        ShapeKind kind = f.shape();
        Parameter counts = Parameters.find(kind.id().replaceFirst("\\.modes$", ".bodyPartials"));
        FillRows.How how = Arrays.stream(FillRows.How.values()).filter(h -> h.name().equalsIgnoreCase(f.text("how"))).findFirst()
                .orElseThrow(() -> new EditException("There is no such way to fill a list."));
        return new FillRows(kind, f.number("column"), how, how == FillRows.How.MIRROR ? 0 : f.plain("value"), counts == null ? 0 : (int) patch.value(counts.index()));
    }

    private static PatchEdit fitVelocity(EditFields f) {
        String[] words = f.text("played").strip().split("[\\s,;]+");
        int[] played = new int[words.length];
        try {
            for (int i = 0; i < words.length; i++) {
                played[i] = Integer.parseInt(words[i]);
            }
        } catch (NumberFormatException e) {
            throw new EditException("Velocities are whole numbers from 1 to 127.");
        }
        return VelocityCurve.fitted(played);
    }
}
