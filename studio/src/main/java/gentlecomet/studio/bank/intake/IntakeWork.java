package gentlecomet.studio.bank.intake;

import gentlecomet.craft.edit.PatchEdit;
import gentlecomet.craft.format.CollectionFile;
import gentlecomet.craft.format.CollectionFormat;
import gentlecomet.craft.format.ZipFormat;
import gentlecomet.craft.release.Arrivals;
import gentlecomet.craft.release.check.ReleaseCheck;
import gentlecomet.studio.asset.Assets;
import gentlecomet.studio.bank.Banks;
import gentlecomet.studio.collection.BankRow;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.collection.Intake;
import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import gentlecomet.studio.patch.PatchPlaces;
import gentlecomet.studio.patch.Patches;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Compares archives that were brought with what is here, and takes them, whole or not at all. */
@Service
class IntakeWork {

    private static final int TOLD_EVERY = 8;
    private static final int LONGEST_NAME = 200;

    private final IntakeStore store;
    private final Intake intake;
    private final Collections collections;
    private final Banks banks;
    private final Patches patches;
    private final PatchPlaces places;
    private final Assets assets;

    IntakeWork(IntakeStore store, Intake intake, Collections collections, Banks banks, Patches patches, PatchPlaces places, Assets assets) {
        this.store = store;
        this.intake = intake;
        this.collections = collections;
        this.banks = banks;
        this.patches = patches;
        this.places = places;
        this.assets = assets;
    }

    IntakeRow get(long id) {
        return store.find(id).orElseThrow(() -> new MissingException("This import is no longer there; choose its file again."));
    }

    /** Keeps what an archive brings until it is taken, a day at most; demos and samples are not among it. @param name of the archive */
    IntakeRow keep(String name, CollectionFile brought) throws IOException {
        store.purge();
        return get(store.keep(name.length() > LONGEST_NAME ? name.substring(name.length() - LONGEST_NAME) : name, brought.banks().stream().mapToInt(b -> b.slots().size()).sum(),
                new ByteArrayInputStream(ZipFormat.write(CollectionFormat.write(brought)))));
    }

    /** @return whether nobody had asked for it before */
    boolean begin(long id, long into, IntakeRow.Changed changed) {
        return store.begin(get(id).id(), into == 0 ? 0 : collections.get(into).id(), changed);
    }

    CollectionFile read(IntakeRow row) {
        return ReleaseCheck.read(store.archive(row.id()), row.name());
    }

    /** What an archive would bring into a collection. */
    Arrivals arrivals(CollectionFile file, long into) {
        return Arrivals.of(file, patches.inCollection(into).stream().map(p -> new Arrivals.Here(p.id(), p.name(), p.contentHash().strip())).toList());
    }

    /** Takes an archive; all of it and what is told of it become visible together. Done twice it is taken once. */
    @Transactional
    public void take(long id) {
        IntakeRow row = store.find(id).orElse(null);
        if (row == null || !row.state().equals("taking")) {
            return;
        }
        CollectionFile file = read(row);
        if (row.into() == 0) {
            long made = intake.take(file, done -> tell(id, done));
            store.finish(id, made, "Taken as a collection of its own, " + count(row.total(), "patch", "patches") + ".");
            return;
        }
        Arrivals arrivals = arrivals(file, row.into());
        new Taking(row, file).all(arrivals);
        List<String> words = new ArrayList<>();
        int changed = arrivals.of(Arrivals.Kind.CHANGED).size();
        words.add(count(arrivals.of(Arrivals.Kind.NEW).size() + (row.changed() == IntakeRow.Changed.BESIDE ? changed : 0), "patch", "patches") + " came in");
        if (row.changed() == IntakeRow.Changed.TAKE) {
            words.add(count(changed, "patch", "patches") + " became as the release has " + (changed == 1 ? "it" : "them"));
        }
        int left = arrivals.of(Arrivals.Kind.SAME).size() + (row.changed() == IntakeRow.Changed.KEEP ? changed : 0);
        words.add(count(left, "patch", "patches") + " stayed as " + (left == 1 ? "it was" : "they were"));
        store.finish(id, row.into(), String.join(", ", words) + ".");
    }

    private static String count(int n, String one, String many) {
        return n + " " + (n == 1 ? one : many);
    }

    private void tell(long id, int done) {
        if (done % TOLD_EVERY == 0) {
            store.progress(id, done);
        }
    }

    void fail(long id, String reason) {
        store.fail(id, "Nothing was taken: " + reason + ".");
    }

    /** One archive on its way into a collection. */
    private final class Taking {

        private final IntakeRow row;
        private final CollectionFile file;
        private final String words;
        private final Map<Integer, Long> bankIds = new HashMap<>();

        Taking(IntakeRow row, CollectionFile file) {
            this.row = row;
            this.file = file;
            words = "From the release " + row.name();
        }

        void all(Arrivals arrivals) {
            intake.addAssets(row.into(), file);
            int done = 0;
            for (Arrivals.Arrival a : arrivals.patches()) {
                if (a.kind() == Arrivals.Kind.NEW) {
                    saved(patches.insert(bank(a.bank()), slot(bank(a.bank()), a.slot().number()), a.slot().patch(), words));
                } else if (a.kind() == Arrivals.Kind.CHANGED && row.changed() == IntakeRow.Changed.TAKE) {
                    patches.edit(a.here(), 0, "", new PatchEdit.Restore(a.slot().patch(), words));
                    saved(a.here());
                } else if (a.kind() == Arrivals.Kind.CHANGED && row.changed() == IntakeRow.Changed.BESIDE) {
                    saved(banks.take(bank(a.bank()), a.slot().patch(), words));
                }
                tell(row.id(), ++done);
            }
        }

        private void saved(long patch) {
            patches.save(patch, 0, words);
        }

        /** The bank of the same name, or a new one. */
        private long bank(int place) {
            return bankIds.computeIfAbsent(place, p -> {
                String name = file.banks().get(p).name();
                Optional<BankRow> there = collections.banks(row.into()).stream().filter(b -> b.name().equalsIgnoreCase(name)).findFirst();
                return there.map(BankRow::id).orElseGet(() -> collections.addBank(row.into(), name));
            });
        }

        /** The wanted slot where it is free, else the first free one. */
        private int slot(long bank, int wanted) {
            List<Integer> free = places.free(bank, wanted);
            return free.isEmpty() ? places.free(bank, 1).stream().findFirst().orElseThrow(
                    () -> new RefusedException("the bank " + collections.bank(bank).name() + " has no free slot for all that would come into it")) : free.get(0);
        }
    }
}
