package gentlecomet.bench;

import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.engine.Engine;
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

/** Renders one second of held voices at 48 kHz; 1000 divided by the milliseconds is the real-time factor. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 6, time = 2)
@Fork(1)
public class VoiceRendering {

    private static final int RATE = 48000;

    /** The lead of the demo has two saws of seven copies, filter, envelopes, LFO, routes, delay and reverb. */
    @Param({"a010-curlew-lead", "plain"})
    public String patch;
    @Param({"1", "8"})
    public int voices;

    private final double[] left = new double[RATE];
    private final double[] right = new double[RATE];
    private Engine engine;

    @Setup
    public void holdNotes() throws IOException {
        engine = new Engine(RATE);
        engine.load(PatchImage.of(read()));
        for (int v = 0; v < voices; v++) {
            engine.noteOn(45 + 3 * v, 100);
        }
        engine.render(left, right, 0, RATE);
    }

    private Patch read() throws IOException {
        if (patch.equals("plain")) {
            return Patch.neutral("Plain");
        }
        try (InputStream in = getClass().getResourceAsStream("/demo/saltmarsh-field-kit/patches/" + patch + ".json")) {
            return PatchFormat.read(new String(in.readAllBytes(), StandardCharsets.UTF_8), patch);
        }
    }

    @Benchmark
    public double oneSecond() {
        engine.render(left, right, 0, RATE);
        return left[100] + right[200];
    }
}
