package dev.halfdusk.app.rehearsal;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VAlarm;
import biweekly.component.VEvent;
import biweekly.parameter.Related;
import biweekly.property.Geo;
import biweekly.property.Trigger;
import biweekly.util.Duration;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.halfdusk.app.web.CautionWords;
import dev.halfdusk.app.web.Installation;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.eclipse.Cue;
import dev.halfdusk.core.eclipse.FilterWindow;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.eclipse.Script;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Numbers;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Date;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** A plan for other programs and for paper. The caution and what holds for the filter stand on each. */
final class PlanFiles {

    static final String FORMAT = "half-dusk-eclipse";

    /** Before a cue that asks for preparation. */
    private static final int ALARM_MINUTES = 5;

    private PlanFiles() {}

    private static String filter(EclipsePlan plan) {
        return FilterWindow.words(plan.here(), plan.window());
    }

    /** Cues, contacts and all scripts, to read. */
    static String text(EclipsePlan plan, List<Scripts.Worked> worked) {
        StringBuilder text = new StringBuilder(head(plan));
        text.append("\nCues\n");
        for (PlanView.CueRow c : PlanView.cues(plan, plan.here())) {
            text.append("  ").append(c.local()).append("  ").append(c.words()).append('\n');
        }
        for (Scripts.Worked w : worked) {
            text.append('\n').append(script(plan, w));
        }
        return text.toString();
    }

    private static String head(EclipsePlan plan) {
        StringBuilder text = new StringBuilder(PlanView.title(plan, plan.here())).append('\n');
        text.append(PlanView.headline(plan.here(), plan.place().zone())).append('\n');
        text.append(CautionWords.SUN).append('\n').append(filter(plan)).append("\n\nContacts at ");
        text.append(plan.place().name())
                .append(", clocks of ")
                .append(plan.place().zone())
                .append('\n');
        for (LocalSolarEclipse.Contact c : plan.here().contacts()) {
            text.append("  ")
                    .append(Words.clockSeconds(c.when(), plan.place().zone()))
                    .append("  ")
                    .append(Countdown.name(c.name()))
                    .append(c.up() ? "" : ", below the horizon or the skyline")
                    .append('\n');
        }
        return text.toString();
    }

    /** One camera's script with the caution above it. */
    static String alone(EclipsePlan plan, Scripts.Worked w) {
        return head(plan) + '\n' + script(plan, w);
    }

    /** A lens whose ring is turned: a script that sends it an aperture stops. */
    private static boolean byHand(Scripts.Worked w) {
        return !w.camera().rig().rig().lens().electronic();
    }

    private static String script(EclipsePlan plan, Scripts.Worked w) {
        ZoneId zone = plan.place().zone();
        StringBuilder text = new StringBuilder(w.camera().name())
                .append(", ")
                .append(w.camera().rig().name())
                .append(", f/")
                .append(Numbers.trimmed(w.camera().setting().aperture(), 1))
                .append(byHand(w) ? ", to be set by hand: the script sends none\n" : "\n");
        for (String refusal : w.refusals()) {
            text.append("  NOT TO BE STARTED: ").append(refusal).append('\n');
        }
        for (Script.Placed p : w.script().placed(plan.here())) {
            Script.Line l = p.line();
            text.append("  ")
                    .append(Words.clockSeconds(p.begins(), zone))
                    .append("  ")
                    .append(Countdown.offset(l.from(), l.offsetSeconds()))
                    .append(": ")
                    .append(l.frames())
                    .append(" \u00d7 ")
                    .append(w.camera().rig().rig().body().label(l.settings().seconds()))
                    .append(" s, ISO ")
                    .append(Numbers.plain(l.settings().iso()))
                    .append(l.filtered() ? ", filter on, " : ", filter off, ")
                    .append(l.what())
                    .append('\n');
        }
        return text.toString();
    }

    /**
     * By the schema that ships with the application.
     *
     * @param file what is read again
     */
    static String json(EclipsePlan plan, List<Scripts.Worked> worked, ObjectNode file, ObjectMapper json) {
        ObjectNode root = json.createObjectNode();
        root.put("format", FORMAT)
                .put("version", 1)
                .put("caution", CautionWords.SUN)
                .put("filter", filter(plan));
        root.put("eclipse", plan.date().toString())
                .put("type", plan.here().type().words());
        root.putObject("place")
                .put("name", plan.place().name())
                .put("latitudeDeg", plan.place().site().latitudeDeg())
                .put("longitudeDeg", plan.place().site().longitudeDeg())
                .put("elevationM", plan.place().site().elevationM())
                .put("zone", plan.place().zone().getId());
        ObjectNode contacts = root.putObject("contacts");
        plan.here().contacts().forEach(c -> contacts.put(c.name(), c.when().toString()));
        plan.window()
                .ifPresent(w -> root.putObject("filtersOff")
                        .put("from", w.off().from().toString())
                        .put("to", w.off().to().toString()));
        ArrayNode cues = root.putArray("cues");
        for (Cue c : plan.cues()) {
            cues.addObject()
                    .put("utc", c.when().toString())
                    .put("kind", c.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'))
                    .put("words", c.words());
        }
        ArrayNode cameras = root.putArray("cameras");
        for (Scripts.Worked w : worked) {
            camera(plan, w, cameras.addObject());
        }
        root.set("plan", file);
        return root.toPrettyString();
    }

    private static void camera(EclipsePlan plan, Scripts.Worked w, ObjectNode camera) {
        camera.put("name", w.camera().name())
                .put("role", w.camera().role().key())
                .put("rig", w.camera().rig().name())
                .put("clockAheadSeconds", w.camera().set().stands().clockAheadSeconds());
        if (byHand(w)) {
            camera.put("apertureByHand", w.camera().setting().aperture());
        }
        ArrayNode lines = camera.putArray("script");
        for (Script.Placed p : w.script().placed(plan.here())) {
            Script.Line l = p.line();
            ObjectNode line = lines.addObject();
            if (!byHand(w)) {
                line.put("aperture", l.settings().aperture());
            }
            line.put("utc", p.begins().toString())
                    .put("contact", l.from().key())
                    .put("offsetSeconds", l.offsetSeconds())
                    .put("frames", l.frames())
                    .put("pauseSeconds", l.pauseSeconds())
                    .put("shutterSeconds", l.settings().seconds())
                    .put("iso", l.settings().iso())
                    .put("format", l.format().key())
                    .put("filter", l.filtered() ? "on" : "off")
                    .put("what", l.what());
        }
    }

    /** An event for each cue; alarms ring at the cue, and before what needs preparation. Filters are not left to a calendar's alarm alone. */
    static String calendar(EclipsePlan plan, Instant now, Installation here) {
        ICalendar calendar = new ICalendar();
        calendar.setProductId("-//Half Dusk//Eclipse//EN");
        Map<Cue.Kind, Integer> numbers = new EnumMap<>(Cue.Kind.class);
        for (Cue cue : plan.cues()) {
            VEvent event = new VEvent();
            int number = numbers.merge(cue.kind(), 1, Integer::sum);
            event.setUid(
                    here.uid("eclipse-" + plan.id() + "-" + cue.kind().name().toLowerCase(Locale.ROOT) + "-" + number));
            event.setDateTimeStamp(Date.from(now));
            event.setDateStart(Date.from(cue.when()));
            event.setDateEnd(Date.from(Instants.after(cue.when(), 1)));
            event.setSummary(cue.words());
            event.setDescription(CautionWords.SUN + " " + filter(plan));
            event.setLocation(plan.place().name());
            event.setGeo(new Geo(
                    plan.place().site().latitudeDeg(), plan.place().site().longitudeDeg()));
            boolean prepare = cue.kind() == Cue.Kind.BATTERIES || cue.kind() == Cue.Kind.CLOCKS;
            Duration before = Duration.builder()
                    .prior(true)
                    .minutes(prepare ? ALARM_MINUTES : 0)
                    .build();
            event.addAlarm(VAlarm.display(new Trigger(before, Related.START), cue.words()));
            calendar.addEvent(event);
        }
        return Biweekly.write(calendar).go();
    }
}
