package gentlecomet.craft.format;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.patch.Macro;
import gentlecomet.sound.patch.MacroTarget;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Ride;
import gentlecomet.sound.patch.Route;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PatchFormatTest {

    static Patch random(Random random) {
        Patch patch = Patch.neutral("Random \"é\" " + random.nextInt(1000));
        for (Parameter p : Parameters.ALL) {
            if (random.nextBoolean()) {
                patch = patch.withValue(p, p.value(random.nextDouble()));
            }
        }
        Parameter cutoff = Parameters.find("layer2.filter1.cutoff");
        patch = patch.withRoutes(List.of(new Route(Modulator.LFO_1, cutoff, random.nextDouble()), new Route(Modulator.MACRO_3,
                Parameters.find("effect2.mix"), -20)));
        return patch.withMacro(3, new Macro("Tide", "low", "high", List.of(new MacroTarget(cutoff, 100.5, 3000, -0.25))))
                .withNaming(patch.naming().withTags(List.of("wide", "slow")).withNotes("one\ntwo").withCategory("pad"));
    }

    @Test
    void whatIsWrittenAndReadAgainIsEqual() {
        Random random = new Random(5);
        for (int i = 0; i < 60; i++) {
            Patch patch = random(random);
            String text = PatchFormat.write(patch);
            assertEquals(patch, PatchFormat.read(text, "test"));
            assertEquals(text, PatchFormat.write(PatchFormat.read(text, "test")));
        }
    }

    @Test
    void neutralValuesAreLeftOut() {
        String text = PatchFormat.write(Patch.neutral("Neutral"));
        assertTrue(text.contains("\"layer1.on\": \"on\""), text);
        assertTrue(text.contains("\"layer1.source1.level\": -12"));
        assertEquals(2, text.lines().filter(l -> l.contains("\"layer")).count());
    }

    /** The published schema is the outside judge of everything that is written. */
    @Test
    void everyPatchFitsThePublishedSchema() throws Exception {
        var schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(PatchSchema.write());
        Random random = new Random(9);
        ObjectMapper mapper = new ObjectMapper();
        for (int i = 0; i < 20; i++) {
            assertEquals("[]", schema.validate(mapper.readTree(PatchFormat.write(random(random)))).toString());
        }
        String wrong = PatchFormat.write(Patch.neutral("X")).replace("-12", "900");
        assertEquals(1, schema.validate(mapper.readTree(wrong)).size());
    }

    /** After a change of the registry: ./comet schema > docs/patch.schema.json */
    @Test
    void thePublishedSchemaIsCurrent() throws Exception {
        assertEquals(PatchSchema.write(), java.nio.file.Files.readString(java.nio.file.Path.of("../docs/patch.schema.json")));
    }

    /** A file as the first version wrote it: its filter, LFO, filter envelope, delay and reverb have other names now. */
    @Test
    void aPatchOfTheFirstVersionStillOpens() throws Exception {
        String old = java.nio.file.Files.readString(java.nio.file.Path.of("src/test/resources/patch-version-1.json"));
        Patch patch = PatchFormat.read(old, "old.json");
        assertEquals("Curlew Lead", patch.name());
        assertEquals(Parameters.find("layer1.filter1.type").choices().indexOf("lowPass24"), patch.value("layer1.filter1.type"));
        assertEquals(Parameters.find("effect1.type").choices().indexOf("delay"), patch.value("effect1.type"));
        assertEquals(Parameters.find("effect2.type").choices().indexOf("reverb"), patch.value("effect2.type"));
        assertEquals(300, patch.value("effect1.delay.lowCut"));
        assertEquals(2.6, patch.value("effect2.reverb.decay"));
        assertTrue(patch.routes().stream().anyMatch(r -> r.source() == Modulator.LFO_1));
        assertTrue(patch.macros().get(7).targets().stream().anyMatch(t -> t.target().id().equals("effect2.mix")));
        assertEquals(patch, PatchFormat.read(PatchFormat.write(patch), "again.json"));
    }

    /** A file as the second version wrote it, with everything in it that was called otherwise then. */
    @Test
    void aPatchOfTheSecondVersionOpensWithItsValuesUnderTheNamesOfToday() throws Exception {
        String old = java.nio.file.Files.readString(java.nio.file.Path.of("src/test/resources/patch-version-2.json"));
        Patch patch = PatchFormat.read(old, "old.json");
        assertEquals("multibandCompressor transientShaper bitcrusher", choice(patch, "effect1.type") + " " + choice(patch, "effect3.type") + " " + choice(patch, "layer1.effect1.type"));
        assertEquals("filter2 direct left", choice(patch, "layer1.source1.output") + " " + choice(patch, "layer1.noise.output") + " " + choice(patch, "layer1.effect2.widener.delayedSide"));
        Map.ofEntries(Map.entry("effect1.multiband.downThreshold", -24.0), Map.entry("effect1.multiband.upThreshold", -40.0), Map.entry("effect1.multiband.highLevel", 2.0),
                Map.entry("effect2.delay.modulationDepth", 0.002), Map.entry("effect2.delay.modulationRate", 0.7), Map.entry("effect2.output", 1.5),
                Map.entry("effect3.transientShaper.attack", 6.0), Map.entry("effect5.tremolo.stereoPhase", 50.0), Map.entry("layer1.effect1.bitcrusher.bits", 6.0),
                Map.entry("layer1.effect2.widener.delay", 0.02), Map.entry("layer1.source1.unisonVoices", 5.0), Map.entry("layer1.source1.unisonBalance", 3.0),
                Map.entry("layer1.source2.phaseModulation1", 2.0), Map.entry("layer1.source3.inharmonicity", 4.0)).forEach((id, value) -> assertEquals(value, patch.value(id), id));
        assertTrue(patch.value("effect4.ducking.rate") > 0);
        assertEquals(List.of("layer1.source2.phaseModulation1", "layer1.source3.inharmonicity"), patch.routes().stream().map(r -> r.target().id()).toList());
        assertEquals(List.of("layer1.source1.unisonBalance", "effect2.output"), patch.macros().get(0).targets().stream().map(t -> t.target().id()).toList());
        assertEquals(8, patch.shape(Shapes.find("layer1.source1.unisonVoices").index()).length, "two voices; their levels, which came later, are neutral");
        assertEquals(patch, PatchFormat.read(PatchFormat.write(patch), "again.json"));
    }

    private static String choice(Patch patch, String id) {
        Parameter parameter = Parameters.find(id);
        return parameter.choices().get((int) patch.value(id));
    }

    @Test
    void renamingChangesTheContentButNotTheSound() {
        Patch patch = Patch.neutral("One");
        Patch renamed = patch.withNaming(patch.naming().withName("Two"));
        assertEquals(Hashes.sound(patch), Hashes.sound(renamed));
        assertNotEquals(Hashes.content(patch), Hashes.content(renamed));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
        "{} | format",
        "[1] | JSON object",
        "{\"format\": | line 1",
        "{\"format\":\"gentle-comet-patch\",\"version\":4,\"name\":\"A\"} | version",
        "{\"format\":\"gentle-comet-patch\",\"version\":1,\"name\":\"A\",\"colour\":1} | colour",
        "{\"format\":\"gentle-comet-patch\",\"version\":1,\"name\":\"A\",\"name\":\"B\"} | duplicate field",
        "{\"format\":\"gentle-comet-patch\",\"version\":1,\"name\":\"\"} | name",
        "{\"format\":\"gentle-comet-patch\",\"version\":1,\"name\":\"A\",\"parameters\":{\"layer1.filter1.cutoff\":99999}} | 20000",
        "{\"format\":\"gentle-comet-patch\",\"version\":1,\"name\":\"A\",\"parameters\":{\"layer1.filter1.cutoff\":\"NaN\"}} | number",
        "{\"format\":\"gentle-comet-patch\",\"version\":1,\"name\":\"A\",\"parameters\":{\"layer1.source1.wave\":\"organ\"}} | sine",
        "{\"format\":\"gentle-comet-patch\",\"version\":1,\"name\":\"A\",\"parameters\":{\"layer1.source1.octave\":0.5}} | whole",
        "{\"format\":\"gentle-comet-patch\",\"version\":1,\"name\":\"A\",\"parameters\":{\"layer9.x\":1}} | layer9.x",
        "{\"format\":\"gentle-comet-patch\",\"version\":1,\"name\":\"A\",\"routes\":[{\"from\":\"moon\",\"to\":\"effect2.mix\",\"depth\":1}]} | modulator",
        "{\"format\":\"gentle-comet-patch\",\"version\":1,\"name\":\"A\",\"routes\":[{\"from\":\"lfo\",\"to\":\"performance.tempo\",\"depth\":1}]} | cannot move",
        "{\"format\":\"gentle-comet-patch\",\"version\":2,\"name\":\"A\",\"routes\":[{\"from\":\"lfo1\",\"to\":\"effect2.mix\",\"depth\":1,\"side\":\"left\"}]} | oneSided",
        "{\"format\":\"gentle-comet-patch\",\"version\":2,\"name\":\"A\",\"shapes\":{\"layer1.lfo9.steps\":[[1]]}} | layer1.lfo9.steps",
        "{\"format\":\"gentle-comet-patch\",\"version\":2,\"name\":\"A\",\"shapes\":{\"layer1.lfo1.steps\":[[500]]}} | from -100.00 to 100.00",
        "{\"format\":\"gentle-comet-patch\",\"version\":2,\"name\":\"A\",\"shapes\":{\"layer1.curve1.points\":[[50,0,0],[10,0,0]]}} | not before",
        "{\"format\":\"gentle-comet-patch\",\"version\":2,\"name\":\"A\",\"recordings\":{\"layer1.source1\":{\"hash\":\"../x\",\"name\":\"n\"}}} | hexadecimal",
        "{\"format\":\"gentle-comet-patch\",\"version\":1,\"name\":\"A\",\"macros\":[{\"number\":9}]} | 1 to 8"})
    void badInputIsRefusedWithThePlaceAndTheExpectation(String text, String mentioned) {
        FormatException e = assertThrows(FormatException.class, () -> PatchFormat.read(text, "bad.json"));
        assertTrue(e.getMessage().contains("bad.json"), e.getMessage());
        assertTrue(e.getMessage().contains(mentioned), e.getMessage());
    }

    @Test
    void hostileInputIsRefused() {
        String deep = "{\"format\":\"gentle-comet-patch\",\"notes\":" + "[".repeat(5000) + "]".repeat(5000) + "}";
        assertThrows(FormatException.class, () -> PatchFormat.read(deep, "deep"));
        String longName = PatchFormat.write(Patch.neutral("A")).replace("\"A\"", "\"" + "x".repeat(500) + "\"");
        assertTrue(assertThrows(FormatException.class, () -> PatchFormat.read(longName, "long")).getMessage().contains("64"));
        assertThrows(FormatException.class, () -> PatchFormat.read(" ".repeat(Json.LARGEST + 1), "large"));
    }

    @Test
    void ridesAreKeptInTheFileAndAreNoPartOfTheSound() {
        Patch plain = Patch.neutral("Ridden");
        Patch patch = plain.withRide(new Ride("line", Ride.Hand.MACRO3, List.of(new Ride.Point(0, 12.5), new Ride.Point(4, 80)))).withRide(new Ride("hits", Ride.Hand.BEND, List.of(new Ride.Point(1, -100))));
        assertEquals(patch, PatchFormat.read(PatchFormat.write(patch), "ridden"));
        assertEquals(Hashes.sound(plain), Hashes.sound(patch));
        assertNotEquals(Hashes.content(plain), Hashes.content(patch));
        String text = PatchFormat.write(patch);
        for (String[] wrong : new String[][] {{"macro3", "macro9"}, {"12.5", "120"}, {"\"hits\"", "\" \""}, {"\"bend\"", "\"foot\""}}) {
            assertThrows(FormatException.class, () -> PatchFormat.read(text.replace(wrong[0], wrong[1]), "wrong"), wrong[1]);
        }
    }
}
