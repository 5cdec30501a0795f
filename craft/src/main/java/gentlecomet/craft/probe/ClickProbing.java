package gentlecomet.craft.probe;

import gentlecomet.craft.measure.ClickFinder;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.sound.parameter.KeyName;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Note;
import gentlecomet.sound.performance.Rendering;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Listens for clicks where notes begin, end, take each other's place, glide or are struck again. */
final class ClickProbing {

    private static final int MOST_STOLEN = 12;
    private static final double BEFORE = 0.002;
    private static final double AFTER = 0.008;
    private static final double LATER = 0.012;

    private final ProbeNotes notes;
    private final Patch patch;
    private final double[] image;
    private final int key;

    ClickProbing(ProbeNotes notes, Patch patch) {
        this.notes = notes;
        this.patch = patch;
        this.image = PatchImage.of(patch);
        this.key = Measuring.probeKey(patch);
    }

    /** Where a note starts, by three strikes: what begins at random may click once in a while. */
    ClickProbe start() {
        Audio audio = play(1.8, List.of(note(key, 0.3, 0.3), note(key, 0.9, 0.3), note(key, 1.5, 0.3)));
        ClickFinder finder = new ClickFinder(audio);
        ClickProbe worst = ClickProbe.NONE;
        for (double at : new double[] {0.3, 0.9, 1.5}) {
            ClickFinder.Click click = finder.between(at - BEFORE, at + AFTER);
            // An ending that is still ringing covers nothing; what went before the note counts as well.
            worst = click.excessDb() > worst.excessDb() ? ClickProbe.of(click, 0, word(key, 0, 0.6)) : worst;
        }
        return worst;
    }

    /** Where a key is let go. */
    ClickProbe end() {
        double held = 0.7;
        ClickFinder.Click click = new ClickFinder(play(1.2, List.of(note(key, 0, held)))).between(held - BEFORE, held + LATER);
        return ClickProbe.of(click, held, word(key, 0, held));
    }

    /** Of everything else that a patch does between notes. */
    List<ClickProbe> changes() {
        List<ClickProbe> found = new ArrayList<>();
        boolean poly = image[PatchParameters.VOICE_MODE] == PatchParameters.MODE_POLY;
        int other = Measuring.sounds(patch, key + 7, ProbeNotes.VELOCITY) ? key + 7 : Math.max(0, key - 7);
        if (!poly || image[PatchParameters.GLIDE_TIME] > 0) {
            ClickFinder finder = new ClickFinder(play(1.2, List.of(note(key, 0, 0.65), note(other, 0.6, 0.5))));
            found.add(ClickProbe.of(finder.between(0.6 - BEFORE, 0.6 + LATER), 0.6, word(key, 0, 0.65) + "," + word(other, 0.6, 0.5)));
        }
        int voices = (int) image[PatchParameters.VOICES];
        if (poly && voices <= MOST_STOLEN) {
            List<Note> stolen = new ArrayList<>();
            for (int v = 0; v < voices; v++) {
                int at = key + (v % 2 == 0 ? 1 : -1) * ((v + 1) / 2) * 4;
                stolen.add(note(Measuring.sounds(patch, at, ProbeNotes.VELOCITY) ? at : key, 0, 1.2));
            }
            stolen.add(note(Measuring.sounds(patch, key + 2, ProbeNotes.VELOCITY) ? key + 2 : key, 0.8, 0.4));
            ClickFinder finder = new ClickFinder(play(1.3, stolen));
            found.add(ClickProbe.of(finder.between(0.8 - BEFORE, 0.8 + LATER), 0.8, stolen.stream().map(n -> word(n.key(), n.start(), n.length())).collect(Collectors.joining(","))));
        }
        ClickFinder again = new ClickFinder(play(1.2, List.of(note(key, 0, 0.6), note(key, 0.6, 0.5))));
        found.add(ClickProbe.of(again.between(0.6 - BEFORE, 0.6 + LATER), 0.6, word(key, 0, 0.6) + "," + word(key, 0.6, 0.5)));
        return found;
    }

    private static Note note(int key, double start, double length) {
        return new Note(key, ProbeNotes.VELOCITY, start, length);
    }

    private static String word(int key, double start, double seconds) {
        return KeyName.of(key) + "@" + start + ":" + ProbeNotes.VELOCITY + ":" + seconds;
    }

    private Audio play(double seconds, List<Note> played) {
        return notes.play(image, ProbeNotes.notes(seconds, played), 0.1, Rendering.ControllerState.AT_REST).audio();
    }
}
