package gentlecomet.sound.performance;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import gentlecomet.sound.engine.Played;
import gentlecomet.sound.patch.PatchImage;
import java.util.List;
import org.junit.jupiter.api.Test;

class RenderingTest {

    private static final Phrase TWO_NOTES = new Phrase("two", "Two", 120, 2, List.of(new Note(60, 100, 0, 1), new Note(60, 100, 1, 1)));

    @Test
    void lengthIsThePhraseAndTheTail() {
        Audio audio = new Rendering(48000).render(Played.patch("layer1.amplitude.release=500 ms"), TWO_NOTES);
        assertEquals(1 + 0.5 + 0.1, audio.seconds(), 0.2);
    }

    @Test
    void aRepeatedKeySoundsAgain() {
        Audio audio = new Rendering(48000).render(Played.patch("layer1.amplitude.decay=100 ms", "layer1.amplitude.sustain=0"), TWO_NOTES);
        assertEquals(peak(audio, 0, 4800), peak(audio, 24000, 28800), 0.01);
        assertTrue(peak(audio, 12000, 23000) < 0.001);
    }

    @Test
    void theSameEngineRendersTheSameAgainAndAgain() {
        Rendering rendering = new Rendering(48000);
        var patch = Played.patch("layer1.source1.wave=noise", "effect2.type=reverb", "effect2.mix=40", "effect1.type=delay", "effect1.mix=30");
        Audio first = rendering.render(patch, TWO_NOTES);
        rendering.render(Played.patch("layer1.source1.wave=saw", "effect2.type=reverb", "effect2.mix=90"), TWO_NOTES);
        assertArrayEquals(first.left(), rendering.render(patch, TWO_NOTES).left());
    }

    @Test
    void theTailWaitsForTheNextEchoAndEndlessSoundsAreCutAndNamed() {
        var echo = Played.patch("effect1.type=delay", "effect1.mix=50", "effect1.delay.timeLeft=1.5 s", "effect1.delay.timeRight=1.5 s", "effect1.delay.feedback=0");
        assertTrue(new Rendering(48000).render(echo, Phrase.single(60, 100, 0.2)).seconds() > 1.7);
        var endless = Played.patch("effect1.type=delay", "effect1.mix=50", "effect1.delay.feedback=95", "effect1.delay.lowCut=20", "effect1.delay.highCut=20k");
        Rendering.Result cut = new Rendering(48000).render(PatchImage.of(endless), Phrase.single(60, 100, 0.2), 3, Rendering.ControllerState.AT_REST);
        assertTrue(cut.endless());
        assertEquals(3.2, cut.audio().seconds(), 0.01);
        assertFalse(new Rendering(48000).render(PatchImage.of(Played.patch()), Phrase.single(60, 100, 0.2), 3, Rendering.ControllerState.AT_REST).endless());
    }

    private static double peak(Audio audio, int from, int to) {
        double peak = 0;
        for (int i = from; i < to; i++) {
            peak = Math.max(peak, Math.abs(audio.left()[i]));
        }
        return peak;
    }
}
