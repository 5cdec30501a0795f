package gentlecomet.craft.release.build;

import com.openhtmltopdf.pdfboxout.PdfBoxRenderer;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import com.openhtmltopdf.util.XRLog;
import gentlecomet.craft.sample.SamplingPlan;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Calendar;
import java.util.GregorianCalendar;
import java.util.TimeZone;
import java.util.function.DoubleConsumer;
import java.util.logging.Level;
import java.util.logging.Logger;
import org.apache.pdfbox.pdmodel.PDDocument;

/** The catalogue as PDF, A4. */
public final class PdfExporter implements Exporter {

    public static final String PATH = "catalogue.pdf";
    private static final String FAMILY = "Liberation Sans";
    /** A typeface with free licence that comes with PDFBox. */
    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    /** Held, because settings of a logger that nobody holds are forgotten. */
    private static final Logger BOX = Logger.getLogger("org.apache.pdfbox");

    static {
        XRLog.setLoggingEnabled(false);
        BOX.setLevel(Level.SEVERE);
    }

    @Override
    public String id() {
        return "pdf";
    }

    @Override
    public String text() {
        return "the same catalogue as PDF";
    }

    @Override
    public boolean optional() {
        return true;
    }

    @Override
    public double seconds(int patches, SamplingPlan plan) {
        return 2 + 0.05 * patches;
    }

    @Override
    public void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress) {
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.useFastMode();
        builder.useSVGDrawer(new BatikSVGDrawer());
        builder.useFont(() -> PDDocument.class.getResourceAsStream(FONT), FAMILY);
        builder.withHtmlContent(CataloguePage.of(contents), "");
        // It asks for nothing: no address is allowed, whatever a name or a note may say.
        builder.useUriResolver((base, uri) -> null);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (PdfBoxRenderer renderer = builder.buildPdfRenderer()) {
            renderer.createPDFWithoutClosing();
            PDDocument document = renderer.getPdfDocument();
            // No clock time, and an identifier that follows from the content: the same catalogue is the same file.
            Calendar never = new GregorianCalendar(TimeZone.getTimeZone("UTC"));
            never.setTimeInMillis(0);
            document.getDocumentInformation().setCreationDate(never);
            document.getDocumentInformation().setTitle(contents.collection().name() + " " + contents.version());
            document.getDocumentInformation().setAuthor(contents.collection().author());
            document.setDocumentId(1L);
            document.save(out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        files.put(PATH, out.toByteArray());
    }
}
