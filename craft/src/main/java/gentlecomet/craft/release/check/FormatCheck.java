package gentlecomet.craft.release.check;

import com.networknt.schema.InputFormat;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import gentlecomet.craft.format.FormatException;
import gentlecomet.craft.format.MidiFormat;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.craft.release.build.MidiExporter;
import gentlecomet.craft.release.build.PatchExporter;
import gentlecomet.craft.release.build.PdfExporter;
import gentlecomet.craft.release.build.SampledNotes;
import gentlecomet.craft.release.build.SoundFontExporter;
import gentlecomet.craft.sample.SoundFontWriter;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiSystem;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;

/** Reads the chosen formats of an archive back, each by something that is not its writer. */
final class FormatCheck {

    /** One thing that was read. @param good whether it is as it should be */
    record Line(boolean good, String words) {
    }

    private static final int NAMED = 5;

    private final ZipFile zip;
    private final List<ReleasePatch> approved;
    private final SoundFontCheck soundFont;
    private final List<Line> lines = new ArrayList<>();

    private FormatCheck(ZipFile zip, List<ReleasePatch> approved, SoundFontCheck soundFont) {
        this.zip = zip;
        this.approved = approved;
        this.soundFont = soundFont;
    }

    /** @param soundFont plays SoundFonts by the plan by which they were made */
    static List<Line> of(ZipFile zip, List<ReleasePatch> approved, List<String> formats, SoundFontCheck soundFont) throws IOException {
        FormatCheck check = new FormatCheck(zip, approved, soundFont);
        check.schema();
        if (formats.contains("midi")) {
            check.midi();
        }
        if (formats.contains("multisamples")) {
            check.samples();
        }
        if (formats.contains("soundfont")) {
            check.soundFonts();
        }
        if (formats.contains("pdf")) {
            check.pdf();
        }
        return check.lines;
    }

    private void schema() throws IOException {
        JsonSchema schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(new String(content(PatchExporter.SCHEMA), StandardCharsets.UTF_8));
        List<String> wrong = new ArrayList<>();
        for (ReleasePatch p : approved) {
            String path = PatchExporter.path(p);
            schema.validate(new String(content(path), StandardCharsets.UTF_8), InputFormat.JSON).stream().limit(1).forEach(m -> wrong.add(path + ": " + m.getMessage()));
        }
        note(wrong, approved.size() + " patch files keep to " + PatchExporter.SCHEMA);
    }

    private void midi() throws IOException {
        int notes = 0;
        List<String> wrong = new ArrayList<>();
        for (ReleasePatch p : approved) {
            try {
                notes += MidiFormat.read(content(MidiExporter.path(p)), MidiExporter.path(p)).phrase().notes().size();
            } catch (FormatException e) {
                wrong.add(e.getMessage());
            }
        }
        note(wrong, "MIDI files of " + approved.size() + " patches are read, " + notes + " notes");
    }

    private void samples() throws IOException {
        Map<String, Long> frames = new TreeMap<>();
        LoopJoints loops = new LoopJoints();
        List<String> wrong = new ArrayList<>();
        for (String wav : zip.stream().map(ZipEntry::getName).filter(n -> n.startsWith(SampledNotes.FOLDER) && n.endsWith(".wav")).toList()) {
            byte[] content = content(wav);
            try (AudioInputStream in = AudioSystem.getAudioInputStream(new ByteArrayInputStream(content))) {
                frames.put(wav, in.getFrameLength());
            } catch (UnsupportedAudioFileException e) {
                wrong.add(wav + " is not read by the JDK");
            }
            loops.wav(content, wav);
        }
        int named = 0;
        for (ZipEntry entry : zip.stream().filter(e -> e.getName().endsWith(".sfz")).toList()) {
            List<SfzReader.Region> regions = SfzReader.read(new String(content(entry.getName()), StandardCharsets.UTF_8));
            named += regions.size();
            regions.stream().map(r -> fault(r, frames.get(SampledNotes.FOLDER + r.sample()))).filter(f -> !f.isEmpty()).forEach(wrong::add);
        }
        if (named != frames.size()) {
            wrong.add(frames.size() + " samples are there");
        }
        note(wrong, "SFZ files name " + named + " samples, each of which is there and is read by the JDK, with keys, velocities and loops that can be");
        note(loops, "samples");
    }

    /** @param frames of the sample, null where it is not there */
    private static String fault(SfzReader.Region r, Long frames) {
        int low = r.number("lokey", -1);
        int high = r.number("hikey", -1);
        boolean zone = low >= 0 && low <= high && high <= 127 && r.number("lovel", -1) >= 0 && r.number("lovel", -1) <= r.number("hivel", -1) && r.number("hivel", 128) <= 127;
        return frames == null ? r.sample() + " is not there"
                : !zone || r.number("pitch_keycenter", -1) < 0 ? r.sample() + " has no zone of keys and velocities"
                : r.loops() && !(r.number("loop_start", -1) >= 0 && r.number("loop_start", 0) < r.number("loop_end", 0) && r.number("loop_end", 0) < frames) ? r.sample() + " goes round beyond its end" : "";
    }

    private void soundFonts() throws IOException {
        List<String> wrong = new ArrayList<>();
        List<String> wrongNotes = new ArrayList<>();
        int notes = 0;
        boolean silent = false;
        int presets = 0;
        LoopJoints loops = new LoopJoints();
        for (List<ReleasePatch> bank : approved.stream().collect(Collectors.groupingBy(ReleasePatch::bank)).values()) {
            String path = SoundFontExporter.path(bank.get(0));
            Path file = Files.createTempFile("release", ".sf2");
            try (InputStream in = zip.getInputStream(zip.getEntry(path))) {
                Files.copy(in, file, StandardCopyOption.REPLACE_EXISTING);
                List<String> read = Arrays.stream(MidiSystem.getSoundbank(file.toFile()).getInstruments()).map(i -> i.getPatch().getProgram() + " " + i.getName().strip()).toList();
                presets += read.size();
                loops.soundFont(file);
                Optional<SoundFontCheck.Heard> heard = soundFont.play(file, bank);
                heard.ifPresent(h -> wrongNotes.addAll(h.wrong()));
                notes += heard.map(SoundFontCheck.Heard::notes).orElse(0);
                silent |= heard.isEmpty();
                bank.stream().map(p -> p.slot().number() - 1 + " " + SoundFontWriter.name(p.slot().patch().name())).filter(p -> !read.contains(p)).forEach(p -> wrong.add(path + " lacks " + p));
            } catch (InvalidMidiDataException e) {
                wrong.add(path + ": " + e.getMessage());
            } finally {
                Files.delete(file);
            }
        }
        note(wrong, "SoundFonts are loaded by the JDK's synthesizer, " + presets + " presets at their programs");
        note(wrongNotes, silent ? "they were not played: the JDK's synthesizer is not open to this program" : notes + " of their sampled notes were played by it, each within 5 cents and 1 dB of its patch");
        note(loops, "SoundFonts");
    }

    private void note(LoopJoints loops, String where) {
        note(loops.wrong(), loops.joints() + " loops of " + where + " go round without a click above -60 dB");
    }

    private void pdf() throws IOException {
        try (PDDocument pdf = Loader.loadPDF(content(PdfExporter.PATH))) {
            String text = new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
            note(approved.stream().map(p -> p.slot().patch().name().replaceAll("\\s+", " ").strip()).filter(n -> n.chars().allMatch(c -> c < 256) && !text.contains(n)).toList(),
                    "the PDF has " + pdf.getNumberOfPages() + " pages and every name as text");
        }
    }

    private byte[] content(String path) throws IOException {
        ZipEntry entry = zip.getEntry(path);
        if (entry == null) {
            throw new IOException(path + " is not in the archive");
        }
        try (InputStream in = zip.getInputStream(entry)) {
            return in.readAllBytes();
        }
    }

    private void note(List<String> wrong, String words) {
        lines.add(new Line(wrong.isEmpty(), wrong.isEmpty() ? words : words + ", but: " + String.join(", ", wrong.subList(0, Math.min(NAMED, wrong.size()))) + (wrong.size() > NAMED ? " and " + (wrong.size() - NAMED) + " more" : "")));
    }
}
