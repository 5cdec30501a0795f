package gentlecomet.craft.edit;

import gentlecomet.craft.format.PatchRules;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Ride;
import gentlecomet.sound.patch.Route;
import gentlecomet.sound.patch.SoundFile;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;

/** What differs between two states of a patch, as people read it, and how each line is taken back. */
public final class PatchDifference {

    private PatchDifference() {
    }

    /**
     * One difference.
     *
     * @param what  what differs, for example "Layer 1 filter 1: Cutoff"
     * @param from  its text in the first state
     * @param to    its text in the second state
     * @param back  the edit that puts the second state's part back to the first's
     */
    public record Line(String what, String from, String to, PatchEdit back) {
    }

    /** Every difference, in registry order, then drawn lists, recordings, routes, macros and words. */
    public static List<Line> between(Patch first, Patch second) {
        List<Line> lines = new ArrayList<>();
        for (Parameter p : Parameters.ALL) {
            if (first.value(p.index()) != second.value(p.index()) && (first.relevant(p) || second.relevant(p))) {
                lines.add(new Line(PatchRules.name(p), ValueText.format(p, first.value(p.index())), ValueText.format(p, second.value(p.index())),
                        new StoredValue(p, first.value(p.index()))));
            }
        }
        for (ShapeKind kind : Shapes.ALL) {
            double[] a = first.shape(kind.index());
            double[] b = second.shape(kind.index());
            if (!Arrays.equals(a, b)) {
                lines.add(new Line(kind.place() + ": " + kind.label(), rows(kind, a), rows(kind, b), new SetShape(kind, a)));
            }
        }
        recordings(first, second, lines);
        routes(first, second, lines);
        macros(first, second, lines);
        rides(first, second, lines);
        words(first, second, lines);
        return lines;
    }

    /** Puts a stored value back, beneath a macro as well. */
    record StoredValue(Parameter parameter, double value) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            double[] values = new double[Parameters.COUNT];
            for (int i = 0; i < values.length; i++) {
                values[i] = i == parameter.index() ? value : patch.value(i);
            }
            return patch.withSound(values, patch.routes(), patch.macros());
        }

        @Override
        public String label(Patch before) {
            return PatchRules.name(parameter) + " back to " + ValueText.format(parameter, value);
        }
    }

    record Routes(List<Route> routes, String words) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            return patch.withRoutes(routes);
        }

        @Override
        public String label(Patch before) {
            return words;
        }
    }

    record OneMacro(int number, Macro macro) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            return patch.withMacro(number, macro);
        }

        @Override
        public String label(Patch before) {
            return "Macro " + (number + 1) + " back to " + told(macro);
        }
    }

    private static String rows(ShapeKind kind, double[] numbers) {
        return numbers.length == 0 ? "usual form" : numbers.length / kind.columns().size() + " rows";
    }

    private static void recordings(Patch first, Patch second, List<Line> lines) {
        for (int place = 0; place < Parameters.LAYERS * 3; place++) {
            int layer = place / 3;
            int source = place % 3;
            SoundFile a = first.recording(layer, source);
            SoundFile b = second.recording(layer, source);
            if (!Objects.equals(a, b)) {
                lines.add(new Line("Layer " + (layer + 1) + " source " + (source + 1) + ": Recording", a == null ? "none" : a.name(),
                        b == null ? "none" : b.name(), new SetRecording(layer, source, a)));
            }
        }
    }

    private static void routes(Patch first, Patch second, List<Line> lines) {
        List<Route> onlyFirst = new ArrayList<>(first.routes());
        second.routes().forEach(onlyFirst::remove);
        List<Route> onlySecond = new ArrayList<>(second.routes());
        first.routes().forEach(onlySecond::remove);
        for (Route old : onlyFirst) {
            Route now = onlySecond.stream().filter(r -> r.source() == old.source() && r.target().equals(old.target())).findFirst().orElse(null);
            List<Route> back = new ArrayList<>(second.routes());
            if (now == null) {
                back.add(Math.min(first.routes().indexOf(old), back.size()), old);
            } else {
                back.set(back.indexOf(now), old);
                onlySecond.remove(now);
            }
            lines.add(new Line(title(old), told(old), now == null ? "none" : told(now), new Routes(back, title(old) + " back")));
        }
        for (Route added : onlySecond) {
            List<Route> back = new ArrayList<>(second.routes());
            back.remove(added);
            lines.add(new Line(title(added), "none", told(added), new Routes(back, title(added) + " taken away")));
        }
    }

    private static String title(Route route) {
        return "Route " + route.source().label() + " to " + PatchRules.name(route.target());
    }

    private static String told(Route route) {
        String more = (route.bend() == 0 ? "" : ", bent") + (route.scaler() == null ? "" : ", scaled by " + route.scaler().label())
                + (route.low() > -1 || route.high() < 1 ? ", limited" : "") + (route.side() == Route.Side.OWN ? "" : ", other side");
        return ValueText.format(route.depth(), route.target().depthUnit()) + more;
    }

    private static void macros(Patch first, Patch second, List<Line> lines) {
        for (int m = 0; m < first.macros().size(); m++) {
            Macro a = first.macros().get(m);
            Macro b = second.macros().get(m);
            if (!a.equals(b)) {
                lines.add(new Line("Macro " + (m + 1), told(a), told(b), new OneMacro(m, a)));
            }
        }
    }

    private static String told(Macro macro) {
        if (macro.name().isEmpty() && macro.targets().isEmpty()) {
            return "unused";
        }
        return macro.name() + " (" + macro.lowEnd() + " to " + macro.highEnd() + "), "
                + String.join(", ", macro.targets().stream().map(t -> t.target().label() + " " + ValueText.format(t.target(), t.low()) + " to "
                        + ValueText.format(t.target(), t.high())).toList());
    }

    private static void rides(Patch first, Patch second, List<Line> lines) {
        List<Ride> either = new ArrayList<>(first.rides());
        second.rides().stream().filter(r -> ride(first, r) == null).forEach(either::add);
        for (Ride r : either) {
            Ride a = ride(first, r);
            Ride b = ride(second, r);
            if (!Objects.equals(a, b)) {
                lines.add(new Line("Ride of " + SetRides.name(second, r.hand()) + " under " + r.phrase(), told(a), told(b),
                        new SetRides(List.of(a != null ? a : new Ride(r.phrase(), r.hand(), List.of())))));
            }
        }
    }

    private static Ride ride(Patch patch, Ride like) {
        return patch.rides(like.phrase()).stream().filter(r -> r.hand() == like.hand()).findFirst().orElse(null);
    }

    private static String told(Ride ride) {
        return ride == null ? "none" : ride.points().size() + (ride.points().size() == 1 ? " point" : " points");
    }

    private static void words(Patch first, Patch second, List<Line> lines) {
        if (!first.name().equals(second.name())) {
            lines.add(new Line("Name", first.name(), second.name(), new PatchEdit.Rename(first.name())));
        }
        if (!first.naming().category().equals(second.naming().category())) {
            lines.add(new Line("Category", first.naming().category(), second.naming().category(), new PatchEdit.Categorise(first.naming().category())));
        }
        if (!first.naming().tags().equals(second.naming().tags()) || !first.naming().notes().equals(second.naming().notes())) {
            lines.add(new Line("Tags and notes", String.join(", ", first.naming().tags()), String.join(", ", second.naming().tags()),
                    new PatchEdit.Describe(String.join(", ", first.naming().tags()), first.naming().notes())));
        }
    }
}
