package gentlecomet.studio.page;

import java.io.IOException;
import java.io.Writer;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.web.embedded.tomcat.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/** What is refused before any page of ours is asked, such as a malformed address, is told in a sentence and not on a page of the web server's own. */
@Component
class PlainErrors implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {

    private static final int FIRST_ERROR = 400;
    private static final int FIRST_FAILURE = 500;

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        factory.addContextCustomizers(context -> {
            if (context.getParent() instanceof StandardHost host) {
                host.setErrorReportValveClass(Sentence.class.getName());
            }
        });
    }

    /** Made by the web server, which wants it public. */
    public static final class Sentence extends ErrorReportValve {

        @Override
        protected void report(Request request, Response response, Throwable thrown) {
            int status = response.getStatus();
            if (status < FIRST_ERROR || response.getContentWritten() > 0 || !response.setErrorReported()) {
                return;
            }
            String words = status >= FIRST_FAILURE ? "Gentle Comet could not answer. Nothing was changed by this step."
                    : "This address or request is not one that Gentle Comet understands, so nothing was changed.";
            try {
                response.setContentType("text/plain");
                response.setCharacterEncoding("UTF-8");
                Writer writer = response.getReporter();
                if (writer != null) {
                    writer.write(words);
                    response.finishResponse();
                }
            } catch (IOException e) {
                container.getLogger().debug("nobody is there to be told", e);
            }
        }
    }
}
