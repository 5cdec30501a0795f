package gentlecomet.craft.command;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.MidiInput;
import gentlecomet.sound.performance.Rendering;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import picocli.CommandLine.Option;

/** Where macros and controllers stand while a patch is rendered, as options of the command line. */
final class ControllerOptions {

    private static final int CONTROL_CHANGE = 0xB0;
    private static final int CHANNEL_PRESSURE = 0xD0;
    private static final int MOST = 127;

    @Option(names = "--macro", paramLabel = "N=V", description = "macro 1 to 8 at 0 to 100 per cent; again for more")
    private List<String> macros = List.of();
    @Option(names = "--cc", paramLabel = "N=V", description = "MIDI controller 0 to 119 at 0 to 127; again for more")
    private List<String> controllers = List.of();
    @Option(names = "--pressure", description = "channel pressure, 0 to 127")
    private Double pressure;
    @Option(names = "--bend", description = "pitch bend in per cent of its range, -100 to 100")
    private Double bend;

    /** A patch with its macros where they are to be. @throws IllegalArgumentException when there is no such macro or place */
    Patch on(Patch patch) {
        Patch moved = patch;
        for (Map.Entry<Integer, Double> m : pairs("--macro", macros, 1, PatchParameters.MACROS, 100).entrySet()) {
            moved = moved.withValue(Parameters.at(PatchParameters.MACRO + m.getKey() - 1), m.getValue());
        }
        return moved;
    }

    /** What moves the engine before the first note. @throws IllegalArgumentException when a place is outside its range */
    Rendering.ControllerState state() {
        Map<Integer, Double> places = pairs("--cc", controllers, 0, 119, MOST);
        within("--pressure", pressure, 0, MOST);
        within("--bend", bend, -100, 100);
        return engine -> {
            MidiInput input = new MidiInput(engine);
            places.forEach((controller, value) -> input.take(CONTROL_CHANGE, controller, (int) Math.rint(value)));
            if (pressure != null) {
                input.take(CHANNEL_PRESSURE, (int) Math.rint(pressure), 0);
            }
            if (bend != null) {
                engine.bend(bend / 100);
            }
        };
    }

    private static Map<Integer, Double> pairs(String option, List<String> texts, int first, int last, double most) {
        Map<Integer, Double> pairs = new TreeMap<>();
        for (String text : texts) {
            String[] parts = text.split("=", -1);
            try {
                int number = Integer.parseInt(parts[0]);
                double value = Double.parseDouble(parts.length == 2 ? parts[1] : "");
                if (number >= first && number <= last && value >= 0 && value <= most) {
                    pairs.put(number, value);
                    continue;
                }
            } catch (NumberFormatException e) {
                // Falls through to the message below.
            }
            throw new IllegalArgumentException(String.format("expected %s N=V with N from %d to %d and V from 0 to %.0f, found %s", option, first, last, most, text));
        }
        return pairs;
    }

    private static void within(String option, Double value, double least, double most) {
        if (value != null && !(value >= least && value <= most)) {
            throw new IllegalArgumentException(String.format("expected %s from %.0f to %.0f, found %s", option, least, most, value));
        }
    }
}
