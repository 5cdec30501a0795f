package gentlecomet.craft.release.build;

import gentlecomet.craft.format.AssetFiles;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.craft.sample.PatchSampler;
import gentlecomet.craft.sample.SampleWav;
import gentlecomet.craft.sample.SampledNote;
import gentlecomet.craft.sample.SamplingPlan;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;

/** Records the patches once for every format that wants samples, and keeps them until such a format shows or reads them. */
public final class SampledNotes implements PartExporter {

    public static final String FOLDER = "samples/";

    /** A sample without its sound. @param start of the loop, or -1 where there is none */
    record Kept(String file, int key, int lowKey, int highKey, int velocity, int lowVelocity, int highVelocity, int start, int end, double release, int robin, int robins) {

        static Kept of(String file, SampledNote n) {
            return new Kept(file, n.key(), n.lowKey(), n.highKey(), n.velocity(), n.lowVelocity(), n.highVelocity(), n.loop() == null ? -1 : n.loop().start(),
                    n.loop() == null ? -1 : n.loop().end(), n.release(), n.robin(), n.robins());
        }

        SampledNote note() {
            return new SampledNote(key, lowKey, highKey, velocity, lowVelocity, highVelocity, null, start < 0 ? null : new SampledNote.Loop(start, end), release, robin, robins);
        }
    }

    @Override
    public String id() {
        return "notes";
    }

    @Override
    public String text() {
        return "patches recorded key by key, for formats that hold samples";
    }

    @Override
    public boolean wanted(ReleaseContents contents) {
        return contents.formats().contains(MultisampleExporter.ID) || contents.formats().contains(SoundFontExporter.ID);
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
    public void part(ReleaseContents contents, ReleasePatch patch, ReleaseFiles files) {
        Map<String, String> info = new LinkedHashMap<>();
        info.put("INAM", patch.slot().patch().name());
        info.put("IART", contents.collection().author());
        info.put("IPRD", contents.collection().name() + " " + contents.version());
        List<Kept> list = new ArrayList<>();
        new PatchSampler(new AssetFiles(contents.collection().assets()), contents.plan()).sample(patch.slot().patch(), note -> {
            String file = note.fileName() + ".wav";
            files.keep(path(patch) + "/" + file, SampleWav.write(note, contents.plan().bits(), info));
            list.add(Kept.of(file, note));
        });
        files.keep(list(patch), Json.write(list).getBytes(StandardCharsets.UTF_8));
    }

    /** Folder of a patch's samples, without a slash at its end. */
    public static String path(ReleasePatch patch) {
        return FOLDER + CollectionFormat.fileName(patch.bank(), patch.slot());
    }

    private static String list(ReleasePatch patch) {
        return path(patch) + ".list.json";
    }

    /** The samples of a patch without their sound, as they were recorded. */
    static List<Kept> of(ReleaseFiles files, ReleasePatch patch) {
        return List.of(Json.read(new String(files.read(list(patch)), StandardCharsets.UTF_8), Kept[].class));
    }

    /** Reads the samples of a patch one after the other. */
    static void read(ReleaseFiles files, ReleasePatch patch, Consumer<SampledNote> taker) {
        for (Kept kept : of(files, patch)) {
            String path = path(patch) + "/" + kept.file();
            taker.accept(kept.note().with(WavFormat.read(files.read(path), path)));
        }
    }
}
