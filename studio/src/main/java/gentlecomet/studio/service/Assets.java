package gentlecomet.studio.service;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.edit.SetRecording;
import gentlecomet.craft.edit.SetShape;
import gentlecomet.craft.edit.Together;
import gentlecomet.craft.format.SoundAsset;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.measure.HitAnalysis;
import gentlecomet.craft.measure.PitchFinder;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.SoundFile;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.source.Recording;
import gentlecomet.sound.source.Recordings;
import gentlecomet.studio.store.AssetStore;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Service;

/** The sound files of collections: taken in, handed to engines, and turned into edits of a patch. */
@Service
public class Assets implements Recordings {

    /** Recordings kept ready for engines, in frames together: 96 MB of stereo. */
    private static final long READY_FRAMES = 12_000_000;

    private final AssetStore store;
    private final Map<Double, Recording> ready = new LinkedHashMap<>(16, 0.75f, true);

    public Assets(AssetStore store) {
        this.store = store;
    }

    /** Reads and keeps a file. @throws gentlecomet.craft.format.FormatException when it cannot be taken */
    public SoundAsset add(long collectionId, byte[] content, String fileName) {
        SoundAsset asset = SoundAsset.read(content, fileName);
        store.add(collectionId, asset);
        return asset;
    }

    /** A file by its hash. */
    public SoundAsset get(String hash) {
        return SoundAsset.read(store.content(hash).orElseThrow(() -> new MissingException("This recording is no longer there.")), hash);
    }

    @Override
    public Recording find(double key) {
        synchronized (ready) {
            Recording known = ready.get(key);
            if (known != null) {
                return known;
            }
        }
        Recording read = store.contentByKey(key).map(content -> SoundAsset.read(content, "recording").recording()).orElse(null);
        synchronized (ready) {
            if (read != null) {
                ready.put(key, read);
                long frames = ready.values().stream().mapToLong(Recording::frames).sum();
                while (frames > READY_FRAMES && ready.size() > 1) {
                    Double eldest = ready.keySet().iterator().next();
                    frames -= ready.remove(eldest).frames();
                }
            }
        }
        return read;
    }

    /** Content by hash of every file that patches refer to. */
    public Map<String, byte[]> neededBy(Collection<Patch> patches) {
        Map<String, byte[]> needed = new TreeMap<>();
        for (Patch patch : patches) {
            for (SoundFile file : patch.recordings()) {
                store.content(file.hash()).ifPresent(content -> needed.put(file.hash(), content));
            }
        }
        return needed;
    }

    /** Gives a recording to a source; where its wave is a recording it is tuned by what the file says or by its pitch. */
    public PatchEdit recordingEdit(Patch patch, int layer, int source, SoundAsset asset, String name) {
        int at = Parameters.ofSource(layer, source, 0);
        List<PatchEdit> edits = new ArrayList<>();
        edits.add(new SetRecording(layer, source, new SoundFile(SoundFile.place(layer, source), asset.hash(), name)));
        String words = place(layer, source) + ": recording " + name;
        if (patch.value(at + SourceParameters.WAVE) == SourceParameters.WAVE_RECORDING) {
            WavFormat.Sampler sampler = WavFormat.sampler(asset.content());
            double hz = sampler == null ? PitchFinder.hz(asset.audio(), Math.min(0.1, asset.audio().seconds() / 8), Math.min(2, asset.audio().seconds()))
                    : Double.NaN;
            if (sampler != null) {
                edits.add(set(at + SourceParameters.ROOT_KEY, sampler.rootKey()));
                words += ", root key " + KeyName.of(sampler.rootKey()) + " as the file says";
                if (sampler.loops()) {
                    edits.add(set(at + SourceParameters.LOOP, 1));
                    edits.add(set(at + SourceParameters.LOOP_START, 100.0 * sampler.loopStart() / asset.audio().frames()));
                    edits.add(set(at + SourceParameters.LOOP_END, Math.min(100, 100.0 * (sampler.loopEnd() + 1) / asset.audio().frames())));
                }
            } else if (!Double.isNaN(hz)) {
                double pitch = 69 + 12 * Math.log(hz / 440) / Math.log(2);
                int key = (int) Math.max(0, Math.min(127, Math.rint(pitch)));
                double cents = Math.max(-50, Math.min(50, 100 * (pitch - key)));
                edits.add(set(at + SourceParameters.ROOT_KEY, key));
                edits.add(set(at + SourceParameters.CENTS, -cents));
                words += String.format(Locale.ROOT, ", root key %s found by its pitch (%+.0f ct)", KeyName.of(key), cents);
            }
        }
        return new Together(words, edits);
    }

    /**
     * Gives a struck body the partials of a recorded hit; the body then sounds at the hit's own pitch on the nearest key.
     *
     * @param momentSeconds after the strike at which the levels are read
     */
    public PatchEdit hitEdit(int layer, int source, SoundAsset hit, double momentSeconds, int most, HitAnalysis.Kind kind) {
        List<HitAnalysis.Partial> partials = HitAnalysis.partials(hit.audio(), momentSeconds, most, kind);
        if (partials.isEmpty()) {
            throw new RefusedException("Nothing in \"" + hit.name() + "\" stands out at that moment; choose an earlier one or a louder recording.");
        }
        double base = base(partials);
        double pitch = 69 + 12 * Math.log(base / 440) / Math.log(2);
        double decay = Math.max(0.02, Math.min(20, partials.stream().mapToDouble(HitAnalysis.Partial::decaySeconds).max().orElse(1)));
        List<double[]> rows = new ArrayList<>();
        for (HitAnalysis.Partial p : partials) {
            double ratio = p.hz() / base;
            if (ratio >= 0.1 && ratio <= 64) {
                rows.add(new double[] {ratio, Math.max(-96, p.levelDb()), Math.max(1, Math.min(400, 100 * p.decaySeconds() / decay))});
            }
        }
        double[] modes = rows.stream().flatMapToDouble(java.util.Arrays::stream).map(v -> Math.rint(v * 1e4) / 1e4).toArray();
        int at = Parameters.ofSource(layer, source, 0);
        int key = (int) Math.rint(pitch);
        return new Together(String.format(Locale.ROOT, "%s: %d partials of \"%s\", lowest %.1f Hz (%s)", place(layer, source), rows.size(), hit.name(),
                base, KeyName.of(Math.max(0, Math.min(127, key)))),
                List.of(new SetShape(Shapes.ALL.get(Shapes.modes(layer, source)), modes),
                        choice(at + SourceParameters.WAVE, "body"), choice(at + SourceParameters.BODY_SET, "analysed"),
                        set(at + SourceParameters.BODY_PARTIALS, rows.size()), set(at + SourceParameters.BODY_DECAY, decay),
                        set(at + SourceParameters.BODY_TILT, 0), set(at + SourceParameters.CENTS, 100 * (pitch - key))));
    }

    /** The lowest partial that is not far weaker than the strongest: the one whose pitch is heard. */
    private static double base(List<HitAnalysis.Partial> partials) {
        return partials.stream().filter(p -> p.levelDb() > -30).findFirst().orElse(partials.get(0)).hz();
    }

    /** A rendered sound as a file of a collection. */
    public SoundAsset bounced(long collectionId, Audio audio, String name) {
        return add(collectionId, WavFormat.write24(audio), name + ".wav");
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
