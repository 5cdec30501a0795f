package gentlecomet.studio.asset;

import gentlecomet.sound.performance.Audio;
import gentlecomet.studio.page.PageContexts;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.time.Duration;
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

/** The sound files of a collection: listed, taken in, taken out, and handed to the audio thread. */
@Controller
class AssetController {

    private final Assets assets;
    private final PageContexts contexts;

    AssetController(Assets assets, PageContexts contexts) {
        this.assets = assets;
        this.contexts = contexts;
    }

    @GetMapping("/collections/{id}/assets")
    String list(@PathVariable long id, Model model) {
        model.addAttribute("context", contexts.ofCollection("Recordings", "assets", id));
        model.addAttribute("assets", assets.of(id));
        return "asset/assets";
    }

    @PostMapping("/collections/{id}/assets")
    String add(@PathVariable long id, @RequestParam MultipartFile file) throws IOException {
        contexts.ofCollection("", "", id);
        assets.add(id, file);
        return "redirect:/collections/" + id + "/assets";
    }

    @PostMapping("/collections/{id}/assets/{hash}/remove")
    String remove(@PathVariable long id, @PathVariable String hash) {
        assets.remove(id, hash);
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

    private static ResponseEntity.BodyBuilder forGood() {
        return ResponseEntity.ok().cacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable());
    }
}
