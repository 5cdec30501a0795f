package gentlecomet.studio.bank;

import gentlecomet.craft.rules.Category;
import gentlecomet.craft.rules.HouseRules;
import java.util.HashMap;
import java.util.Map;
import org.springframework.web.util.HtmlUtils;

/** The options of a row's category. A page has them in 128 rows, so they are written once for each category that is chosen. */
public final class CategoryOptions {

    private final HouseRules rules;
    private final Map<String, String> written = new HashMap<>();

    CategoryOptions(HouseRules rules) {
        this.rules = rules;
    }

    /** As HTML, every text escaped. @param chosen id of the category that a patch has, empty for none */
    public String options(String chosen) {
        return written.computeIfAbsent(chosen, this::write);
    }

    private String write(String chosen) {
        StringBuilder html = new StringBuilder(option("", "none", chosen.isEmpty()));
        for (Category category : rules.categories()) {
            html.append(option(category.id(), category.name(), category.id().equals(chosen)));
        }
        return html.toString();
    }

    private static String option(String value, String text, boolean chosen) {
        return "<option value=\"" + HtmlUtils.htmlEscape(value, "UTF-8") + "\"" + (chosen ? " selected>" : ">") + HtmlUtils.htmlEscape(text, "UTF-8") + "</option>";
    }
}
