package gentlecomet.craft.vary;

/**
 * Where a sound stands among others, by its probe note.
 *
 * @param brightness octaves of the spectral centroid above 20 Hz
 * @param length     octaves above 1 ms
 * @param width      side against middle in dB
 * @param roughness  in dB
 */
public record Place(double brightness, double length, double width, double roughness) {

    /** How far along one measure. @param measure as {@link Quality#measure()} names it */
    public double along(String measure) {
        return switch (measure) {
            case "brightness" -> brightness;
            case "length" -> length;
            case "width" -> width;
            default -> roughness;
        };
    }
}
