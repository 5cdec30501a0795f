package gentlecomet.studio.bench;

import gentlecomet.craft.response.NoteFigures;
import gentlecomet.craft.response.ResponseMap;
import gentlecomet.craft.response.SplitStep;
import gentlecomet.craft.response.Sweep;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.Unit;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.studio.bench.response.Responses;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.Patches;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** What the bench shows of how a patch answers to hands. */
@Controller
class ResponseController {

    private final Responses responses;
    private final Patches patches;
    private final Collections collections;
    private final BenchModel bench;

    ResponseController(Responses responses, Patches patches, Collections collections, BenchModel bench) {
        this.responses = responses;
        this.patches = patches;
        this.collections = collections;
        this.bench = bench;
    }

    /** One note: loudness LUFS, brightness Hz, cents or null, attack s, tail s; null where nothing is heard. */
    record Cell(double loudness, double brightness, Double cents, double attack, double tail) {
        static Cell of(NoteFigures n) {
            return n.heard() ? new Cell(n.loudness(), n.brightnessHz(), n.cents(), n.attackSeconds(), n.tailSeconds()) : null;
        }
    }

    /** A map as far as it has come. @param total keys it will have */
    record MapView(List<Integer> velocities, Map<Integer, List<Cell>> keys, int total) {
    }

    /** One position: loudness LUFS, brightness Hz. */
    record SweepView(String name, List<Double> loudness, List<Double> brightness, String words, List<String> faults) {
    }

    /** Velocity against loudness and brightness. */
    record VelocityView(int velocity, double loudness, double brightness) {
    }

    @GetMapping("/patches/{id}/response")
    @ResponseBody
    MapView map(@PathVariable long id) {
        Responses.Growing growing = responses.map(id);
        Map<Integer, List<Cell>> keys = new TreeMap<>();
        // A list of Java may not hold null, a JSON list may.
        growing.map().keys().forEach((key, figures) -> keys.put(key, figures.stream().map(Cell::of).collect(java.util.stream.Collectors.toList())));
        return new MapView(ResponseMap.VELOCITIES, keys, growing.total());
    }

    @PostMapping("/patches/{id}/response")
    @ResponseBody
    void ask(@PathVariable long id) {
        responses.ask(id);
    }

    @GetMapping("/patches/{id}/splits")
    @ResponseBody
    List<String> splits(@PathVariable long id) {
        return responses.splits(id).stream().map(SplitStep::words).toList();
    }

    @GetMapping("/patches/{id}/sweep/{control}")
    @ResponseBody
    SweepView sweep(@PathVariable long id, @PathVariable String control) {
        HouseRules rules = collections.ofBank(patches.summary(id).bankId()).rules();
        Sweep s = responses.sweep(id, control);
        String words = String.format(Locale.ROOT, "loudness %.1f LU, brightness %.2f oct, width %.2f, pitch %.0f ct", s.loudnessLu(), s.brightnessOctaves(), s.width(),
                s.pitchCents());
        return new SweepView(s.name(), s.points().stream().map(NoteFigures::loudness).toList(), s.points().stream().map(NoteFigures::brightnessHz).toList(), words,
                s.faults(rules.ceilingDbtp()));
    }

    @GetMapping("/patches/{id}/velocity")
    @ResponseBody
    List<VelocityView> velocity(@PathVariable long id) {
        return responses.velocity(id).stream().map(p -> new VelocityView(p.velocity(), p.figures().loudness(), p.figures().brightnessHz())).toList();
    }

    @PostMapping("/patches/{id}/even")
    String even(@PathVariable long id, @RequestParam long version, @RequestParam(defaultValue = "0") String slope, Model model) {
        double db = ValueText.quantity(slope, Unit.DECIBELS);
        if (Double.isNaN(db)) {
            throw new RefusedException("\"" + slope + "\" is not a slope in dB per octave.");
        }
        return bench.part(responses.even(id, version, db), model);
    }
}
