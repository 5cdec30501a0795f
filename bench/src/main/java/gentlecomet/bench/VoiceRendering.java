package gentlecomet.bench;

import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.engine.Engine;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * Renders one second of held voices at 48 kHz, with the launcher's options; 1000 divided by the milliseconds is the real-time factor. Every
 * second is timed by itself: where others share the processor, the mean tells of them as well, the median and the fastest of the program.
 */
@State(Scope.Thread)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 6, time = 2)
@Fork(value = 1, jvmArgsAppend = "-XX:MaxVectorSize=16")
public class VoiceRendering {

    private static final int RATE = 48000;

    /**
     * The hall mark: two saws of seven copies, noise, ladder with envelope, two LFOs, eight routes, chorus, delay, reverb,
     * equaliser, limiter. One saw: a single copy through a low-pass. Both stand beside this class.
     */
    @Param({"hall-mark", "one-saw"})
    public String patch;
    @Param({"1", "8"})
    public int voices;
    /** Copies of the first source; 0 leaves the patch as it is. */
    @Param({"0"})
    public int copies;

    private final double[] left = new double[RATE];
    private final double[] right = new double[RATE];
    private Engine engine;

    @Setup
    public void holdNotes() throws IOException {
        engine = new Engine(RATE);
        Patch read = read();
        engine.load(PatchImage.of(copies == 0 ? read : read.withValue(Parameters.find("layer1.source1.unisonVoices"), copies)));
        for (int v = 0; v < voices; v++) {
            engine.noteOn(45 + 3 * v, 100);
        }
        engine.render(left, right, 0, RATE);
    }

    private Patch read() throws IOException {
        try (InputStream in = getClass().getResourceAsStream("/" + patch + ".json")) {
            return PatchFormat.read(new String(in.readAllBytes(), StandardCharsets.UTF_8), patch);
        }
    }

    @Benchmark
    public double oneSecond() {
        engine.render(left, right, 0, RATE);
        return left[100] + right[200];
    }
}
