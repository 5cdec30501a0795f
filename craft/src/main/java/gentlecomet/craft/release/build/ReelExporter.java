package gentlecomet.craft.release.build;

import gentlecomet.craft.format.SheetCell;
import gentlecomet.craft.format.WavFormat;
import gentlecomet.craft.listen.ListeningLevel;
import gentlecomet.craft.release.ReelPlan;
import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.craft.sample.SamplingPlan;
import gentlecomet.sound.performance.Audio;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.function.DoubleConsumer;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** All demos in one: some seconds of each, as loud as each other, faded into one another; and a list that says when each begins. */
final class ReelExporter implements Exporter {

    static final String PATH = "reel/demo-reel.wav";
    static final String CUES = "reel/cues.csv";
    static final int RATE = 48000;
    static final double FADE_SECONDS = 0.5;
    private static final int HEADER = 44;
    private static final int FRAME = 6;

    @Override
    public String id() {
        return "reel";
    }

    @Override
    public String text() {
        return "demo reel: some seconds of each demo, level-matched, as one WAV with a list of cues";
    }

    @Override
    public boolean optional() {
        return true;
    }

    @Override
    public double seconds(int patches, SamplingPlan plan) {
        return 0.1 * patches;
    }

    @Override
    public long bytes(int patches, SamplingPlan plan) {
        return (long) (patches * (ReelPlan.USUAL.seconds() - FADE_SECONDS) * RATE * FRAME);
    }

    @Override
    public void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress) {
        List<ReleasePatch> played = contents.reel().order().of(contents.patches());
        int step = (int) ((contents.reel().seconds() - FADE_SECONDS) * RATE);
        int fade = (int) (FADE_SECONDS * RATE);
        long frames = (long) step * played.size() + fade;
        StringWriter cues = new StringWriter();
        Path reel = files.beside("reel");
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(reel)); CSVPrinter csv = new CSVPrinter(cues, CSVFormat.RFC4180)) {
            out.write(header(frames));
            csv.printRecord("time", "bank", "slot", "name");
            float[][] ending = new float[2][fade];
            for (int n = 0; n < played.size(); n++) {
                ReleasePatch p = played.get(n);
                float[][] stretch = stretch(files, p, contents, step + fade);
                for (int i = 0; i < fade; i++) {
                    for (int c = 0; c < 2; c++) {
                        stretch[c][i] = ending[c][i] + stretch[c][i];
                        ending[c][i] = stretch[c][step + i];
                    }
                }
                out.write(bytes(stretch, step));
                csv.printRecord(time((double) n * step / RATE), SheetCell.written(p.bankName()), p.slot().number(), SheetCell.written(p.slot().patch().name()));
                progress.accept((n + 1.0) / played.size());
            }
            out.write(bytes(ending, fade));
        } catch (IOException e) {
            throw new UncheckedIOException("the disk took no more", e);
        }
        files.put(PATH, reel);
        files.put(CUES, cues.toString().getBytes(StandardCharsets.UTF_8));
    }

    /** The beginning of a demo at the level of the reel, its two ends faded with even power. */
    private static float[][] stretch(ReleaseFiles files, ReleasePatch p, ReleaseContents contents, int frames) {
        Audio demo = WavFormat.read(files.read(DemoExporter.path(p)), DemoExporter.path(p));
        double gain = Math.pow(10, ListeningLevel.of(demo, contents.collection().rules().ceilingDbtp()).gainDb() / 20);
        int fade = (int) (FADE_SECONDS * RATE);
        float[][] stretch = new float[2][frames];
        for (int i = 0; i < Math.min(frames, demo.frames()); i++) {
            int end = Math.min(frames, demo.frames()) - 1 - i;
            double envelope = end < fade ? Math.sin(Math.PI / 2 * end / fade) : 1;
            stretch[0][i] = (float) (gain * envelope * demo.left()[i]);
            stretch[1][i] = (float) (gain * envelope * demo.right()[i]);
        }
        return stretch;
    }

    private static byte[] bytes(float[][] channels, int frames) {
        ByteBuffer out = ByteBuffer.allocate(frames * FRAME);
        for (int i = 0; i < frames; i++) {
            for (float[] channel : channels) {
                int value = WavFormat.quantised(channel[i]);
                out.put((byte) value).put((byte) (value >> 8)).put((byte) (value >> 16));
            }
        }
        return out.array();
    }

    private static byte[] header(long frames) {
        int data = (int) (frames * FRAME);
        return ByteBuffer.allocate(HEADER).order(ByteOrder.LITTLE_ENDIAN).put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(HEADER - 8 + data).put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII))
                .putInt(16).putShort((short) 1).putShort((short) 2).putInt(RATE).putInt(RATE * FRAME).putShort((short) FRAME).putShort((short) 24)
                .put("data".getBytes(StandardCharsets.US_ASCII)).putInt(data).array();
    }

    private static String time(double seconds) {
        return String.format(Locale.ROOT, "%d:%06.3f", (int) (seconds / 60), seconds % 60);
    }
}
