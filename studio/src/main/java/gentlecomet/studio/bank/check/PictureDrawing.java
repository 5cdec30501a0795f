package gentlecomet.studio.bank.check;

import gentlecomet.craft.check.Picture;
import gentlecomet.sound.parameter.KeyName;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;

/**
 * A picture of evidence as lines of an SVG of {@value #WIDTH} by {@value #HEIGHT}.
 *
 * @param line   points of the line, empty for bars
 * @param bars   for bars
 * @param limitY where the allowed value lies, or null
 * @param markX  where the fault is, or null
 * @param left   labels of the scale, top and bottom
 * @param foot   labels of the places, from left to right
 */
public record PictureDrawing(String line, List<Bar> bars, Double limitY, Double markX, List<Label> left, List<Label> foot, String across, String up, String words) {

    static final int WIDTH = 380;
    static final int HEIGHT = 150;
    private static final int LEFT = 44;
    private static final int RIGHT = 8;
    private static final int TOP = 10;
    private static final int BOTTOM = 24;

    /** A bar. */
    public record Bar(double x, double y, double width, double height) {
    }

    /** A word at a place. */
    public record Label(double at, String text) {
    }

    static PictureDrawing of(Picture picture) {
        List<Double> x = picture.x();
        List<Double> y = picture.y();
        if (x.isEmpty()) {
            return null;
        }
        double low = y.stream().mapToDouble(v -> v).min().orElse(0);
        double high = y.stream().mapToDouble(v -> v).max().orElse(1);
        if (picture.limit() != null) {
            low = Math.min(low, picture.limit());
            high = Math.max(high, picture.limit());
        }
        double room = Math.max(high - low, 1e-3 * Math.abs(high) + 0.5) * 0.08;
        double bottom = low - room;
        double top = high + room;
        boolean bars = picture.kind() == Picture.Kind.BARS;
        double first = x.get(0);
        double last = x.get(x.size() - 1) == first ? first + 1 : x.get(x.size() - 1);
        List<String> points = new ArrayList<>();
        List<Bar> drawn = new ArrayList<>();
        double each = (double) (WIDTH - LEFT - RIGHT) / x.size();
        for (int i = 0; i < x.size(); i++) {
            double py = at(y.get(i), bottom, top);
            if (bars) {
                drawn.add(new Bar(LEFT + i * each + 1, py, each - 2, HEIGHT - BOTTOM - py));
            } else {
                points.add(String.format(Locale.ROOT, "%.1f,%.1f", across(x.get(i), first, last), py));
            }
        }
        List<Label> foot = new ArrayList<>();
        int every = Math.max(1, (x.size() + 5) / 6);
        IntStream.range(0, x.size()).filter(i -> i % every == 0).forEach(i -> foot.add(new Label(bars ? LEFT + (i + 0.5) * each : across(x.get(i), first, last), place(picture, x.get(i)))));
        return new PictureDrawing(String.join(" ", points), drawn, picture.limit() == null ? null : Double.valueOf(at(picture.limit(), bottom, top)),
                picture.mark() == null || bars ? null : Double.valueOf(across(Math.max(first, Math.min(last, picture.mark())), first, last)),
                List.of(new Label(at(high, bottom, top), number(high)), new Label(at(low, bottom, top), number(low))), foot, picture.across(), picture.up(),
                picture.up() + " from " + number(low) + " to " + number(high) + " over " + picture.across());
    }

    private static String place(Picture picture, double value) {
        return picture.across().equals("key") ? KeyName.of((int) value) : value >= 1000 ? number(value / 1000) + "k" : number(value);
    }

    private static double across(double value, double first, double last) {
        return LEFT + (WIDTH - LEFT - RIGHT) * (value - first) / (last - first);
    }

    private static double at(double value, double bottom, double top) {
        return TOP + (HEIGHT - TOP - BOTTOM) * (top - value) / (top - bottom);
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, Math.abs(value) >= 100 || value == Math.rint(value) ? "%.0f" : "%.1f", value);
    }
}
