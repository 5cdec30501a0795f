package gentlecomet.craft.release.build;

import gentlecomet.craft.format.AssetFiles;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.format.Hashes;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.sample.SamplingPlan;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;

/** Each patch playing the phrase of its category. */
public final class DemoExporter implements PartExporter {

    @Override
    public String id() {
        return "demos";
    }

    @Override
    public String text() {
        return "24-bit WAV demos, 48 kHz, stereo";
    }

    @Override
    public double seconds(int patches, SamplingPlan plan) {
        return 0.35 * patches;
    }

    @Override
    public long bytes(int patches, SamplingPlan plan) {
        return 2_500_000L * patches;
    }

    @Override
    public void part(ReleaseContents contents, ReleasePatch patch, ReleaseFiles files) {
        Rendering rendering = new Rendering(Measuring.RATE, new AssetFiles(contents.collection().assets()));
        Audio demo = demo(rendering, patch.slot().patch(), contents.collection().rules().phraseFor(patch.slot().patch().naming().category()));
        files.put(path(patch), WavFormat.write24(demo));
        files.noteSamples(path(patch), Hashes.samples(demo));
    }

    /** Where the demo of a patch stands in a release. */
    public static String path(ReleasePatch patch) {
        return "demos/" + CollectionFormat.fileName(patch.bank(), patch.slot()) + ".wav";
    }

    /** Id of the phrase that a patch plays. */
    public static String phrase(HouseRules rules, ReleasePatch patch) {
        return rules.phraseOf(patch.slot().patch().naming().category());
    }

    /** The demo of a patch: its category's phrase, ridden as its maker wants it heard. */
    public static Audio demo(Rendering rendering, Patch patch, Phrase phrase) {
        return rendering.render(patch, phrase.as(patch));
    }
}
