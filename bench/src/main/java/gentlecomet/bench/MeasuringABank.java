package gentlecomet.bench;

import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.patch.Patch;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Renders and measures every patch of the demo bank on one thread. Run from the checkout's root. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 1)
@Measurement(iterations = 3)
@Fork(1)
public class MeasuringABank {

    private static final Path DEMO = Path.of("craft/src/main/resources/demo/saltmarsh-field-kit");

    private CollectionFile demo;

    @Setup
    public void read() throws IOException {
        Map<String, byte[]> files = new TreeMap<>();
        try (Stream<Path> walk = Files.walk(DEMO)) {
            for (Path file : walk.filter(Files::isRegularFile).toList()) {
                files.put(DEMO.relativize(file).toString(), Files.readAllBytes(file));
            }
        }
        demo = CollectionFormat.read(files);
    }

    @Benchmark
    public double wholeBank() {
        Measuring measuring = new Measuring();
        double sum = 0;
        List<Patch> patches = demo.banks().get(0).slots().stream().map(CollectionFile.Slot::patch).toList();
        for (Patch patch : patches) {
            sum += measuring.measure(patch, demo.rules().phraseFor(patch.naming().category())).integratedLufs();
        }
        return sum;
    }
}
