package gentlecomet.craft.vary;

import gentlecomet.craft.format.PatchRules;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.maths.NoiseGenerator;
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
import java.util.List;
import java.util.Set;

/**
 * Makes siblings of a patch in a wished direction. What is moved is what a sound designer would reach for ({@link Tools}); which way each of it leads is measured.
 * Every sibling moves its own seeded choice as far as the strength asks, and no further than where something else of the sound would be lost ({@link SoundCharacter}); what
 * cannot be moved that way says so. The same patch, quality, strength and seed give the same siblings.
 */
public final class Variations {

    static final double HELD_SECONDS = 0.6;
    private static final double TAIL_SECONDS = 1.5;
    private static final double LONG_TAIL_SECONDS = 6;
    /** Parts of its way at which a tool is tried, the first that costs nothing else counts. */
    private static final double[] PARTS = {0.6, 0.2};
    private static final double LEAST_GAIN = 0.02;
    private static final int TRIES = 7;
    private static final double LOUDNESS_LIMIT_LU = 12;
    /** Part of the way after which no further tier is asked for help. */
    private static final double NEARLY = 0.85;

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
     * @param wentThere whether it went the wished way, by a fifth of the measure at least
     * @param held   what stood in the way of more, in words: "pitch" or "width"; empty when nothing did
     * @param moves  what was moved, for people
     */
    public record Sibling(Patch patch, Quality quality, String from, String to, boolean wentThere, String held, List<String> moves) {
    }

    /** @param towards where along its bar it leads the wished way, no further than where it alone would cost the sound something else */
    private record Lead(Tools.Tool tool, double towards) {
    }

    /** The original as it is measured, and what leads away from it, tier after tier. */
    private record Start(Patch patch, Quality quality, int key, double before, SoundCharacter character, List<List<Lead>> tiers) {
    }

    private record Attempt(Patch patch, double went, String held) {
    }

    /**
     * Siblings of a patch in one direction.
     *
     * @param strength 0.1 for a hint to 2 for a different sound; 1 is an octave of brightness or length, or 6 dB
     * @param count    how many
     */
    public List<Sibling> of(Patch patch, Quality quality, double strength, int count, int seed) {
        int key = Measuring.probeKey(patch);
        Audio original = render(patch, quality, key);
        Start start = new Start(patch, quality, key, quality.of(original), SoundCharacter.of(original, key), new ArrayList<>());
        List<Sibling> siblings = new ArrayList<>();
        for (int n = 0; n < count; n++) {
            siblings.add(sibling(start, strength * quality.unit(), NoiseGenerator.hash(seed, n, quality.ordinal())));
        }
        return siblings;
    }

    private Audio render(Patch patch, Quality quality, int key) {
        double tail = quality.measure().equals("length") ? LONG_TAIL_SECONDS : TAIL_SECONDS;
        return rendering.render(PatchImage.of(patch), Phrase.single(key, 100, HELD_SECONDS), tail, Rendering.ControllerState.AT_REST).audio();
    }

    /** What of a tier leads the wished way; measured once, when a sibling first needs it. */
    private List<Lead> leads(Start start, int tier) {
        while (start.tiers().size() <= tier) {
            List<Lead> leads = new ArrayList<>();
            for (Tools.Tool tool : Tools.of(start.patch(), start.quality(), start.tiers().size(), locked)) {
                Lead up = lead(start, tool, tool.high());
                Lead down = up == null ? lead(start, tool, tool.low()) : null;
                if (up != null || down != null) {
                    leads.add(up != null ? up : down);
                }
            }
            start.tiers().add(leads);
        }
        return start.tiers().get(tier);
    }

    /** A tool that leads the wished way between where it stands and an end, or null. */
    private Lead lead(Start start, Tools.Tool tool, double end) {
        if (Math.abs(end - tool.at()) < 1e-6) {
            return null;
        }
        for (double part : PARTS) {
            double position = tool.at() + part * (end - tool.at());
            Audio tried = render(start.patch().withValue(tool.parameter(), tool.parameter().value(position)), start.quality(), start.key());
            double gain = (start.quality().of(tried) - start.before()) * start.quality().direction();
            if (gain < LEAST_GAIN * start.quality().unit()) {
                return null;
            }
            if (SoundCharacter.of(tried, start.key()).broken(start.character(), start.quality()).isEmpty()) {
                return new Lead(tool, part == PARTS[0] ? end : position);
            }
        }
        return null;
    }

    private Sibling sibling(Start start, double wanted, int seed) {
        Attempt best = new Attempt(start.patch(), 0, "");
        List<Lead> leads = new ArrayList<>();
        for (int tier = 0; tier < Tools.tiers(start.quality()) && best.went() < NEARLY * wanted; tier++) {
            leads.addAll(leads(start, tier));
            best = better(best, search(start, wanted, leads, seed, false));
        }
        if (best.went() < NEARLY * wanted) {
            best = better(best, search(start, wanted, leads, seed, true));
        }
        Quality quality = start.quality();
        Patch levelled = levelled(start.patch(), best.patch(), quality, start.key());
        boolean went = best.went() >= quality.least();
        return new Sibling(went ? levelled : start.patch(), quality, quality.told(start.before()), quality.told(quality.of(render(levelled, quality, start.key()))), went,
                best.went() < NEARLY * wanted ? best.held() : "", went ? told(start.patch(), best.patch()) : List.of());
    }

    private static Attempt better(Attempt best, Attempt found) {
        return found.went() > best.went() ? found : new Attempt(best.patch(), best.went(), found.held());
    }

    /** As far along the seeded shares of all leads as the strength asks and the rest of the sound allows. @param all whether every lead takes its full share */
    private Attempt search(Start start, double wanted, List<Lead> leads, int seed, boolean all) {
        double[] shares = new double[leads.size()];
        double most = 0;
        for (int i = 0; i < shares.length; i++) {
            // Most siblings leave some leaders alone, so that they differ in how they get there.
            boolean alone = NoiseGenerator.fraction(seed, i, 1) < 0.25 && shares.length > 3;
            shares[i] = all ? 1 : alone ? 0 : 0.4 + 0.6 * NoiseGenerator.fraction(seed, i, 2);
            most = Math.max(most, shares[i]);
        }
        for (int i = 0; i < shares.length; i++) {
            shares[i] /= Math.max(1e-9, most);
        }
        double low = 0;
        double high = 1;
        double scale = 1;
        Attempt best = new Attempt(start.patch(), 0, "");
        for (int attempt = 0; attempt < TRIES && !leads.isEmpty(); attempt++) {
            Patch tried = moved(start.patch(), leads, shares, scale);
            Audio audio = render(tried, start.quality(), start.key());
            double distance = (start.quality().of(audio) - start.before()) * start.quality().direction();
            String broken = Loudness.of(audio).momentaryMax() > -60 ? SoundCharacter.of(audio, start.key()).broken(start.character(), start.quality()) : "sound";
            if (broken.isEmpty() && distance > 0 && Math.abs(distance - wanted) <= Math.abs(best.went() - wanted)) {
                best = new Attempt(tried, distance, best.held());
            }
            if (!broken.isEmpty()) {
                best = new Attempt(best.patch(), best.went(), broken);
            }
            if (broken.isEmpty() && distance < wanted) {
                low = scale;
            } else {
                high = scale;
            }
            if (low >= 1) {
                break;
            }
            scale = (low + high) / 2;
        }
        return best;
    }

    private static Patch moved(Patch patch, List<Lead> leads, double[] shares, double scale) {
        Patch changed = patch;
        for (int i = 0; i < shares.length; i++) {
            Tools.Tool tool = leads.get(i).tool();
            double position = tool.at() + shares[i] * scale * (leads.get(i).towards() - tool.at());
            changed = shares[i] == 0 ? changed : changed.withValue(tool.parameter(), tool.parameter().value(position));
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
            if (from != to && before.relevant(p)) {
                moves.add(PatchRules.name(p) + " " + ValueText.format(p, from) + " to " + ValueText.format(p, to));
            }
        }
        return moves;
    }
}
