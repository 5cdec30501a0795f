package gentlecomet.sound.parameter;

import java.util.ArrayList;
import java.util.List;

/**
 * An ordered group of parameters that is laid out once or several times in the registry, for example the parameters of a
 * source. Declaring a parameter answers its place within the group, which the engine keeps as a constant.
 */
final class ParameterTemplate {

    private final List<Parameter> parameters = new ArrayList<>();
    private int decider = -1;
    private int deciding;

    /** What is declared from here on means something only while a choice of this group stands at one of the given ids. */
    void when(int choice, String... ids) {
        decider = choice;
        deciding = 0;
        for (String id : ids) {
            int at = parameters.get(choice).choices().indexOf(id);
            if (at < 0) {
                throw new IllegalArgumentException("no choice " + id);
            }
            deciding |= 1 << at;
        }
    }

    /** What is declared from here on always means something. */
    void always() {
        decider = -1;
    }

    int number(String id, String label, Unit unit, Taper taper, double min, double max, double neutral) {
        return add(new Parameter(parameters.size(), id, label, placeOf(id), unit, taper, min, max, neutral, List.of(), decider, deciding, Facts.PLAIN));
    }

    /** A number that means something only while a division of the group is free. @param division its place; it may be declared later */
    int timed(int division, String id, String label, Unit unit, Taper taper, double min, double max, double neutral) {
        return add(new Parameter(parameters.size(), id, label, placeOf(id), unit, taper, min, max, neutral, List.of(), division, 1, Facts.PLAIN));
    }

    int choice(String id, String label, String... choices) {
        return add(new Parameter(parameters.size(), id, label, placeOf(id), Unit.NONE, Taper.CHOICE, 0, choices.length - 1, 0,
                List.of(choices), decider, deciding, Facts.PLAIN));
    }

    int division(String id, String label) {
        return choice(id, label, Division.idsWithFree());
    }

    int onOff(String id, String label) {
        return choice(id, label, "off", "on");
    }

    int group(ParameterTemplate group, String prefix, String place) {
        int start = parameters.size();
        for (Parameter p : group.parameters) {
            add(new Parameter(parameters.size(), prefix.isEmpty() ? p.id() : prefix + "." + p.id(), p.label(),
                    joined(place, p.place()), p.unit(), p.taper(), p.min(), p.max(), p.neutral(),
                    p.choices(), p.decider() < 0 ? -1 : start + p.decider(), p.deciding(), p.facts()));
        }
        return start;
    }

    /** Parameters that pages fold away at first. */
    void advanced(int... places) {
        for (int place : places) {
            parameters.set(place, parameters.get(place).with(parameters.get(place).facts().withAdvanced()));
        }
    }

    /** Choices that bring a drawn list or a sound file with them. */
    void bringsParts(int... places) {
        for (int place : places) {
            parameters.set(place, parameters.get(place).with(parameters.get(place).facts().withParts()));
        }
    }

    /** Parameters that a sound designer moves for a quality. @param tier 1 for what is reached for first */
    void serves(Facts.Quality quality, int tier, int... places) {
        for (int place : places) {
            parameters.set(place, parameters.get(place).with(parameters.get(place).facts().with(new Facts.Purpose(quality, tier))));
        }
    }

    int size() {
        return parameters.size();
    }

    List<Parameter> parameters() {
        return List.copyOf(parameters);
    }

    private static String placeOf(String id) {
        int dot = id.indexOf('.');
        return dot < 0 ? "" : id.substring(0, 1).toUpperCase() + id.substring(1, dot);
    }

    private int add(Parameter parameter) {
        parameters.add(parameter);
        return parameter.index();
    }

    private static String joined(String outer, String inner) {
        return outer.isEmpty() ? inner : inner.isEmpty() ? outer : outer + " " + lowerFirst(inner);
    }

    private static String lowerFirst(String text) {
        return text.startsWith("LFO") ? text : text.substring(0, 1).toLowerCase() + text.substring(1);
    }
}
