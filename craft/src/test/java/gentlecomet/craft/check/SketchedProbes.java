package gentlecomet.craft.check;

import gentlecomet.craft.measure.Measurement;
import gentlecomet.craft.measure.StereoImage;
import gentlecomet.craft.probe.ClickProbe;
import gentlecomet.craft.probe.HandProbe;
import gentlecomet.craft.probe.HoldProbe;
import gentlecomet.craft.probe.KeyProbe;
import gentlecomet.craft.probe.PartProbe;
import gentlecomet.craft.probe.PhraseProbe;
import gentlecomet.craft.probe.Probes;
import gentlecomet.craft.response.NoteFigures;
import gentlecomet.craft.response.SplitStep;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;

/** Figures of a sound that nobody rendered: flawless at first, then as a test wants them. */
public final class SketchedProbes {

    double peak = -6;
    double loudness = -18;
    double tail = 0.5;
    boolean endless;
    double attack = 0.01;
    Double cents = 0.0;
    double brightness = 1500;
    double sideToMid = 0.2;
    PhraseProbe phrase = phrase(0, 0, new StereoImage(0.9, 0, 0.2, 1, 0.1), -40, null);
    List<KeyProbe> keys = new ArrayList<>();
    List<KeyProbe> touch = new ArrayList<>();
    List<HandProbe> hands = new ArrayList<>();
    double growth;
    Double drift = 0.0;
    double dc;
    ClickProbe starts = ClickProbe.NONE;
    ClickProbe ends = ClickProbe.NONE;
    List<ClickProbe> changes = List.of();
    double repeatDb;
    boolean random;
    boolean repeats = true;
    double chordPeak = -3;
    double loudPeak = -3;
    double aliasing = -80;
    List<PartProbe> parts = List.of();
    List<SplitStep> splits = List.of();

    SketchedProbes() {
        for (int key = 24; key <= 108; key += 6) {
            keys.add(key(key, -15, 0.0, 0));
        }
        int[] velocities = {1, 16, 48, 80, 100, 127};
        for (int velocity : velocities) {
            touch.add(new KeyProbe(60, velocity, figures(-15 + 20 * Math.log10(velocity / 100.0), 1000 + 5 * velocity, 0.0), 0, 0.5, 0, 1));
        }
        for (String hand : List.of("wheel", "pressure")) {
            hands.add(hand(hand, -20, point(0, -15, -6, 1000), point(50, -15, -6, 1200), point(100, -15, -6, 1500)));
        }
    }

    static PhraseProbe phrase(int over, int faults, StereoImage stereo, double rumble, Double mud) {
        return new PhraseProbe(over, faults, stereo, Collections.nCopies(10, -10.0), rumble, mud, 12);
    }

    static KeyProbe key(int key, double loudness, Double cents, double shriek) {
        return new KeyProbe(key, 100, figures(loudness, 300 * Math.pow(2, (key - 60) / 12.0), cents), shriek, 0.5, 0, 1);
    }

    static NoteFigures figures(double loudness, double brightness, Double cents) {
        return new NoteFigures(loudness, -6, brightness, 0.1, cents, 0.01, 0.5);
    }

    static HandProbe.Point point(double position, double loudness, double peak, double brightness) {
        return new HandProbe.Point(position, loudness, peak, brightness, 0.01, 0.1, 0.01, 0.5, 0.0, false, 0.1);
    }

    static HandProbe hand(String hand, double difference, HandProbe.Point... points) {
        return new HandProbe(hand, 60, List.of(points), difference, difference, ClickProbe.NONE, Collections.nCopies(HandProbe.BANDS + 3, 1.0));
    }

    /** A flawless sound, but for what was measured of its phrase and its probe note. */
    public static Probes of(Measurement measured) {
        return new SketchedProbes().made(measured);
    }

    Probes made() {
        return made(new Measurement(loudness, loudness, loudness, 2, peak, 60, cents, attack, tail, endless, 1 + tail, brightness, 0.01, sideToMid));
    }

    private Probes made(Measurement m) {
        return new Probes(m, phrase, keys, touch, hands, new HoldProbe(Collections.nCopies(100, -20.0), growth, 0, 0, drift, dc, 10, -120), starts, ends, changes, repeatDb, 0, random, repeats, chordPeak,
                "C4+E4:100:1.5", loudPeak, "C4:127:1", aliasing, 108, parts, splits, 2, Map.of());
    }
}
