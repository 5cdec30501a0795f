package gentlecomet.craft.release;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.TypedPatch;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Patch;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ChangesTest {

    private static final Patch BELL = TypedPatch.with(Patch.neutral("Tern Bell"), "layer1.source1.wave=saw");

    private static ReleasePatch at(int slot, Patch patch) {
        return new ReleasePatch(new ReleaseBank(0, "Field Kit", 0, 0), new CollectionFile.Slot(slot, patch), 1, new Measuring().measure(patch, Phrases.get("line")));
    }

    private static List<Changes.Kind> kinds(Changes changes) {
        return changes.entries().stream().map(Changes.Entry::kind).toList();
    }

    @Test
    void nothingChangesNothing() {
        Changes same = Changes.between("1.0.0", Map.of("1", at(1, BELL)), Map.of("1", at(1, BELL)));
        assertEquals(List.of(), same.entries());
        assertEquals(Version.Step.PATCH, same.step());
    }

    /** 6 dB less are 6 LU less (BS.1770); a name and a macro are told apart from the sound. */
    @Test
    void eachKindIsToldApart() {
        Patch quieter = TypedPatch.with(BELL, "layer1.source1.level=-18");
        Changes sound = Changes.between("1.0.0", Map.of("1", at(1, BELL)), Map.of("1", at(1, quieter)));
        assertEquals(List.of(Changes.Kind.SOUND), kinds(sound));
        assertTrue(sound.entries().get(0).details().get(0).contains("6.0 LU quieter"), sound.text());
        assertEquals(Version.Step.MINOR, sound.step());
        Changes renamed = Changes.between("1.0.0", Map.of("1", at(1, BELL)), Map.of("1", at(1, BELL.withNaming(BELL.naming().withName("Tern Bell Pale")))));
        assertEquals(List.of(Changes.Kind.RENAMED), kinds(renamed));
        assertEquals(Version.Step.PATCH, renamed.step());
        Patch held = BELL.withMacro(0, new Macro("Brightness", "a", "b", List.of(new MacroTarget(Parameters.find("layer1.source2.cents"), -9, 9))));
        assertEquals(List.of(Changes.Kind.MACROS), kinds(Changes.between("1.0.0", Map.of("1", at(1, BELL)), Map.of("1", at(1, held)))));
    }

    /** Two collections in folders know no ids: a name says which patch it is, or else the sound; and two of one name are two patches. */
    @Test
    void withoutIdsARenamedPatchIsKnownByItsSound() {
        Patch glass = TypedPatch.with(Patch.neutral("Glass"), "layer1.source1.wave=triangle");
        List<ReleasePatch> before = List.of(at(1, BELL), at(2, glass), at(3, glass));
        Changes renamed = Changes.between("1.0.0", before, List.of(at(1, BELL.withNaming(BELL.naming().withName("Pale Bell"))), at(2, glass), at(3, glass), at(4, Patch.neutral("Reed"))));
        assertEquals(List.of(Changes.Kind.RENAMED, Changes.Kind.NEW), kinds(renamed));
        assertEquals(List.of("was \"Tern Bell\""), renamed.entries().get(0).details());
        assertEquals(List.of(Changes.Kind.NEW, Changes.Kind.REMOVED), kinds(Changes.between("1.0.0", List.of(at(1, BELL)), List.of(at(1, glass)))));
    }

    /** Whoever has stored a program number calls another sound: that is told by name, and counts the first number up. */
    @Test
    void programNumbersThatMoveAreAWarning() {
        Changes moved = Changes.between("1.0.0", Map.of("1", at(1, BELL), "2", at(2, BELL.withNaming(BELL.naming().withName("Gone Bell")))), Map.of("1", at(4, BELL), "3", at(1, BELL.withNaming(BELL.naming().withName("New Bell")))));
        assertEquals(1, moved.count(Changes.Kind.MOVED));
        assertEquals(1, moved.count(Changes.Kind.NEW));
        assertEquals(1, moved.count(Changes.Kind.REMOVED));
        assertEquals(Version.Step.MAJOR, moved.step());
        assertEquals(List.of("\"Tern Bell\" is program 3 of Field Kit now, was program 0 of Field Kit.", "\"Gone Bell\", program 1 of Field Kit, is no longer there."), moved.warnings());
    }
}
