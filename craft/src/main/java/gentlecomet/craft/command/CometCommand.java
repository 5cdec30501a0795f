package gentlecomet.craft.command;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.Soundcheck;
import gentlecomet.craft.format.AssetFiles;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.FormatException;
import gentlecomet.craft.format.Json;
import gentlecomet.craft.format.MidiFormat;
import gentlecomet.craft.format.PatchSchema;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.measure.Loudness;
import gentlecomet.craft.measure.Measuring;
import gentlecomet.craft.measure.TruePeak;
import gentlecomet.craft.phrase.NoteText;
import gentlecomet.craft.phrase.Phrases;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.parameter.PatchParameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.PatchImage;
import gentlecomet.sound.performance.Audio;
import gentlecomet.sound.performance.Phrase;
import gentlecomet.sound.performance.Rendering;
import gentlecomet.sound.source.Recordings;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** The command line: renders, measures, checks and releases without the web application or a database. */
@Command(name = "comet", mixinStandardHelpOptions = true, description = "Render, measure, check and release patches.",
        subcommands = {ReleaseCommand.class, ImportCommand.class})
public final class CometCommand {

    static final int RULE_BROKEN = 1;
    private static final int BAD_INPUT = 2;
    private static final int HELD_AT_FULL_SCALE = 3;
    /** Tempo of synced parts where none is given, in beats per minute. */
    private static final double DEFAULT_TEMPO = 120;
    private static final String TOO_SHORT = "too short to measure";

    /** Runs one command and ends the program: 0 when all is well, 1 when a rule fails, 2 for bad input, 3 when a render was held at full scale. */
    public static void main(String[] args) {
        // A library that logs finds no logger here, and would say so.
        System.setProperty("slf4j.internal.verbosity", "ERROR");
        System.exit(run(args));
    }

    static int run(String... args) {
        CommandLine line = new CommandLine(new CometCommand());
        line.setExecutionExceptionHandler((e, command, parsed) -> {
            if (e instanceof UncheckedIOException) {
                command.getErr().println("comet: " + e.getMessage() + (e.getCause().getMessage() == null ? "" : ": " + e.getCause().getMessage()));
                return BAD_INPUT;
            }
            if (e instanceof FormatException || e instanceof IllegalArgumentException || e instanceof IOException) {
                command.getErr().println("comet: " + (e instanceof IOException ? "cannot read or write " : "") + e.getMessage());
                return BAD_INPUT;
            }
            throw e;
        });
        return line.execute(args);
    }

    @Command(description = "Plays a patch into a 24-bit stereo WAV file; exit 3 when samples had to be held at full scale.")
    int render(@CommandLine.Parameters(paramLabel = "PATCH.json") Path patchFile,
            @Option(names = "--notes", description = "notes in sequence, key:velocity:seconds; + joins a chord") String notes,
            @Option(names = "--phrase", description = "a Standard MIDI File, or the name of one of the program's phrases, ridden as the patch has it") String played,
            @Option(names = "--out", required = true) Path out,
            @Option(names = "--rate", defaultValue = "48000") int rate,
            @Option(names = "--seed", description = "in place of the patch's own") Integer seed,
            @Option(names = "--float", description = "32-bit float, which keeps samples beyond full scale") boolean asFloat,
            @Option(names = "--tempo", description = "beats per minute") Double tempo, @Mixin ControllerOptions controllers) throws IOException {
        if ((notes == null) == (played == null)) {
            throw new IllegalArgumentException("give either --notes or --phrase");
        }
        if (rate < 8000 || rate > 192000) {
            throw new IllegalArgumentException("expected --rate from 8000 to 192000, found " + rate);
        }
        CollectionFile file = CollectionFolder.readPatch(patchFile);
        Patch patch = file.banks().get(0).slots().get(0).patch();
        if (seed != null) {
            patch = patch.withValue(Parameters.at(PatchParameters.SEED), seed);
        }
        patch = controllers.on(patch);
        Audio audio = new Rendering(rate, new AssetFiles(file.assets())).render(PatchImage.of(patch), phrase(notes, played, tempo).as(patch), Measuring.LONGEST_TAIL,
                controllers.state()).audio();
        Files.write(out, asFloat ? WavFormat.writeFloat(audio) : WavFormat.write24(audio));
        System.out.printf(Locale.ROOT, "%s: %.2f s, %d Hz%n", out, audio.seconds(), rate);
        return tellOver(audio, asFloat);
    }

    private static int tellOver(Audio audio, boolean kept) {
        int over = 0;
        double peak = 0;
        for (int i = 0; i < audio.frames(); i++) {
            double most = Math.max(Math.abs(audio.left()[i]), Math.abs(audio.right()[i]));
            over += most > 1 ? 1 : 0;
            peak = Math.max(peak, most);
        }
        if (over == 0) {
            return 0;
        }
        System.err.printf(Locale.ROOT, "comet: %d frames pass full scale, by up to %.2f dB; %s%n", over, 20 * Math.log10(peak),
                kept ? "the file keeps them" : "they are held at it (--float keeps them)");
        return kept ? 0 : HELD_AT_FULL_SCALE;
    }

    @Command(description = "Measures loudness and true peak of a WAV file.")
    int measure(@CommandLine.Parameters(paramLabel = "F.wav") Path file, @Option(names = "--json") boolean json,
            @Option(names = "--dual-mono", description = "one channel is meant for two loudspeakers") boolean dualMono) throws IOException {
        Audio audio = WavFormat.read(Files.readAllBytes(file), file.getFileName().toString());
        Loudness l = Loudness.of(audio, dualMono);
        Map<String, Object> values = new LinkedHashMap<>();
        values.put("channels", audio.oneChannel() ? 1 : 2);
        values.put("measuredAs", !audio.oneChannel() ? "stereo" : dualMono ? "one channel for two loudspeakers" : "one channel");
        boolean measurable = Loudness.measurable(audio);
        values.put("integratedLufs", measurable ? rounded(l.integrated()) : TOO_SHORT);
        values.put("momentaryMaxLufs", measurable ? rounded(l.momentaryMax()) : TOO_SHORT);
        values.put("shortTermMaxLufs", measurable ? rounded(l.shortTermMax()) : TOO_SHORT);
        values.put("rangeLu", measurable ? rounded(l.range()) : TOO_SHORT);
        values.put("truePeakDbtp", rounded(TruePeak.db(audio)));
        values.put("seconds", rounded(audio.seconds()));
        if (json) {
            System.out.print(Json.write(values));
        } else {
            values.forEach((name, value) -> System.out.printf("%-18s %s%n", name, value));
        }
        return 0;
    }

    /** What the check says of one patch, as JSON. */
    record Checked(String bank, int slot, String name, List<Finding> findings) {
    }

    /** What makes the soundcheck end with an error. */
    enum FailOn { fault, look, never }

    @Command(description = "Runs the soundcheck: exit 1 when something is found that --fail-on names.")
    int check(@CommandLine.Parameters(paramLabel = "FOLDER_OR_PATCH") Path path, @Option(names = "--json", description = "findings as JSON") boolean json,
            @Option(names = "--junit", paramLabel = "FILE", description = "findings as JUnit XML for build servers") Path junit,
            @Option(names = "--fail-on", defaultValue = "fault", description = "${COMPLETION-CANDIDATES}; default ${DEFAULT-VALUE}") FailOn failOn) throws IOException {
        CollectionFile collection = CollectionFolder.read(path);
        Recordings recordings = new AssetFiles(collection.assets());
        ThreadLocal<Soundcheck> soundcheck = ThreadLocal.withInitial(() -> new Soundcheck(collection.rules(), recordings));
        List<Checked> results = collection.banks().stream().flatMap(bank -> bank.slots().parallelStream().map(slot -> {
            Patch patch = slot.patch();
            Phrase phrase = collection.rules().phraseFor(patch.naming().category());
            return new Checked(bank.name(), slot.number(), patch.name(), soundcheck.get().check(patch, phrase, CollectionFolder.otherNames(collection, slot)));
        })).toList();
        if (junit != null) {
            JUnitReport.write(junit, results);
        }
        if (json) {
            System.out.print(Json.write(results));
        } else {
            for (Checked c : results) {
                System.out.printf("%s %03d %s: %s%n", c.bank(), c.slot(), c.name(), c.findings().isEmpty() ? "ok" : "");
                c.findings().forEach(f -> System.out.printf("    %-7s %-18s %s%n", f.severity(), f.rule(), f.message()));
            }
        }
        boolean failed = failOn != FailOn.never && results.stream().flatMap(c -> c.findings().stream()).anyMatch(f -> failOn == FailOn.look || f.severity() == Finding.Severity.FAULT);
        return failed ? RULE_BROKEN : 0;
    }

    @Command(description = "Prints the JSON Schema of a patch.")
    int schema() {
        System.out.print(PatchSchema.write());
        return 0;
    }

    private static Phrase phrase(String notes, String played, Double tempo) throws IOException {
        if (played != null && Phrases.known(played)) {
            return tempo == null ? Phrases.get(played) : Phrases.get(played).atTempo(tempo);
        }
        if (played != null) {
            Path midi = Path.of(played);
            MidiFormat.Read read = MidiFormat.read(Files.readAllBytes(midi), midi.getFileName().toString());
            read.remarks().forEach(remark -> System.err.println("comet: " + remark));
            return tempo == null ? read.phrase() : read.phrase().atTempo(tempo);
        }
        NoteText.Notes parsed = NoteText.parse(notes);
        // Lengths are seconds: count them as beats of the tempo that synced parts are to run at.
        double beatsPerSecond = (tempo == null ? DEFAULT_TEMPO : tempo) / 60;
        return new Phrase("notes", "Notes", beatsPerSecond * 60, parsed.end() * beatsPerSecond, parsed.notes().stream()
                .map(n -> new gentlecomet.sound.performance.Note(n.key(), n.velocity(), n.start() * beatsPerSecond, n.length() * beatsPerSecond))
                .toList());
    }

    private static double rounded(double value) {
        return Math.rint(value * 100) / 100;
    }
}
