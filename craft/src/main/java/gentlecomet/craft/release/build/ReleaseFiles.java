package gentlecomet.craft.release.build;

import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.ZipFormat;
import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.zip.CRC32;
import java.util.zip.CheckedInputStream;

/** The files of a release while it is being built, on disk, and what the manifest says of demos. Memory holds their paths and sums alone. Several threads may write. */
public final class ReleaseFiles {

    private final Path folder;
    private final Map<String, Entry> entries = new ConcurrentSkipListMap<>();
    private final Map<String, String> samples = new ConcurrentSkipListMap<>();
    private final AtomicInteger made = new AtomicInteger();

    /** @param number of its file on disk, so that no name has to fit a file system @param shown whether it goes into the archive */
    private record Entry(int number, long size, long crc, String hash, boolean shown) {
        Entry show() {
            return new Entry(number, size, crc, hash, true);
        }
    }

    /** @param folder an empty one, which the caller removes */
    public ReleaseFiles(Path folder) {
        this.folder = folder;
    }

    /** @throws IllegalStateException when there is such a file already */
    void put(String path, byte[] content) {
        put(path, content, true);
    }

    /** A file for other exporters, which goes into the archive only when one of them shows it. */
    void keep(String path, byte[] content) {
        put(path, content, false);
    }

    /** Makes a file that was kept part of the archive. */
    void show(String path) {
        entries.computeIfPresent(path, (p, entry) -> entry.show());
    }

    private void put(String path, byte[] content, boolean shown) {
        if (entries.containsKey(path)) {
            throw new IllegalStateException("two exporters write " + path);
        }
        CRC32 crc = new CRC32();
        crc.update(content);
        Entry entry = new Entry(made.getAndIncrement(), content.length, crc.getValue(), Hashes.of(content), shown);
        try {
            Files.write(file(entry), content);
        } catch (IOException e) {
            throw new UncheckedIOException("the disk took no more at " + path, e);
        }
        entries.put(path, entry);
    }

    /** Takes over a file that was written beside; it is moved. @param written by way of {@link #beside} */
    void put(String path, Path written) {
        if (entries.containsKey(path)) {
            throw new IllegalStateException("two exporters write " + path);
        }
        CRC32 crc = new CRC32();
        MessageDigest digest = Hashes.digest();
        try (InputStream in = new CheckedInputStream(new DigestInputStream(Files.newInputStream(written), digest), crc)) {
            byte[] buffer = new byte[1 << 16];
            long size = 0;
            for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
                size += n;
            }
            Entry entry = new Entry(made.getAndIncrement(), size, crc.getValue(), HexFormat.of().formatHex(digest.digest()), true);
            Files.move(written, file(entry));
            entries.put(path, entry);
        } catch (IOException e) {
            throw new UncheckedIOException("the disk took no more at " + path, e);
        }
    }

    /** A file of the builder's own, for what is too large for memory. */
    Path beside(String name) {
        return folder.resolve("beside-" + name);
    }

    boolean has(String path) {
        return entries.containsKey(path);
    }

    /** What was written. @throws IllegalStateException when there is no such file */
    byte[] read(String path) {
        Entry entry = entries.get(path);
        if (entry == null) {
            throw new IllegalStateException("nothing has written " + path);
        }
        try {
            return Files.readAllBytes(file(entry));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Notes the hash of a demo's samples before they were cut to 24 bits. @param path of the demo */
    void noteSamples(String path, String hash) {
        samples.put(path, hash);
    }

    /** The hash of a demo's samples, empty when the release has no such demo. */
    String samples(String path) {
        return samples.getOrDefault(path, "");
    }

    /** SHA-256 by path, sorted. */
    Map<String, String> hashes() {
        Map<String, String> hashes = new TreeMap<>();
        entries.forEach((path, entry) -> {
            if (entry.shown()) {
                hashes.put(path, entry.hash());
            }
        });
        return hashes;
    }

    /** Everything that is here, as {@link #unpack} takes it. */
    void pack(OutputStream to) throws IOException {
        DataOutputStream out = new DataOutputStream(new BufferedOutputStream(to));
        out.writeInt(samples.size());
        for (Map.Entry<String, String> s : samples.entrySet()) {
            out.writeUTF(s.getKey());
            out.writeUTF(s.getValue());
        }
        out.writeInt(entries.size());
        for (Map.Entry<String, Entry> e : entries.entrySet()) {
            out.writeUTF(e.getKey());
            out.writeBoolean(e.getValue().shown());
            out.writeInt((int) e.getValue().size());
            Files.copy(file(e.getValue()), out);
        }
        out.flush();
    }

    /** Adds what was packed elsewhere. @throws EOFException where it ends too early */
    void unpack(InputStream from) throws IOException {
        DataInputStream in = new DataInputStream(new BufferedInputStream(from));
        for (int n = in.readInt(); n > 0; n--) {
            noteSamples(in.readUTF(), in.readUTF());
        }
        for (int n = in.readInt(); n > 0; n--) {
            String path = in.readUTF();
            boolean shown = in.readBoolean();
            byte[] content = new byte[in.readInt()];
            in.readFully(content);
            put(path, content, shown);
        }
    }

    /** Writes all of them as a ZIP. */
    void zip(OutputStream out) throws IOException {
        try (ZipFormat.Writer writer = new ZipFormat.Writer(out)) {
            for (Map.Entry<String, Entry> e : entries.entrySet().stream().filter(e -> e.getValue().shown()).toList()) {
                Files.copy(file(e.getValue()), writer.begin(e.getKey(), e.getValue().size(), e.getValue().crc()));
            }
        }
    }

    private Path file(Entry entry) {
        return folder.resolve(String.valueOf(entry.number()));
    }
}
