package gentlecomet.craft.command;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.FormatException;
import gentlecomet.craft.release.check.ReleaseCheck;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Takes a release apart again. */
@Command(name = "import", description = "Reads the ZIP of a release, holds it against its checksums, and writes its collection into a folder.")
final class ImportCommand implements Callable<Integer> {

    @Parameters(paramLabel = "F.zip")
    private Path archive;
    @Option(names = "--into", required = true, paramLabel = "FOLDER", description = "one that is empty or not there yet")
    private Path folder;

    @Override
    public Integer call() throws IOException {
        if (!Files.isRegularFile(archive)) {
            throw new FormatException(archive.toString(), "there is no such file");
        }
        CollectionFile collection;
        try (InputStream in = Files.newInputStream(archive)) {
            collection = ReleaseCheck.read(in, archive.getFileName().toString());
        }
        CollectionFolder.write(collection, folder);
        System.out.printf("%s: %s, %d patches%n", folder, collection.name(), collection.banks().stream().mapToInt(b -> b.slots().size()).sum());
        return 0;
    }
}
