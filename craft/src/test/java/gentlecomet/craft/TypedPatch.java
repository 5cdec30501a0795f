package gentlecomet.craft;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Patch;

/** Patches made of typed values, each as "id=text". */
public final class TypedPatch {

    private TypedPatch() {
    }

    public static Patch neutralWith(String... changes) {
        return with(Patch.neutral("Test Patch"), changes);
    }

    public static Patch with(Patch patch, String... changes) {
        Patch changed = patch;
        for (String change : changes) {
            int at = change.indexOf('=');
            var parameter = Parameters.find(change.substring(0, at));
            changed = changed.withValue(parameter, ValueText.parse(parameter, change.substring(at + 1)));
        }
        return changed;
    }
}
