package gentlecomet.craft.check.rule;

import gentlecomet.craft.check.Picture;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.probe.HandProbe;
import gentlecomet.craft.probe.KeyProbe;
import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;

/** Pictures of the evidence. */
final class CheckPictures {

    private CheckPictures() {
    }

    /** A figure over the keys. @param mark a key, or null @param limit or null */
    static Picture keys(Subject subject, String up, ToDoubleFunction<KeyProbe> figure, Double limit, Integer mark) {
        List<KeyProbe> keys = subject.probes().keys();
        return new Picture(Picture.Kind.LINE, "key", up, keys.stream().map(k -> (double) k.key()).toList(), keys.stream().map(k -> floor(figure.applyAsDouble(k))).toList(), limit,
                mark == null ? null : Double.valueOf(mark));
    }

    /** Loudness from soft to hard of one key. */
    static Picture touch(List<KeyProbe> touch, Double mark) {
        return new Picture(Picture.Kind.LINE, "velocity", "LUFS", touch.stream().map(k -> (double) k.velocity()).toList(), touch.stream().map(k -> floor(k.loudness())).toList(), null, mark);
    }

    /** A figure over the travel of a hand. */
    static Picture hand(HandProbe hand, String up, ToDoubleFunction<HandProbe.Point> figure, Double limit, Double mark) {
        return new Picture(Picture.Kind.LINE, "position, %", up, hand.points().stream().map(HandProbe.Point::position).toList(),
                hand.points().stream().map(p -> floor(figure.applyAsDouble(p))).toList(), limit, mark);
    }

    /** Pitch over the travel of a hand, where it is clear, in cents from its key. */
    static Picture pitch(HandProbe hand, double limit) {
        List<HandProbe.Point> clear = hand.points().stream().filter(p -> p.cents() != null).toList();
        return new Picture(Picture.Kind.LINE, "position, %", "ct", clear.stream().map(HandProbe.Point::position).toList(), clear.stream().map(HandProbe.Point::cents).toList(), limit, hand.last().position());
    }

    /** Octaves by which keys with a clear pitch sound off their own. */
    static Picture octavesOff(List<KeyProbe> keys, int mark) {
        return new Picture(Picture.Kind.LINE, "key", "octaves", keys.stream().map(k -> (double) k.key()).toList(), keys.stream().map(k -> k.figures().cents() / 1200).toList(), null, (double) mark);
    }

    /** Level of the held note over time. */
    static Picture hold(Subject subject, Double mark) {
        List<Double> course = subject.probes().hold().course();
        return new Picture(Picture.Kind.LINE, "s", "dBFS", IntStream.range(0, course.size()).mapToObj(i -> i / 10.0).toList(), course.stream().map(CheckPictures::floor).toList(), null, mark);
    }

    /** Level of each octave of the phrase. */
    static Picture octaves(Subject subject) {
        List<Double> levels = subject.probes().phrase().octaves();
        return new Picture(Picture.Kind.BARS, "Hz", "dB", IntStream.range(0, levels.size()).mapToObj(i -> 20 * Math.pow(2, i)).toList(), levels.stream().map(CheckPictures::floor).toList(), null, null);
    }

    /** Silence is drawn at the foot. */
    private static double floor(double value) {
        return Math.max(-90, value);
    }
}
