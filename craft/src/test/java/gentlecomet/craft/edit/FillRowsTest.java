package gentlecomet.craft.edit;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import gentlecomet.craft.TypedPatch;
import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Patch;
import org.junit.jupiter.api.Test;

/** Expected numbers are worked out by hand. */
class FillRowsTest {

    private static final ShapeKind MODES = Shapes.ALL.get(Shapes.modes(0, 0));
    private static final Patch BODY = TypedPatch.neutralWith("layer1.source1.wave=body").withShape(MODES.index(), new double[] {1, 0, 100, 1.5, -6, 80, 2.2, -90, 60});

    private static double[] after(PatchEdit edit) {
        return edit.apply(BODY).shape(MODES.index());
    }

    @Test
    void onlyOneNumberOfEveryRowMoves() {
        assertArrayEquals(new double[] {1, -3, 100, 1.5, -9, 80, 2.2, -93, 60}, after(new FillRows(MODES, 1, FillRows.How.ADD, -3, 0)));
        assertArrayEquals(new double[] {1, 0, 50, 1.5, -6, 40, 2.2, -90, 30}, after(new FillRows(MODES, 2, FillRows.How.TIMES, 0.5, 0)));
        assertArrayEquals(new double[] {1, 0, 25, 1.5, -6, 25, 2.2, -90, 25}, after(new FillRows(MODES, 2, FillRows.How.SET, 25, 0)));
    }

    @Test
    void itStopsAtTheEdgeOfTheRange() {
        assertArrayEquals(new double[] {1, -10, 100, 1.5, -16, 80, 2.2, -96, 60}, after(new FillRows(MODES, 1, FillRows.How.ADD, -10, 0)));
    }

    @Test
    void theUsualFormIsWrittenOutFirst() {
        Patch usual = TypedPatch.neutralWith("layer1.source1.wave=body");
        assertArrayEquals(new double[] {1, -4, 100, 1, -4, 100}, new FillRows(MODES, 1, FillRows.How.ADD, -4, 2).apply(usual).shape(MODES.index()));
        ShapeKind harmonics = Shapes.ALL.get(Shapes.harmonics(0, 0));
        FillRows edit = new FillRows(harmonics, 0, FillRows.How.ADD, -4, 0);
        assertThrows(PatchEdit.EditException.class, () -> edit.apply(usual));
    }

    private static double[] voices(int column, FillRows.How how, double value, double... drawn) {
        ShapeKind map = Shapes.ALL.get(Shapes.copies(0, 0));
        double[] rows = new FillRows(map, column, how, value, 5).apply(TypedPatch.neutralWith().withShape(map.index(), drawn)).shape(map.index());
        return java.util.stream.IntStream.range(0, rows.length / 4).mapToDouble(r -> rows[4 * r + column]).toArray();
    }

    @Test
    void voicesAreSpreadAlternatedAndMirrored() {
        assertArrayEquals(new double[] {-12, -6, 0, 6, 12}, voices(0, FillRows.How.SPREAD, 12));
        assertArrayEquals(new double[] {0, 10, 20, 30, 40}, voices(2, FillRows.How.SPREAD, 40), "a phase has no sign");
        assertArrayEquals(new double[] {80, -80, 80, -80, 80}, voices(1, FillRows.How.ALTERNATE, 80));
        assertArrayEquals(new double[] {7, 3, 0, -3, -7}, voices(0, FillRows.How.MIRROR, 0, 7, 0, 0, 0, 3, 0, 0, 0));
        assertArrayEquals(new double[] {0, 25, 0, 25, 0}, voices(2, FillRows.How.MIRROR, 0, 0, 0, 0, 0, 0, 0, 25, 0));
    }

    @Test
    void chanceStaysWithinItsRangeAndComesOutAnewEachTime() {
        double[] first = voices(0, FillRows.How.RANDOM, 9);
        assertEquals(5, java.util.Arrays.stream(first).distinct().filter(v -> Math.abs(v) <= 9).count());
        double[] rows = new double[20];
        for (int i = 0; i < 5; i++) {
            rows[4 * i] = first[i];
        }
        org.junit.jupiter.api.Assertions.assertNotEquals(first[0], voices(0, FillRows.How.RANDOM, 9, rows)[0]);
    }

    @Test
    void itSaysWhatItDoes() {
        assertEquals("Layer 1 source 1: decay of all partials of the body times 0.5", new FillRows(MODES, 2, FillRows.How.TIMES, 0.5, 0).label(BODY));
        assertThrows(PatchEdit.EditException.class, () -> new FillRows(MODES, 7, FillRows.How.SET, 1, 0));
    }
}
