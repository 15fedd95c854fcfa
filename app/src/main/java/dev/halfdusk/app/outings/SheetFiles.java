package dev.halfdusk.app.outings;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VAlarm;
import biweekly.component.VEvent;
import biweekly.parameter.Related;
import biweekly.property.Geo;
import biweekly.property.Trigger;
import biweekly.util.Duration;
import com.fasterxml.jackson.databind.ObjectMapper;
import de.siegmar.fastcsv.writer.CsvWriter;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Cells;
import dev.halfdusk.app.web.Installation;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.measure.Numbers;
import dev.halfdusk.core.outing.Slot;
import dev.halfdusk.core.outing.Trip;
import dev.halfdusk.core.sequence.Program;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.Date;
import java.util.Optional;

/** The night of an outing for other programs: its sheet as a table, its takes as a calendar with alarms. */
final class SheetFiles {

    /** Before the work for a take begins. */
    private static final int ALARM_MINUTES = 10;

    private static final int LEAVE_ALARM_MINUTES = 30;

    private SheetFiles() {}

    static String csv(OutingPlanner.Arranged night) {
        StringWriter text = new StringWriter();
        try (CsvWriter csv = CsvWriter.builder().build(text)) {
            Cells.row(csv, "utc", "local", "take", "what", "act");
            for (SheetWords.Line l : night.sheet()) {
                Cells.row(
                        csv,
                        Cells.utc(l.when()),
                        Cells.local(l.when(), night.outing().place().zone()),
                        l.take(),
                        l.what(),
                        Boolean.toString(l.act()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    /** An event for leaving home, for each way between places and for each take with its work; the same take keeps its identity, so that a later file replaces it. */
    static String calendar(OutingPlanner.Arranged night, Instant now, Installation here) {
        ICalendar calendar = new ICalendar();
        calendar.setProductId("-//Half Dusk//Outing//EN");
        Trip trip = night.trip();
        if (trip.away()) {
            Interval way =
                    new Interval(trip.leavesHome(night.schedule()), trip.there().from());
            VEvent leaves = event(night, "leave", trip.first(night.schedule()), way, now, here);
            leaves.setSummary("Leave home: " + night.outing().title());
            leaves.setDescription(SheetWords.way(trip.fromHome(night.schedule())) + ".");
            leaves.addAlarm(alarm(LEAVE_ALARM_MINUTES, "Leave home soon"));
            calendar.addEvent(leaves);
        }
        for (Trip.Move m : trip.moves(night.schedule())) {
            VEvent move = event(night, "way-" + m.to(), m.to(), m.when(), now, here);
            move.setSummary("On to " + trip.stop(m.to()).name());
            move.addAlarm(alarm(ALARM_MINUTES, "On to " + trip.stop(m.to()).name()));
            calendar.addEvent(move);
        }
        for (OutingPlanner.Planned take : night.takes()) {
            night.slot(take).ifPresent(slot -> {
                Interval work = new Interval(slot.prepares().from(), slot.runs().to());
                VEvent event = event(night, "take-" + take.id(), slot.stop(), work, now, here);
                event.setSummary(slot.name() + ", " + slot.camera());
                event.setDescription(slot.words());
                event.addAlarm(alarm(ALARM_MINUTES, slot.name()));
                calendar.addEvent(event);
            });
        }
        return Biweekly.write(calendar).go();
    }

    private static VEvent event(
            OutingPlanner.Arranged night, String what, int stop, Interval time, Instant now, Installation here) {
        Place place = night.outing().place(stop);
        VEvent event = new VEvent();
        event.setUid(here.uid("outing-" + night.outing().id() + "-" + what));
        event.setDateTimeStamp(Date.from(now));
        event.setDateStart(Date.from(time.from()));
        event.setDateEnd(Date.from(time.to()));
        event.setLocation(place.name());
        event.setGeo(new Geo(place.site().latitudeDeg(), place.site().longitudeDeg()));
        return event;
    }

    private static VAlarm alarm(int minutesBefore, String words) {
        Duration before = Duration.builder().prior(true).minutes(minutesBefore).build();
        return VAlarm.display(new Trigger(before, Related.START), words);
    }

    /** The lines of the sheet, as the API gives them. */
    static String json(OutingPlanner.Arranged night, ObjectMapper json) {
        return json.valueToTree(SheetLine.of(night.sheet())).toPrettyString();
    }

    /** What to set on the interval timer of each camera, take by take. */
    static String timers(OutingPlanner.Arranged night) {
        StringBuilder text = new StringBuilder();
        for (Slot s : night.schedule().slots()) {
            text.append(s.name()).append(", ").append(s.camera()).append('\n');
            Optional<String> hand = s.plan().take().subject().byHand();
            hand.ifPresent(h -> text.append("  ").append(h).append('\n'));
            for (Program.Step step : s.program().steps()) {
                text.append("  ")
                        .append(Words.clockSeconds(step.begins(), night.night().zone()))
                        .append("  ")
                        .append(step.words(s.plan().take().camera().rig().body()))
                        .append(": ")
                        .append(step.what());
                if (step.frames() > 1 && hand.isEmpty()) {
                    text.append("\n            timer: ")
                            .append(Numbers.trimmed(step.sequence().stepSeconds(), 1))
                            .append(" s from start to start, or ")
                            .append(Numbers.trimmed(step.pauseSeconds(), 1))
                            .append(" s of pause; ")
                            .append(step.frames())
                            .append(" frames");
                }
                text.append('\n');
            }
            text.append('\n');
        }
        return text.toString();
    }
}
