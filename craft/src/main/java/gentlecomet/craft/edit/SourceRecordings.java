package gentlecomet.craft.edit;

import gentlecomet.craft.format.SoundAsset;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.measure.FewestPartials;
import gentlecomet.craft.measure.HitAnalysis;
import gentlecomet.craft.measure.PitchFinder;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.SoundFile;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** Composite edits that give a recording to a source: played as it is, read as a table, or taken apart into the partials of a modal resonator. */
public final class SourceRecordings {

    /** Moment after the strike at which a hit's levels are read at first, and how many partials are looked for. */
    private static final double HIT_SECONDS = 0.03;
    private static final int HIT_PARTIALS = 24;
    private static final double HEARD_DB = -30;
    private static final double QUIETEST_DB = -96;

    private SourceRecordings() {
    }

    /** What the source does with a file as it is set: a modal resonator takes the hit apart and keeps the file with it, everything else plays or reads it. */
    public static PatchEdit give(Patch patch, int layer, int source, SoundAsset asset, String name) {
        PatchEdit file = use(patch, layer, source, asset, name);
        if (patch.value(Parameters.ofSource(layer, source, SourceParameters.WAVE)) != SourceParameters.WAVE_BODY) {
            return file;
        }
        PatchEdit hit = analyse(layer, source, asset, name, HIT_SECONDS, HIT_PARTIALS, HitAnalysis.Kind.INHARMONIC);
        // The hit stays with its source, so that it can be taken apart again at another moment.
        return new CompositeEdit(hit.label(patch), List.of(hit, file));
    }

    /** Gives a recording to a source; where its wave is a recording it is tuned by what the file says or by its pitch. */
    public static PatchEdit use(Patch patch, int layer, int source, SoundAsset asset, String name) {
        int at = Parameters.ofSource(layer, source, 0);
        List<PatchEdit> edits = new ArrayList<>();
        edits.add(new SetRecording(layer, source, new SoundFile(SoundFile.place(layer, source), asset.hash(), name)));
        String label = place(layer, source) + ": recording " + name;
        if (patch.value(at + SourceParameters.WAVE) == SourceParameters.WAVE_RECORDING) {
            WavFormat.Sampler sampler = WavFormat.sampler(asset.content());
            double hz = sampler == null ? PitchFinder.hz(asset.audio(), Math.min(0.1, asset.audio().seconds() / 8), Math.min(2, asset.audio().seconds()))
                    : Double.NaN;
            if (sampler != null) {
                edits.add(set(at + SourceParameters.ROOT_KEY, sampler.rootKey()));
                label += ", root key " + KeyName.of(sampler.rootKey()) + " as the file says";
                if (sampler.loops()) {
                    edits.add(set(at + SourceParameters.LOOP, 1));
                    edits.add(set(at + SourceParameters.LOOP_START, 100.0 * sampler.loopStart() / asset.audio().frames()));
                    edits.add(set(at + SourceParameters.LOOP_END, Math.min(100, 100.0 * (sampler.loopEnd() + 1) / asset.audio().frames())));
                }
            } else if (!Double.isNaN(hz)) {
                double pitch = pitch(hz);
                int key = (int) Math.max(0, Math.min(127, Math.rint(pitch)));
                double cents = Math.max(-50, Math.min(50, 100 * (pitch - key)));
                edits.add(set(at + SourceParameters.ROOT_KEY, key));
                edits.add(set(at + SourceParameters.CENTS, -cents));
                label += String.format(Locale.ROOT, ", root key %s found by its pitch (%+.0f ct)", KeyName.of(key), cents);
            }
        }
        return new CompositeEdit(label, edits);
    }

    /**
     * Gives a modal resonator the partials of a recorded hit; it then sounds at the hit's own pitch on the nearest key.
     *
     * @param momentSeconds after the strike at which the levels are read
     * @throws PatchEdit.EditException when nothing stands out at that moment
     */
    public static PatchEdit analyse(int layer, int source, SoundAsset hit, String name, double momentSeconds, int most, HitAnalysis.Kind kind) {
        List<HitAnalysis.Partial> partials = HitAnalysis.partials(hit.audio(), momentSeconds, most, kind);
        if (partials.isEmpty()) {
            throw new PatchEdit.EditException("Nothing in \"" + name + "\" stands out at that moment; choose an earlier one or a louder recording.");
        }
        double base = base(partials);
        double pitch = pitch(base);
        double decay = Math.max(0.02, Math.min(20, partials.stream().mapToDouble(HitAnalysis.Partial::decaySeconds).max().orElse(1)));
        List<double[]> rows = new ArrayList<>();
        for (HitAnalysis.Partial p : partials) {
            double ratio = p.hz() / base;
            if (ratio >= 0.1 && ratio <= 64) {
                rows.add(new double[] {ratio, Math.max(QUIETEST_DB, p.levelDb()), Math.max(1, Math.min(400, 100 * p.decaySeconds() / decay))});
            }
        }
        double[] modes = rows.stream().flatMapToDouble(Arrays::stream).map(v -> Math.rint(v * 1e4) / 1e4).toArray();
        int at = Parameters.ofSource(layer, source, 0);
        int key = (int) Math.rint(pitch);
        return new CompositeEdit(String.format(Locale.ROOT, "%s: %d partials of \"%s\", lowest %.1f Hz (%s)", place(layer, source), rows.size(), name,
                base, KeyName.of(Math.max(0, Math.min(127, key)))),
                List.of(new SetShape(Shapes.ALL.get(Shapes.modes(layer, source)), modes),
                        choice(at + SourceParameters.WAVE, "body"), choice(at + SourceParameters.BODY_SET, "analysed"),
                        set(at + SourceParameters.BODY_PARTIALS, rows.size()), set(at + SourceParameters.BODY_DECAY, decay),
                        set(at + SourceParameters.BODY_TILT, 0), set(at + SourceParameters.CENTS, 100 * (pitch - key))));
    }

    /** The patch's own sound at a key becomes the recording of one of its sources. */
    public static PatchEdit bounce(Patch patch, int layer, int source, SoundAsset asset, int key) {
        int at = Parameters.ofSource(layer, source, 0);
        return new CompositeEdit(place(layer, source) + ": bounce of " + KeyName.of(key), List.of(set(at + SourceParameters.WAVE, SourceParameters.WAVE_RECORDING),
                use(patch, layer, source, asset, asset.name()), set(at + SourceParameters.ROOT_KEY, key)));
    }

    /** As few partials of a source as sound the same as all of them. */
    public static PatchEdit fewest(Patch patch, int layer, int source, FewestPartials.Result found) {
        int at = Parameters.ofSource(layer, source, 0);
        int count = patch.value(at + SourceParameters.WAVE) == SourceParameters.WAVE_BODY ? SourceParameters.BODY_PARTIALS : SourceParameters.PARTIAL_COUNT;
        String label = String.format(Locale.ROOT, "%s: %d partials sound like %d (largest change %.1f dB)", place(layer, source), found.fewest(), found.before(),
                found.largestChangeDb());
        return new CompositeEdit(label, List.of(set(at + count, found.fewest())));
    }

    /** The lowest partial that is not far weaker than the strongest: the one whose pitch is heard. */
    private static double base(List<HitAnalysis.Partial> partials) {
        return partials.stream().filter(p -> p.levelDb() > HEARD_DB).findFirst().orElse(partials.get(0)).hz();
    }

    /** MIDI key number of a frequency, with its fraction. */
    private static double pitch(double hz) {
        return 69 + 12 * Math.log(hz / 440) / Math.log(2);
    }

    private static PatchEdit set(int index, double value) {
        return new PatchEdit.SetValue(Parameters.at(index), Parameters.at(index).clamp(value));
    }

    private static PatchEdit choice(int index, String id) {
        return new PatchEdit.SetValue(Parameters.at(index), Parameters.at(index).choices().indexOf(id));
    }

    private static String place(int layer, int source) {
        return "Layer " + (layer + 1) + " source " + (source + 1);
    }
}
