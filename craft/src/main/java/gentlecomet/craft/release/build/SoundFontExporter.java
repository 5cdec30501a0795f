package gentlecomet.craft.release.build;

import gentlecomet.craft.release.ReleasePatch;
import gentlecomet.craft.sample.SamplingPlan;
import gentlecomet.craft.sample.SoundFontWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.DoubleConsumer;
import java.util.stream.Collectors;

/** One SoundFont for each bank, in which every patch has its bank and program number. One file could not hold more: its lists are counted by 16 bits. */
public final class SoundFontExporter implements Exporter {

    static final String ID = "soundfont";
    public static final String FOLDER = "soundfont/";
    /** Of a sample. */
    private static final int BYTES = 2;

    @Override
    public String id() {
        return ID;
    }

    @Override
    public String text() {
        return "SoundFont 2.04 of each bank, at its program numbers, 16 bits with loops and velocity layers";
    }

    @Override
    public boolean optional() {
        return true;
    }

    @Override
    public double seconds(int patches, SamplingPlan plan) {
        return plan.seconds() * patches;
    }

    @Override
    public long bytes(int patches, SamplingPlan plan) {
        return plan.bytes() * patches * BYTES * 8 / plan.bits();
    }

    @Override
    public void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress) {
        Map<Integer, List<ReleasePatch>> banks = contents.patches().stream().collect(Collectors.groupingBy(ReleasePatch::bank, TreeMap::new, Collectors.toList()));
        int done = 0;
        for (List<ReleasePatch> bank : banks.values()) {
            Path data = files.beside("samples");
            Path built = files.beside("bank");
            try (SoundFontWriter font = new SoundFontWriter(data)) {
                for (ReleasePatch p : bank) {
                    font.begin(p.slot().patch().name(), p.in().msb() == 0 ? p.in().lsb() : p.in().msb(), p.slot().number() - 1);
                    SampledNotes.read(files, p, note -> {
                        try {
                            if (note.robin() == 0) {
                                font.add(note);
                            }
                        } catch (IOException e) {
                            throw new UncheckedIOException(e);
                        }
                    });
                    progress.accept((double) ++done / contents.patches().size());
                }
                font.write(built, info(contents, bank.get(0)));
                Files.delete(data);
                files.put(path(bank.get(0)), built);
            } catch (IOException e) {
                throw new UncheckedIOException("the disk took no more", e);
            }
        }
    }

    public static String path(ReleasePatch any) {
        return FOLDER + String.format("%c.sf2", 'a' + any.bank() % 26);
    }

    private static Map<String, String> info(ReleaseContents contents, ReleasePatch first) {
        Map<String, String> info = new LinkedHashMap<>();
        info.put("isng", "any");
        info.put("INAM", contents.collection().name() + ", " + first.bankName());
        info.put("IENG", contents.collection().author());
        info.put("IPRD", contents.collection().name() + " " + contents.version());
        info.put("ISFT", "Gentle Comet");
        return info;
    }
}
