package dev.halfdusk.app.exchange;

import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.measure.OutOfRange;
import java.io.ByteArrayInputStream;
import java.io.StringWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import javax.xml.stream.XMLStreamWriter;

/**
 * The two XML formats, streamed, so that every complaint has its line. A document type is refused outright: neither format
 * needs one, and entities are how such files attack.
 */
final class SpotXml {

    private static final int LONGEST_TEXT = 2000;

    private SpotXml() {}

    static SpotFiles.Found read(byte[] file) {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, true); // only so as to see one and refuse it
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_REPLACING_ENTITY_REFERENCES, false);
        factory.setXMLResolver((publicId, systemId, base, namespace) -> {
            throw new BadFile("A file of places needs no document type; this one was refused.");
        });
        try {
            XMLStreamReader in = factory.createXMLStreamReader(new ByteArrayInputStream(file));
            return new Reading(in).all();
        } catch (XMLStreamException e) {
            int line = e.getLocation() == null ? 1 : Math.max(1, e.getLocation().getLineNumber());
            throw BadFile.at(line, "this is not valid XML in the encoding it names.");
        }
    }

    /** One pass over a document. */
    private static final class Reading {

        private final XMLStreamReader in;
        private final List<Spot> spots = new ArrayList<>();
        private String name = "";
        private String elevation = "";
        private final List<String[]> points = new ArrayList<>();
        private int depth;
        private int passedOver;

        /** Depth of the waypoint or placemark that is being read; 0 outside. */
        private int inside;

        Reading(XMLStreamReader in) {
            this.in = in;
        }

        SpotFiles.Found all() throws XMLStreamException {
            while (in.hasNext()) {
                switch (in.next()) {
                    case XMLStreamConstants.DTD ->
                        throw BadFile.at(line(), "a file of places needs no document type; this one was refused.");
                    case XMLStreamConstants.ENTITY_REFERENCE -> throw BadFile.at(line(), "entities are refused.");
                    case XMLStreamConstants.START_ELEMENT -> {
                        depth++;
                        start(in.getLocalName());
                    }
                    case XMLStreamConstants.END_ELEMENT -> {
                        end(in.getLocalName());
                        depth--;
                    }
                    default -> {
                        // text between elements
                    }
                }
            }
            return new SpotFiles.Found(spots, passedOver);
        }

        private void start(String element) throws XMLStreamException {
            switch (element) {
                case "wpt", "Placemark" -> {
                    inside = depth;
                    name = "";
                    elevation = "";
                    points.clear();
                    if (element.equals("wpt")) {
                        waypoint();
                    }
                }
                case "name" -> name = own() && name.isEmpty() ? textOf() : name;
                case "ele" -> elevation = own() ? textOf() : elevation; // extensions have heights of their own
                case "Point" -> {
                    if (inside > 0) {
                        point();
                    }
                }
                case "trk", "rte", "LineString", "Polygon", "Track" -> passedOver++;
                default -> {
                    // everything else says nothing about where a place is
                }
            }
        }

        /** Whether an element belongs to the waypoint or placemark itself. */
        private boolean own() {
            return inside > 0 && depth == inside + 1;
        }

        private void waypoint() {
            String latitude = in.getAttributeValue(null, "lat");
            String longitude = in.getAttributeValue(null, "lon");
            if (latitude == null || longitude == null) {
                throw BadFile.at(line(), "a waypoint without lat and lon.");
            }
            points.add(new String[] {longitude, latitude});
        }

        /** KML: longitude,latitude[,altitude] in an element of its own; a placemark may have several. */
        private void point() throws XMLStreamException {
            while (in.hasNext()
                    && !(in.next() == XMLStreamConstants.END_ELEMENT
                            && in.getLocalName().equals("Point"))) {
                if (in.isStartElement() && in.getLocalName().equals("coordinates")) {
                    String[] parts = text().split(",");
                    if (parts.length < 2) {
                        throw BadFile.at(line(), "coordinates that are not longitude,latitude.");
                    }
                    points.add(parts);
                }
            }
            depth--; // its end was read here
        }

        private void end(String element) {
            if (inside > 0 && depth == inside && (element.equals("wpt") || element.equals("Placemark"))) {
                inside = 0;
                for (int i = 0; i < points.size(); i++) {
                    spots.add(spot(points.get(i), SpotFiles.numbered(name, i + 1)));
                }
            }
        }

        private Spot spot(String[] at, String called) {
            String height = at.length > 2 ? at[2] : elevation;
            try {
                OptionalDouble metres = height.isBlank() ? OptionalDouble.empty() : OptionalDouble.of(number(height));
                return new Spot(SpotFiles.named(called, spots.size() + 1), number(at[1]), number(at[0]), metres);
            } catch (OutOfRange e) {
                throw BadFile.at(line(), e.getMessage() + ".");
            }
        }

        private double number(String text) {
            try {
                return Double.parseDouble(text.strip());
            } catch (NumberFormatException e) {
                throw BadFile.at(line(), "a coordinate that is not a number.");
            }
        }

        /** Of an element that was entered by the loop: its end is read here. */
        private String textOf() throws XMLStreamException {
            String text = text();
            depth--;
            return text;
        }

        private String text() throws XMLStreamException {
            StringBuilder text = new StringBuilder();
            while (in.hasNext() && in.next() != XMLStreamConstants.END_ELEMENT) {
                if (in.isCharacters()) {
                    text.append(in.getText());
                } else if (in.isStartElement() || in.getEventType() == XMLStreamConstants.ENTITY_REFERENCE) {
                    throw BadFile.at(line(), "a name or number with something else inside it.");
                }
                if (text.length() > LONGEST_TEXT) {
                    throw BadFile.at(line(), "a name of more than " + LONGEST_TEXT + " characters.");
                }
            }
            return text.toString().strip();
        }

        private int line() {
            return Math.max(1, in.getLocation().getLineNumber());
        }
    }

    static String writeGpx(List<Spot> spots) {
        return write(out -> {
            out.writeStartElement("gpx");
            out.writeAttribute("version", "1.1");
            out.writeAttribute("creator", "Half Dusk");
            out.writeDefaultNamespace("http://www.topografix.com/GPX/1/1");
            for (Spot spot : spots) {
                out.writeStartElement("wpt");
                out.writeAttribute("lat", Numbers.plain(spot.latitudeDeg()));
                out.writeAttribute("lon", Numbers.plain(spot.longitudeDeg()));
                if (spot.elevationM().isPresent()) {
                    element(out, "ele", Numbers.plain(spot.elevationM().getAsDouble()));
                }
                element(out, "name", spot.name());
                out.writeEndElement();
            }
            out.writeEndElement();
        });
    }

    static String writeKml(List<Spot> spots) {
        return write(out -> {
            out.writeStartElement("kml");
            out.writeDefaultNamespace("http://www.opengis.net/kml/2.2");
            out.writeStartElement("Document");
            for (Spot spot : spots) {
                out.writeStartElement("Placemark");
                element(out, "name", spot.name());
                out.writeStartElement("Point");
                String height =
                        spot.elevationM().isPresent() ? "," + spot.elevationM().getAsDouble() : "";
                element(
                        out,
                        "coordinates",
                        Numbers.plain(spot.longitudeDeg()) + "," + Numbers.plain(spot.latitudeDeg()) + height);
                out.writeEndElement();
                out.writeEndElement();
            }
            out.writeEndElement();
            out.writeEndElement();
        });
    }

    private interface Body {
        void write(XMLStreamWriter out) throws XMLStreamException;
    }

    private static String write(Body body) {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter out = XMLOutputFactory.newDefaultFactory().createXMLStreamWriter(text);
            out.writeStartDocument("UTF-8", "1.0");
            body.write(out);
            out.writeEndDocument();
            out.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("writing to memory failed", e);
        }
        return text.toString();
    }

    private static void element(XMLStreamWriter out, String name, String text) throws XMLStreamException {
        out.writeStartElement(name);
        out.writeCharacters(text);
        out.writeEndElement();
    }
}
