package gentlecomet.studio.web;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.edit.SetShape;
import gentlecomet.craft.edit.Together;
import gentlecomet.craft.format.ScalaFormat;
import gentlecomet.craft.format.SoundAsset;
import gentlecomet.craft.measure.FewestPartials;
import gentlecomet.craft.measure.HitAnalysis;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.studio.service.Assets;
import gentlecomet.studio.service.Banks;
import gentlecomet.studio.service.PatchEditing;
import gentlecomet.studio.service.RefusedException;
import gentlecomet.studio.store.AssetStore;
import gentlecomet.studio.store.PatchStore.PatchRow;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** Sound files and tunings: taken in, given to sources, listed, taken out. */
@Controller
class AssetController {

    private static final int LARGEST_TUNING = 200_000;

    private final Assets assets;
    private final AssetStore store;
    private final PatchEditing editing;
    private final BenchModel bench;
    private final Banks banks;
    private final Frames frames;

    AssetController(Assets assets, AssetStore store, PatchEditing editing, BenchModel bench, Banks banks, Frames frames) {
        this.assets = assets;
        this.store = store;
        this.editing = editing;
        this.bench = bench;
        this.banks = banks;
        this.frames = frames;
    }

    @GetMapping("/collections/{id}/assets")
    String list(@PathVariable long id, Model model) {
        model.addAttribute("frame", frames.ofCollection("Recordings", "assets", id));
        model.addAttribute("assets", store.of(id));
        return "assets";
    }

    @PostMapping("/collections/{id}/assets")
    String add(@PathVariable long id, @RequestParam MultipartFile file) throws IOException {
        banks.collection(id);
        assets.add(id, content(file), name(file));
        return "redirect:/collections/" + id + "/assets";
    }

    @PostMapping("/collections/{id}/assets/{hash}/remove")
    String remove(@PathVariable long id, @PathVariable String hash) {
        store.of(id).stream().filter(a -> a.hash().equals(hash) && !a.unused()).findFirst().ifPresent(a -> {
            throw new RefusedException("\"" + a.name() + "\" is used by " + String.join(", ", a.users()) + "; it stays.");
        });
        store.remove(id, hash);
        return "redirect:/collections/" + id + "/assets";
    }

    /** The file itself. */
    @GetMapping("/assets/{hash}.wav")
    ResponseEntity<byte[]> wav(@PathVariable String hash) {
        return forGood().contentType(MediaType.parseMediaType("audio/wav")).body(assets.get(hash).content());
    }

    /** For the audio thread: 32-bit floats, little-endian: sample rate, channels, the left channel, the right channel of a stereo file. */
    @GetMapping("/assets/{hash}/samples")
    ResponseEntity<byte[]> samples(@PathVariable String hash) {
        Audio audio = assets.get(hash).audio();
        boolean mono = audio.left() == audio.right();
        ByteBuffer out = ByteBuffer.allocate(4 * (2 + audio.frames() * (mono ? 1 : 2))).order(ByteOrder.LITTLE_ENDIAN);
        out.putFloat(audio.sampleRate()).putFloat(mono ? 1 : 2);
        for (float v : audio.left()) {
            out.putFloat(v);
        }
        if (!mono) {
            for (float v : audio.right()) {
                out.putFloat(v);
            }
        }
        return forGood().contentType(MediaType.APPLICATION_OCTET_STREAM).body(out.array());
    }

    /** A file for a source: played as it is, read as a table, or, for a struck body, taken apart into partials. */
    @PostMapping("/patches/{id}/files")
    String take(@PathVariable long id, @RequestParam long version, @RequestParam int layer, @RequestParam int source, @RequestParam MultipartFile file,
            Model model) throws IOException {
        PatchRow row = editing.get(id);
        check(layer, source);
        SoundAsset asset = assets.add(banks.collectionOf(row).id(), content(file), name(file));
        return give(row, version, layer, source, asset, asset.name(), model);
    }

    /** A file that the collection has, for a source. */
    @PostMapping("/patches/{id}/recording")
    String use(@PathVariable long id, @RequestParam long version, @RequestParam int layer, @RequestParam int source, @RequestParam String hash,
            Model model) {
        PatchRow row = editing.get(id);
        check(layer, source);
        SoundAsset asset = assets.get(hash);
        return give(row, version, layer, source, asset, store.name(banks.collectionOf(row).id(), hash).orElse(asset.name()), model);
    }

    private String give(PatchRow row, long version, int layer, int source, SoundAsset asset, String name, Model model) {
        int wave = (int) row.patch().value(Parameters.ofSource(layer, source, SourceParameters.WAVE));
        PatchEdit edit = wave == SourceParameters.WAVE_BODY ? assets.hitEdit(layer, source, named(asset, name), 0.03, 24, HitAnalysis.Kind.INHARMONIC)
                : assets.recordingEdit(row.patch(), layer, source, asset, name);
        if (wave == SourceParameters.WAVE_BODY) {
            // The hit stays with its source, so that it can be taken apart again at another moment.
            edit = new Together(edit.label(row.patch()), List.of(edit, assets.recordingEdit(row.patch(), layer, source, asset, name)));
        }
        return bench.part(editing.edit(row.id(), version, "", edit), model);
    }

    /** Takes the hit of a struck body apart again. */
    @PostMapping("/patches/{id}/hit")
    String hit(@PathVariable long id, @RequestParam long version, @RequestParam int layer, @RequestParam int source, @RequestParam double milliseconds,
            @RequestParam int most, @RequestParam(defaultValue = "false") boolean harmonic, Model model) {
        PatchRow row = editing.get(id);
        check(layer, source);
        if (row.patch().recording(layer, source) == null) {
            throw new RefusedException("This source has no recorded hit yet.");
        }
        if (!(milliseconds >= 0 && milliseconds <= 5000) || most < 1 || most > 64) {
            throw new RefusedException("A hit is read at a moment from 0 to 5000 ms, into 1 to 64 partials.");
        }
        SoundAsset asset = assets.get(row.patch().recording(layer, source).hash());
        return bench.part(editing.edit(id, version, "", assets.hitEdit(layer, source, named(asset, row.patch().recording(layer, source).name()),
                milliseconds / 1000, most, harmonic ? HitAnalysis.Kind.HARMONIC : HitAnalysis.Kind.INHARMONIC)), model);
    }

    /** The patch itself as a recording of one of its sources: one note, with its tail. */
    @PostMapping("/patches/{id}/bounce")
    String bounce(@PathVariable long id, @RequestParam long version, @RequestParam int layer, @RequestParam int source, @RequestParam String key,
            @RequestParam double seconds, Model model) {
        PatchRow row = editing.get(id);
        check(layer, source);
        int number = KeyName.parse(key);
        if (number < 0 || !(seconds >= 0.05 && seconds <= 20)) {
            throw new RefusedException("A bounce needs a key such as C3 and a length from 0.05 to 20 s.");
        }
        Audio audio = new Rendering(Measuring.RATE, assets).render(PatchImage.of(row.patch()), Phrase.single(number, 100, seconds), 20,
                Rendering.Hands.AT_REST).audio();
        SoundAsset asset = assets.bounced(banks.collectionOf(row).id(), audio, row.name() + " " + KeyName.of(number));
        int at = Parameters.ofSource(layer, source, 0);
        Patch patch = row.patch();
        PatchEdit wave = new PatchEdit.SetValue(Parameters.at(at + SourceParameters.WAVE), SourceParameters.WAVE_RECORDING);
        PatchEdit file = assets.recordingEdit(patch, layer, source, asset, asset.name());
        PatchEdit root = new PatchEdit.SetValue(Parameters.at(at + SourceParameters.ROOT_KEY), number);
        String words = "Layer " + (layer + 1) + " source " + (source + 1) + ": bounce of " + KeyName.of(number);
        return bench.part(editing.edit(id, version, "", new Together(words, List.of(wave, file, root))), model);
    }

    /** As few partials of a source as sound the same as all of them. */
    @PostMapping("/patches/{id}/fewest")
    String fewest(@PathVariable long id, @RequestParam long version, @RequestParam int layer, @RequestParam int source, Model model) {
        PatchRow row = editing.get(id);
        check(layer, source);
        FewestPartials.Result result;
        try {
            result = new FewestPartials(assets).of(row.patch(), layer, source);
        } catch (IllegalArgumentException e) {
            throw new RefusedException("Only partials and struck bodies have partials to count.");
        }
        int at = Parameters.ofSource(layer, source, 0);
        int count = row.patch().value(at + SourceParameters.WAVE) == SourceParameters.WAVE_BODY ? SourceParameters.BODY_PARTIALS
                : SourceParameters.PARTIAL_COUNT;
        String words = String.format(Locale.ROOT, "Layer %d source %d: %d partials sound like %d (largest change %.1f dB)", layer + 1, source + 1,
                result.fewest(), result.before(), result.largestChangeDb());
        model.addAttribute("said", result.fewest() == result.before() ? "All " + result.before() + " partials are heard: with fewer it sounds different."
                : result.fewest() + " partials sound like " + result.before() + ".");
        return bench.part(editing.edit(id, version, "", new Together(words,
                List.of(new PatchEdit.SetValue(Parameters.at(at + count), result.fewest())))), model);
    }

    /** A tuning from a .scl file, with a .kbm file or without. */
    @PostMapping("/patches/{id}/tuning")
    String tuning(@PathVariable long id, @RequestParam long version, @RequestParam MultipartFile scale, @RequestParam(required = false) MultipartFile map,
            Model model) throws IOException {
        if (scale.isEmpty() || scale.getSize() > LARGEST_TUNING || map != null && map.getSize() > LARGEST_TUNING) {
            throw new RefusedException("Choose a scale file (.scl) of up to 200 kB.");
        }
        boolean mapped = map != null && !map.isEmpty();
        double[] offsets = ScalaFormat.offsets(new String(scale.getBytes(), StandardCharsets.UTF_8), name(scale),
                mapped ? new String(map.getBytes(), StandardCharsets.UTF_8) : null, mapped ? name(map) : "");
        return bench.part(editing.edit(id, version, "", new Together("Tuning " + name(scale) + (mapped ? " with " + name(map) : ""),
                List.of(new SetShape(Shapes.ALL.get(Shapes.SCALE), offsets)))), model);
    }

    private static SoundAsset named(SoundAsset asset, String name) {
        return new SoundAsset(asset.hash(), name, asset.content(), asset.audio());
    }

    private static byte[] content(MultipartFile file) throws IOException {
        if (file.isEmpty()) {
            throw new RefusedException("Choose a WAV file first.");
        }
        if (file.getSize() > SoundAsset.LARGEST) {
            throw new RefusedException(name(file) + ": expected at most " + SoundAsset.LARGEST / 1_000_000 + " MB, found "
                    + file.getSize() / 1_000_000 + " MB. Nothing was changed.");
        }
        return file.getBytes();
    }

    private static String name(MultipartFile file) {
        return file.getOriginalFilename() == null || file.getOriginalFilename().isBlank() ? "the file" : file.getOriginalFilename();
    }

    private static void check(int layer, int source) {
        if (layer < 0 || layer >= Parameters.LAYERS || source < 0 || source >= LayerParameters.SOURCES) {
            throw new RefusedException("There is no such source.");
        }
    }

    private static ResponseEntity.BodyBuilder forGood() {
        return ResponseEntity.ok().cacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable());
    }
}
