package gentlecomet.craft.probe;

import gentlecomet.craft.measure.ClickFinder;

/**
 * A click that was looked for.
 *
 * @param excessDb by which it stands out against its neighbourhood above 6 kHz
 * @param levelDb  against the peak of the whole clip
 * @param seconds  moment of it in the clip
 * @param clip     notes to hear it by, in the notation of clips
 */
public record ClickProbe(double excessDb, double levelDb, double seconds, String clip) {

    /** Nothing. */
    public static final ClickProbe NONE = of(ClickFinder.Click.NONE, 0, "");

    static ClickProbe of(ClickFinder.Click click, double seconds, String clip) {
        return new ClickProbe(click.excessDb(), click.levelDb(), seconds, clip);
    }
}
