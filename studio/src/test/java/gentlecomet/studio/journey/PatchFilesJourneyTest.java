package gentlecomet.studio.journey;

import static org.junit.jupiter.api.Assertions.assertEquals;

import gentlecomet.craft.format.PatchFormat;
import gentlecomet.sound.parameter.Parameters;
import gentlecomet.sound.patch.Patch;
import gentlecomet.studio.patch.PatchSummary;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;

/** A patch leaves as a file and comes back: chosen, dropped, a folder of them. */
class PatchFilesJourneyTest extends OnTheScreen {

    /** Files dropped on the page, by name and content. */
    private static final String DROP = """
            const [files, where] = arguments;
            const data = new DataTransfer();
            Object.entries(files).forEach(([name, text]) => data.items.add(new File([text], name)));
            const to = document.querySelector(where);
            for (const type of ['dragover', 'drop']) {
              to.dispatchEvent(new DragEvent(type, {dataTransfer: data, bubbles: true, cancelable: true}));
            }""";

    @Test
    void filesGoOutAndComeIn(@TempDir Path folder) throws Exception {
        long bank = newBank("Files");
        Patch ebb = Patch.neutral("Ebb").withValue(Parameters.find("layer1.filter1.cutoff"), 800);
        long id = patches.insert(bank, 1, ebb, "As it began");
        try (Browser page = browser()) {
            page.open("/patches/" + id);
            page.find("#bench");
            Object file = page.jsLater("const done = arguments[0]; fetch(document.querySelector('.head-tools a[download]').href).then(async r => done([r.headers.get('Content-Disposition'), await r.text()]))");
            assertEquals(List.of("attachment; filename=\"ebb.json\"", PatchFormat.write(ebb)), file);

            page.js(DROP, java.util.Map.of("ebb.json", PatchFormat.write(ebb)), "#bench");
            page.until(d -> d.getCurrentUrl().endsWith("/patches/" + last(bank).id()) && page.find("#patch-name").getDomProperty("value").equals("Ebb 2"));
            assertEquals(ebb.value("layer1.filter1.cutoff"), patches.get(last(bank).id()).patch().value("layer1.filter1.cutoff"));
            page.until(d -> page.text("#messages").contains("\"Ebb\" is called \"Ebb 2\""));

            page.js(DROP, java.util.Map.of("newer.json", PatchFormat.write(ebb).replace("\"version\": " + PatchFormat.VERSION, "\"version\": 99")), "#bench");
            page.until(d -> page.text("#messages").contains("newer.json.version: expected 1 to " + PatchFormat.VERSION + ", found 99; a newer Gentle Comet may read it"));
            page.js(DROP, java.util.Map.of("words.txt", "nothing"), "#bench");
            page.until(d -> page.text("#messages").contains("There is no patch among these files"));
            assertEquals(2, patches.inBank(bank).size());

            page.open("/banks/" + bank);
            Path one = Files.writeString(folder.resolve("one.json"), PatchFormat.write(Patch.neutral("Flood")));
            Path two = Files.writeString(folder.resolve("two.json"), PatchFormat.write(Patch.neutral("Slack")));
            page.driver.findElement(By.id("patch-files")).sendKeys(one + "\n" + two);
            page.until(d -> d.findElements(By.cssSelector(".slot")).size() == 4);
            page.driver.findElement(By.id("patch-folder")).sendKeys(folder.toString());
            page.until(d -> d.findElements(By.cssSelector(".slot")).size() == 6);
            assertEquals(List.of("Ebb", "Ebb 2", "Flood", "Slack", "Flood 2", "Slack 2"), patches.inBank(bank).stream().map(PatchSummary::name).toList());
            assertEquals(List.of(), page.errors());
        }
    }

    private PatchSummary last(long bank) {
        List<PatchSummary> all = patches.inBank(bank);
        return all.get(all.size() - 1);
    }
}
