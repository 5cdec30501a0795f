package gentlecomet.studio.work;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.util.Enumeration;
import java.util.Optional;
import java.util.function.IntFunction;

/** Large content in a table, piece by piece, so that neither the program nor the database has to hold a whole one in memory. */
public final class Pieces {

    private static final int BYTES = 4 << 20;

    private Pieces() {
    }

    /** Takes one piece. */
    public interface Keeper {
        void keep(int number, byte[] piece);
    }

    /** Cuts content into pieces, counted from 0. */
    public static void cut(InputStream content, Keeper keeper) throws IOException {
        int number = 0;
        for (byte[] piece = content.readNBytes(BYTES); piece.length > 0; piece = content.readNBytes(BYTES)) {
            keeper.keep(number++, piece);
        }
    }

    /** Reads pieces as one stream; each is asked for when the one before has been read. */
    public static InputStream joined(IntFunction<Optional<byte[]>> pieces) {
        return new SequenceInputStream(new Enumeration<>() {
            private int number;
            private Optional<byte[]> next = pieces.apply(0);

            @Override
            public boolean hasMoreElements() {
                return next.isPresent();
            }

            @Override
            public InputStream nextElement() {
                InputStream piece = new ByteArrayInputStream(next.orElseThrow());
                next = pieces.apply(++number);
                return piece;
            }
        });
    }
}
