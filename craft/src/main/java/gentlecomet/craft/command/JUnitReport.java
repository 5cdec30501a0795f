package gentlecomet.craft.command;

import gentlecomet.craft.check.Finding;
import gentlecomet.craft.check.SoundcheckRules;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Findings of the soundcheck as the XML that build servers read of JUnit: a suite for each patch, a case for each rule. What asks for a look stands among what was put out, not among the failures. */
final class JUnitReport {

    private JUnitReport() {
    }

    static void write(Path file, List<CometCommand.Checked> results) throws IOException {
        try (Writer out = Files.newBufferedWriter(file)) {
            XMLStreamWriter xml = XMLOutputFactory.newInstance().createXMLStreamWriter(out);
            xml.writeStartDocument("UTF-8", "1.0");
            xml.writeStartElement("testsuites");
            for (CometCommand.Checked c : results) {
                suite(xml, c);
            }
            xml.writeEndElement();
            xml.writeEndDocument();
            xml.close();
        } catch (XMLStreamException e) {
            throw new UncheckedIOException(new IOException("the report could not be written", e));
        }
    }

    private static void suite(XMLStreamWriter xml, CometCommand.Checked c) throws XMLStreamException {
        List<String> broken = c.findings().stream().filter(f -> f.severity() == Finding.Severity.FAULT).map(Finding::rule).distinct().toList();
        List<String> rules = Stream.concat(SoundcheckRules.ALL.stream().map(r -> r.id()), broken.stream()).distinct().toList();
        xml.writeStartElement("testsuite");
        xml.writeAttribute("name", c.bank() + " " + String.format("%03d", c.slot()) + " " + c.name());
        xml.writeAttribute("tests", String.valueOf(rules.size()));
        xml.writeAttribute("failures", String.valueOf(broken.size()));
        for (String rule : rules) {
            List<Finding> found = c.findings().stream().filter(f -> f.rule().equals(rule)).toList();
            xml.writeStartElement("testcase");
            xml.writeAttribute("classname", c.name());
            xml.writeAttribute("name", rule);
            String words = found.stream().map(f -> f.message() + (f.numbers().isEmpty() ? "" : " " + f.numbers())).collect(Collectors.joining("\n"));
            if (broken.contains(rule)) {
                xml.writeStartElement("failure");
                xml.writeAttribute("type", rule);
                xml.writeAttribute("message", found.get(0).message());
                xml.writeCharacters(words);
                xml.writeEndElement();
            } else if (!found.isEmpty()) {
                xml.writeStartElement("system-out");
                xml.writeCharacters(words);
                xml.writeEndElement();
            }
            xml.writeEndElement();
        }
        xml.writeEndElement();
    }
}
