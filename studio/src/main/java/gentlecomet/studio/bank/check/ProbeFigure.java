package gentlecomet.studio.bank.check;

import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.measure.StereoImage;
import gentlecomet.craft.probe.HoldProbe;
import gentlecomet.craft.probe.Probes;
import java.util.ArrayList;
import java.util.List;

/** One measure of a sound as a page shows it. */
record ProbeFigure(String name, String value) {

    /** What was measured beside loudness and peaks, which stand elsewhere. */
    static List<ProbeFigure> of(Probes p) {
        HoldProbe hold = p.hold();
        StereoImage stereo = p.phrase().stereo();
        List<ProbeFigure> figures = new ArrayList<>();
        add(figures, "attack", FindingText.seconds(p.measurement().attackSeconds()));
        add(figures, "fall in 0.5 s", FindingText.db(hold.decayDb()));
        add(figures, "sustain, a second", FindingText.db(hold.slopeDb()));
        add(figures, "drift in 5 s", hold.driftCents() == null ? "no pitch" : FindingText.cents(hold.driftCents()));
        add(figures, "crest", FindingText.db(hold.crestDb()));
        add(figures, "direct current", FindingText.percent(hold.dcPercent()));
        add(figures, "floor after the tail", hold.floorDb() <= -119 ? "silence" : FindingText.db(hold.floorDb()));
        add(figures, "correlation", FindingText.plain(stereo.correlation()));
        add(figures, "loss in mono", FindingText.db(stereo.monoLossDb()));
        add(figures, "below 120 Hz", FindingText.percent(100 * stereo.lowPart()));
        add(figures, "chord of five", FindingText.dbtp(p.chordPeakDbtp()));
        add(figures, "all hands up", FindingText.dbtp(p.loudPeakDbtp()));
        add(figures, "ten strikes", FindingText.db(p.repeatDb()) + ", " + FindingText.octaves(p.repeatOctaves()));
        add(figures, "cost of a voice", FindingText.plain(p.cost()));
        return figures;
    }

    private static void add(List<ProbeFigure> figures, String name, String value) {
        figures.add(new ProbeFigure(name, value));
    }
}
