package gentlecomet.studio.bench;

import gentlecomet.craft.edit.CompositeEdit;
import gentlecomet.craft.edit.SetShape;
import gentlecomet.craft.edit.SourceRecordings;
import gentlecomet.craft.format.ScalaFormat;
import gentlecomet.craft.format.SoundAsset;
import gentlecomet.craft.measure.FewestPartials;
import gentlecomet.craft.measure.HitAnalysis;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.SoundFile;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.Patches;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** What sources of a patch are made of beyond their parameters: sound files, hits taken apart, bounces, and the patch's tuning. */
@Controller
class SourceController {

    private static final int LARGEST_TUNING = 200_000;

    private final Patches patches;
    private final BenchModel bench;
    private final Collections collections;
    private final Assets assets;

    SourceController(Patches patches, BenchModel bench, Collections collections, Assets assets) {
        this.patches = patches;
        this.bench = bench;
        this.collections = collections;
        this.assets = assets;
    }

    /** A file for a source: played as it is, read as a table, or, for a struck body, taken apart into partials. */
    @PostMapping("/patches/{id}/files")
    String take(@PathVariable long id, @RequestParam long version, @RequestParam int layer, @RequestParam int source, @RequestParam MultipartFile file,
            Model model) throws IOException {
        PatchRow row = patches.get(id);
        check(layer, source);
        SoundAsset asset = assets.add(collections.of(row).id(), file);
        return give(row, version, layer, source, asset, model);
    }

    /** A file that the collection has, for a source. */
    @PostMapping("/patches/{id}/recording")
    String use(@PathVariable long id, @RequestParam long version, @RequestParam int layer, @RequestParam int source, @RequestParam String hash,
            Model model) {
        PatchRow row = patches.get(id);
        check(layer, source);
        return give(row, version, layer, source, assets.get(collections.of(row).id(), hash), model);
    }

    private String give(PatchRow row, long version, int layer, int source, SoundAsset asset, Model model) {
        return bench.part(patches.edit(row.id(), version, "", SourceRecordings.give(row.patch(), layer, source, asset, asset.name())), model);
    }

    /** Takes the hit of a struck body apart again. */
    @PostMapping("/patches/{id}/hit")
    String hit(@PathVariable long id, @RequestParam long version, @RequestParam int layer, @RequestParam int source, @RequestParam double milliseconds,
            @RequestParam int most, @RequestParam(defaultValue = "false") boolean harmonic, Model model) {
        PatchRow row = patches.get(id);
        check(layer, source);
        if (row.patch().recording(layer, source) == null) {
            throw new RefusedException("This source has no recorded hit yet.");
        }
        if (!(milliseconds >= 0 && milliseconds <= 5000) || most < 1 || most > 64) {
            throw new RefusedException("A hit is read at a moment from 0 to 5000 ms, into 1 to 64 partials.");
        }
        SoundFile file = row.patch().recording(layer, source);
        return bench.part(patches.edit(id, version, "", SourceRecordings.analyse(layer, source, assets.get(file.hash()), file.name(), milliseconds / 1000, most,
                harmonic ? HitAnalysis.Kind.HARMONIC : HitAnalysis.Kind.INHARMONIC)), model);
    }

    /** The patch itself as a recording of one of its sources: one note, with its tail. */
    @PostMapping("/patches/{id}/bounce")
    String bounce(@PathVariable long id, @RequestParam long version, @RequestParam int layer, @RequestParam int source, @RequestParam String key,
            @RequestParam double seconds, Model model) {
        PatchRow row = patches.get(id);
        check(layer, source);
        int number = KeyName.parse(key);
        if (number < 0 || !(seconds >= 0.05 && seconds <= 20)) {
            throw new RefusedException("A bounce needs a key such as C3 and a length from 0.05 to 20 s.");
        }
        Audio audio = new Rendering(Measuring.RATE, assets).render(PatchImage.of(row.patch()), Phrase.single(number, 100, seconds), 20,
                Rendering.ControllerState.AT_REST).audio();
        SoundAsset asset = assets.bounced(collections.of(row).id(), audio, row.name() + " " + KeyName.of(number));
        return bench.part(patches.edit(id, version, "", SourceRecordings.bounce(row.patch(), layer, source, asset, number)), model);
    }

    /** As few partials of a source as sound the same as all of them. */
    @PostMapping("/patches/{id}/fewest")
    String fewest(@PathVariable long id, @RequestParam long version, @RequestParam int layer, @RequestParam int source, Model model) {
        PatchRow row = patches.get(id);
        check(layer, source);
        FewestPartials.Result result;
        try {
            result = new FewestPartials(assets).of(row.patch(), layer, source);
        } catch (IllegalArgumentException e) {
            throw new RefusedException("Only partials and struck bodies have partials to count.");
        }
        model.addAttribute("said", result.fewest() == result.before() ? "All " + result.before() + " partials are heard: with fewer it sounds different."
                : result.fewest() + " partials sound like " + result.before() + ".");
        return bench.part(patches.edit(id, version, "", SourceRecordings.fewest(row.patch(), layer, source, result)), model);
    }

    /** A tuning from a .scl file, with a .kbm file or without. */
    @PostMapping("/patches/{id}/tuning")
    String tuning(@PathVariable long id, @RequestParam long version, @RequestParam MultipartFile scale, @RequestParam(required = false) MultipartFile map,
            Model model) throws IOException {
        if (scale.isEmpty() || scale.getSize() > LARGEST_TUNING || map != null && map.getSize() > LARGEST_TUNING) {
            throw new RefusedException("Choose a scale file (.scl) of up to 200 kB.");
        }
        boolean mapped = map != null && !map.isEmpty();
        double[] offsets = ScalaFormat.offsets(new String(scale.getBytes(), StandardCharsets.UTF_8), Assets.name(scale),
                mapped ? new String(map.getBytes(), StandardCharsets.UTF_8) : null, mapped ? Assets.name(map) : "");
        return bench.part(patches.edit(id, version, "", new CompositeEdit("Tuning " + Assets.name(scale) + (mapped ? " with " + Assets.name(map) : ""),
                List.of(new SetShape(Shapes.ALL.get(Shapes.SCALE), offsets)))), model);
    }

    private static void check(int layer, int source) {
        if (layer < 0 || layer >= Parameters.LAYERS || source < 0 || source >= LayerParameters.SOURCES) {
            throw new RefusedException("There is no such source.");
        }
    }
}
