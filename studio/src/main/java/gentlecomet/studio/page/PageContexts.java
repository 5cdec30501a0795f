package gentlecomet.studio.page;

import org.springframework.stereotype.Component;

/** Makes what a page shows around its own content. */
@Component
public class PageContexts {

    private final Directory directory;

    PageContexts(Directory directory) {
        this.directory = directory;
    }

    /** @param patchId the patch that the page is about, 0 for the first one of the bank */
    public PageContext ofBank(String title, String place, long bankId, long patchId) {
        return of(title, place, directory.ofBank(bankId), patchId);
    }

    public PageContext ofCollection(String title, String place, long collectionId) {
        return of(title, place, directory.ofCollection(collectionId), 0);
    }

    private static PageContext of(String title, String place, Directory.Surroundings around, long patchId) {
        return new PageContext(title, place, around.collection(), around.bank(), patchId != 0 ? patchId : around.firstPatch(), around.collections(), around.banks());
    }
}
