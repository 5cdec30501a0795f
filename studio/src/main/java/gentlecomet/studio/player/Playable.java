package gentlecomet.studio.player;

import gentlecomet.craft.format.Json;
import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.Ride;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.studio.patch.PatchRow;
import gentlecomet.studio.phrase.PlayablePhrase;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.DoubleStream;

/**
 * What the player of a page needs of a patch, as JSON.
 *
 * @param values    parameters that are not at their default, by id
 * @param tail      what comes after the parameters in the patch image: routes, macros, drawn lists, recordings
 * @param matchedDb gain that brings it to the house loudness for listening; 0 while it has not been measured
 */
public record Playable(long id, String name, Map<String, Double> values, double[] tail, PlayablePhrase phrase, double matchedDb, List<PlayableMacro> macros,
        List<Zone> zones, List<PlayableRecording> recordings, List<PlayableRide> rides) {

    private static final double MOST_MATCHING_DB = 24;

    /** A macro of the strip; {@code parameter} is the id of its position. */
    public record PlayableMacro(String parameter, String name, String lowEnd, String highEnd, boolean used) {
    }

    /** A recording that the engine needs: the number by which the image knows it, and where its samples are. */
    public record PlayableRecording(double key, String url) {
    }

    /** How a hand moves under a phrase. @param points beats and values in per cent, in turn */
    public record PlayableRide(String phrase, String hand, double[] points) {
        private static PlayableRide of(Ride ride) {
            return new PlayableRide(ride.phrase(), ride.hand().id(), ride.points().stream().flatMapToDouble(p -> DoubleStream.of(p.beat(), p.value())).toArray());
        }
    }

    /** The keys of a layer that is on. */
    public record Zone(int layer, int lowKey, int highKey) {
    }

    /** As an attribute of a page. */
    public String json() {
        return Json.compact(this);
    }

    public static Playable of(PatchRow row, HouseRules rules, Measurement measurement) {
        double matched = measurement == null || measurement.silent() ? 0
                : rules.targetOf(row.category()) - rules.measureOf(row.category()).of(measurement);
        return of(row.id(), row.patch(), rules.phraseFor(row.category()),
                Math.max(-MOST_MATCHING_DB, Math.min(MOST_MATCHING_DB, matched)));
    }

    public static Playable of(long id, Patch patch, Phrase phrase, double matchedDb) {
        List<PlayableMacro> macros = new ArrayList<>();
        for (int m = 0; m < PatchParameters.MACROS; m++) {
            Macro macro = patch.macros().get(m);
            macros.add(new PlayableMacro(Parameters.at(PatchParameters.MACRO + m).id(), macro.name(), macro.lowEnd(), macro.highEnd(), !macro.unused()));
        }
        List<Zone> zones = new ArrayList<>();
        for (int layer = 0; layer < Parameters.LAYERS; layer++) {
            if (patch.layerOn(layer)) {
                zones.add(new Zone(layer, (int) patch.value(Parameters.ofLayer(layer, LayerParameters.LOW_KEY)),
                        (int) patch.value(Parameters.ofLayer(layer, LayerParameters.HIGH_KEY))));
            }
        }
        double[] image = PatchImage.of(patch);
        return new Playable(id, patch.name(), values(patch), Arrays.copyOfRange(image, Parameters.COUNT, image.length), PlayablePhrase.of(phrase), matchedDb, macros, zones,
                patch.recordings().stream().map(f -> new PlayableRecording(f.key(), "/assets/" + f.hash() + "/samples")).distinct().toList(), patch.rides().stream().map(PlayableRide::of).toList());
    }

    /** The same under another name, its macros without theirs: for who is not to know what is heard. */
    public Playable unnamed(String otherName) {
        return new Playable(id, otherName, values, tail, phrase, matchedDb, macros.stream().map(m -> new PlayableMacro(m.parameter(), "", "", "", m.used())).toList(), zones, recordings, rides);
    }

    private static Map<String, Double> values(Patch patch) {
        Map<String, Double> values = new LinkedHashMap<>();
        for (Parameter p : Parameters.ALL) {
            if (patch.value(p.index()) != p.neutral()) {
                values.put(p.id(), patch.value(p.index()));
            }
        }
        return values;
    }
}
