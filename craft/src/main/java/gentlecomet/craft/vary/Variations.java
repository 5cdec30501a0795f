package gentlecomet.craft.vary;

import gentlecomet.craft.format.PatchRules;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.maths.Grain;
import gentlecomet.sound.parameter.Parameter;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.ValueText;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;

/**
 * Makes siblings of a patch in a wished direction. Which parameters lead there is measured, not assumed: each is moved a little, the
 * patch rendered, and the change of the quality noted. Every sibling moves its own seeded choice of those that lead the
 * right way, as far as the strength asks, and is rendered again to show that it went there. The same patch, quality, strength and
 * seed give the same siblings.
 */
public final class Variations {

    private static final double NUDGE = 0.06;
    private static final double HELD_SECONDS = 0.6;
    private static final double TAIL_SECONDS = 3;
    private static final int LEADERS = 14;
    private static final int TRIES = 7;
    private static final double LOUDNESS_LIMIT_LU = 12;

    private final Rendering rendering;
    private final Set<Parameter> locked;

    public Variations(Recordings recordings) {
        this(recordings, Set.of());
    }

    /** @param locked parameters that no sibling moves */
    public Variations(Recordings recordings, Set<Parameter> locked) {
        rendering = new Rendering(Measuring.RATE, recordings);
        this.locked = locked;
    }

    /**
     * One sibling.
     *
     * @param from   the quality's measure of the original, in words
     * @param to     the same of the sibling
     * @param wentThere whether it went the wished way
     * @param moves  what was moved, for people
     */
    public record Sibling(Patch patch, Quality quality, String from, String to, boolean wentThere, List<String> moves) {
    }

    private record Lead(Parameter parameter, double change) {
    }

    /**
     * Siblings of a patch in one direction.
     *
     * @param strength 0.1 for a hint to 2 for a different sound; 1 is an octave of brightness or length, or 6 dB
     * @param count    how many
     */
    public List<Sibling> of(Patch patch, Quality quality, double strength, int count, int seed) {
        int key = Measuring.probeKey(patch);
        double before = quality.of(render(patch, quality, key));
        List<Lead> leads = leads(patch, quality, key, before);
        List<Sibling> siblings = new ArrayList<>();
        for (int n = 0; n < count; n++) {
            siblings.add(sibling(patch, quality, strength, Grain.hash(seed, n, quality.ordinal()), key, before, leads));
        }
        return siblings;
    }

    private Audio render(Patch patch, Quality quality, int key) {
        return rendering.render(PatchImage.of(patch), Phrase.single(key, 100, HELD_SECONDS), quality.needsTail() ? TAIL_SECONDS : 0.05, Rendering.Hands.AT_REST).audio();
    }

    /** Parameters by how strongly a small move changes the quality, the strongest first. */
    private List<Lead> leads(Patch patch, Quality quality, int key, double before) {
        List<Lead> leads = new ArrayList<>();
        for (Parameter p : Parameters.ALL) {
            if (!varies(patch, p) || locked.contains(p)) {
                continue;
            }
            double at = p.position(patch.soundingValue(p));
            double to = at + NUDGE <= 1 ? at + NUDGE : at - NUDGE;
            double change = (quality.of(render(patch.withValue(p, p.value(to)), quality, key)) - before) / (to - at);
            if (Math.abs(change) > 0.05 * quality.unit()) {
                leads.add(new Lead(p, change));
            }
        }
        leads.sort(Comparator.comparingDouble(l -> -Math.abs(l.change())));
        return leads.subList(0, Math.min(LEADERS, leads.size()));
    }

    /** Sound parameters that mean something now; pitch, key map and performance are the patch's own. */
    private static boolean varies(Patch patch, Parameter p) {
        int layer = Parameters.layerOf(p.index());
        String id = p.id();
        return Parameters.movable(p) && patch.relevant(p) && (layer < 0 || patch.layerOn(layer)) && !id.contains(".zone.") && !id.contains("pitch.")
                && !id.startsWith("performance.") && !id.matches(".*\\.(cents|semitones|offset|ratio|keyFollow|phase|phaseRange|gridPitch|combTune)");
    }

    private Sibling sibling(Patch patch, Quality quality, double strength, int seed, int key, double before, List<Lead> leads) {
        double wanted = strength * quality.unit();
        double[] shares = new double[leads.size()];
        for (int i = 0; i < shares.length; i++) {
            // Most siblings leave some leaders alone, so that they differ in how they get there.
            shares[i] = Grain.fraction(seed, i, 1) < 0.35 && shares.length > 2 ? 0 : 0.3 + 0.7 * Grain.fraction(seed, i, 2);
        }
        double low = 0;
        double high = 1;
        Patch best = patch;
        double went = 0;
        for (int attempt = 0; attempt < TRIES; attempt++) {
            double scale = (low + high) / 2;
            Patch tried = moved(patch, quality, leads, shares, scale);
            Audio audio = render(tried, quality, key);
            double distance = (quality.of(audio) - before) * quality.direction();
            boolean heard = Loudness.of(audio).momentaryMax() > -60;
            if (heard && distance > 0 && Math.abs(distance - wanted) <= Math.abs(went - wanted)) {
                best = tried;
                went = distance;
            }
            if (distance < wanted && heard) {
                low = scale;
            } else {
                high = scale;
            }
        }
        Patch levelled = levelled(patch, best, quality, key);
        return new Sibling(levelled, quality, quality.told(before), quality.told(quality.of(render(levelled, quality, key))), went > 0, told(patch, best));
    }

    private static Patch moved(Patch patch, Quality quality, List<Lead> leads, double[] shares, double scale) {
        Patch changed = patch;
        for (int i = 0; i < shares.length; i++) {
            Lead lead = leads.get(i);
            double way = Math.signum(lead.change()) * quality.direction();
            double at = lead.parameter().position(patch.soundingValue(lead.parameter()));
            changed = shares[i] == 0 ? changed : changed.withValue(lead.parameter(), lead.parameter().value(at + way * shares[i] * scale));
        }
        return changed;
    }

    /** As loud as the original, by the trim, so that "louder is better" fools no one. */
    private Patch levelled(Patch original, Patch sibling, Quality quality, int key) {
        double difference = Loudness.of(render(original, quality, key)).momentaryMax() - Loudness.of(render(sibling, quality, key)).momentaryMax();
        Parameter trim = Parameters.at(PatchParameters.LEVEL_TRIM);
        if (!(Math.abs(difference) < 60) || locked.contains(trim)) {
            return sibling;
        }
        double change = Math.max(-LOUDNESS_LIMIT_LU, Math.min(LOUDNESS_LIMIT_LU, difference));
        return sibling.withValue(trim, Math.rint(100 * trim.clamp(sibling.value(PatchParameters.LEVEL_TRIM) + change)) / 100);
    }

    private static List<String> told(Patch before, Patch after) {
        List<String> moves = new ArrayList<>();
        for (Parameter p : Parameters.ALL) {
            double from = before.soundingValue(p);
            double to = after.soundingValue(p);
            if (from != to && varies(before, p)) {
                moves.add(PatchRules.name(p) + " " + ValueText.format(p, from) + " to " + ValueText.format(p, to));
            }
        }
        return moves;
    }
}
