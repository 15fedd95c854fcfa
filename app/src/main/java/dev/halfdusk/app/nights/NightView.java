package dev.halfdusk.app.nights;

import dev.halfdusk.app.pictures.Ribbon;
import dev.halfdusk.app.places.Place;
import dev.halfdusk.app.web.Form;
import dev.halfdusk.app.web.NightWords;
import dev.halfdusk.app.web.Words;
import dev.halfdusk.core.glow.SkyGlow;
import dev.halfdusk.core.glow.SunAndMoon;
import dev.halfdusk.core.measure.Angles;
import dev.halfdusk.core.measure.Interval;
import dev.halfdusk.core.night.Night;
import dev.halfdusk.core.sky.Body;
import dev.halfdusk.core.sky.FixedPoint;
import dev.halfdusk.core.sky.Galaxy;
import dev.halfdusk.core.sky.HorizonEvent;
import dev.halfdusk.core.sky.Horizontal;
import dev.halfdusk.core.sky.Moment;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** A night at a place in the words and numbers of its sheet. */
public record NightView(
        Place place,
        LocalDate date,
        String night,
        LocalDate before,
        LocalDate after,
        String moon,
        String phase,
        String moonSize,
        String verdict,
        List<String> spoilers,
        Ribbon ribbon,
        List<EventRow> events,
        List<WindowRow> windows,
        List<CoreRow> core,
        List<HourRow> hours,
        List<PlanetRow> planets,
        String pole) {

    public record EventRow(String clock, String utc, String what, String azimuth) {}

    public record WindowRow(String what, String times, String length) {}

    public record CoreRow(String what, String clock, String altitude, String azimuth, String stance, String arch) {}

    /** The sky at a full hour: the dark zenith, and how far the core stands out. */
    public record HourRow(
            String clock, String sun, String zenith, String core, String contrast, int contrastPercent, String moon) {}

    public record PlanetRow(String name, String up, String nearCore) {}

    /** Whether the core stands out at any full hour. */
    public boolean hasCore() {
        return hours.stream().anyMatch(h -> h.contrastPercent() > 0);
    }

    static NightView of(Place place, Night night) {
        return new NightView(
                place,
                night.date(),
                Words.night(night.date()),
                Form.NIGHTS.near(night.date(), -1, night.zone()),
                Form.NIGHTS.near(night.date(), 1, night.zone()),
                NightWords.moon(night),
                Words.phase(night.moon()),
                NightWords.moonSize(night.moonSize()),
                NightWords.verdict(night),
                NightWords.spoilers(night),
                Ribbon.of(night, place.glow()),
                events(night),
                windows(night),
                core(night),
                hours(night, place.glow()),
                planets(night),
                Words.number(night.poleAltitudeDeg(), 1) + "\u00b0 high in the "
                        + (night.site().latitudeDeg() < 0 ? "south" : "north"));
    }

    private static List<EventRow> events(Night night) {
        ZoneId zone = night.zone();
        Stream<HorizonEvent> horizon = night.events().stream();
        List<Timed> all = new ArrayList<>(horizon.map(e -> new Timed(
                        e.when(),
                        e.words(),
                        Words.number(e.azimuthDeg(), 1) + "\u00b0 " + Angles.compass(e.azimuthDeg())))
                .toList());
        if (night.hasCore()) {
            night.coreRise().ifPresent(t -> all.add(timed(night, t, "Core over the skyline")));
            night.coreTransit().ifPresent(t -> all.add(timed(night, t, "Core on the meridian")));
            night.coreSet().ifPresent(t -> all.add(timed(night, t, "Core behind the skyline")));
        }
        return all.stream()
                .sorted(Comparator.comparing(Timed::when))
                .map(t -> new EventRow(
                        Words.clockSeconds(t.when, zone),
                        Words.clockSeconds(t.when, ZoneOffset.UTC),
                        t.what,
                        t.azimuth))
                .toList();
    }

    private record Timed(Instant when, String what, String azimuth) {}

    private static Timed timed(Night night, Instant when, String what) {
        Horizontal core = night.core(when);
        return new Timed(
                when, what, Words.number(core.azimuthDeg(), 1) + "\u00b0 " + Angles.compass(core.azimuthDeg()));
    }

    private static List<WindowRow> windows(Night night) {
        List<WindowRow> rows = new ArrayList<>();
        add(rows, night, "dark", night.dark());
        add(rows, night, "dark, no moon", night.moonless());
        if (night.hasCore()) {
            add(rows, night, "core up", night.coreUp());
            add(rows, night, "core in the dark, no moon", night.coreDark());
        }
        return List.copyOf(rows);
    }

    private static void add(List<WindowRow> rows, Night night, String what, List<Interval> intervals) {
        if (intervals.isEmpty()) {
            rows.add(new WindowRow(what, "not this night", "\u2014"));
        }
        for (Interval i : intervals) {
            String times = i.equals(night.span())
                    ? "all the time"
                    : Words.clock(i.from(), night.zone()) + " to " + Words.clock(i.to(), night.zone());
            rows.add(new WindowRow(what, times, Words.span(i.length())));
        }
    }

    private static List<CoreRow> core(Night night) {
        return night.coreWindow()
                .map(w -> List.of(
                        coreRow(night, "begins", w.from()),
                        coreRow(night, "stands highest", night.coreBest().orElse(w.middle())),
                        coreRow(night, "ends", w.to())))
                .orElse(List.of());
    }

    private static CoreRow coreRow(Night night, String what, Instant when) {
        Horizontal core = night.core(when);
        Galaxy.Arch arch = night.arch(when);
        return new CoreRow(
                what,
                Words.clock(when, night.zone()),
                Words.number(core.refractedAltitudeDeg(), 1) + "\u00b0",
                Words.number(core.azimuthDeg(), 1) + "\u00b0 " + Angles.compass(core.azimuthDeg()),
                arch.stance().words(),
                Words.number(arch.leftFootDeg(), 0) + "\u00b0 to " + Words.number(arch.rightFootDeg(), 0) + "\u00b0, "
                        + Words.number(arch.topAltitudeDeg(), 0) + "\u00b0 high");
    }

    private static List<HourRow> hours(Night night, SkyGlow glow) {
        List<HourRow> rows = new ArrayList<>();
        Interval down = night.down();
        ZonedDateTime hour =
                down.from().atZone(night.zone()).truncatedTo(ChronoUnit.HOURS).plusHours(1);
        for (; hour.toInstant().isBefore(down.to()); hour = hour.plusHours(1)) {
            rows.add(hour(night, glow, hour.toInstant()));
        }
        return List.copyOf(rows);
    }

    private static HourRow hour(Night night, SkyGlow glow, Instant when) {
        SunAndMoon lamps = SunAndMoon.at(Moment.at(when), night.observer());
        Horizontal core = night.core(when);
        boolean seen = night.coreSeen(when);
        double contrast = seen ? glow.coreContrastPercent(core.direction(), lamps) : 0;
        return new HourRow(
                Words.clock(when, night.zone()),
                Words.number(lamps.sunAltitudeDeg(), 0) + "\u00b0",
                Words.number(glow.zenith(lamps).magnitude(), 2),
                seen ? Words.number(core.altitudeDeg(), 0) + "\u00b0" : "\u2014",
                seen ? Words.number(contrast, 0) + " %" : "\u2014",
                (int) Math.round(Math.min(100, contrast)),
                lamps.moonAltitudeDeg() > 0 ? Words.number(lamps.moonAltitudeDeg(), 0) + "\u00b0" : "down");
    }

    /** Planets that are up in the night, and how near they stand to the core. */
    private static List<PlanetRow> planets(Night night) {
        Instant middle = night.best();
        Moment moment = Moment.at(middle);
        var core = moment.local(FixedPoint.CORE, night.observer());
        return Body.PLANETS.stream()
                .map(body -> {
                    Horizontal at = moment.observed(body, night.observer());
                    double apart = moment.local(body, night.observer()).angleTo(core);
                    String name = body.words();
                    String where = at.altitudeDeg() > 0
                            ? Words.number(at.altitudeDeg(), 0) + "\u00b0 up, " + Words.number(at.azimuthDeg(), 0)
                                    + "\u00b0 " + Angles.compass(at.azimuthDeg())
                            : "down";
                    return new PlanetRow(
                            name,
                            where + " at " + Words.clock(middle, night.zone()),
                            night.hasCore() && apart < 30 ? Words.number(apart, 0) + "\u00b0 from the core" : "");
                })
                .toList();
    }
}
