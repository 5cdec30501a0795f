package gentlecomet.sound.pattern;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.PatternParameters;
import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Patch;

/** What a patch does with held keys: in words for lists and catalogues, and the patch without it. */
public final class Patterns {

    private Patterns() {
    }

    /** For example "up, 1/16, 2 octaves, 8 steps" or "chord 0 4 7"; empty where keys play as they are pressed. */
    public static String words(Patch patch) {
        StringBuilder words = new StringBuilder();
        if (on(patch)) {
            words.append(told(patch, PatternParameters.ORDER)).append(", ").append(told(patch, PatternParameters.STEP));
            int octaves = (int) patch.value(PatchParameters.PATTERN + PatternParameters.OCTAVES);
            words.append(octaves == 1 ? "" : ", " + octaves + " octaves");
            int steps = rows(patch, Shapes.PATTERN_STEPS);
            words.append(steps == 0 ? "" : ", " + steps + (steps == 1 ? " step" : " steps"));
        }
        if (rows(patch, Shapes.PATTERN_CHORD) > 0) {
            words.append(words.length() == 0 ? "chord" : ", chord");
            for (double interval : patch.shape(Shapes.PATTERN_CHORD)) {
                words.append(' ').append((int) interval);
            }
        }
        return words.toString();
    }

    /** Whether held keys are played step by step. */
    public static boolean on(Patch patch) {
        return patch.value(PatchParameters.PATTERN + PatternParameters.ORDER) != PatternParameters.OFF;
    }

    /** The patch as it plays a note by itself: without its steps in time. Its chord stays, which is part of the note. */
    public static Patch without(Patch patch) {
        return patch.withValue(Parameters.at(PatchParameters.PATTERN + PatternParameters.ORDER), PatternParameters.OFF);
    }

    private static int rows(Patch patch, int kind) {
        ShapeKind shape = Shapes.ALL.get(kind);
        return patch.shape(kind).length / shape.columns().size();
    }

    private static String told(Patch patch, int place) {
        Parameter parameter = Parameters.at(PatchParameters.PATTERN + place);
        return ValueText.format(parameter, patch.value(parameter.index()));
    }
}
