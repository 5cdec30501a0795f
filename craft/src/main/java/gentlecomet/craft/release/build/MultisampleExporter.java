package gentlecomet.craft.release.build;

import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.craft.sample.SamplingPlan;
import gentlecomet.craft.sample.SfzWriter;
import java.nio.charset.StandardCharsets;
import java.util.function.DoubleConsumer;

/** Each patch sampled over keys and velocities, as WAV with loops, and an SFZ file that names them. */
final class MultisampleExporter implements Exporter {

    static final String ID = "multisamples";

    @Override
    public String id() {
        return ID;
    }

    @Override
    public String text() {
        return "multisamples as WAV with loops, and SFZ";
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
        for (ReleasePatch p : contents.patches()) {
            String folder = SampledNotes.path(p);
            SfzWriter sfz = new SfzWriter(p.slot().patch().name(), folder.substring(SampledNotes.FOLDER.length()) + "/");
            for (SampledNotes.Kept kept : SampledNotes.of(files, p)) {
                files.show(folder + "/" + kept.file());
                sfz.region(kept.note(), kept.file());
            }
            files.put(folder + ".sfz", sfz.toString().getBytes(StandardCharsets.UTF_8));
        }
    }
}
