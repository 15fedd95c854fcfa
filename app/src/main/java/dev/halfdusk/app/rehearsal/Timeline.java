package dev.halfdusk.app.rehearsal;

import dev.halfdusk.app.pictures.PathText;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.core.camera.Run;
import dev.halfdusk.core.eclipse.Anchor;
import dev.halfdusk.core.eclipse.FilterWindow;
import dev.halfdusk.core.eclipse.LocalSolarEclipse;
import dev.halfdusk.core.glow.SkyColour;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Instants;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.sequence.Program;
import dev.halfdusk.core.sky.Moment;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * An eclipse as a band: the light of its sky, contacts, when filters are off, and a lane of shots for each camera, as tall as they are long
 * open. In a box 1084 wide.
 *
 * @param off where filters are off; null where they never are
 * @param now where the clock stands; null outside or where there is none
 */
record Timeline(
        List<Stop> sky, List<Mark> contacts, List<Mark> hours, List<Lane> lanes, Bar off, Double now, int height) {

    static final int LEFT = 120;
    static final int WIDTH = 950;
    private static final int STOPS = 60;
    private static final int FIRST_LANE = 112;
    private static final int LANE = 38;
    private static final double AROUND = 330;

    /** Width of a contact's name. */
    private static final double LABEL = 60;

    /** Room for the words of the last minute. */
    private static final double EDGE = 12;

    private static final int BY_DAY = 0x7d90ad;
    private static final int TOTAL = 0x14121f;

    /** A colour at a share of the width. */
    record Stop(double at, String colour) {}

    /** @param open whether it is drawn dotted: an instant and no contact */
    record Mark(double x, String words, boolean open) {}

    record Bar(double x, double width) {}

    /**
     * A camera's shots, as paths: those to come, those taken, those late and those lost, which hang below the line.
     *
     * @param y of its base line
     */
    record Lane(String name, int y, String coming, String taken, String late, String lost) {}

    /** What a camera is to do, and what it has done. */
    record Row(String name, Optional<Program> program, List<Run.Result> done) {}

    /** Totality with some minutes around, where there is one and it is asked for; else from before the first contact to after the last. */
    static Interval span(LocalSolarEclipse here, boolean close) {
        Instant from = here.contact(Anchor.C1).orElse(here.max()).when().minusSeconds(300);
        Instant to = here.contact(Anchor.C4).orElse(here.max()).when().plusSeconds(300);
        if (close
                && here.contact(Anchor.C2).isPresent()
                && here.contact(Anchor.C3).isPresent()) {
            from = Instants.after(here.contact(Anchor.C2).get().when(), -AROUND);
            to = Instants.after(here.contact(Anchor.C3).get().when(), AROUND);
        }
        return new Interval(from, to);
    }

    static Timeline of(
            LocalSolarEclipse here,
            Place place,
            Optional<FilterWindow> window,
            List<Row> rows,
            Interval span,
            Optional<Instant> now) {
        Scale scale = new Scale(span);
        List<Mark> contacts = contacts(here, scale);
        List<Lane> lanes = new ArrayList<>();
        for (Row row : rows) {
            lanes.add(lane(row, FIRST_LANE + lanes.size() * LANE, scale));
        }
        Bar off = window.flatMap(w -> w.off().and(span))
                .map(w -> new Bar(scale.x(w.from()), scale.x(w.to()) - scale.x(w.from())))
                .orElse(null);
        return new Timeline(
                sky(place, span),
                contacts,
                hours(here, span, scale),
                lanes,
                off,
                now.filter(span::contains).map(scale::x).orElse(null),
                FIRST_LANE + lanes.size() * LANE + 24);
    }

    /** A name that would stand on the one before it is left out. */
    private static List<Mark> contacts(LocalSolarEclipse here, Scale scale) {
        List<Mark> contacts = new ArrayList<>();
        double named = -LABEL;
        for (Anchor a : Anchor.values()) {
            Optional<LocalSolarEclipse.Contact> c = here.contact(a).filter(k -> scale.span.contains(k.when()));
            if (c.isPresent()) {
                double x = scale.x(c.get().when());
                boolean room = x - named >= LABEL;
                named = room ? x : named;
                contacts.add(new Mark(x, room ? a.words() : "", a == Anchor.MAX));
            }
        }
        return contacts;
    }

    private record Scale(Interval span) {

        double x(Instant t) {
            double share = Instants.seconds(span.from(), t) / span.length().toSeconds();
            return PathText.tenth(LEFT + WIDTH * share);
        }
    }

    private static List<Stop> sky(Place place, Interval span) {
        List<Stop> stops = new ArrayList<>();
        for (int i = 0; i <= STOPS; i++) {
            Instant t = span.from().plus(span.length().multipliedBy(i).dividedBy(STOPS));
            SunAndMoon lamps = SunAndMoon.at(Moment.at(t), place.standpoint().observer());
            double light = Math.log10(place.glow().zenith(lamps).total()) / 3.6;
            stops.add(new Stop(
                    Math.round(1000.0 * i / STOPS) / 1000.0,
                    SkyColour.hex(SkyColour.mix(TOTAL, BY_DAY, Math.max(0, Math.min(1, light))))));
        }
        return stops;
    }

    /** Minutes from the second contact, or from the maximum, at round steps. */
    private static List<Mark> hours(LocalSolarEclipse here, Interval span, Scale scale) {
        Instant zero = here.contact(Anchor.C2).orElse(here.max()).when();
        long step = span.length().compareTo(Duration.ofMinutes(40)) < 0 ? 60 : 1200;
        List<Mark> marks = new ArrayList<>();
        long first = Math.floorDiv((long) Instants.seconds(zero, span.from()), step) + 1;
        for (long k = first; scale.x(zero.plusSeconds(k * step)) < LEFT + WIDTH - EDGE; k++) {
            long seconds = Math.abs(k * step);
            marks.add(new Mark(
                    scale.x(zero.plusSeconds(k * step)), (k < 0 ? "\u2212" : "+") + Countdown.span(seconds), false));
        }
        return marks;
    }

    private static Lane lane(Row row, int y, Scale scale) {
        List<Program.Shot> shots = row.program.map(Program::shots).orElse(List.of());
        List<Program.Shot> coming = shots.subList(Math.min(shots.size(), row.done.size()), shots.size());
        return new Lane(
                row.name,
                y,
                coming.stream().map(s -> bar(s, y, scale, false)).reduce("", String::concat),
                fates(row, Run.Fate.TAKEN::equals, y, scale, false),
                fates(row, Run.Fate.LATE::equals, y, scale, false),
                fates(row, Run.Fate.LOST::equals, y, scale, true));
    }

    private static String fates(Row row, Predicate<Run.Fate> which, int y, Scale scale, boolean down) {
        return row.done.stream()
                .filter(r -> which.test(r.fate()))
                .map(r -> bar(r.shot(), y, scale, down))
                .reduce("", String::concat);
    }

    private static String bar(Program.Shot shot, int y, Scale scale, boolean down) {
        if (!scale.span.contains(shot.opens())) {
            return "";
        }
        double stops = Math.log(shot.settings().seconds() * 8000) / Math.log(2);
        double high = down ? -7 : Math.max(4, Math.min(22, 6 + 1.1 * stops));
        return "M" + scale.x(shot.opens()) + "," + y + "v" + PathText.tenth(-high);
    }
}
