package gentlecomet.craft.release.build;

import gentlecomet.craft.format.AssetFiles;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.portrait.Portrait;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.craft.rules.HouseRules;
import gentlecomet.craft.sample.SamplingPlan;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.pattern.Patterns;
import gentlecomet.sound.performance.MidiInput;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.source.Recording;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.DoubleConsumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.text.StringEscapeUtils;

/** One HTML file that plays every patch in a browser, from disk, without server or network: the engine, the patches and their portraits. */
public final class PlayerExporter implements Exporter {

    public static final String PATH = "player.html";
    private static final String PARTS = "/release-player/";
    /** The engine as the module live compiles it; not there for whoever runs without that module. */
    private static final String ENGINE = "/static/engine/engine.js";
    private static final Pattern PLACE = Pattern.compile("\\{\\{(\\w+)}}");
    private static final Pattern EXPORTS = Pattern.compile("export\\s*\\{([^}]*)};?\\s*$");
    private static final Pattern NAMED = Pattern.compile("([\\w$]+)\\s+as\\s+([\\w$]+)");

    /** A macro that is used. @param index of its position among the parameters @param controller of MIDI that moves it */
    record PlayerMacro(int index, String name, String low, String high, double value, int controller) {
    }

    /**
     * A patch as the player knows it.
     *
     * @param values index and value in turn, of parameters that are not at their default
     * @param tail   what comes after the parameters in the patch image
     * @param phrase place among the phrases
     * @param rides  messages beside those of the phrase
     */
    record PlayerPatch(String bank, int msb, int lsb, int slot, String name, String category, List<String> tags, String notes, String pattern, String loudness, String portrait, double[] values, double[] tail,
            List<PlayerMacro> macros, int phrase, List<double[]> rides) {
    }

    /** @param messages seconds and a MIDI message of three bytes, or 0, a parameter and its value */
    record PlayerPhrase(String name, double seconds, List<double[]> messages) {
    }

    /** @param right null for one channel @param left samples as base64 of 32-bit floats, the lowest byte first */
    record PlayerRecording(double rate, String left, String right) {
    }

    record Kit(int banks, double[] defaults, List<PlayerPatch> patches, List<PlayerPhrase> phrases, Map<String, PlayerRecording> recordings) {
    }

    @Override
    public boolean available() {
        return PlayerExporter.class.getResource(ENGINE) != null;
    }

    @Override
    public String id() {
        return "player";
    }

    @Override
    public String text() {
        return "player.html: every patch playable in a browser, from disk, without this program";
    }

    @Override
    public boolean optional() {
        return true;
    }

    @Override
    public long bytes(int patches, SamplingPlan plan) {
        return 450_000 + 12_000L * patches;
    }

    @Override
    public void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress) {
        files.put(PATH, page(contents).getBytes(StandardCharsets.UTF_8));
    }

    /** The page; patches without a measurement have no portrait. @throws IllegalStateException where the engine is not there */
    public static String page(ReleaseContents contents) {
        String title = (contents.collection().name() + " " + contents.version()).strip();
        String foot = contents.collection().author() + "\n" + contents.collection().licence().lines().limit(3).reduce((a, b) -> a + "\n" + b).orElse("")
                + (contents.collection().contact().isBlank() ? "" : "\n" + contents.collection().contact());
        Map<String, String> parts = Map.of("title", StringEscapeUtils.escapeXml10(title), "foot", StringEscapeUtils.escapeXml10(foot), "style", read(PARTS + "player.css"),
                "script", read(PARTS + "midi-file.js") + "\n" + read(PARTS + "player.js"), "worklet", within(engine() + read(PARTS + "worklet.js")), "kit", within(Json.compact(kit(contents))));
        // All at once, so that nothing that is filled in is taken for a place to fill.
        return PLACE.matcher(read(PARTS + "player.html")).replaceAll(place -> Matcher.quoteReplacement(parts.get(place.group(1))));
    }

    /** Nothing in it ends the element that it stands in. */
    private static String within(String text) {
        return text.replace("</", "<\\/").replace("<!--", "<\\!--");
    }

    /** The engine as one value, so that none of its names meets another's. */
    private static String engine() {
        String module = read(ENGINE);
        Matcher exports = EXPORTS.matcher(module);
        if (!exports.find()) {
            throw new IllegalStateException("the engine ends in no list of what it exports");
        }
        return "const engine = (() => {\n" + module.substring(0, exports.start()) + "\nreturn {" + NAMED.matcher(exports.group(1)).replaceAll("$2: $1") + "};\n})();\n";
    }

    private static String read(String resource) {
        try (InputStream in = PlayerExporter.class.getResourceAsStream(resource)) {
            if (in == null) {
                throw new IllegalStateException(resource + " is not there");
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Kit kit(ReleaseContents contents) {
        HouseRules rules = contents.collection().rules();
        List<String> phraseIds = contents.patches().stream().map(p -> DemoExporter.phrase(rules, p)).distinct().toList();
        AssetFiles assets = new AssetFiles(contents.collection().assets());
        Map<String, PlayerRecording> recordings = new LinkedHashMap<>();
        List<PlayerPatch> patches = new ArrayList<>();
        for (ReleasePatch p : contents.patches()) {
            patches.add(patch(p, rules, phraseIds));
            p.slot().patch().recordings().forEach(f -> recordings.computeIfAbsent(String.valueOf(f.key()), key -> recording(assets.find(f.key()))));
        }
        return new Kit(contents.collection().banks().size(), Parameters.neutralValues(), patches, phraseIds.stream().map(id -> phrase(rules.phrase(id))).toList(), recordings);
    }

    private static PlayerPatch patch(ReleasePatch p, HouseRules rules, List<String> phraseIds) {
        Patch patch = p.slot().patch();
        double[] image = PatchImage.of(patch);
        double[] neutral = Parameters.neutralValues();
        List<Double> values = new ArrayList<>();
        for (int i = 0; i < Parameters.COUNT; i++) {
            if (image[i] != neutral[i]) {
                values.add((double) i);
                values.add(image[i]);
            }
        }
        List<PlayerMacro> macros = new ArrayList<>();
        for (int m = 0; m < patch.macros().size(); m++) {
            Macro macro = patch.macros().get(m);
            if (!macro.unused()) {
                macros.add(new PlayerMacro(PatchParameters.MACRO + m, macro.name(), macro.lowEnd(), macro.highEnd(), image[PatchParameters.MACRO + m], MidiInput.MACRO + m));
            }
        }
        String phrase = DemoExporter.phrase(rules, p);
        return new PlayerPatch(p.bankName(), p.in().msb(), p.in().lsb(), p.slot().number(), patch.name(), rules.category(patch.naming().category()).map(c -> c.name()).orElse(""), patch.naming().tags(),
                patch.naming().notes(), Patterns.words(patch), p.measurement() == null ? "" : String.format(Locale.ROOT, "%.1f LUFS", p.measurement().integratedLufs()).replace('-', '\u2212'),
                p.measurement() == null ? "" : Portrait.svg(p.measurement()),
                values.stream().mapToDouble(v -> v).toArray(), Arrays.copyOfRange(image, Parameters.COUNT, image.length), macros, phraseIds.indexOf(phrase),
                PhraseMessages.rides(patch, rules.phrase(phrase)));
    }

    private static PlayerPhrase phrase(Phrase phrase) {
        return new PlayerPhrase(phrase.name(), phrase.seconds(), PhraseMessages.of(phrase));
    }

    private static PlayerRecording recording(Recording recording) {
        return new PlayerRecording(recording.sampleRate(), base64(recording.left()), recording.left() == recording.right() ? null : base64(recording.right()));
    }

    private static String base64(float[] samples) {
        ByteBuffer bytes = ByteBuffer.allocate(4 * samples.length).order(ByteOrder.LITTLE_ENDIAN);
        for (float sample : samples) {
            bytes.putFloat(sample);
        }
        return Base64.getEncoder().encodeToString(bytes.array());
    }
}
