package gentlecomet.studio.work;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class PiecesTest {

    private static final int PIECE = 4 << 20;

    @Test
    void whatIsCutComesBackWhole() throws Exception {
        for (int size : new int[] {0, 1, PIECE - 1, PIECE, PIECE + 1, 3 * PIECE}) {
            byte[] content = new byte[size];
            new Random(size).nextBytes(content);
            List<byte[]> pieces = new ArrayList<>();
            Pieces.cut(new ByteArrayInputStream(content), (number, piece) -> {
                assertEquals(pieces.size(), number);
                pieces.add(piece);
            });
            assertEquals((size + PIECE - 1) / PIECE, pieces.size());
            assertArrayEquals(content, Pieces.joined(number -> number < pieces.size() ? Optional.of(pieces.get(number)) : Optional.empty()).readAllBytes());
        }
    }

    /** A piece is asked for when the ones before it have been read, not all at the beginning. */
    @Test
    void noMorePiecesAreHeldThanAreRead() throws Exception {
        List<Integer> asked = new ArrayList<>();
        var stream = Pieces.joined(number -> {
            asked.add(number);
            return number < 100 ? Optional.of(new byte[10]) : Optional.empty();
        });
        stream.readNBytes(25);
        assertTrue(asked.size() <= 4, asked.toString());
    }
}
