package gentlecomet.studio.listening.say;

import gentlecomet.studio.page.MissingException;
import gentlecomet.studio.page.RefusedException;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who listens to a collection. */
@Service
public class Reviewers {

    /** Who listens while nobody has said a name. */
    public static final String FIRST = "designer";
    private static final int LONGEST_NAME = 40;

    private final ReviewerStore store;

    Reviewers(ReviewerStore store) {
        this.store = store;
    }

    public List<Reviewer> all(long collectionId) {
        return store.all(collectionId);
    }

    /** A reviewer of a collection. @throws MissingException where there is none */
    public Reviewer get(long id, long collectionId) {
        return all(collectionId).stream().filter(r -> r.id() == id).findFirst().orElseThrow(() -> new MissingException("This reviewer is no longer there. Choose another name."));
    }

    /** Who has a name, made where nobody has it yet. @throws RefusedException where it cannot be a name */
    @Transactional
    public Reviewer named(long collectionId, String name) {
        String stripped = name.strip();
        if (stripped.isEmpty() || stripped.length() > LONGEST_NAME) {
            throw new RefusedException("A reviewer has a name of 1 to " + LONGEST_NAME + " characters.", "reviewer");
        }
        store.insert(collectionId, stripped);
        return all(collectionId).stream().filter(r -> r.name().equals(stripped)).findFirst().orElseThrow();
    }
}
