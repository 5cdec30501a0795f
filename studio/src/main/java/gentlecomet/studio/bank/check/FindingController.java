package gentlecomet.studio.bank.check;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.SoundcheckRules;
import gentlecomet.craft.format.PatchFormat;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.phrase.Clip;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.bank.mend.MendingRow;
import gentlecomet.studio.bank.mend.Mendings;
import gentlecomet.studio.collection.CollectionRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.collection.NameChecks;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.patch.PatchSummary;
import gentlecomet.studio.patch.Patches;
import gentlecomet.studio.player.PatchClips;
import gentlecomet.studio.soundcheck.CheckResult;
import gentlecomet.studio.soundcheck.Soundchecks;
import gentlecomet.studio.soundcheck.Waiver;
import gentlecomet.studio.soundcheck.Waivers;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** One finding: its evidence, its repair, and leave to stand. */
@Controller
class FindingController {

    private static final double TAIL_SECONDS = 6;

    private final Patches patches;
    private final Collections collections;
    private final NameChecks names;
    private final Soundchecks soundchecks;
    private final Waivers waivers;
    private final Mendings mendings;
    private final Assets assets;
    private final PatchClips clips;

    FindingController(Patches patches, Collections collections, NameChecks names, Soundchecks soundchecks, Waivers waivers, Mendings mendings, Assets assets, PatchClips clips) {
        this.clips = clips;
        this.patches = patches;
        this.collections = collections;
        this.names = names;
        this.soundchecks = soundchecks;
        this.waivers = waivers;
        this.mendings = mendings;
        this.assets = assets;
    }

    /** @param key of the finding */
    @GetMapping("/patches/{id}/finding")
    String finding(@PathVariable long id, @RequestParam String key, Model model) {
        return show(patches.get(id).summary(), key, false, model);
    }

    /** Tries to mend it, in the background. */
    @PostMapping("/patches/{id}/mending")
    String mend(@PathVariable long id, @RequestParam String key, Model model) {
        PatchRow row = patches.get(id);
        mendings.tryNow(row, key, collections.of(row).rules());
        return show(row.summary(), key, true, model);
    }

    /** Takes the repair that was found. @param version of the patch as the page shows it */
    @PostMapping("/patches/{id}/mending/apply")
    String apply(@PathVariable long id, @RequestParam String key, @RequestParam long version, Model model) {
        PatchRow row = patches.get(id);
        CollectionRow collection = collections.of(row);
        MendingRow mending = mendings.of(row.summary(), key, collection.rules()).orElseThrow(() -> new RefusedException("The sound has changed since the repair was tried. Try it again."));
        mendings.apply(collection, List.of(mending), Map.of(id, version));
        return show(patches.get(id).summary(), key, false, model);
    }

    /** The mended patch as the clip of the finding, as loud as the clip before. */
    @GetMapping("/patches/{id}/mended.wav")
    ResponseEntity<byte[]> mended(@PathVariable long id, @RequestParam String key, @RequestParam String notes) {
        PatchRow row = patches.get(id);
        CollectionRow collection = collections.of(row);
        MendingRow mending = mendings.of(row.summary(), key, collection.rules()).filter(MendingRow::works).orElseThrow(() -> new MissingException("There is no repair of this finding."));
        Clip clip = clips.read(row, notes);
        Rendering rendering = new Rendering(Measuring.RATE, assets);
        double before = Loudness.of(clip.render(row.patch(), rendering, TAIL_SECONDS)).momentaryMax();
        Audio after = clip.render(PatchFormat.read(mending.patch(), "mended"), rendering, TAIL_SECONDS);
        return ResponseEntity.ok().contentType(MediaType.parseMediaType("audio/wav")).body(WavFormat.write24(matched(after, before)));
    }

    private static Audio matched(Audio audio, double lufs) {
        double own = Loudness.of(audio).momentaryMax();
        if (own <= Loudness.SILENT || lufs <= Loudness.SILENT) {
            return audio;
        }
        float gain = (float) Math.pow(10, (lufs - own) / 20);
        float[] left = new float[audio.frames()];
        float[] right = new float[audio.frames()];
        for (int i = 0; i < left.length; i++) {
            left[i] = gain * audio.left()[i];
            right[i] = gain * audio.right()[i];
        }
        return new Audio(left, right, audio.sampleRate());
    }

    @PostMapping("/patches/{id}/waivers")
    String waive(@PathVariable long id, @RequestParam String key, @RequestParam(defaultValue = "") String reason, @RequestParam(defaultValue = "") String person, Model model) {
        PatchSummary patch = patches.get(id).summary();
        waivers.waive(patch, key, reason, person);
        return show(patch, key, false, model);
    }

    @PostMapping("/patches/{id}/waivers/back")
    String takeBack(@PathVariable long id, @RequestParam String key, Model model) {
        waivers.takeBack(id, key);
        return show(patches.get(id).summary(), key, false, model);
    }

    private String show(PatchSummary patch, String key, boolean asked, Model model) {
        CollectionRow collection = collections.ofBank(patch.bankId());
        CheckResult check = soundchecks.of(patch, collection, names.of(patch, collection));
        Optional<Finding> finding = !check.checked() ? Optional.empty() : Stream.concat(check.findings().stream(), check.waived().stream()).filter(f -> f.key().equals(key)).findFirst();
        Optional<MendingRow> mending = mendings.of(patch, key, collection.rules());
        String failure = mendings.failure(patch, key, collection.rules());
        Waiver waiver = waivers.ofPatch(patch.id()).get(key);
        model.addAttribute("patch", patch);
        model.addAttribute("key", key);
        model.addAttribute("check", check);
        model.addAttribute("finding", finding.orElse(null));
        model.addAttribute("picture", finding.map(Finding::picture).map(PictureDrawing::of).orElse(null));
        model.addAttribute("rule", SoundcheckRules.find(key.split(" ")[0]).orElse(null));
        model.addAttribute("settings", collection.rules().conventions().checks());
        model.addAttribute("mending", mending.orElse(null));
        model.addAttribute("failure", failure);
        model.addAttribute("trying", asked && mending.isEmpty() && failure.isEmpty());
        model.addAttribute("waiver", waiver);
        return "soundcheck/finding :: detail";
    }
}
