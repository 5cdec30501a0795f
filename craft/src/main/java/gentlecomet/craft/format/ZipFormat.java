package gentlecomet.craft.format;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.security.MessageDigest;
import java.time.LocalDateTime;
import java.util.HexFormat;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

/** ZIP archives whose bytes depend on their contents alone, and a reader that trusts nothing and keeps in memory only what is asked for. */
public final class ZipFormat {

    /** Most files in an archive that is read: 16 banks of 128 patches, each sampled at 32 keys and 3 velocities, and room beside them. */
    public static final int MOST_FILES = 250_000;
    /** Most bytes of one file that is kept. */
    public static final long MOST_ENTRY_BYTES = SoundAsset.LARGEST;
    /** Most bytes that are kept of an archive from elsewhere. */
    public static final long MOST_KEPT_BYTES = 400_000_000L;
    /** Most bytes that an archive may unpack to, kept or not, unless it is half as large itself. */
    public static final long MOST_BYTES = 16_000_000_000L;
    /** How many bytes may come out of each that goes in, once there are more than {@link #SMALL_BYTES}. */
    public static final long MOST_RATIO = 100;
    private static final long MOST_RATIO_OF_LARGE = 2;
    private static final long SMALL_BYTES = 10_000_000;

    private static final LocalDateTime NO_TIME = LocalDateTime.of(1980, 1, 1, 0, 0);

    private ZipFormat() {
    }

    /**
     * What an archive holds.
     *
     * @param kept   contents by path, of the files that were asked for
     * @param hashes SHA-256 by path, of every file
     */
    public record Contents(Map<String, byte[]> kept, Map<String, String> hashes) {
    }

    /** Sorted entries, stored without compression and without clock time, so the bytes do not hang on a machine's zlib. */
    public static byte[] write(Map<String, byte[]> files) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (Writer writer = new Writer(bytes)) {
            for (Map.Entry<String, byte[]> file : new TreeMap<>(files).entrySet()) {
                CRC32 crc = new CRC32();
                crc.update(file.getValue());
                writer.begin(file.getKey(), file.getValue().length, crc.getValue()).write(file.getValue());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /** Writes an archive file by file, of which none has to be in memory. */
    public static final class Writer implements Closeable {

        private final ZipOutputStream zip;

        public Writer(OutputStream out) {
            zip = new ZipOutputStream(out);
            zip.setMethod(ZipOutputStream.STORED);
        }

        /** Begins the next file; its bytes are written to what is answered. @param size of all of it @param crc CRC-32 of all of it */
        public OutputStream begin(String path, long size, long crc) throws IOException {
            ZipEntry entry = new ZipEntry(path);
            entry.setTimeLocal(NO_TIME);
            entry.setSize(size);
            entry.setCompressedSize(size);
            entry.setCrc(crc);
            zip.putNextEntry(entry);
            return zip;
        }

        @Override
        public void close() throws IOException {
            zip.close();
        }
    }

    /** Every file of an archive of our own that is in memory anyway. @throws FormatException as {@link #read(InputStream, String, Predicate)} */
    public static Map<String, byte[]> read(byte[] archive, String place) {
        return read(new ByteArrayInputStream(archive), place, path -> true, Long.MAX_VALUE).kept();
    }

    /**
     * Reads an archive from elsewhere as a stream.
     *
     * @param keep which paths are kept in memory; the others are only hashed
     * @throws FormatException for anything broken, oversized, doubled or reaching outside the archive
     */
    public static Contents read(InputStream archive, String place, Predicate<String> keep) {
        return read(archive, place, keep, MOST_KEPT_BYTES);
    }

    private static Contents read(InputStream archive, String place, Predicate<String> keep, long mostKept) {
        Contents contents = new Contents(new TreeMap<>(), new TreeMap<>());
        Counted counted = new Counted(archive);
        Tally tally = new Tally(counted, place, mostKept);
        try (ZipInputStream zip = new ZipInputStream(counted)) {
            for (ZipEntry entry = next(zip, place); entry != null; entry = next(zip, place)) {
                if (entry.isDirectory()) {
                    continue;
                }
                String name = entry.getName();
                if (contents.hashes().containsKey(name)) {
                    throw new FormatException(place, "holds \"" + name + "\" twice");
                }
                if (contents.hashes().size() >= MOST_FILES) {
                    throw new FormatException(place, "holds more than " + MOST_FILES + " files");
                }
                take(zip, name, keep.test(name), contents, tally);
            }
        } catch (IOException | IllegalArgumentException e) {
            throw new FormatException(place, "is a broken ZIP archive after " + contents.hashes().size() + " files");
        }
        if (contents.hashes().isEmpty()) {
            throw new FormatException(place, "is an empty or broken ZIP archive, or none");
        }
        return contents;
    }

    private static ZipEntry next(ZipInputStream zip, String place) throws IOException {
        ZipEntry entry = zip.getNextEntry();
        if (entry != null) {
            String name = entry.getName();
            if (name.startsWith("/") || name.contains("..") || name.contains("\\") || name.contains(":") || name.length() > 200
                    || name.chars().anyMatch(c -> c < 32)) {
                throw new FormatException(place, "holds a file with the path \"" + name.replaceAll("\\p{Cntrl}", "?") + "\", which is not allowed");
            }
        }
        return entry;
    }

    private static void take(ZipInputStream zip, String name, boolean keep, Contents contents, Tally tally) throws IOException {
        MessageDigest digest = Hashes.digest();
        ByteArrayOutputStream content = new ByteArrayOutputStream();
        byte[] buffer = new byte[65536];
        long size = 0;
        for (int n = zip.read(buffer); n >= 0; n = zip.read(buffer)) {
            size += n;
            tally.add(name, size, n, keep);
            digest.update(buffer, 0, n);
            if (keep) {
                content.write(buffer, 0, n);
            }
        }
        contents.hashes().put(name, HexFormat.of().formatHex(digest.digest()));
        if (keep) {
            contents.kept().put(name, content.toByteArray());
        }
    }

    /** An archive that is itself so large holds as much; one that is not has no business to. @param total bytes that have come out of it @param read bytes of it that were read */
    static boolean tooLarge(long total, long read) {
        return total > MOST_BYTES && total > MOST_RATIO_OF_LARGE * read;
    }

    /** What has come out of an archive so far, against what may. */
    private static final class Tally {
        private final Counted in;
        private final String place;
        private final long mostKept;
        private long total;
        private long kept;

        Tally(Counted in, String place, long mostKept) {
            this.in = in;
            this.place = place;
            this.mostKept = mostKept;
        }

        void add(String name, long entry, int bytes, boolean keeps) {
            total += bytes;
            kept += keeps ? bytes : 0;
            if (total > SMALL_BYTES && total > MOST_RATIO * in.bytes) {
                throw new FormatException(place, "unpacks to more than " + MOST_RATIO + " times its size, at \"" + name + "\"; that is no release of ours");
            }
            if (tooLarge(total, in.bytes) || kept > mostKept || keeps && mostKept != Long.MAX_VALUE && entry > MOST_ENTRY_BYTES) {
                throw new FormatException(place, "unpacks to more than is allowed, at \"" + name + "\": " + MOST_ENTRY_BYTES / 1_000_000 + " MB for a file, "
                        + MOST_KEPT_BYTES / 1_000_000 + " MB for patches and recordings together");
            }
        }
    }

    /** Counts what is read. */
    private static final class Counted extends FilterInputStream {
        private long bytes;

        Counted(InputStream in) {
            super(in);
        }

        @Override
        public int read() throws IOException {
            int b = super.read();
            bytes += b < 0 ? 0 : 1;
            return b;
        }

        @Override
        public int read(byte[] buffer, int offset, int length) throws IOException {
            int n = super.read(buffer, offset, length);
            bytes += Math.max(0, n);
            return n;
        }
    }
}
