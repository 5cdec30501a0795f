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
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/**
 * Makes siblings of a patch in a wished direction. What is moved is what a sound designer would reach for ({@link Tools}); which way each of it leads is measured.
 * Every sibling moves its own seeded choice as far as it is asked to, and no further than where something else of the sound would be lost ({@link SoundCharacter}); what
 * cannot be moved that way says so. The same patch, aim and seed give the same siblings.
 */
public final class Variations {

    static final double HELD_SECONDS = 0.6;
    private static final double TAIL_SECONDS = 1.5;
    private static final double LONG_TAIL_SECONDS = 6;
    /** Parts of its way at which a tool is tried, the first that costs nothing else counts. */
    private static final double[] PARTS = {0.6, 0.2};
    private static final double LEAST_GAIN = 0.02;
    private static final int TRIES = 9;
    /** Part of the way asked for that a sibling may be off and still be the one. */
    private static final double EXACT = 0.05;
    /** The same of the siblings of a row, which are held against each other. */
    private static final double EVEN = 0.02;
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
     * How far in a direction.
     *
     * @param amount in the unit of the quality's measure: octaves of brightness or length, dB of width or roughness; above 0
     */
    public record Aim(Quality quality, double amount) {
    }

    /**
     * One sibling.
     *
     * @param qualities the directions it went
     * @param from   the quality's measure of the original, in words
     * @param to     the same of the sibling
     * @param wentThere whether it went the wished way, by a fifth of the measure at least, or most of a shorter way
     * @param held   what stood in the way of more, in words: "pitch" or "width"; empty when nothing did
     * @param moves  what was moved, for people
     */
    public record Sibling(Patch patch, List<Quality> qualities, String from, String to, boolean wentThere, String held, List<String> moves) {

        /** This way and then another, as one sibling of the sound where the first began. */
        Sibling followedBy(Sibling next, Patch original) {
            List<Quality> both = new ArrayList<>(qualities);
            both.addAll(next.qualities);
            return new Sibling(next.patch, both, from + ", " + next.from, to + ", " + next.to, wentThere && next.wentThere, next.held, told(original, next.patch));
        }

        /** The directions, for people: "darker, longer". */
        public String label() {
            return qualities.stream().map(Quality::label).collect(Collectors.joining(", "));
        }
    }

    /** @param towards where along its bar it leads the wished way, no further than where it alone would cost the sound something else */
    private record Lead(Tools.Tool tool, double towards) {
    }

    /** The original as it is measured, and what leads away from it, tier after tier. @param slack how far off a sibling may be, in units of the measure */
    private record Start(Patch patch, Quality quality, int key, double before, SoundCharacter character, double slack, List<List<Lead>> tiers) {
    }

    private record Attempt(Patch patch, double went, String held) {
    }

    /**
     * Siblings of a patch in one direction, each by other means.
     *
     * @param count how many
     */
    public List<Sibling> of(Patch patch, Aim aim, int count, int seed) {
        Start start = start(patch, aim.quality(), EXACT * aim.amount());
        List<Sibling> siblings = new ArrayList<>();
        for (int n = 0; n < count; n++) {
            siblings.add(sibling(start, aim.amount(), NoiseGenerator.hash(seed, n, aim.quality().ordinal())));
        }
        return siblings;
    }

    /**
     * Siblings that go on in one direction by even steps and by the same means.
     *
     * @param step  from one to the next
     * @param found takes each as it is found, the nearest first
     * @param goesOn asked before each
     */
    public void row(Patch patch, Aim step, int count, int seed, Consumer<Sibling> found, BooleanSupplier goesOn) {
        Start start = start(patch, step.quality(), EVEN * step.amount());
        int seeded = NoiseGenerator.hash(seed, 0, step.quality().ordinal());
        double farthest = count * step.amount();
        int tiers = 0;
        Attempt last = new Attempt(patch, 0, "");
        while (tiers < Tools.tiers(step.quality()) && farthest - last.went() > start.slack() && goesOn.getAsBoolean()) {
            last = better(last, search(start, farthest, leadsOf(start, ++tiers), seeded, false));
        }
        boolean all = farthest - last.went() > start.slack();
        // All take the way that the farthest needs.
        for (int n = 1; n <= count && goesOn.getAsBoolean(); n++) {
            double wanted = n * step.amount();
            found.accept(told(start, wanted, search(start, wanted, leadsOf(start, tiers), seeded, all)));
        }
    }

    /** Where a patch stands among others: the measures of its probe note. */
    public Place place(Patch patch) {
        Audio audio = render(patch, Quality.LONGER, Measuring.probeKey(patch));
        return new Place(Quality.BRIGHTER.of(audio), Quality.LONGER.of(audio), Quality.WIDER.of(audio), Quality.ROUGHER.of(audio));
    }

    private Start start(Patch patch, Quality quality, double slack) {
        int key = Measuring.probeKey(patch);
        Audio original = render(patch, quality, key);
        return new Start(patch, quality, key, quality.of(original), SoundCharacter.of(original, key), slack, new ArrayList<>());
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
        int tiers = 0;
        while (tiers < Tools.tiers(start.quality()) && best.went() < NEARLY * wanted) {
            best = better(best, search(start, wanted, leadsOf(start, ++tiers), seed, false));
        }
        if (best.went() < NEARLY * wanted) {
            best = better(best, search(start, wanted, leadsOf(start, tiers), seed, true));
        }
        return told(start, wanted, best);
    }

    /** As loud as the original, and in words. */
    private Sibling told(Start start, double wanted, Attempt best) {
        Quality quality = start.quality();
        Patch levelled = levelled(start.patch(), best.patch(), quality, start.key());
        boolean went = best.went() >= Math.min(quality.least(), NEARLY * wanted);
        return new Sibling(went ? levelled : start.patch(), List.of(quality), quality.told(start.before()), quality.told(quality.of(render(levelled, quality, start.key()))), went,
                best.went() < NEARLY * wanted ? best.held() : "", went ? told(start.patch(), best.patch()) : List.of());
    }

    private List<Lead> leadsOf(Start start, int tiers) {
        List<Lead> leads = new ArrayList<>();
        for (int tier = 0; tier < tiers; tier++) {
            leads.addAll(leads(start, tier));
        }
        return leads;
    }

    private static Attempt better(Attempt best, Attempt found) {
        return found.went() > best.went() ? found : new Attempt(best.patch(), best.went(), found.held());
    }

    /** As far along the seeded shares of all leads as was asked and the rest of the sound allows. @param all whether every lead takes its full share */
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
        // A root is looked for between two scales, by a straight line between what they reach (regula falsi, the Illinois way: a side that stays twice is halved).
        double low = 0;
        double lowGap = -wanted;
        double high = 1;
        double highGap = Double.NaN;
        int side = 0;
        double scale = 1;
        Attempt best = new Attempt(start.patch(), 0, "");
        for (int attempt = 0; attempt < TRIES && !leads.isEmpty() && Math.abs(best.went() - wanted) > start.slack(); attempt++) {
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
                highGap = side == -1 ? highGap / 2 : highGap;
                low = scale;
                lowGap = distance - wanted;
                side = -1;
            } else {
                lowGap = side == 1 ? lowGap / 2 : lowGap;
                high = scale;
                highGap = broken.isEmpty() ? distance - wanted : Double.NaN;
                side = 1;
            }
            if (low >= 1) {
                break;
            }
            // What broke says nothing of how far it went: then the middle.
            double along = highGap > 0 ? -lowGap / (highGap - lowGap) : 0.5;
            scale = low + (high - low) * Math.max(0.02, Math.min(0.98, along));
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
