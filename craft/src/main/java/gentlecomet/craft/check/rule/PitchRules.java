package gentlecomet.craft.check.rule;

import static gentlecomet.craft.check.SoundcheckRule.fault;
import static gentlecomet.craft.check.SoundcheckRule.look;

import gentlecomet.craft.check.FindingText;
import gentlecomet.craft.check.Picture;
import gentlecomet.craft.check.Repairs;
import gentlecomet.craft.check.SoundcheckRule;
import gentlecomet.craft.check.Subject;
import gentlecomet.craft.check.Threshold;
import gentlecomet.craft.probe.KeyProbe;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.LayerParameters;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.parameter.SourceParameters;
import gentlecomet.sound.patch.Patch;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Tuning, octaves and drift. */
public final class PitchRules {

    private static final Threshold FEWEST = new Threshold("pitch.keys", "keys", "", 3, "fewest keys with a clear pitch, below which nothing is said");
    private static final Threshold ALLOWED = new Threshold("pitch.keys", "more", "ct", 5, "by which other keys may be off beyond what the house allows the probe");
    private static final Threshold DRIFT = new Threshold("pitch.drift", "drift", "ct", 20, "by which a held note may change its pitch in five seconds");
    private static final double OCTAVE = 1200;
    private static final double NEAR_OCTAVE = 100;
    /** Odd partials from which on a pitch is surely no octave of a lower one, and those below which it surely is not an octave too high. */
    private static final double OWN = 0.03;
    private static final double ANOTHERS = 0.001;

    /** All of them. */
    public static final List<SoundcheckRule> ALL = List.of(
            fault("pitch.tuning", "The probe sounds within the house's cents of its key.", "Set the fine tune of the source that is named, or take detune and bends away.", (s, found) -> {
                Double cents = s.measurement().pitchCents();
                double allowed = s.house().tuningCents();
                if (cents != null && Math.abs(cents) > allowed) {
                    found.add("%s sounds %.0f cents %s; the house allows %.0f.", KeyName.of(s.key()), Math.abs(cents), cents > 0 ? "sharp" : "flat", allowed).at(place(s)).clip(s.probe())
                            .number("offset", FindingText.cents(cents)).picture(centsOff(s, s.key()));
                }
            }).mendedBy(Repairs.TUNE),
            fault("pitch.keys", "Every key of the category's register is in tune.", "Look at the key follow and the tuning of the layer that plays the keys which are named.", (s, found) -> {
                List<KeyProbe> off = off(s);
                Double probe = s.measurement().pitchCents();
                // Where the probe itself is off the other rule speaks; where hardly any key follows the keyboard, none is meant to.
                if (off.isEmpty() || probe != null && Math.abs(probe) > s.house().tuningCents()) {
                    return;
                }
                KeyProbe worst = off.stream().max((a, b) -> Double.compare(Math.abs(folded(a)), Math.abs(folded(b)))).orElseThrow();
                found.add("%d of %d keys are out of tune, %s by %.0f cents: %s.", off.size(), pitched(s).size(), KeyName.of(worst.key()), folded(worst),
                        off.stream().map(k -> KeyName.of(k.key())).limit(6).collect(Collectors.joining(", "))).at("layer" + (s.soundingLayers(worst.key()).get(0) + 1) + ".source1.cents")
                        .clip(Subject.note(worst.key(), 100, 1.5)).number("keys", String.valueOf(off.size())).number("worst", FindingText.cents(folded(worst)))
                        .picture(centsOff(s, worst.key()));
            }, FEWEST, ALLOWED),
            look("pitch.drift", "A held note keeps its pitch.", "Shorten the envelope or the fall that bends the pitch, or take it away.", (s, found) -> {
                Double drift = s.probes().hold().driftCents();
                if (drift != null && Math.abs(drift) > s.limit(DRIFT) && Math.abs(drift) < OCTAVE / 2) {
                    found.add("The pitch of a held note moves by %.0f cents from its second to its seventh second.", drift).at(place(s)).clip(Subject.note(s.key(), 100, 8)).number("drift", FindingText.cents(drift))
                            .number("limit", FindingText.cents(s.limit(DRIFT)));
                }
            }, DRIFT),
            look("pitch.octave", "The patch sounds in the octave that its category expects.", "Set the octave of its sources, or transpose the layer.", (s, found) -> {
                List<KeyProbe> pitched = pitched(s);
                long off = pitched.stream().filter(k -> Math.abs(octaves(k)) > s.expected().octaves()).count();
                if (pitched.size() >= s.limit(FEWEST) && off > pitched.size() / 2) {
                    KeyProbe worst = pitched.stream().filter(k -> Math.abs(octaves(k)) > s.expected().octaves()).findFirst().orElseThrow();
                    found.add("%s sounds %d octaves %s; its category expects %d at the most.", KeyName.of(worst.key()), Math.abs(octaves(worst)), octaves(worst) > 0 ? "up" : "down", s.expected().octaves())
                            .at(octavePlace(s)).clip(Subject.note(worst.key(), 100, 1.5)).number("octaves", String.format("%+d", octaves(worst))).number("keys", String.valueOf(off))
                            .picture(CheckPictures.octavesOff(pitched, worst.key()));
                }
            }).mendedBy(Repairs.OCTAVE),
            fault("pitch.jump", "Keys that the same layers play stand in the same octave.", "Look for a route from the key or a table that changes its octave.", (s, found) -> {
                List<KeyProbe> pitched = pitched(s);
                for (int i = 2; i < pitched.size() - 1; i++) {
                    KeyProbe below = pitched.get(i - 1);
                    KeyProbe key = pitched.get(i);
                    boolean same = below.layers() == key.layers() && pitched.get(i - 2).layers() == key.layers() && pitched.get(i + 1).layers() == key.layers();
                    // A sound whose octave is doubtful is read now in one and now in the other; two keys on each side have to agree.
                    if (same && octaves(below) != octaves(key) && octaves(pitched.get(i - 2)) == octaves(below) && octaves(pitched.get(i + 1)) == octaves(key) && settled(pitched, i)
                            && (Math.abs(brighter(below, key) - 0.04 * (key.key() - below.key())) > 0.3 || certain(below, key))) {
                        found.add("From %s to %s the pitch jumps by %+d octaves.", KeyName.of(below.key()), KeyName.of(key.key()), octaves(key) - octaves(below)).at(octavePlace(s))
                                .clip(Subject.note(below.key(), 100, 1) + "," + Subject.note(key.key(), 100, 1)).number("octaves", String.format("%+d", octaves(key) - octaves(below)))
                                .picture(CheckPictures.octavesOff(pitched, key.key()));
                        return;
                    }
                }
            }));

    private PitchRules() {
    }

    /** Octaves of brightness from one key to another; a pitch that jumps takes its partials along. */
    private static double brighter(KeyProbe from, KeyProbe to) {
        return Math.log(Math.max(20, to.figures().brightnessHz()) / Math.max(20, from.figures().brightnessHz())) / Math.log(2);
    }

    /** Whether two keys cannot be read in the same octave: the one read lower has what the other would have to have, and has not. */
    private static boolean certain(KeyProbe below, KeyProbe key) {
        KeyProbe low = octaves(below) < octaves(key) ? below : key;
        KeyProbe high = low == below ? key : below;
        return low.odd() > OWN && high.half() < ANOTHERS;
    }

    /** Whether every key up to one stands in one octave and every key from it on in another. */
    private static boolean settled(List<KeyProbe> keys, int at) {
        return keys.subList(0, at).stream().allMatch(k -> octaves(k) == octaves(keys.get(0))) && keys.subList(at, keys.size()).stream().allMatch(k -> octaves(k) == octaves(keys.get(at)));
    }

    /** Keys of the register that have a clear pitch near some octave of their own. */
    private static List<KeyProbe> pitched(Subject s) {
        return LevelRules.register(s).stream().filter(k -> k.figures().cents() != null && Math.abs(folded(k)) <= NEAR_OCTAVE).toList();
    }

    /** Those that are out of tune, where most keys of the patch follow the keyboard. */
    private static List<KeyProbe> off(Subject s) {
        List<KeyProbe> pitched = pitched(s);
        List<KeyProbe> all = LevelRules.register(s).stream().filter(k -> k.figures().heard()).toList();
        if (pitched.size() < s.limit(FEWEST) || pitched.size() < 0.75 * all.size()) {
            return List.of();
        }
        List<KeyProbe> off = new ArrayList<>(pitched);
        off.removeIf(k -> Math.abs(folded(k)) <= s.house().tuningCents() + s.limit(ALLOWED));
        // One key alone may be where two sources beat; the whole lot means no fixed pitch.
        return off.size() >= 2 ? off : List.of();
    }

    private static int octaves(KeyProbe key) {
        return (int) Math.rint(key.figures().cents() / OCTAVE);
    }

    /** Cents off the nearest octave of the key. */
    private static double folded(KeyProbe key) {
        double cents = key.figures().cents();
        return cents - OCTAVE * Math.rint(cents / OCTAVE);
    }

    /** Cents off their nearest octave, of every key. */
    private static Picture centsOff(Subject s, int mark) {
        return CheckPictures.keys(s, "ct", k -> k.figures().cents() == null ? 0 : Math.max(-200, Math.min(200, folded(k))), s.house().tuningCents(), mark);
    }

    /** The fine tune of the loudest source that plays the key. */
    static String place(Subject subject) {
        return Parameters.at(loudest(subject) + SourceParameters.CENTS).id();
    }

    private static String octavePlace(Subject subject) {
        return Parameters.at(loudest(subject) + SourceParameters.OCTAVE).id();
    }

    private static int loudest(Subject subject) {
        List<Integer> layers = subject.soundingLayers();
        int loudest = Parameters.ofSource(layers.get(0), 0, 0);
        for (int layer : layers) {
            for (int source = 0; source < LayerParameters.SOURCES; source++) {
                int at = Parameters.ofSource(layer, source, 0);
                loudest = level(subject.patch(), at) > level(subject.patch(), loudest) ? at : loudest;
            }
        }
        return loudest;
    }

    private static double level(Patch patch, int source) {
        return patch.soundingValue(Parameters.at(source + SourceParameters.LEVEL));
    }

    /** Whether a patch plays one note at a time. */
    static boolean mono(Patch patch) {
        return patch.value(PatchParameters.VOICE_MODE) != PatchParameters.MODE_POLY;
    }
}
