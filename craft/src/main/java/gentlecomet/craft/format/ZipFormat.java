package gentlecomet.craft.format;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDateTime;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

/** ZIP archives whose bytes depend on their contents alone, and a reader that trusts nothing. */
public final class ZipFormat {

    /** Most files in an archive that is read. */
    public static final int MOST_FILES = 2000;
    /** Most bytes that an archive may unpack to. */
    public static final long MOST_BYTES = 1_500_000_000L;

    private static final LocalDateTime NO_TIME = LocalDateTime.of(1980, 1, 1, 0, 0);

    private ZipFormat() {
    }

    /** Sorted entries, stored without compression and without clock time, so the bytes do not hang on a machine's zlib. */
    public static byte[] write(Map<String, byte[]> files) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            zip.setMethod(ZipOutputStream.STORED);
            for (Map.Entry<String, byte[]> file : new TreeMap<>(files).entrySet()) {
                ZipEntry entry = new ZipEntry(file.getKey());
                CRC32 crc = new CRC32();
                crc.update(file.getValue());
                entry.setTimeLocal(NO_TIME);
                entry.setSize(file.getValue().length);
                entry.setCompressedSize(file.getValue().length);
                entry.setCrc(crc.getValue());
                zip.putNextEntry(entry);
                zip.write(file.getValue());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /** @throws FormatException for anything broken, oversized, doubled or reaching outside the archive */
    public static Map<String, byte[]> read(byte[] archive, String place) {
        Map<String, byte[]> files = new TreeMap<>();
        long total = 0;
        if (archive.length < 4 || archive[0] != 'P' || archive[1] != 'K') {
            throw new FormatException(place, "is not a ZIP archive");
        }
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(archive))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                String name = entry.getName();
                if (name.startsWith("/") || name.contains("..") || name.contains("\\") || name.contains(":") || name.length() > 200) {
                    throw new FormatException(place, "holds a file with the path \"" + name + "\", which is not allowed");
                }
                if (entry.isDirectory()) {
                    continue;
                }
                ByteArrayOutputStream content = new ByteArrayOutputStream();
                byte[] buffer = new byte[65536];
                for (int n = zip.read(buffer); n >= 0; n = zip.read(buffer)) {
                    total += n;
                    if (total > MOST_BYTES || total > 4096L * archive.length) {
                        throw new FormatException(place, "unpacks to more than is allowed");
                    }
                    content.write(buffer, 0, n);
                }
                if (files.put(name, content.toByteArray()) != null || files.size() > MOST_FILES) {
                    throw new FormatException(place, "holds \"" + name + "\" twice or more than " + MOST_FILES + " files");
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            throw new FormatException(place, "is a broken ZIP archive (" + e.getMessage() + ")");
        }
        if (files.isEmpty()) {
            throw new FormatException(place, "is an empty or broken ZIP archive");
        }
        return files;
    }
}
