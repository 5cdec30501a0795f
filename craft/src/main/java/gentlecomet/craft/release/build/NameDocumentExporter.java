package gentlecomet.craft.release.build;

import gentlecomet.craft.release.ReleasePatch;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.util.function.DoubleConsumer;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Names of all patches by bank and program for sequencers, as a MIDI Name Document (MIDI Manufacturers Association, XML Names and Events; elements from memory). */
final class NameDocumentExporter implements Exporter {

    static final String PATH = "names.midnam";
    private static final String SET = "Patches";
    private static final int CHANNELS = 16;

    @Override
    public String id() {
        return "names";
    }

    @Override
    public String text() {
        return "patch names by bank and program for sequencers (MIDI Name Document)";
    }

    @Override
    public boolean optional() {
        return true;
    }

    @Override
    public void export(ReleaseContents contents, ReleaseFiles files, DoubleConsumer progress) {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newFactory().createXMLStreamWriter(text);
            xml.writeStartDocument("UTF-8", "1.0");
            xml.writeDTD("\n<!DOCTYPE MIDINameDocument PUBLIC \"-//MIDI Manufacturers Association//DTD MIDINameDocument 1.0//EN\" \"http://www.midi.org/dtds/MIDINameDocument10.dtd\">\n");
            xml.writeStartElement("MIDINameDocument");
            text(xml, "Author", contents.collection().author());
            xml.writeStartElement("MasterDeviceNames");
            text(xml, "Manufacturer", contents.collection().author());
            text(xml, "Model", contents.collection().name());
            channels(xml);
            banks(contents, xml);
            xml.writeEndDocument();
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
        files.put(PATH, text.toString().getBytes(StandardCharsets.UTF_8));
    }

    private static void channels(XMLStreamWriter xml) throws XMLStreamException {
        xml.writeStartElement("CustomDeviceMode");
        xml.writeAttribute("Name", "Default");
        xml.writeStartElement("ChannelNameSetAssignments");
        for (int channel = 1; channel <= CHANNELS; channel++) {
            xml.writeEmptyElement("ChannelNameSetAssign");
            xml.writeAttribute("Channel", String.valueOf(channel));
            xml.writeAttribute("NameSet", SET);
        }
        xml.writeEndElement();
        xml.writeEndElement();
    }

    private static void banks(ReleaseContents contents, XMLStreamWriter xml) throws XMLStreamException {
        xml.writeStartElement("ChannelNameSet");
        xml.writeAttribute("Name", SET);
        xml.writeStartElement("AvailableForChannels");
        for (int channel = 1; channel <= CHANNELS; channel++) {
            xml.writeEmptyElement("AvailableChannel");
            xml.writeAttribute("Channel", String.valueOf(channel));
            xml.writeAttribute("Available", "true");
        }
        xml.writeEndElement();
        int bank = -1;
        for (ReleasePatch p : contents.patches()) {
            if (p.bank() != bank) {
                if (bank >= 0) {
                    xml.writeEndElement();
                    xml.writeEndElement();
                }
                bank = p.bank();
                begin(xml, p);
            }
            xml.writeEmptyElement("Patch");
            xml.writeAttribute("Number", String.format("%03d", p.slot().number()));
            xml.writeAttribute("Name", p.slot().patch().name());
            xml.writeAttribute("ProgramChange", String.valueOf(p.slot().number() - 1));
        }
    }

    private static void begin(XMLStreamWriter xml, ReleasePatch first) throws XMLStreamException {
        xml.writeStartElement("PatchBank");
        xml.writeAttribute("Name", first.bankName());
        xml.writeStartElement("MIDICommands");
        for (int[] control : new int[][] {{0, first.in().msb()}, {32, first.in().lsb()}}) {
            xml.writeEmptyElement("ControlChange");
            xml.writeAttribute("Control", String.valueOf(control[0]));
            xml.writeAttribute("Value", String.valueOf(control[1]));
        }
        xml.writeEndElement();
        xml.writeStartElement("PatchNameList");
    }

    private static void text(XMLStreamWriter xml, String element, String content) throws XMLStreamException {
        xml.writeStartElement(element);
        xml.writeCharacters(content);
        xml.writeEndElement();
    }
}
