package gentlecomet.sound.effect;

/** The spaces that a reverb can be, in the order of the choice: how its first moment is made dense, and how its tail is joined to it. */
enum ReverbKind {
    /** Grows dense within a few hundredths of a second. */
    HALL(0.62, 1, 0.45, 1.1, 0.5, 1),
    /** Dense at once and closer together. */
    ROOM(0.6, 0.8, 0.4, 0.8, 0.5, 1),
    /** No reflections to be told apart at all, from the first moment on. */
    PLATE(0.62, 0.9, 0.45, 0.65, 0.7, 1),
    /** Mostly the first moment: nearness without a tail that stands in the way. */
    AMBIENCE(0.6, 0.85, 0.5, 1, 0.9, 0.5),
    /** Swells before it falls. */
    BLOOM(0.7, 1, 2, 5, 0, 1);

    private static final ReverbKind[] KINDS = values();

    /** Part of the lines' full length at no size and at full size. */
    final double shortLines;
    final double longLines;
    /** The diffusers' times at no size and at full size, as a multiple of their own. */
    final double shortDiffusion;
    final double longDiffusion;
    /** Level of what the diffusers give that is heard at once, and of the tail. */
    final double burst;
    final double tail;

    ReverbKind(double shortLines, double longLines, double shortDiffusion, double longDiffusion, double burst, double tail) {
        this.shortLines = shortLines;
        this.longLines = longLines;
        this.shortDiffusion = shortDiffusion;
        this.longDiffusion = longDiffusion;
        this.burst = burst;
        this.tail = tail;
    }

    static ReverbKind of(double choice) {
        return KINDS[(int) choice];
    }

    double lines(double size) {
        return shortLines + (longLines - shortLines) * size;
    }

    double diffusion(double size) {
        return shortDiffusion + (longDiffusion - shortDiffusion) * size;
    }
}
