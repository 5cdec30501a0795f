package gentlecomet.sound.engine;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import org.junit.jupiter.api.Test;

/** A sine of -12 dBFS passes from stage to stage; what each adds or takes is known. */
class StageLevelsTest {

    private static double db(double peak) {
        return 20 * Math.log10(peak);
    }

    private static EngineView play(boolean measured, String... values) {
        Patch patch = Patch.neutral("");
        for (String v : values) {
            Parameter p = Parameters.find(v.split("=")[0]);
            patch = patch.withValue(p, Double.parseDouble(v.split("=")[1]));
        }
        Engine engine = new Engine(48000);
        engine.load(PatchImage.of(patch));
        engine.view().measureStages(measured);
        engine.noteOn(60, 127);
        double[] left = new double[4800];
        double[] right = new double[4800];
        engine.render(left, right, 0, 4800);
        for (int stage = 0; stage < 6; stage++) {
            engine.view().takeStageLevel(0, stage);
        }
        engine.render(left, right, 0, 4800);
        return engine.view();
    }

    @Test
    void eachStageShowsWhatItDidToTheLevel() {
        EngineView view = play(true, "layer1.source1.level=-20", "layer1.filter1.type=" + Parameters.find("layer1.filter1.type").choices().indexOf("lowPass12"),
                "layer1.filter1.cutoff=261.6256", "layer1.zone.level=-6", "levelTrim=-3");
        double sources = db(view.takeStageLevel(0, 0));
        assertEquals(-3.01, db(view.takeStageLevel(0, 1)) - sources, 0.1, "a Butterworth low-pass takes 3.01 dB at its cutoff");
        double voices = db(view.takeStageLevel(0, 2));
        assertEquals(voices, db(view.takeStageLevel(0, 3)), 1e-6, "no effect in the layer");
        assertEquals(voices, db(view.takeStageLevel(0, 4)), 1e-6, "no effect for all");
        assertEquals(-3, db(view.takeStageLevel(0, 5)) - voices, 0.01, "the trim");
        assertEquals(0, view.takeStageLevel(0, 0), "taken once");
        assertEquals(0, view.takeStageLevel(1, 2), "a silent layer");
    }

    @Test
    void levelsAroundAnEffectAreLookedForFromTheFirstQuestionOn() {
        Engine engine = Played.engine(Played.patch("effect1.type=stereo", "effect1.output=-6 dB"), 48000);
        engine.noteOn(60, 127);
        engine.render(new double[4800], new double[4800], 0, 4800);
        assertEquals(0, engine.view().takePeakBefore(-1, 0), "nobody had asked");
        engine.view().takePeakAfter(-1, 0);
        engine.render(new double[4800], new double[4800], 0, 4800);
        double before = db(engine.view().takePeakBefore(-1, 0));
        assertEquals(-12, before, 0.1, "the source's level");
        assertEquals(before - 6, db(engine.view().takePeakAfter(-1, 0)), 0.1);
    }

    @Test
    void nothingIsMeasuredUnlessItWasAskedFor() {
        assertEquals(0, play(false).takeStageLevel(0, 5));
    }
}
