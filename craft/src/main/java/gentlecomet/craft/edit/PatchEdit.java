package gentlecomet.craft.edit;

import gentlecomet.craft.format.PatchRules;
import gentlecomet.craft.rules.NameRules;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Naming;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** One step of work on a patch: it can be applied, and it can be told in words for the history. */
public sealed interface PatchEdit permits PatchEdit.SetValue, PatchEdit.Rename, PatchEdit.Categorise, PatchEdit.Describe, PatchEdit.Tag, PatchEdit.Sign, PatchEdit.Note, PatchEdit.AddRoute, PatchEdit.SetDepth,
        PatchEdit.RemoveRoute, PatchEdit.NameMacro, PatchEdit.AddTarget, PatchEdit.SetEnd, PatchEdit.BendTarget, PatchEdit.RemoveTarget, PatchEdit.Restore,
        AddEffect, FillRows, MirrorSource, MoveEffect, SetRides, SetShape, SplitLayer, SetRecording, ShapeRoute, CompositeEdit, PastePart, PatchDifference.StoredValue, PatchDifference.Routes, PatchDifference.OneMacro {

    /** @throws EditException when the patch does not allow it; nothing has changed then */
    Patch apply(Patch patch);

    /** What was done, for example "Layer 1 filter: Cutoff 420 Hz to 1.20 kHz". */
    String label(Patch before);

    /** @throws EditException where a text has characters that cannot be shown or stored */
    private static void refuseControls(String what, String text) {
        if (text.chars().anyMatch(Character::isISOControl)) {
            throw new EditException(what + (what.endsWith("s") ? " have" : " has") + " characters that cannot be shown.");
        }
    }

    /** An edit that cannot be made; the message says why, for people. */
    final class EditException extends RuntimeException {
        private static final long serialVersionUID = 1;

        public EditException(String message) {
            super(message);
        }
    }

    /** Puts a parameter to a value in its own unit. */
    record SetValue(Parameter parameter, double value) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            if (!parameter.allows(value)) {
                throw new EditException(PatchRules.name(parameter) + " goes from " + ValueText.format(parameter, parameter.min())
                        + " to " + ValueText.format(parameter, parameter.max()) + ".");
            }
            return patch.withValue(parameter, value);
        }

        @Override
        public String label(Patch before) {
            return PatchRules.name(parameter) + " " + ValueText.format(parameter, before.soundingValue(parameter)) + " to "
                    + ValueText.format(parameter, value);
        }
    }

    /** Gives the patch another name. */
    record Rename(String name) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            String trimmed = name.strip();
            if (trimmed.isEmpty()) {
                throw new EditException("A patch needs a name.");
            }
            if (trimmed.length() > NameRules.STORED_LENGTH) {
                throw new EditException("The name has " + trimmed.length() + " characters; at most " + NameRules.STORED_LENGTH + " can be kept.");
            }
            refuseControls("The name", trimmed);
            return patch.withNaming(patch.naming().withName(trimmed));
        }

        @Override
        public String label(Patch before) {
            return "Name \"" + before.name() + "\" to \"" + name.strip() + "\"";
        }
    }

    /** Puts the patch into a category of the house rules. */
    record Categorise(String category) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            refuseControls("The category", category);
            return patch.withNaming(patch.naming().withCategory(category));
        }

        @Override
        public String label(Patch before) {
            return "Category " + (before.naming().category().isEmpty() ? "none" : before.naming().category()) + " to " + category;
        }
    }

    /** Sets tags, typed with commas between them, and playing notes. */
    record Describe(String tags, String notes) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            List<String> words = Arrays.stream(tags.split(",")).map(String::strip).filter(w -> !w.isEmpty()).toList();
            refuseTags(words);
            return patch.withNaming(patch.naming().withTags(words).withNotes(storable(notes)));
        }

        @Override
        public String label(Patch before) {
            return "Tags and notes";
        }
    }

    /** Sets the tags alone. */
    record Tag(List<String> tags) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            List<String> words = tags.stream().map(String::strip).filter(w -> !w.isEmpty()).distinct().toList();
            refuseTags(words);
            return patch.withNaming(patch.naming().withTags(words));
        }

        @Override
        public String label(Patch before) {
            return "Tags " + (before.naming().tags().isEmpty() ? "none" : String.join(", ", before.naming().tags())) + " to "
                    + (tags.isEmpty() ? "none" : String.join(", ", tags));
        }
    }

    /** Says who made the patch. */
    record Sign(String author) implements PatchEdit {
        private static final int LONGEST = 80;

        @Override
        public Patch apply(Patch patch) {
            refuseControls("The author", author);
            if (author.strip().length() > LONGEST) {
                throw new EditException("The author has " + author.strip().length() + " characters; at most " + LONGEST + " can be kept.");
            }
            return patch.withNaming(patch.naming().withAuthor(author.strip()));
        }

        @Override
        public String label(Patch before) {
            return "Author " + (before.naming().author().isEmpty() ? "none" : before.naming().author()) + " to " + (author.isBlank() ? "none" : author.strip());
        }
    }

    /** Sets the playing notes alone. */
    record Note(String notes) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            return patch.withNaming(patch.naming().withNotes(storable(notes)));
        }

        @Override
        public String label(Patch before) {
            return "Playing notes";
        }
    }

    /** Notes as they are kept. @throws EditException where they cannot be */
    private static String storable(String notes) {
        refuseControls("The notes", notes.replaceAll("[\r\n\t]", ""));
        if (notes.length() > 4000) {
            throw new EditException("The notes have " + notes.length() + " characters; at most 4000 can be kept.");
        }
        return notes.strip().replace("\r\n", "\n");
    }

    private static void refuseTags(List<String> tags) {
        if (tags.size() > Naming.MOST_TAGS || tags.stream().anyMatch(t -> t.length() > Naming.LONGEST_TAG)) {
            throw new EditException("A patch has up to " + Naming.MOST_TAGS + " tags of up to " + Naming.LONGEST_TAG + " characters.");
        }
        tags.forEach(t -> refuseControls("The tags", t));
    }

    /** Adds a route. */
    record AddRoute(Modulator source, Parameter target, double depth) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            Route route = checked(new Route(source, target, depth));
            if (patch.routes().size() >= Patch.MAX_ROUTES) {
                throw new EditException("A patch has at most " + Patch.MAX_ROUTES + " routes.");
            }
            List<Route> routes = new ArrayList<>(patch.routes());
            routes.add(route);
            return patch.withRoutes(routes);
        }

        @Override
        public String label(Patch before) {
            return "Route " + source.label() + " to " + PatchRules.name(target);
        }
    }

    /** Changes the depth of a route; {@code route} counts from 0. */
    record SetDepth(int route, double depth) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            Route old = routeAt(patch, route);
            List<Route> routes = new ArrayList<>(patch.routes());
            routes.set(route, checked(old.withDepth(depth)));
            return patch.withRoutes(routes);
        }

        @Override
        public String label(Patch before) {
            Route r = routeAt(before, route);
            return "Route " + r.source().label() + " to " + PatchRules.name(r.target()) + " depth "
                    + ValueText.format(r.depth(), r.target().depthUnit()) + " to " + ValueText.format(depth, r.target().depthUnit());
        }
    }

    /** Takes a route away. */
    record RemoveRoute(int route) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            routeAt(patch, route);
            List<Route> routes = new ArrayList<>(patch.routes());
            routes.remove(route);
            return patch.withRoutes(routes);
        }

        @Override
        public String label(Patch before) {
            Route r = routeAt(before, route);
            return "Route " + r.source().label() + " to " + PatchRules.name(r.target()) + " removed";
        }
    }

    /** Names a macro and its ends; {@code macro} counts from 0. */
    record NameMacro(int macro, String name, String lowEnd, String highEnd) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            for (String text : List.of(name, lowEnd, highEnd)) {
                if (text.length() > 40) {
                    throw new EditException("Names of macros and their ends have at most 40 characters.");
                }
            }
            return patch.withMacro(macro, macroAt(patch, macro).named(name.strip(), lowEnd.strip(), highEnd.strip()));
        }

        @Override
        public String label(Patch before) {
            return "Macro " + (macro + 1) + " named " + name.strip();
        }
    }

    /** Lets a macro hold a parameter; at first both of its ends are the value at which it sounds now. */
    record AddTarget(int macro, Parameter target) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            String fault = PatchRules.macroFault(patch, macro, target);
            if (fault != null) {
                throw new EditException(sentence(fault));
            }
            if (patch.targetOf(macro, target) != null) {
                throw new EditException("Macro " + (macro + 1) + " holds " + PatchRules.name(target) + " already.");
            }
            double now = patch.soundingValue(target);
            List<MacroTarget> targets = new ArrayList<>(macroAt(patch, macro).targets());
            targets.add(new MacroTarget(target, now, now));
            return patch.withMacro(macro, macroAt(patch, macro).withTargets(targets));
        }

        @Override
        public String label(Patch before) {
            return "Macro " + (macro + 1) + " holds " + PatchRules.name(target);
        }
    }

    /** Sets one end of a macro's range over a parameter. */
    record SetEnd(int macro, Parameter target, boolean high, double value) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            MacroTarget old = patch.targetOf(macro, target);
            if (old == null) {
                throw new EditException("Macro " + (macro + 1) + " does not hold " + PatchRules.name(target) + ".");
            }
            if (!target.allows(value)) {
                throw new EditException(PatchRules.name(target) + " goes from " + ValueText.format(target, target.min()) + " to "
                        + ValueText.format(target, target.max()) + ".");
            }
            Macro held = macroAt(patch, macro);
            List<MacroTarget> targets = new ArrayList<>(held.targets());
            targets.set(targets.indexOf(old), old.withEnds(high ? old.low() : value, high ? value : old.high()));
            return patch.withMacro(macro, held.withTargets(targets));
        }

        @Override
        public String label(Patch before) {
            return "Macro " + (macro + 1) + " " + (high ? "high" : "low") + " end of " + PatchRules.name(target) + " "
                    + ValueText.format(target, value);
        }
    }

    /** Bends the way of a parameter between its macro's ends. @param bend -1 late to 1 early */
    record BendTarget(int macro, Parameter target, double bend) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            MacroTarget old = patch.targetOf(macro, target);
            if (old == null) {
                throw new EditException("Macro " + (macro + 1) + " does not hold " + PatchRules.name(target) + ".");
            }
            if (!(Math.abs(bend) <= 1)) {
                throw new EditException("A bend goes from -100 to 100 %.");
            }
            Macro held = macroAt(patch, macro);
            List<MacroTarget> targets = new ArrayList<>(held.targets());
            targets.set(targets.indexOf(old), old.withBend(bend));
            return patch.withMacro(macro, held.withTargets(targets));
        }

        @Override
        public String label(Patch before) {
            return "Macro " + (macro + 1) + " bends " + PatchRules.name(target) + " by " + Math.round(100 * bend) + " %";
        }
    }

    /** Lets a parameter go: it stays where it sounds now. */
    record RemoveTarget(int macro, Parameter target) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            MacroTarget old = patch.targetOf(macro, target);
            if (old == null) {
                throw new EditException("Macro " + (macro + 1) + " does not hold " + PatchRules.name(target) + ".");
            }
            double now = patch.soundingValue(target);
            Macro held = macroAt(patch, macro);
            List<MacroTarget> targets = new ArrayList<>(held.targets());
            targets.remove(old);
            return patch.withMacro(macro, held.withTargets(targets)).withValue(target, now);
        }

        @Override
        public String label(Patch before) {
            return "Macro " + (macro + 1) + " lets go of " + PatchRules.name(target);
        }
    }

    /** Puts a whole earlier state back. */
    record Restore(Patch state, String words) implements PatchEdit {
        @Override
        public Patch apply(Patch patch) {
            return state;
        }

        @Override
        public String label(Patch before) {
            return words;
        }
    }

    /** The route, when the rules allow it. */
    static Route checked(Route route) {
        String fault = PatchRules.fault(route);
        if (fault != null) {
            throw new EditException(sentence(fault));
        }
        return route;
    }

    /** A route of a patch, counted from 0. */
    static Route routeAt(Patch patch, int route) {
        if (route < 0 || route >= patch.routes().size()) {
            throw new EditException("This route is no longer there.");
        }
        return patch.routes().get(route);
    }

    private static Macro macroAt(Patch patch, int macro) {
        if (macro < 0 || macro >= patch.macros().size()) {
            throw new EditException("A patch has eight macros.");
        }
        return patch.macros().get(macro);
    }

    private static String sentence(String text) {
        return text.substring(0, 1).toUpperCase() + text.substring(1) + ".";
    }
}
