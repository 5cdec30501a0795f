package gentlecomet.studio.patch;

import gentlecomet.studio.page.RefusedException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Chosen patches of a page with the versions that it shows. */
public final class PatchVersions {

    private PatchVersions() {
    }

    /** Versions by patch. @param texts of a form, patch and version as "12.3" */
    public static Map<Long, Long> of(List<String> texts) {
        Map<Long, Long> versions = new LinkedHashMap<>();
        for (String text : texts) {
            if (!text.matches("\\d{1,18}\\.\\d{1,18}")) {
                throw new RefusedException("The page is older than this program. Load it again and repeat the last step.");
            }
            versions.put(Long.parseLong(text.substring(0, text.indexOf('.'))), Long.parseLong(text.substring(text.indexOf('.') + 1)));
        }
        return versions;
    }
}
