package dev.halfdusk.app.nights;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.Geo;
import de.siegmar.fastcsv.writer.CsvWriter;
import dev.halfdusk.app.web.Cells;
import dev.halfdusk.app.web.Installation;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.night.Sight;
import dev.halfdusk.core.search.NightSearch;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.Instant;
import java.util.Date;
import java.util.List;

/** Best nights for other programs: a table and a calendar. */
final class BestNightsFiles {

    private BestNightsFiles() {}

    static String csv(List<BestNights.Find> finds) {
        StringWriter text = new StringWriter();
        try (CsvWriter csv = CsvWriter.builder().build(text)) {
            Cells.row(
                    csv,
                    "rank",
                    "place",
                    "night",
                    "score",
                    "from_utc",
                    "to_utc",
                    "hours",
                    "top_altitude_deg",
                    "top_azimuth_deg",
                    "contrast_percent",
                    "moon_percent",
                    "stance",
                    "sky_magnitude",
                    "reasons");
            for (int i = 0; i < finds.size(); i++) {
                NightSearch.Hit h = finds.get(i).hit();
                Cells.row(
                        csv,
                        Integer.toString(i + 1),
                        finds.get(i).place().name(),
                        h.date().toString(),
                        Numbers.plain(h.score(), 1),
                        Cells.utc(h.window().from()),
                        Cells.utc(h.window().to()),
                        Numbers.plain(h.hours(), 2),
                        h.top().map(c -> Numbers.plain(c.altitudeDeg(), 1)).orElse(""),
                        h.top().map(c -> Numbers.plain(c.azimuthDeg(), 1)).orElse(""),
                        h.top().map(c -> Numbers.plain(c.contrastPercent(), 0)).orElse(""),
                        Numbers.plain(h.moonFraction() * 100, 0),
                        h.top().map(c -> c.stance().key()).orElse(""),
                        Numbers.plain(h.skyMagnitude(), 2),
                        String.join("; ", h.reasons()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    /** An event for each window. The same night keeps its identity, so that a later file replaces it. */
    static String calendar(List<BestNights.Find> finds, Sight sight, Instant now, Installation here) {
        ICalendar calendar = new ICalendar();
        calendar.setProductId("-//Half Dusk//Nights//EN");
        for (BestNights.Find find : finds) {
            NightSearch.Hit h = find.hit();
            VEvent event = new VEvent();
            event.setUid(here.uid("place-" + find.place().id() + "-night-" + h.date()));
            event.setDateTimeStamp(Date.from(now));
            event.setDateStart(Date.from(h.window().from()));
            event.setDateEnd(Date.from(h.window().to()));
            event.setSummary((h.top().isPresent() ? sight.title() + " at " : "Dark sky at ")
                    + find.place().name() + ", " + Words.span(Duration.ofMinutes(Math.round(h.hours() * 60))));
            event.setDescription(String.join(". ", h.reasons()) + ".");
            event.setLocation(find.place().name());
            event.setGeo(new Geo(
                    find.place().site().latitudeDeg(), find.place().site().longitudeDeg()));
            calendar.addEvent(event);
        }
        return Biweekly.write(calendar).go();
    }
}
