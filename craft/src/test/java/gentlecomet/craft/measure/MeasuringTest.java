package gentlecomet.craft.measure;

import static gentlecomet.craft.TypedPatch.neutralWith;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.craft.phrase.Phrases;
import gentlecomet.craft.portrait.Portrait;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MeasuringTest {

    private final Measuring measuring = new Measuring();

    private Measurement measure(Patch patch) {
        return measuring.measure(patch, Phrases.get("line"));
    }

    @ParameterizedTest
    @CsvSource({"sine,0", "saw,23", "pulse,-17", "triangle,50"})
    void pitchIsFoundWhateverTheWave(String wave, double cents) {
        Measurement m = measure(neutralWith("layer1.source1.wave=" + wave, "layer1.source1.cents=" + cents));
        assertEquals(cents, m.pitchCents(), 1);
    }

    @Test
    void detunedCopiesHaveTheirCentreAsPitch() {
        Measurement m = measure(neutralWith("layer1.source1.wave=saw", "layer1.source1.unisonVoices=7", "layer1.source1.detune=15",
                "layer1.source1.phaseStart=random"));
        assertEquals(0, m.pitchCents(), 6);
    }

    @Test
    void noiseHasNoPitchAndMuchDust() {
        Measurement m = measure(neutralWith("layer1.source1.wave=noise"));
        assertNull(m.pitchCents());
        assertTrue(m.noisiness() > 0.3, "noisiness " + m.noisiness());
        assertTrue(measure(neutralWith()).noisiness() < 0.01);
    }

    @Test
    void attackAndTailFollowTheEnvelope() {
        Measurement m = measure(neutralWith("layer1.amplitude.attack=500 ms", "layer1.amplitude.release=2 s"));
        assertEquals(0.45, m.attackSeconds(), 0.02);
        // The release falls by 60 dB over its time, bent to end exactly on zero, so -60 dB is passed a little earlier.
        assertEquals(1.9, m.tailSeconds(), 0.15);
    }

    /** The key nearest to the middle plays a sine alone; what lies above it is bright and wide, and only the phrase gets there. */
    @Test
    void brightnessAndWidthAreOfAllThatThePhrasePlays() {
        Patch split = neutralWith("layer1.zone.highKey=C4", "layer2.on=on", "layer2.zone.lowKey=C#4", "layer2.source1.wave=noise", "layer2.source1.level=-12", "layer2.source1.width=100");
        Measurement m = measure(split);
        assertEquals(60, m.probeKey());
        assertTrue(m.brightnessHz() > 3000, "white noise has its centroid in the middle of the spectrum, at 12 kHz: " + m.brightnessHz());
        assertTrue(m.sideToMid() > 0.1, "width " + m.sideToMid());
    }

    /** The key nearest to the middle has a short, quiet layer alone; above it, and for hard strikes, stand others that the phrase plays. What is told is what each measures by itself. */
    @ParameterizedTest
    @CsvSource({"layer2.zone.lowKey=C#4, layer1.zone.highKey=C4", "layer2.zone.lowVelocity=101, layer1.zone.highVelocity=100"})
    void attackAndTailAreOfAllLayersThatThePhrasePlays(String upper, String lower) {
        Phrase phrase = new Phrase("both", "Both", 60, 4, List.of(new Note(60, 90, 0, 0.5), new Note(67, 120, 1, 0.5), new Note(60, 90, 2, 0.5)));
        String[] loud = {"source1.level=-6", "amplitude.attack=400 ms", "amplitude.release=2 s"};
        Patch alone = neutralWith("layer1." + loud[0], "layer1." + loud[1], "layer1." + loud[2]);
        Patch split = neutralWith("layer2.on=on", upper, lower, "layer1.source1.level=-30", "layer1.amplitude.release=20 ms", "layer2." + loud[0], "layer2." + loud[1], "layer2." + loud[2]);
        Measurement whole = measuring.measure(split, phrase);
        Measurement one = measuring.measure(alone, phrase);
        assertEquals(60, whole.probeKey());
        assertEquals(one.attackSeconds(), whole.attackSeconds(), 0.02);
        assertEquals(one.tailSeconds(), whole.tailSeconds(), 0.05);
        Measurement low = measuring.measure(split, Phrase.single(60, 90, 1));
        assertTrue(low.tailSeconds() < 0.1 && low.attackSeconds() < 0.05, "a phrase that stays below hears the short layer alone: " + low);
    }

    @Test
    void brighterSoundsMeasureBrighterAndWiderOnesWider() {
        assertTrue(measure(neutralWith("layer1.source1.wave=saw")).brightnessHz() > 2 * measure(neutralWith()).brightnessHz());
        assertEquals(0, measure(neutralWith()).sideToMid(), 1e-9);
        assertTrue(measure(neutralWith("layer1.source1.wave=noise", "layer1.source1.width=100")).sideToMid() > 0.5);
    }

    @Test
    void loudnessFollowsTheTrimExactly() {
        double plain = measure(neutralWith()).integratedLufs();
        assertEquals(plain - 7.3, measure(neutralWith("levelTrim=-7.3")).integratedLufs(), 0.01);
    }

    @Test
    void thePortraitTellsShortFromLongAndSilenceFromSound() {
        Measurement shortOne = measure(neutralWith("layer1.amplitude.sustain=0", "layer1.amplitude.decay=100 ms"));
        Measurement longOne = measure(neutralWith("layer1.amplitude.release=8 s", "layer1.amplitude.attack=1 s"));
        assertTrue(tailEnd(Portrait.svg(shortOne)) < tailEnd(Portrait.svg(longOne)) - 20);
        assertTrue(Portrait.words(longOne).contains("slow start"), Portrait.words(longOne));
        assertTrue(Portrait.svg(measure(neutralWith("layer1.source1.level=off"))).contains("Silent"));
    }

    /** Rightmost point of the first strand. */
    private static double tailEnd(String svg) {
        double furthest = 0;
        String path = svg.substring(svg.indexOf(" d=\"") + 4);
        for (String number : path.substring(0, path.indexOf('"')).split("[MQZ ]+")) {
            furthest = number.isEmpty() ? furthest : Math.max(furthest, Double.parseDouble(number));
        }
        return furthest;
    }
}
