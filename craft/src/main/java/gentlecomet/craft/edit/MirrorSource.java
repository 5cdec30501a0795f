package gentlecomet.craft.edit;

import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.ShapeKind;
import gentlecomet.sound.parameter.Shapes;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.Patch;

/**
 * Makes one source the mirror of another: every unison voice sounds at its pitch, but on the other side. Where the first has its flat voices left,
 * this one has them right, so that both together are wide and neither side is out of tune.
 *
 * @param layer from 0
 * @param from  source to mirror, from 0
 * @param to    source that becomes its mirror, from 0
 */
public record MirrorSource(int layer, int from, int to) implements PatchEdit {

    public MirrorSource {
        if (from == to) {
            throw new EditException("A source cannot be the mirror of itself.");
        }
    }

    @Override
    public Patch apply(Patch patch) {
        Patch copied = new PastePart(patch, part(from), part(to)).apply(patch);
        int at = Parameters.ofSource(layer, to, 0);
        int voices = (int) copied.value(at + SourceParameters.UNISON_VOICES);
        double detune = copied.value(at + SourceParameters.DETUNE);
        double amount = copied.value(at + SourceParameters.UNISON_MAP) / 100;
        ShapeKind kind = Shapes.ALL.get(Shapes.copies(layer, to));
        int width = kind.columns().size();
        double[] drawn = copied.shape(kind.index());
        double[] mirrored = new double[voices == 1 ? 0 : voices * width];
        for (int voice = 0; voice < voices && voices > 1; voice++) {
            // Voice by voice from the other end: what detune gives there has the other sign, so that the map takes it back twice.
            int other = (voices - 1 - voice) * width;
            double place = 2.0 * voice / (voices - 1) - 1;
            boolean own = voice * width < drawn.length;
            mirrored[other] = clamp(kind, 0, (own ? amount * drawn[voice * width] : 0) + 2 * place * detune);
            for (int c = 1; own && c < width; c++) {
                double offset = amount * drawn[voice * width + c];
                mirrored[other + c] = clamp(kind, c, c == 1 ? -offset : offset);
            }
        }
        Patch turned = copied.withValue(Parameters.at(at + SourceParameters.PAN), 0.0 - copied.value(at + SourceParameters.PAN))
                .withValue(Parameters.at(at + SourceParameters.UNISON_MAP), 100);
        return turned.withShape(kind.index(), mirrored);
    }

    private static double clamp(ShapeKind kind, int column, double value) {
        return Math.max(kind.columns().get(column).min(), Math.min(kind.columns().get(column).max(), value));
    }

    private String part(int source) {
        return "layer" + (layer + 1) + ".source" + (source + 1) + ".";
    }

    @Override
    public String label(Patch before) {
        return "Layer " + (layer + 1) + " source " + (to + 1) + ": mirror of source " + (from + 1);
    }
}
