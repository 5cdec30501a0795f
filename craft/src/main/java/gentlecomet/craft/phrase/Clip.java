package gentlecomet.craft.phrase;

import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.patch.Ride;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * What somebody is to hear of a patch, as text: notes in the notation of {@link NoteText}, {@code phrase} for the category's phrase, and before them where hands stand. {@code macro3=100},
 * {@code wheel=50}, {@code pressure=100}, {@code bend=-100} set one in per cent; {@code sweep=wheel} moves one quickly up and down; {@code mono} sums the channels; a note with a moment,
 * {@code C4@0.6:100:1}, starts there, whatever sounds.
 *
 * @param phrase  what is played
 * @param settings hands that stand somewhere
 * @param mono    whether the channels are summed
 */
public record Clip(Phrase phrase, List<Setting> settings, boolean mono) {

    private static final double LONGEST_SECONDS = 60;
    private static final double UP = 0.6;
    private static final double DOWN = 1.3;
    private static final double SWEEP = 0.15;

    /** Where a hand stands, in per cent. */
    public record Setting(Ride.Hand hand, double percent) {
    }

    /**
     * Reads a clip.
     *
     * @param own the phrase of the patch's category
     * @throws IllegalArgumentException that names the word which has no meaning
     */
    public static Clip parse(String text, Phrase own) {
        List<Setting> settings = new ArrayList<>();
        List<Ride> rides = new ArrayList<>();
        List<Note> placed = new ArrayList<>();
        List<String> row = new ArrayList<>();
        boolean mono = false;
        boolean whole = false;
        for (String word : text.strip().split("[,\\s]+")) {
            int equals = word.indexOf('=');
            if (word.equals("mono")) {
                mono = true;
            } else if (word.equals("phrase")) {
                whole = true;
            } else if (word.startsWith("sweep=")) {
                rides.add(sweep(hand(word.substring(equals + 1), word)));
            } else if (equals > 0) {
                settings.add(new Setting(hand(word.substring(0, equals), word), number(word.substring(equals + 1), word, -100, 100)));
            } else if (word.contains("@")) {
                placed.add(placed(word));
            } else {
                row.add(word);
            }
        }
        if (whole) {
            return new Clip(own, settings, mono);
        }
        List<Note> notes = new ArrayList<>(placed);
        double end = placed.stream().mapToDouble(n -> n.start() + n.length()).max().orElse(0);
        if (!row.isEmpty()) {
            NoteText.Notes read = NoteText.parse(String.join(",", row));
            notes.addAll(read.notes());
            end = Math.max(end, read.end());
        }
        return new Clip(new Phrase("clip", "Clip", 60, end, notes, List.of(), List.of(), rides), settings, mono);
    }

    private static Ride.Hand hand(String id, String word) {
        Ride.Hand hand = Ride.Hand.find(id);
        if (hand == null) {
            throw new IllegalArgumentException("\"" + word + "\" names none of " + String.join(", ", Arrays.stream(Ride.Hand.values()).map(Ride.Hand::id).toList()));
        }
        return hand;
    }

    private static Ride sweep(Ride.Hand hand) {
        return new Ride("clip", hand, List.of(new Ride.Point(0, 0), new Ride.Point(UP, 0), new Ride.Point(UP + SWEEP, 100), new Ride.Point(DOWN, 100), new Ride.Point(DOWN + SWEEP, 0)));
    }

    private static Note placed(String word) {
        String[] parts = word.split("[@:]");
        int key = KeyName.parse(parts[0]);
        if (parts.length != 4 || key < 0) {
            throw new IllegalArgumentException("\"" + word + "\" is not key@start:velocity:length, for example C3@0.5:100:1.5");
        }
        return new Note(key, (int) number(parts[2], word, 1, 127), number(parts[1], word, 0, LONGEST_SECONDS), number(parts[3], word, 0.01, LONGEST_SECONDS));
    }

    private static double number(String text, String word, double least, double most) {
        try {
            double value = Double.parseDouble(text);
            if (value >= least && value <= most) {
                return value;
            }
        } catch (NumberFormatException e) {
            // Falls through to the message below.
        }
        throw new IllegalArgumentException("\"" + text + "\" in \"" + word + "\" is not a number from " + (int) least + " to " + (int) most);
    }

    /** The patch with its macros where they are to be. */
    public Patch on(Patch patch) {
        Patch moved = patch;
        for (Setting s : settings) {
            moved = s.hand().macro() < 0 ? moved : moved.withValue(Parameters.at(PatchParameters.MACRO + s.hand().macro()), s.percent());
        }
        return moved;
    }

    /** Renders it. @param tailSeconds longest tail */
    public Audio render(Patch patch, Rendering rendering, double tailSeconds) {
        Audio audio = rendering.render(PatchImage.of(on(patch)), phrase, tailSeconds, engine -> {
            for (Setting s : settings) {
                switch (s.hand()) {
                    case WHEEL -> engine.modWheel(s.percent() / 100);
                    case PRESSURE -> engine.aftertouch(s.percent() / 100);
                    case BEND -> engine.bend(s.percent() / 100);
                    default -> { }
                }
            }
        }).audio();
        if (!mono) {
            return audio;
        }
        float[] sum = new float[audio.frames()];
        for (int i = 0; i < sum.length; i++) {
            sum[i] = 0.5f * (audio.left()[i] + audio.right()[i]);
        }
        return new Audio(sum, sum.clone(), audio.sampleRate());
    }
}
