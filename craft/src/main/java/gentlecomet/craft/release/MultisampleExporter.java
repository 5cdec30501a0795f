package gentlecomet.craft.release;

import gentlecomet.craft.format.AssetFiles;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.sample.PatchSampler;
import gentlecomet.craft.sample.SampleWav;
import gentlecomet.craft.sample.SamplingPlan;
import gentlecomet.craft.sample.SfzWriter;
import gentlecomet.sound.performance.Rendering;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.DoubleConsumer;

/** Each patch sampled over keys and velocities, as WAV with loops and an SFZ file that names them. */
final class MultisampleExporter implements Exporter {

    static final String FOLDER = "samples/";

    @Override
    public String id() {
        return "multisamples";
    }

    @Override
    public String text() {
        return "multisamples as 24-bit WAV with loops, and SFZ";
    }

    @Override
    public boolean optional() {
        return true;
    }

    @Override
    public double seconds(int patches, SamplingPlan plan) {
        return plan.seconds() * patches;
    }

    @Override
    public long bytes(int patches, SamplingPlan plan) {
        return plan.bytes() * patches;
    }

    @Override
    public void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress) {
        PatchSampler sampler = new PatchSampler(new Rendering(Measuring.RATE, new AssetFiles(contents.collection().assets())), contents.plan());
        int done = 0;
        for (ReleasePatch p : contents.patches()) {
            double before = done;
            String name = CollectionFormat.fileName(p.bank(), p.slot());
            SfzWriter sfz = new SfzWriter(p.slot().patch().name(), name + "/");
            Map<String, String> info = new LinkedHashMap<>();
            info.put("INAM", p.slot().patch().name());
            info.put("IART", contents.collection().author());
            info.put("IPRD", contents.collection().name() + " " + contents.version());
            sampler.sample(p.slot().patch(), note -> {
                String file = String.format("k%03d-v%03d.wav", note.key(), note.velocity());
                files.put(FOLDER + name + "/" + file, SampleWav.write(note, info));
                sfz.region(note, file);
                progress.accept((before + note.highVelocity() / 128.0) / contents.patches().size());
            });
            files.put(FOLDER + name + ".sfz", sfz.toString().getBytes(StandardCharsets.UTF_8));
            progress.accept((double) ++done / contents.patches().size());
        }
    }
}
